// What the artist's hands do: whether the pointer holds something, and how what has the focus was reached.

let last = 'keyboard'; // until the pointer is pressed
/** @type {Node | null} */
let held = null; // where the pointer was pressed, while it is down

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
    held = /** @type {Node} */ (event.target);
    const had = document.activeElement;
    if (had?.contains(/** @type {Node} */ (event.target))) reached.set(had, last);
  },
  { capture: true },
);
for (const name of ['pointerup', 'pointercancel'])
  document.addEventListener(
    name,
    () => {
      held = null;
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
export const isHeldOutside = (element) => held !== null && !element.contains(held);

/** Whether somebody walked to an element with the keyboard. @param {EventTarget} element */
export const isWalkedTo = (element) => reached.get(element) === 'keyboard';

/** Whether a text is still as it was when it got the focus. @param {any} input */
export const isUntouched = (input) => !found.has(input) || found.get(input) === input.value;
