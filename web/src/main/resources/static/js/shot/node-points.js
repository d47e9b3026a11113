// Points of a node by name, in its own space, in metres.
import { turned } from '../common/turned.js';

const HEAD_SHARE = 0.93;
const FINEST_DIGITS = 5; // metres come in 32 bits

/** How high a piece is, where it has one height. */
function heightOf(shape) {
  if (shape.kind === 'sphere') return 0;
  if (shape.kind === 'imported') return null;
  return shape.height ?? null;
}

const rounded = (v) => Math.round(v * 1000) / 1000;

/** Between the corners of what came from a file. */
function imported([x0, y0, z0, x1, y1, z1]) {
  const [x, z] = [rounded((x0 + x1) / 2), rounded((z0 + z1) / 2)];
  return [
    { name: 'centre', point: [x, rounded((y0 + y1) / 2), z] },
    { name: 'top', point: [x, rounded(y1), z] },
  ];
}

/** @returns {{name: string, point?: number[]}[]} the origin first */
export function pointsOf(node) {
  const points = [{ name: 'origin' }];
  if (node?.kind !== 'piece') return points;
  if (node.shape.kind === 'imported') return [...points, ...imported(node.shape.bounds)];
  const height = heightOf(node.shape);
  if (!height) return points;
  points.push({ name: 'centre', point: [0, rounded(height / 2), 0] }, { name: 'top', point: [0, height, 0] });
  if (node.shape.kind === 'person') points.push({ name: 'head', point: [0, rounded(height * HEAD_SHARE), 0] });
  return points;
}

/** The middle of some nodes and all that they carry, in the world: of their boxes, or of where they stand. */
export function middleOf(store, ids, frame) {
  const low = [Infinity, Infinity, Infinity];
  const high = [-Infinity, -Infinity, -Infinity];
  const take = (place) =>
    place.forEach((v, i) => {
      low[i] = Math.min(low[i], v);
      high[i] = Math.max(high[i], v);
    });
  const carried = store.nodes.filter(
    (n) => ids.includes(n.id) || store.carriersOf(n.id).some((c) => ids.includes(c.id)),
  );
  for (const node of carried.filter((n) => store.meshes.has(n.id))) takeMesh(store, node.id, frame, take);
  if (low[0] === Infinity)
    for (const id of ids) {
      const { x, y, z } = store.pose(id, frame);
      take([x, y, z]);
    }
  return low.map((v, i) => Number(((v + high[i]) / 2).toFixed(FINEST_DIGITS)));
}

function takeMesh(store, id, frame, take) {
  const { positions } = store.meshes.get(id);
  const pose = store.pose(id, frame);
  for (let i = 0; i + 2 < positions.length; i += 3) {
    const [x, y, z] = turned([positions[i], positions[i + 1], positions[i + 2]], pose);
    take([x + pose.x, y + pose.y, z + pose.z]);
  }
}
