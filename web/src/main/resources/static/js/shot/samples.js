// Reading samples of a state of a shot: {motion, grid}, with live, what a hand does with a camera just now, or sample,
// the one that counts whatever the frame.
import { turned } from '../common/turned.js';

/** The value of a column at a frame; before and after what was computed, that of the nearest sample. */
export function valueAt(state, column, frame) {
  if (column.length === 1) return column[0];
  const at = state.sample ?? Math.round(frame - state.grid.first);
  return column[Math.max(0, Math.min(column.length - 1, at))];
}

/** Place and turn in the world at a frame, or null. */
export function poseIn(state, id, frame) {
  if (state.live?.id === id) return state.live.pose;
  const m = state.motion.get(id);
  if (!m) return null;
  const at = (column) => valueAt(state, column, frame);
  return { x: at(m.x), y: at(m.y), z: at(m.z), qx: at(m.qx), qy: at(m.qy), qz: at(m.qz), qw: at(m.qw) };
}

/** A place in a node's own space, in the world. */
export function outOf(pose, v) {
  const [x, y, z] = turned(v, pose);
  return { x: x + pose.x, y: y + pose.y, z: z + pose.z };
}

/** What the lens of a camera does at a frame, or null. */
export function lensIn(state, id, frame) {
  const lens = state.motion.get(id)?.lens;
  if (!lens) return null;
  const stored = Object.fromEntries(
    Object.entries(lens).map(([name, column]) => [name, valueAt(state, column, frame)]),
  );
  return state.live?.id === id ? { ...stored, ...state.live.lens } : stored;
}
