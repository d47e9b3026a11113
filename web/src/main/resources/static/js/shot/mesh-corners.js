// The corners of the box around a mesh, in its own space.

/** Its lowest and its highest corner, in metres. @param {{ positions: ArrayLike<number> }} mesh */
export function cornersOf({ positions }) {
  const low = [Infinity, Infinity, Infinity];
  const high = [-Infinity, -Infinity, -Infinity];
  for (let i = 0; i < positions.length; i++) {
    low[i % 3] = Math.min(low[i % 3], positions[i]);
    high[i % 3] = Math.max(high[i % 3], positions[i]);
  }
  return { low, high };
}
