// The copies of a piece on the plan: their outlines as one faint path behind the piece itself.
import { s } from '../common/dom.js';
import { cornersOf } from '../shot/mesh-corners.js';
import { copiesIn, isStill, poseOfCopy } from '../shot/copies.js';
import { outline } from './outline.js';

const MOST_DRAWN = 400;
const MOST_VERTICES = 20000;

/** The corners of the box around a mesh, for where there are too many copies to draw each as it is. */
function boxOf(mesh) {
  if (mesh.box) return mesh.box;
  const { low, high } = cornersOf(mesh);
  const positions = [];
  for (let i = 0; i < 8; i++) positions.push(...[0, 1, 2].map((axis) => (i & (1 << axis) ? high : low)[axis]));
  mesh.box = { positions };
  return mesh.box;
}

/** Outlines of the copies in the plane of the plan; those before, as long as nothing about them changed. */
function outlines(plan, node, all) {
  const { store, desk, side } = plan;
  const mesh = store.meshes.get(node.id);
  const repeat = store.motion.get(all.repeated.by);
  const still = isStill(all) && repeat.x.length === 1 && repeat.qw.length === 1;
  const from = [mesh, all.repeated, all.copies, repeat, side, still ? null : desk.frame];
  const known = plan.copied.get(node.id);
  if (known && known.from.every((value, i) => value === from[i])) return known.points;
  const shown = Math.min(all.count, MOST_DRAWN);
  const drawn = (mesh.positions.length / 3) * shown > MOST_VERTICES ? boxOf(mesh) : mesh;
  const points = Array.from({ length: shown }, (_, k) => outline(drawn, poseOfCopy(store, all, k, desk.frame), side));
  plan.copied.set(node.id, { from, points });
  return points;
}

/** The path of all copies, or nothing. */
export function copies(plan, node) {
  const all = copiesIn(plan.store, node.id);
  if (!all) return [];
  const d = outlines(plan, node, all)
    .map((points) => plan.closed(points))
    .join('');
  const path = s('path', { class: 'copies', d });
  path.style.setProperty('--c', node.finish.colour);
  return [path];
}
