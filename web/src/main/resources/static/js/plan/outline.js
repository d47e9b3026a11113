// Outlines of pieces on the plan: the hull of their triangles, seen from above or from the side.
import { cornersOf } from '../shot/mesh-corners.js';

const MOST_VERTICES = 4000;
/** Ground is at least this wide, and this flat. */
const GROUND_M2 = 12;
const FLAT = 0.06;

function turn(p, q, out) {
  const [x, y, z] = p;
  const tx = 2 * (q.qy * z - q.qz * y);
  const ty = 2 * (q.qz * x - q.qx * z);
  const tz = 2 * (q.qx * y - q.qy * x);
  out[0] = x + q.qw * tx + q.qy * tz - q.qz * ty;
  out[1] = y + q.qw * ty + q.qz * tx - q.qx * tz;
  out[2] = z + q.qw * tz + q.qx * ty - q.qy * tx;
}

/** Convex hull, Andrew's monotone chain (Inf. Process. Lett. 9, 1979). */
export function hull(points) {
  const sorted = points.sort((a, b) => a[0] - b[0] || a[1] - b[1]);
  if (sorted.length < 3) return sorted;
  const cross = (o, a, b) => (a[0] - o[0]) * (b[1] - o[1]) - (a[1] - o[1]) * (b[0] - o[0]);
  const half = (list) => {
    const out = [];
    for (const p of list) {
      while (out.length >= 2 && cross(out[out.length - 2], out[out.length - 1], p) <= 0) out.pop();
      out.push(p);
    }
    out.pop();
    return out;
  };
  return [...half(sorted), ...half([...sorted].reverse())];
}

/** Corners of a piece in the plane of the plan: (x, z) from above, (z, y) from the side. */
export function outline(mesh, pose, side, size = 1) {
  const points = [];
  const p = [0, 0, 0];
  const out = [0, 0, 0];
  const count = mesh.positions.length / 3;
  const every = Math.max(1, Math.floor(count / MOST_VERTICES));
  for (let i = 0; i < count; i += every) {
    for (let axis = 0; axis < 3; axis++) p[axis] = mesh.positions[3 * i + axis] * size;
    turn(p, pose, out);
    points.push(side === 'above' ? [out[0] + pose.x, out[2] + pose.z] : [out[2] + pose.z, out[1] + pose.y]);
  }
  return hull(points);
}

/** Whether a mesh is as wide and flat as ground. */
export function isFlat(mesh) {
  const { low, high } = cornersOf(mesh);
  const [width, height, depth] = high.map((v, i) => v - low[i]);
  return width * depth >= GROUND_M2 && height <= FLAT * Math.sqrt(width * depth);
}

/** The direction a node looks, in the plane of the plan, as a unit vector and its length before. */
export function forward(pose, side) {
  const x = -2 * (pose.qx * pose.qz + pose.qy * pose.qw);
  const y = -2 * (pose.qy * pose.qz - pose.qx * pose.qw);
  const z = -(1 - 2 * (pose.qx * pose.qx + pose.qy * pose.qy));
  const [a, b] = side === 'above' ? [x, z] : [z, y];
  const length = Math.hypot(a, b);
  return length < 1e-6 ? { a: 0, b: -1, length } : { a: a / length, b: b / length, length };
}
