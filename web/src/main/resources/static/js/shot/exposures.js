// A frame in passes: asked of the server, which evaluates each at its own moment of the open shutter.
import { postOctets } from '../common/api.js';
import { unpack } from './octets.js';
import { valueAt } from './samples.js';

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
    this.parallel = bundle.parallel;
    this.count = bundle.eye.later.length;
    this.header = store.header;
    this.motion = new Map(store.motion);
    for (const [id, node] of store.motion)
      if (changes(node)) this.motion.set(id, ofTheFrame(store, node, bundle.frame));
    for (const node of bundle.nodes) this.motion.set(node.id, merged(this.motion.get(node.id), node));
    this.byId = store.byId;
  }

  /** @returns {Pass} */
  pass(k) {
    const at = (name) => this.eye[name][k];
    const [x, y, z, qx, qy, qz, qw] = ['x', 'y', 'z', 'qx', 'qy', 'qz', 'qw'].map(at);
    const [across, up, right, above] = ['across', 'up', 'right', 'above'].map(at);
    return {
      pose: { x, y, z, qx, qy, qz, qw },
      seen: { across, up, right, above, parallel: this.parallel },
      state: { motion: this.motion, byId: this.byId, grid: { first: 0, count: this.count }, sample: k },
      frame: this.header.in + at('later'),
    };
  }
}

/** Where a node is in each pass, and what else is known of it. */
const merged = (known = {}, node) => ({ ...known, ...node, own: { ...known.own, ...node.own } });

/** Whether anything about it is another thing at another frame. */
const changes = ({ own, shown }) => shown?.length > 1 || Object.values(own ?? {}).some((column) => column.length > 1);

/** What does not come with the passes is as at their frame, all the while that the shutter is open for it. */
function ofTheFrame(store, node, frame) {
  const at = (column) => column && new Float32Array([valueAt(store, column, frame)]);
  const own = Object.fromEntries(Object.entries(node.own ?? {}).map(([path, column]) => [path, at(column)]));
  return { ...node, own, shown: at(node.shown) };
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
