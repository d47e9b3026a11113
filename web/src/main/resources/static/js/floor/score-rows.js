// Which rows the score has: for each node its whole poses, below them its keyed parameters and what its parts hold.
import { keyFrames, keysOf } from '../shot/keys.js';
import { idOf, kindOf, pathName, pathsOf, POSE, stampsOf, titleOf } from '../shot/parts.js';

/**
 * @typedef {object} Row
 * @property {import('../shot/types.js').Node} node
 * @property {string} what pose, a path, or the id of the part whose window it shows
 * @property {string[]} paths those whose keys stand in it
 * @property {string} name
 * @property {string} [part] id of the part whose window or single frames it shows
 * @property {boolean} [stamps] whether it shows single frames of that part
 * @property {boolean} [inner] whether it stands below the row of its node
 * @property {{open: boolean, inside: number, pose: boolean, poses: number}} [folds] of the row of a node
 */

/** Nodes whose rows are folded, and those whose poses are unfolded into their parameters. */
export class Folds {
  constructor() {
    this.closed = new Set();
    this.poses = new Set();
  }

  toggle(id) {
    if (!this.closed.delete(id)) this.closed.add(id);
  }

  togglePose(id) {
    if (!this.poses.delete(id)) this.poses.add(id);
    this.closed.delete(id);
  }
}

/** The rig of the camera shown, then the chosen node, then what else is keyed or holds frames. */
function nodesOf(store, desk) {
  const order = new Set();
  const take = (node) => node && order.add(node);
  if (desk.camera) {
    take(store.byId.get(desk.camera));
    store.carriersOf(desk.camera).reverse().forEach(take);
  }
  desk.selection().forEach((id) => take(store.byId.get(id)));
  store.nodes.filter((n) => keyFrames(n, pathsOf(n)).length || holdsFrames(n)).forEach(take);
  return [...order];
}

const windowed = (node) => node.chain.filter((part) => kindOf(part).window);

const holdsFrames = (node) => node.chain.some((part) => kindOf(part).window || stampsOf(part).length);

/** @returns {Row[]} */
function inner(node, folds) {
  const keyed = (path) => keysOf(node, path).length > 0;
  const row = (path) => ({ node, what: path, paths: [path], name: pathName(node, path), inner: true });
  const poses = folds.poses.has(node.id) ? POSE.filter(keyed).map(row) : [];
  const others = pathsOf(node).filter((path) => !POSE.includes(path) && keyed(path));
  const spans = windowed(node).map((part) => ({
    node,
    what: idOf(part),
    part: idOf(part),
    paths: [],
    name: titleOf(node, part),
    inner: true,
  }));
  const stamped = node.chain
    .filter((part) => stampsOf(part).length)
    .map((part) => ({
      node,
      what: idOf(part),
      part: idOf(part),
      stamps: true,
      paths: [],
      name: part.part === 'lens' ? 'Focus pulls' : titleOf(node, part),
      inner: true,
    }));
  return [...poses, ...others.map(row), ...stamped, ...spans];
}

/** @returns {Row[]} */
export function rowsOf(store, desk, folds) {
  return nodesOf(store, desk).flatMap((node) => {
    const below = inner(node, folds);
    const poses = POSE.filter((path) => keysOf(node, path).length).length;
    const open = !folds.closed.has(node.id);
    const head = {
      node,
      what: 'pose',
      paths: POSE,
      name: node.name,
      folds: { open, inside: below.length, pose: folds.poses.has(node.id), poses },
    };
    return open ? [head, ...below] : [head];
  });
}
