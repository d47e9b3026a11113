package idlelens.core.smooth;

/**
 * Turns over time: unit quaternions, continuous in sign.
 *
 * @param x one for each sample
 * @param y the same
 * @param z the same
 * @param w the same
 */
public record Turning(double[] x, double[] y, double[] z, double[] w) {
  /** Room for so many. */
  public static Turning of(int count) {
    return new Turning(new double[count], new double[count], new double[count], new double[count]);
  }

  public int count() {
    return w.length;
  }

  void set(int i, Turning from, int k) {
    x[i] = from.x[k];
    y[i] = from.y[k];
    z[i] = from.z[k];
    w[i] = from.w[k];
  }

  /**
   * The way from one turn to another in the own axes of the first: {@code 2 log(a^-1 b)}, radians
   * along the axis of the turn; of all that lead there the one nearest to another vector, so that
   * ways beyond a full turn are kept.
   *
   * @param near three numbers to stay close to; takes the result
   */
  public static void way(Turning a, int i, Turning b, int k, double[] near) {
    double ax = a.x[i];
    double ay = a.y[i];
    double az = a.z[i];
    double aw = a.w[i];
    double bx = b.x[k];
    double by = b.y[k];
    double bz = b.z[k];
    double bw = b.w[k];
    double w = aw * bw + ax * bx + ay * by + az * bz;
    double x = aw * bx - ax * bw - ay * bz + az * by;
    double y = aw * by + ax * bz - ay * bw - az * bx;
    double z = aw * bz - ax * by + ay * bx - az * bw;
    double sine = Math.sqrt(x * x + y * y + z * z);
    if (sine < 1e-12 && w > 0) { // no turn, but for rounding
      near[0] = 2 * x;
      near[1] = 2 * y;
      near[2] = 2 * z;
      return;
    }
    double angle = 2 * Math.atan2(sine, w);
    double inverse = sine < 1e-12 ? 0 : 1 / sine;
    double along = (x * near[0] + y * near[1] + z * near[2]) * inverse;
    double round = 4 * Math.PI;
    double scale = (angle + round * Math.rint((along - angle) / round)) * inverse;
    near[0] = x * scale;
    near[1] = y * scale;
    near[2] = z * scale;
  }

  /** Sets a turn to one of another followed by a way in its own axes: {@code q exp(way / 2)}. */
  public void follow(int i, Turning from, int k, double wx, double wy, double wz) {
    double angle = Math.sqrt(wx * wx + wy * wy + wz * wz);
    double half = angle / 2;
    double scale = angle < 1e-9 ? 0.5 : Math.sin(half) / angle;
    double ex = wx * scale;
    double ey = wy * scale;
    double ez = wz * scale;
    double ew = Math.cos(half);
    double qx = from.x[k];
    double qy = from.y[k];
    double qz = from.z[k];
    double qw = from.w[k];
    double nx = qw * ex + qx * ew + qy * ez - qz * ey;
    double ny = qw * ey - qx * ez + qy * ew + qz * ex;
    double nz = qw * ez + qx * ey - qy * ex + qz * ew;
    double nw = qw * ew - qx * ex - qy * ey - qz * ez;
    double length = Math.sqrt(nx * nx + ny * ny + nz * nz + nw * nw);
    x[i] = nx / length;
    y[i] = ny / length;
    z[i] = nz / length;
    w[i] = nw / length;
  }

  /** Sets a turn to the mirror image of one about another: {@code c b^-1 c}. */
  void mirror(int i, Turning about, int c, Turning of, int b) {
    double[] way = new double[3];
    way(of, b, about, c, way);
    follow(i, about, c, way[0], way[1], way[2]);
  }
}
