// Where the copies of what a repeat carries stand, from its steps and from what it carries as it sees it.

import { turned } from '../common/turned.js';
import { poseIn } from './samples.js';

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

/** A pose in the space of another, in the world. @returns {Pose} */
function within(outer, inner) {
  const [x, y, z] = turned([inner.x, inner.y, inner.z], outer);
  const { qx: a, qy: b, qz: c, qw: d } = outer;
  const { qx, qy, qz, qw } = inner;
  return {
    x: x + outer.x,
    y: y + outer.y,
    z: z + outer.z,
    qx: d * qx + a * qw + b * qz - c * qy,
    qy: d * qy - a * qz + b * qw + c * qx,
    qz: d * qz + a * qy - b * qx + c * qw,
    qw: d * qw - a * qx - b * qy - c * qz,
  };
}

/** Where a copy is in the world at a frame of a state. @returns {Pose} */
export const poseOfCopy = (state, all, k, frame) =>
  within(within(poseIn(state, all.repeated.by, frame), stepOf(all.copies, k)), ownOf(all, k, frame));

/**
 * The numbers of the copies of a node, itself first, then those next to it; or just null for what is not repeated.
 *
 * @returns {(number | null)[]}
 */
export function copiesOutwards(store, id) {
  const all = copiesIn(store, id);
  if (!all) return [null];
  const itself = -(store.byId.get(all.repeated.by)?.repeat.first ?? 0);
  return Array.from({ length: all.count }, (_, k) => k).sort((a, b) => Math.abs(a - itself) - Math.abs(b - itself));
}

/** Where a node, or a copy of it, is in the world at a frame of a state; or null. @returns {Pose | null} */
export function poseAt(state, id, k, frame) {
  const all = k === null ? null : copiesIn(state, id);
  return all && k < all.count ? poseOfCopy(state, all, k, frame) : poseIn(state, id, frame);
}

/** By how many frames a copy is later. */
export const laterBy = (state, id, k) => (k === null ? 0 : (copiesIn(state, id)?.copies.delays[k] ?? 0));
