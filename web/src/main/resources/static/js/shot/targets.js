// Targets: what is looked at or followed, and where it is.
import { lengthText } from '../common/units.js';
import { turned } from '../common/turned.js';
import { pointsOf } from './node-points.js';

/** @typedef {import('./types.js').Target} Target */

/** What a target is called. @param {Target} target */
export function targetName(store, target) {
  if (target.place) return 'a place';
  const { name } = store.byId.get(target.node) ?? { name: '?' };
  return target.point ? `${name}, a point` : name;
}

/** The same without saying that it is a point of a node. @param {Target} target */
export const targetNode = (store, target) => targetName(store, target.node ? { node: target.node } : target);

/** The same with where it is, for tooltips. @param {Target} target */
export function targetInFull(store, target) {
  const at = target.place ?? target.point;
  const numbers = at ? ` (${at.map((v) => lengthText(v)).join(', ')})` : '';
  return `${targetName(store, target)}${numbers}`;
}

/** Where a target is in the world at a frame, or null. @param {Target} target @returns {number[] | null} */
export function targetPlace(store, target, frame) {
  if (target.place) return target.place;
  const pose = store.pose(target.node, frame);
  if (!pose) return null;
  const [x, y, z] = turned(target.point ?? [0, 0, 0], pose);
  return [pose.x + x, pose.y + y, pose.z + z];
}

/** What a part is aimed at, or follows. @returns {Target[]} */
export const targetsOf = (part) => [part.target, part.second].filter(Boolean);

/** A node as a target: a person is looked in the face, all else at its middle. @returns {Target} */
export function aimedAt(store, id) {
  const points = pointsOf(store.byId.get(id));
  const best = points.find((p) => p.name === 'head') ?? points.find((p) => p.name === 'centre');
  return best ? { node: id, point: best.point } : { node: id };
}
