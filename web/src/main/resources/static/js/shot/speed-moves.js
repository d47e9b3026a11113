// Moves that are felt as speed, as they are first added: at the playhead, over some frames.

/**
 * @typedef {object} SpeedMove
 * @property {string} kind
 * @property {string} label
 * @property {string} says
 * @property {number} frames it lasts at first
 * @property {number} amount degrees, metres or millimetres
 * @property {boolean} [cameras] whether only cameras may have it
 */

/** @type {SpeedMove[]} */
export const SPEED_MOVES = [
  {
    kind: 'whip-pan',
    label: 'Whip pan',
    says: '90° in half a second, with a swing at its end',
    frames: 12,
    amount: 90,
  },
  { kind: 'slam', label: 'Slam', says: 'A dolly, ever faster, that ends in a jolt', frames: 12, amount: 2 },
  {
    kind: 'slam-zoom',
    label: 'Slam zoom',
    says: 'A zoom, ever faster, that ends in a jolt',
    frames: 10,
    amount: 30,
    cameras: true,
  },
  {
    kind: 'fast-slow-fast',
    label: 'Fast, slow, fast',
    says: 'A dolly that lingers in its middle',
    frames: 72,
    amount: 4,
  },
];

/** Those that a node may have. */
export const speedMovesOf = (node) =>
  ['camera', 'null', 'piece'].includes(node.kind)
    ? SPEED_MOVES.filter(({ cameras }) => !cameras || node.kind === 'camera')
    : [];

/** Adds one at the playhead, and chooses its first card. */
export async function addSpeedMove(desk, node, { kind, frames, amount }) {
  const { store } = desk;
  const newId = store.freeId('move');
  const from = Math.max(store.header.in, Math.min(store.header.out - 1, Math.round(desk.frame)));
  const edit = { edit: 'speed-move', id: node.id, kind, from, to: from + frames, amount, newId };
  if (await store.edit([edit])) desk.chooseCard(`${newId}-1`);
}
