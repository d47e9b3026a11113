// What the artist's hands do: whether the pointer holds something, and how what has the focus was reached.

let last = 'keyboard'; // until the pointer is pressed
/** @type {null | Set<EventTarget>} */
let held = null; // all that the pointer was pressed in, while it is down; what was pressed itself may be drawn anew

/** @type {WeakMap<EventTarget, string>} */
const reached = new WeakMap();

/** @type {WeakMap<EventTarget, string>} */
const found = new WeakMap();

/** Says that the keyboard is about to move the focus. */
export function noteWalk() {
  last = 'keyboard';
}

document.addEventListener(
  'pointerdown',
  (event) => {
    last = 'pointer';
    held = new Set(event.composedPath());
    const had = document.activeElement;
    if (had?.contains(/** @type {Node} */ (event.target))) reached.set(had, last);
  },
  { capture: true },
);
/** Also where the release was not heard, as over the list that a choice opens. */
const release = () => {
  held = null;
};
for (const name of ['pointerup', 'pointercancel', 'change'])
  document.addEventListener(name, release, { capture: true });
document.addEventListener(
  'pointermove',
  ({ buttons }) => {
    if (!buttons) release();
  },
  { capture: true },
);
document.addEventListener('focusin', (event) => {
  reached.set(event.target, last);
  found.set(event.target, /** @type {any} */ (event.target).value);
});

/** Whether a button of the pointer is down. */
export const isHeld = () => held !== null;

/** Whether it is, and was pressed somewhere else than in an element. @param {Element} element */
export const isHeldOutside = (element) => held !== null && !held.has(element);

/** Whether somebody walked to an element with the keyboard. @param {EventTarget} element */
export const isWalkedTo = (element) => reached.get(element) === 'keyboard';

/** Whether a text is still as it was when it got the focus. @param {any} input */
export const isUntouched = (input) => !found.has(input) || found.get(input) === input.value;
