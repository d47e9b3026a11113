// Every key of the page with what it does. What is pressed is written as its key, after Control, Alt and Shift.

/**
 * @typedef {object} Shortcut
 * @property {string} press what is pressed
 * @property {string} act the action, of those in actions.js
 * @property {any[]} [with] what the action is given
 * @property {string} [shown] how the list writes it, together with those below it that say nothing
 * @property {string} [says] what it does
 */

const CAMERAS = [1, 2, 3, 4, 5, 6, 7, 8, 9];

/** @type {Shortcut[]} */
export const SHORTCUTS = [
  { press: 'Space', act: 'play', shown: 'Space', says: 'Play or stop' },
  { press: 'ArrowLeft', act: 'step', with: [-1], shown: 'Left, Right', says: 'Step a frame (Shift: ten)' },
  { press: 'ArrowRight', act: 'step', with: [1] },
  { press: 'Shift+ArrowLeft', act: 'step', with: [-10] },
  { press: 'Shift+ArrowRight', act: 'step', with: [10] },
  { press: '[', act: 'keyBefore', shown: '[  ]', says: 'Previous, next key' },
  { press: ']', act: 'keyAfter' },
  { press: 'Enter', act: 'keyPose', shown: 'Enter', says: 'Key the whole pose, or the loose one' },
  { press: 'Shift+Enter', act: 'keyRig', shown: 'Shift+Enter', says: 'Key the whole rig of what is selected' },
  { press: 'Escape', act: 'letGo', shown: 'Esc', says: 'Let go of a loose pose or a pick, or choose no keys' },
  { press: 'Backspace', act: 'removeKeys', shown: 'Backspace', says: 'Remove keys' },
  { press: 'Control+a', act: 'chooseAll', shown: 'Ctrl+A', says: 'Choose all keys of what is selected' },
  ...CAMERAS.map((n) => ({
    press: String(n),
    act: 'camera',
    with: [n],
    ...(n === 1 ? { shown: '1 … 9', says: 'Camera n in the picture' } : {}),
  })),
  { press: '0', act: 'program', shown: '0', says: 'The program in the picture' },
  ...CAMERAS.map((n) => ({
    press: `Shift+${n}`,
    act: 'cutTo',
    with: [n],
    ...(n === 1 ? { shown: 'Shift+1 … 9', says: 'Cut to camera n at the playhead' } : {}),
  })),
  { press: 'o', act: 'operate', shown: 'o', says: 'Operate' },
  { press: 'r', act: 'roll', shown: 'r', says: 'Record a take of what is operated, or end it' },
  { press: 'c', act: 'centre', shown: 'c', says: 'Centre on the selection; fit the chosen keys' },
  { press: 't', act: 'swapPlan', shown: 't', says: 'Plan from above, from the side, or from outside' },
  { press: 'm', act: 'mark', shown: 'm', says: 'Mark the playhead, also while playing' },
  { press: 'g', act: 'ghost', shown: 'g', says: 'Ghost: a version beside this one' },
  { press: '+', act: 'zoomIn', shown: '+  −', says: 'More or less time in the score (so does the wheel on its ruler)' },
  { press: '=', act: 'zoomIn' },
  { press: '-', act: 'zoomOut' },
  { press: 'w', act: 'wholeShot', shown: 'w', says: 'The whole shot in the score' },
  { press: 'Alt+ArrowLeft', act: 'nudge', with: [-1, 0], shown: 'Alt+arrows', says: 'Move the chosen keys, or a card' },
  { press: 'Alt+ArrowRight', act: 'nudge', with: [1, 0] },
  { press: 'Alt+ArrowUp', act: 'nudge', with: [0, 1] },
  { press: 'Alt+ArrowDown', act: 'nudge', with: [0, -1] },
  { press: 'Alt+Shift+ArrowUp', act: 'nudge', with: [0, 0.1] },
  { press: 'Alt+Shift+ArrowDown', act: 'nudge', with: [0, -0.1] },
  { press: 'Control+c', act: 'copy', shown: 'Ctrl+C, Ctrl+V', says: 'Copy, paste keys' },
  { press: 'Control+v', act: 'paste' },
  { press: 'n', act: 'nullAbove', shown: 'n', says: 'A null above what is selected, to be named' },
  { press: 'F2', act: 'rename', shown: 'F2', says: 'Rename what is selected' },
  { press: 'Control+z', act: 'undo', shown: 'Ctrl+Z', says: 'Undo; with a loose pose, let go of that' },
  { press: 'Control+Shift+z', act: 'redo', shown: 'Ctrl+Shift+Z', says: 'Redo' },
  { press: '?', act: 'help', shown: '?', says: 'This list' },
];

/** What the pointer does together with a key. */
export const WITH_POINTER = [
  ['Shift+click', 'Choose more keys, or more on set (Ctrl: one more or less)'],
  ['Shift+drag', 'On the ruler: what is looped. On rows: a box of keys. A key from outside: up and down'],
  ['Alt+drag', 'A handle: this side alone'],
  ['W A S D', 'While walking: ahead, left, back, right; Shift hurries, J jumps, a drag looks, the wheel zooms'],
];

const byPress = new Map(SHORTCUTS.map((shortcut) => [shortcut.press, shortcut]));

/** The figure of a key of the top row with Shift, whichever sign that makes. @param {KeyboardEvent} event */
const shiftedFigure = ({ shiftKey, code }) => (shiftKey && /^Digit[1-9]$/.test(code ?? '') ? code.slice(-1) : null);

/** How a press of a key is written. @param {KeyboardEvent} event */
export function pressOf(event) {
  const key = shiftedFigure(event) ?? event.key;
  const isSign = key.length === 1 && key.toLowerCase() === key.toUpperCase() && key !== ' ' && !shiftedFigure(event);
  const parts = [
    (event.ctrlKey || event.metaKey) && 'Control',
    event.altKey && 'Alt',
    event.shiftKey && !isSign && 'Shift',
    key === ' ' ? 'Space' : key.length === 1 ? key.toLowerCase() : key,
  ];
  return parts.filter(Boolean).join('+');
}

/** @param {KeyboardEvent} event @returns {Shortcut | undefined} */
export const shortcutOf = (event) => byPress.get(pressOf(event));
