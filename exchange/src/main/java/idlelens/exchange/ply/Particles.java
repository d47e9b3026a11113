package idlelens.exchange.ply;

import idlelens.core.set.Finish;
import idlelens.exchange.scenefile.Content;
import java.util.Arrays;

/** Points as small bodies: a tetrahedron each, all of one size that leaves air between them. */
final class Particles {
  /** Of the distance that points would have, were they spread evenly over their box. */
  private static final double SHARE = 0.12;

  private static final double[][] CORNERS = {{1, 1, 1}, {-1, -1, 1}, {-1, 1, -1}, {1, -1, -1}};
  private static final int[] FACES = {0, 2, 1, 0, 1, 3, 0, 3, 2, 1, 2, 3};

  private Particles() {}

  static Content.Part of(double[] points, float[] shades, Finish finish) {
    int count = points.length / 3;
    double size = size(points);
    double[] positions = new double[count * 12];
    float[] all = new float[count * 4];
    int[] indices = new int[count * 12];
    for (int i = 0; i < count; i++) {
      for (int corner = 0; corner < 4; corner++) {
        for (int axis = 0; axis < 3; axis++) {
          positions[(i * 4 + corner) * 3 + axis] =
              points[i * 3 + axis] + CORNERS[corner][axis] * size;
        }
        all[i * 4 + corner] = shades[i];
      }
      for (int k = 0; k < FACES.length; k++) {
        indices[i * 12 + k] = i * 4 + FACES[k];
      }
    }
    return new Content.Part("points", positions, null, all, indices, finish);
  }

  private static double size(double[] points) {
    double[] low = new double[3];
    double[] high = new double[3];
    Arrays.fill(low, Double.POSITIVE_INFINITY);
    Arrays.fill(high, Double.NEGATIVE_INFINITY);
    for (int i = 0; i < points.length; i++) {
      low[i % 3] = Math.min(low[i % 3], points[i]);
      high[i % 3] = Math.max(high[i % 3], points[i]);
    }
    double diagonal = Math.hypot(Math.hypot(high[0] - low[0], high[1] - low[1]), high[2] - low[2]);
    double apart = diagonal / Math.cbrt(points.length / 3.0);
    return apart > 0 ? SHARE * apart : 0.01;
  }
}
