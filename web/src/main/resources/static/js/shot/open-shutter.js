// Where a camera is as its shutter opens and closes, from the samples of whole frames: a straight way between them.
import { lensIn, poseIn } from './samples.js';

/** Where a node is between two samples. @returns {import('./types.js').Pose | null} */
function between(state, id, frame) {
  const from = Math.floor(frame);
  const [a, b] = [poseIn(state, id, from), poseIn(state, id, from + 1)];
  if (!a || !b) return a;
  const share = frame - from;
  const mix = (name) => a[name] * (1 - share) + b[name] * share;
  const length = Math.hypot(mix('qx'), mix('qy'), mix('qz'), mix('qw')) || 1;
  const turn = (name) => mix(name) / length;
  return { x: mix('x'), y: mix('y'), z: mix('z'), qx: turn('qx'), qy: turn('qy'), qz: turn('qz'), qw: turn('qw') };
}

/**
 * The poses of a camera as its shutter opens and closes, or null where it stands still meanwhile.
 *
 * @param {string} opens centred or forward
 * @returns {{open: import('./types.js').Pose, close: import('./types.js').Pose} | null}
 */
export function poseWhileOpen(state, id, frame, opens) {
  const motion = state.motion.get(id);
  const lens = lensIn(state, id, frame);
  if (!motion || !lens || motion.x.length === 1 || lens.shutterDeg === 0 || jumpsNear(motion, frame)) return null;
  const length = Math.min(1, lens.shutterDeg / 360);
  const from = frame - (opens === 'forward' ? 0 : length / 2);
  return { open: between(state, id, from), close: between(state, id, from + length) };
}

const jumpsNear = (motion, frame) => (motion.jumps ?? []).some((jump) => jump > frame - 1 && jump < frame + 1);
