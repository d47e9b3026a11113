// How what has the focus was reached: by the keyboard, or by the pointer and what that set off.

let last = 'pointer';

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
    const had = document.activeElement;
    if (had?.contains(/** @type {Node} */ (event.target))) reached.set(had, last);
  },
  { capture: true },
);
document.addEventListener('focusin', (event) => {
  reached.set(event.target, last);
  found.set(event.target, /** @type {any} */ (event.target).value);
});

/** Whether somebody walked to an element with the keyboard. @param {EventTarget} element */
export const isWalkedTo = (element) => reached.get(element) === 'keyboard';

/** Whether a text is still as it was when it got the focus. @param {any} input */
export const isUntouched = (input) => !found.has(input) || found.get(input) === input.value;
