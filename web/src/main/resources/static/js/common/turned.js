// A direction turned by a quaternion.

/** @param {number[]} v x, y, z @param {{qx: number, qy: number, qz: number, qw: number}} q @returns {number[]} */
export function turned([x, y, z], q) {
  const tx = 2 * (q.qy * z - q.qz * y);
  const ty = 2 * (q.qz * x - q.qx * z);
  const tz = 2 * (q.qx * y - q.qy * x);
  return [
    x + q.qw * tx + q.qy * tz - q.qz * ty,
    y + q.qw * ty + q.qz * tx - q.qx * tz,
    z + q.qw * tz + q.qx * ty - q.qy * tx,
  ];
}
