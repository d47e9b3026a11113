package idlelens.exchange.transfer;

/**
 * How one camera came back, for each frame of the receiver.
 *
 * @param mostPx largest distance of a test point, in pixels
 * @param meanPx mean distance
 * @param placeMm how far off it stands
 * @param turnMin how far off it looks, in minutes of arc
 * @param viewDeg how far off its view across is, in degrees
 * @param betweenPx largest distance half way between frames
 */
public record CameraReport(
    String name,
    double[] mostPx,
    double[] meanPx,
    double[] placeMm,
    double[] turnMin,
    double[] viewDeg,
    double betweenPx) {

  /** The sample at which a column is largest. */
  public static int worst(double[] column) {
    int worst = 0;
    for (int i = 1; i < column.length; i++) {
      worst = column[i] > column[worst] ? i : worst;
    }
    return worst;
  }

  /** The largest of a column. */
  public static double most(double[] column) {
    return column[worst(column)];
  }
}
