package idlelens.core.check;

import idlelens.core.lens.Sight;
import org.joml.Vector3d;

/**
 * How far apart two cameras see the same points: a grid over the picture of the first, at several
 * depths, in pixels of a picture so many wide.
 *
 * @param mostPx the largest distance
 * @param meanPx the mean of all
 */
public record PictureOffset(double mostPx, double meanPx) {
  /** Rows and columns of the grid, from edge to edge. */
  private static final int POINTS = 5;

  /** Depths as parts of the distance of the subject. */
  private static final double[] DEPTHS = {0.5, 1, 4};

  /** What is not before the other camera at all is as far off as this. */
  private static final double OUT_OF_SIGHT_PX = 1e6;

  /**
   * @param one what the first sees
   * @param other what the other sees
   * @param subjectM distance of the subject, above 0: points stand at half, once and four times it
   * @param widthPx width of the picture
   */
  public static PictureOffset of(Sight one, Sight other, double subjectM, double widthPx) {
    double most = 0;
    double sum = 0;
    int count = 0;
    for (double depth : DEPTHS) {
      for (int row = 0; row < POINTS; row++) {
        for (int column = 0; column < POINTS; column++) {
          double x = (double) column / (POINTS - 1) - 0.5;
          double y = ((double) row / (POINTS - 1) - 0.5) * one.height();
          double px = distance(one.world(x, y, depth * subjectM), other, x, y) * widthPx;
          double shown = Math.min(OUT_OF_SIGHT_PX, px);
          most = Math.max(most, shown);
          sum += shown;
          count++;
        }
      }
    }
    return new PictureOffset(most, sum / count);
  }

  private static double distance(Vector3d point, Sight other, double x, double y) {
    Vector3d seen = other.seen(point);
    if (!(seen.z < 0)) {
      return OUT_OF_SIGHT_PX;
    }
    double[] at = other.inPicture(seen);
    return Math.hypot(at[0] - x, at[1] - y);
  }
}
