// Keys in the document.
import { curveAt, pathsOf, takesKeysOf } from './parts.js';

/** @typedef {import('./types.js').Node} Node */
/** @typedef {import('./types.js').Key} Key */

/**
 * A frame at which a node has keys.
 *
 * @typedef {{frame: number, channels: string[], tangents: Set<string>}} KeyFrame
 */

const SAME_FRAME = 1e-6;

/** @param {Key} key @param {number} frame */
export const isAt = (key, frame) => Math.abs(key[0] - frame) < SAME_FRAME;

/** @param {Node} node @param {string} path @returns {Key[]} */
export const keysOf = (node, path) => curveAt(node, path)?.keys ?? [];

/** @param {Node} node @param {string[]} paths */
export const isKeyed = (node, paths) => paths.some((path) => keysOf(node, path).length > 0);

/** How many keys a node has. @param {Node} node */
export const keyCount = (node) => pathsOf(node).reduce((sum, path) => sum + keysOf(node, path).length, 0);

/** @param {Node} node @param {string} path */
export const isLocked = (node, path) => takesKeysOf(node).locked.includes(path);

/** Whether a key that holds some channels holds all paths of these that take keys. @param {Node} node */
export function isWhole(node, channels, paths) {
  const { leftOut, locked } = takesKeysOf(node);
  return paths.every((path) => channels.includes(path) || leftOut.includes(path) || locked.includes(path));
}

/** @type {WeakMap<Node, Map<string, KeyFrame[]>>} */
const known = new WeakMap();

/**
 * Frames at which a node has keys on some paths, with the paths keyed there.
 *
 * @param {Node} node
 * @param {string[]} paths
 * @returns {KeyFrame[]}
 */
export function keyFrames(node, paths) {
  const asked = paths.join();
  const answers = known.get(node) ?? new Map();
  known.set(node, answers);
  if (!answers.has(asked)) answers.set(asked, find(node, paths));
  return answers.get(asked);
}

function find(node, paths) {
  const frames = new Map();
  for (const path of paths) {
    for (const key of keysOf(node, path)) {
      const at = frames.get(key[0]) ?? { frame: key[0], channels: [], tangents: new Set() };
      at.channels.push(path);
      at.tangents.add(key[2]);
      frames.set(key[0], at);
    }
  }
  return [...frames.values()].sort((a, b) => a.frame - b.frame);
}
