// Where the copies of what a repeat carries stand, from its steps and from what it carries as it sees it.

/** @typedef {{x: number, y: number, z: number, qx: number, qy: number, qz: number, qw: number}} Pose */

const NUMBERS = 7;

/** How a piece is repeated in a state of the shot: its own track and the steps of its repeat; or null. */
export function copiesIn(state, id) {
  const repeated = state.motion.get(id)?.repeated;
  const copies = repeated && state.motion.get(repeated.by)?.copies;
  return copies ? { repeated, copies, count: copies.delays.length } : null;
}

/** The step of a copy. @returns {Pose} */
export function stepOf(copies, k) {
  const at = k * NUMBERS;
  const [x, y, z, qx, qy, qz, qw] = copies.steps.subarray(at, at + NUMBERS);
  return { x, y, z, qx, qy, qz, qw };
}

/** Whether all copies stand still to their repeat. */
export const isStill = ({ repeated }) => repeated.x.length === 1 && repeated.qw.length === 1;

/**
 * What is repeated as its repeat sees it, for a copy at a frame; between samples as a straight step.
 *
 * @returns {Pose}
 */
export function ownOf({ repeated, copies }, k, frame) {
  const at = Math.max(0, Math.min(repeated.count - 1, frame - copies.delays[k] - repeated.first));
  const from = Math.floor(at);
  const share = at - from;
  const read = (column, i) => column[column.length === 1 ? 0 : Math.min(i, column.length - 1)];
  const mix = (name) => read(repeated[name], from) * (1 - share) + read(repeated[name], from + 1) * share;
  const [qx, qy, qz, qw] = [mix('qx'), mix('qy'), mix('qz'), mix('qw')];
  const length = Math.hypot(qx, qy, qz, qw);
  return { x: mix('x'), y: mix('y'), z: mix('z'), qx: qx / length, qy: qy / length, qz: qz / length, qw: qw / length };
}
