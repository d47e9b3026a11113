// Points of a node by name, in its own space, in metres.

const HEAD_SHARE = 0.93;

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
