// What a node looks like over time: when it is there, its size and its brightness, where its chain says so.
import { isHiddenIn } from './hidden.js';
import { carrierAt, carrierOf, isOn, partOf } from './parts.js';
import { valueAt } from './samples.js';

/** A parameter of a part that stands once in the chain, or what it is without that part. */
function valueOf(state, node, [part, parameter, without], frame) {
  const own = state.motion.get(node.id)?.own[`${part}.${parameter}`];
  const there = partOf(node, part);
  return own && there && isOn(there) ? valueAt(state, own, frame) : without;
}

/** How many times its usual size a piece is. */
export const sizeOf = (state, node, frame) => valueOf(state, node, ['look', 'size', 1], frame);

/** How many times as bright as white a piece that glows is. */
export const glowOf = (state, node, frame) => 2 ** valueOf(state, node, ['look', 'glow', 0], frame);

/** How many times its strength a light shines. */
export const shineOf = (state, node, frame) => 2 ** valueOf(state, node, ['shine', 'stops', 0], frame);

/** Whether the size of a piece changes over the frames. */
export const isResized = (state, node) => (state.motion.get(node.id)?.own['look.size']?.length ?? 1) > 1;

/** Whether a node is to be seen at a frame, with what carries it then. */
export function isThere(state, node, frame) {
  for (let n = node; n; n = state.byId.get(carrierAt(n, frame)))
    if (valueOf(state, n, ['visible', 'shown', 1], frame) < 0.5) return false;
  return true;
}

/**
 * Whether a node is shown somewhere at a frame: neither hidden, nor carried by what is, and there at that time.
 *
 * @param {import('./hidden.js').Where} [where]
 */
export function isShown(state, node, frame, where = 'views') {
  for (let n = node; n; n = state.byId.get(carrierOf(n))) if (isHiddenIn(n, where)) return false;
  return isThere(state, node, frame);
}
