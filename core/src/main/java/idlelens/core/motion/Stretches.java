package idlelens.core.motion;

import idlelens.core.smooth.Filter;
import idlelens.core.smooth.Turning;
import idlelens.core.time.SampleGrid;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.NavigableSet;

/** Samples between jumps, each stretch filtered for itself. */
public final class Stretches {
  private static final double ON_SAMPLE = 1e-6;

  private Stretches() {}

  /**
   * The stretches of a grid: for each its first sample and the one behind its last.
   *
   * @param jumps frames; what stands at one belongs to the stretch that begins there
   */
  public static List<int[]> of(NavigableSet<Double> jumps, SampleGrid grid) {
    List<int[]> all = new ArrayList<>();
    int from = 0;
    for (double jump : jumps.subSet(grid.first(), false, grid.last(), true)) {
      int at = (int) Math.ceil((jump - grid.first()) * grid.stepsPerFrame() - ON_SAMPLE);
      if (at > from) {
        all.add(new int[] {from, at});
        from = at;
      }
    }
    all.add(new int[] {from, grid.count()});
    return all;
  }

  /** Numbers filtered; one number for all stays one. */
  static double[] numbers(Filter filter, List<int[]> stretches, double[] values) {
    if (values.length == 1) {
      return values;
    }
    double[] out = new double[values.length];
    for (int[] stretch : stretches) {
      double[] part = filter.numbers(Arrays.copyOfRange(values, stretch[0], stretch[1]));
      System.arraycopy(part, 0, out, stretch[0], part.length);
    }
    return out;
  }

  static Turning turns(Filter filter, List<int[]> stretches, Turning turns) {
    Turning out = Turning.of(turns.count());
    for (int[] stretch : stretches) {
      Turning part =
          filter.turns(
              new Turning(
                  Arrays.copyOfRange(turns.x(), stretch[0], stretch[1]),
                  Arrays.copyOfRange(turns.y(), stretch[0], stretch[1]),
                  Arrays.copyOfRange(turns.z(), stretch[0], stretch[1]),
                  Arrays.copyOfRange(turns.w(), stretch[0], stretch[1])));
      System.arraycopy(part.x(), 0, out.x(), stretch[0], part.count());
      System.arraycopy(part.y(), 0, out.y(), stretch[0], part.count());
      System.arraycopy(part.z(), 0, out.z(), stretch[0], part.count());
      System.arraycopy(part.w(), 0, out.w(), stretch[0], part.count());
    }
    return out;
  }
}
