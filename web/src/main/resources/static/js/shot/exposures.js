// A frame in passes: asked of the server, which evaluates each at its own moment of the open shutter.
import { postOctets } from '../common/api.js';
import { unpack } from './octets.js';
import { valueAt } from './samples.js';

const SHOWN = 'visible.shown';

/**
 * From where a pass sees, what, and where everything is then.
 *
 * @typedef {object} Pass
 * @property {import('./types.js').Pose} pose
 * @property {import('./seen.js').Seen} seen
 * @property {any} state of the shot at that moment
 * @property {number} frame the moment
 */

/** The passes of a frame as they are drawn. */
export class Exposure {
  constructor(store, bundle) {
    this.eye = bundle.eye;
    this.count = bundle.eye.later.length;
    this.header = store.header;
    this.motion = new Map(store.motion);
    for (const node of bundle.nodes) this.motion.set(node.id, merged(store, node, bundle.frame));
    for (const [id, node] of this.motion)
      if (node.own?.[SHOWN]?.length > 1) this.motion.set(id, there(store, node, bundle.frame));
    this.byId = store.byId;
  }

  /** @returns {Pass} */
  pass(k) {
    const at = (name) => this.eye[name][k];
    const [x, y, z, qx, qy, qz, qw] = ['x', 'y', 'z', 'qx', 'qy', 'qz', 'qw'].map(at);
    const [across, up, right, above] = ['across', 'up', 'right', 'above'].map(at);
    return {
      pose: { x, y, z, qx, qy, qz, qw },
      seen: { across, up, right, above },
      state: { motion: this.motion, byId: this.byId, grid: { first: 0, count: this.count }, sample: k },
      frame: this.header.in + at('later'),
    };
  }
}

/** What is known of a node, with where it is in each pass; a picture that it shows stays that of the frame. */
function merged(store, node, frame) {
  const known = store.motion.get(node.id) ?? {};
  const shown = known.shown && new Float32Array([valueAt(store, known.shown, frame)]);
  return { ...known, ...node, own: { ...known.own, ...node.own }, shown };
}

/** What is there at a frame is so all the while that the shutter is open for it, and nothing else is. */
function there(store, node, frame) {
  const shown = new Float32Array([valueAt(store, store.motion.get(node.id).own[SHOWN], frame)]);
  return { ...node, own: { ...node.own, [SHOWN]: shown } };
}

/**
 * Asks for the passes of a frame; what is only shown of the shot, and not stored, counts.
 *
 * @param {{camera: string, frame: number, passes: number}} asked
 */
export async function fetchExposure(store, asked) {
  const edits = store.shown?.all ?? [];
  const body = edits.length ? { ...asked, edits } : asked;
  return new Exposure(store, unpack(await postOctets(store.path('/exposure'), body)));
}
