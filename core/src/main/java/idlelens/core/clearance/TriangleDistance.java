package idlelens.core.clearance;

/**
 * Distances between points, segments and triangles, and where segments cross triangles. Points are
 * three numbers in an array from an offset on; a triangle is nine. Metres.
 */
final class TriangleDistance {
  private static final double HAIR = 1e-9;

  private TriangleDistance() {}

  /**
   * Squared distance of a point to a triangle. Closest point by the regions of Voronoi: Ericson,
   * Real-Time Collision Detection, 2005, 5.1.5.
   */
  static double squaredToPoint(double[] t, int at, double px, double py, double pz) {
    double abx = t[at + 3] - t[at];
    double aby = t[at + 4] - t[at + 1];
    double abz = t[at + 5] - t[at + 2];
    double acx = t[at + 6] - t[at];
    double acy = t[at + 7] - t[at + 1];
    double acz = t[at + 8] - t[at + 2];
    double apx = px - t[at];
    double apy = py - t[at + 1];
    double apz = pz - t[at + 2];
    double d1 = abx * apx + aby * apy + abz * apz;
    double d2 = acx * apx + acy * apy + acz * apz;
    if (d1 <= 0 && d2 <= 0) {
      return squared(apx, apy, apz); // the first corner
    }
    double bpx = apx - abx;
    double bpy = apy - aby;
    double bpz = apz - abz;
    double d3 = abx * bpx + aby * bpy + abz * bpz;
    double d4 = acx * bpx + acy * bpy + acz * bpz;
    if (d3 >= 0 && d4 <= d3) {
      return squared(bpx, bpy, bpz); // the second
    }
    double vc = d1 * d4 - d3 * d2;
    if (vc <= 0 && d1 >= 0 && d3 <= 0) {
      double v = d1 / (d1 - d3);
      return squared(apx - v * abx, apy - v * aby, apz - v * abz);
    }
    double cpx = apx - acx;
    double cpy = apy - acy;
    double cpz = apz - acz;
    double d5 = abx * cpx + aby * cpy + abz * cpz;
    double d6 = acx * cpx + acy * cpy + acz * cpz;
    if (d6 >= 0 && d5 <= d6) {
      return squared(cpx, cpy, cpz); // the third
    }
    double vb = d5 * d2 - d1 * d6;
    if (vb <= 0 && d2 >= 0 && d6 <= 0) {
      double w = d2 / (d2 - d6);
      return squared(apx - w * acx, apy - w * acy, apz - w * acz);
    }
    double va = d3 * d6 - d5 * d4;
    if (va <= 0 && d4 - d3 >= 0 && d5 - d6 >= 0) {
      double w = (d4 - d3) / (d4 - d3 + (d5 - d6));
      return squared(bpx - w * (acx - abx), bpy - w * (acy - aby), bpz - w * (acz - abz));
    }
    double sum = va + vb + vc;
    double v = vb / sum;
    double w = vc / sum;
    return squared(apx - v * abx - w * acx, apy - v * aby - w * acy, apz - v * abz - w * acz);
  }

  /** Squared distance of two triangles, 0 where they touch or cross. */
  static double squaredToTriangle(double[] t, int at, double[] o, int from) {
    double best = Double.POSITIVE_INFINITY;
    for (int i = 0; i < 9; i += 3) {
      int next = (i + 3) % 9;
      if (crossing(t, at, o, from + i, o, from + next) <= 1
          || crossing(o, from, t, at + i, t, at + next) <= 1) {
        return 0;
      }
      best = Math.min(best, squaredToPoint(t, at, o[from + i], o[from + i + 1], o[from + i + 2]));
      best = Math.min(best, squaredToPoint(o, from, t[at + i], t[at + i + 1], t[at + i + 2]));
      for (int k = 0; k < 9; k += 3) {
        best =
            Math.min(
                best, squaredOfSegments(o, from + i, from + next, t, at + k, at + (k + 3) % 9));
      }
    }
    return best;
  }

  /** Squared distance of the segments p..q and r..s: Ericson, 5.1.9. */
  private static double squaredOfSegments(double[] a, int p, int q, double[] b, int r, int s) {
    double ux = a[q] - a[p];
    double uy = a[q + 1] - a[p + 1];
    double uz = a[q + 2] - a[p + 2];
    double vx = b[s] - b[r];
    double vy = b[s + 1] - b[r + 1];
    double vz = b[s + 2] - b[r + 2];
    double wx = a[p] - b[r];
    double wy = a[p + 1] - b[r + 1];
    double wz = a[p + 2] - b[r + 2];
    double uu = squared(ux, uy, uz);
    double vv = squared(vx, vy, vz);
    double vw = vx * wx + vy * wy + vz * wz;
    double uw = ux * wx + uy * wy + uz * wz;
    double uv = ux * vx + uy * vy + uz * vz;
    double slant = uu * vv - uv * uv;
    double along = slant > 1e-15 * uu * vv ? clamped((uv * vw - uw * vv) / slant) : 0;
    double other = vv > 0 ? (uv * along + vw) / vv : 0;
    if (other < 0) {
      other = 0;
      along = uu > 0 ? clamped(-uw / uu) : 0;
    } else if (other > 1) {
      other = 1;
      along = uu > 0 ? clamped((uv - uw) / uu) : 0;
    }
    return squared(
        wx + along * ux - other * vx, wy + along * uy - other * vy, wz + along * uz - other * vz);
  }

  /**
   * Where on the way from p to q it crosses a triangle, 0 to 1, or infinity. Moeller and Trumbore,
   * Journal of Graphics Tools 2(1), 1997; both sides count.
   */
  static double crossing(double[] t, int at, double[] a, int p, double[] b, int q) {
    double dx = b[q] - a[p];
    double dy = b[q + 1] - a[p + 1];
    double dz = b[q + 2] - a[p + 2];
    double e1x = t[at + 3] - t[at];
    double e1y = t[at + 4] - t[at + 1];
    double e1z = t[at + 5] - t[at + 2];
    double e2x = t[at + 6] - t[at];
    double e2y = t[at + 7] - t[at + 1];
    double e2z = t[at + 8] - t[at + 2];
    double px = dy * e2z - dz * e2y;
    double py = dz * e2x - dx * e2z;
    double pz = dx * e2y - dy * e2x;
    double det = e1x * px + e1y * py + e1z * pz;
    if (det == 0) {
      return Double.POSITIVE_INFINITY; // alongside: its edges are crossed by others
    }
    double sx = a[p] - t[at];
    double sy = a[p + 1] - t[at + 1];
    double sz = a[p + 2] - t[at + 2];
    double u = (sx * px + sy * py + sz * pz) / det;
    double qx = sy * e1z - sz * e1y;
    double qy = sz * e1x - sx * e1z;
    double qz = sx * e1y - sy * e1x;
    double v = (dx * qx + dy * qy + dz * qz) / det;
    double along = (e2x * qx + e2y * qy + e2z * qz) / det;
    // a hair of room, so that nothing slips through between two triangles
    boolean inside = u >= -HAIR && v >= -HAIR && u + v <= 1 + HAIR;
    return inside && along >= 0 && along <= 1 ? along : Double.POSITIVE_INFINITY;
  }

  private static double clamped(double share) {
    return Math.max(0, Math.min(1, share));
  }

  private static double squared(double x, double y, double z) {
    return x * x + y * y + z * z;
  }
}
