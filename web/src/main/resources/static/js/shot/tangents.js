// How curves pass through keys, and what they do outside them, as they are called on screen.

export const TANGENTS = [
  ['settle', 'Settle', 'Smooth, never past a key'],
  ['flow', 'Flow', 'Smooth through the key; may swing past it'],
  ['straight', 'Straight', 'Linear to the next key'],
  ['hold', 'Hold', 'Constant until the next key'],
  ['free', 'Free', 'Set by hand: drag its handles in the Curves view'],
];

export const BEYOND = [
  ['hold', 'Hold', 'The value of the last key'],
  ['run-on', 'Run on', 'Goes on with the last slope'],
  ['cycle', 'Cycle', 'Starts again'],
  ['cycle-and-carry', 'Cycle and carry', 'Starts again from where it ended'],
];
