package idlelens.core.motion;

import idlelens.core.curve.Curve;
import idlelens.core.part.Curves;
import idlelens.core.part.Family;
import idlelens.core.part.Parameter;
import idlelens.core.time.SampleGrid;
import java.util.Arrays;
import java.util.List;

/**
 * The values of a part's parameters on every sample, in the units of the document. A parameter that
 * never changes has one sample that stands for all.
 */
public final class PartTrack {
  private final SampleGrid grid;
  private final Curves curves;
  private final double[][] values;
  private PartTrack whole; // of which this is a part

  private PartTrack(SampleGrid grid, Curves curves) {
    this.grid = grid;
    this.curves = curves;
    this.values = new double[curves.list().size()][];
  }

  /** Samples all curves, taking over from an earlier track of the part those that are the same. */
  static PartTrack sample(Curves curves, SampleGrid grid, PartTrack earlier) {
    boolean known =
        earlier != null
            && earlier.grid.equals(grid)
            && earlier.curves.parameters().equals(curves.parameters());
    PartTrack track = new PartTrack(grid, curves);
    boolean all = known;
    for (int i = 0; i < track.values.length; i++) {
      boolean same = known && isSame(earlier.curves.list().get(i), curves.list().get(i));
      all &= same;
      track.values[i] = same ? earlier.values[i] : sample(curves, i, grid);
    }
    return all ? earlier : track;
  }

  /**
   * The samples of a grid that is a part of another track's.
   *
   * @param earlier what was made of it before, to be taken over where it was the same; or null
   */
  static PartTrack window(PartTrack whole, SampleGrid grid, PartTrack earlier) {
    if (earlier != null && earlier.whole == whole && earlier.grid.equals(grid)) {
      return earlier;
    }
    boolean known = earlier != null && earlier.whole != null && earlier.grid.equals(grid);
    PartTrack track = new PartTrack(grid, whole.curves);
    track.whole = whole;
    int from = whole.grid.sampleAt(grid.first());
    for (int i = 0; i < track.values.length; i++) {
      double[] all = whole.values[i];
      boolean same = known && i < earlier.values.length && earlier.whole.values[i] == all;
      track.values[i] =
          all.length == 1
              ? all
              : same ? earlier.values[i] : Arrays.copyOfRange(all, from, from + grid.count());
    }
    return track;
  }

  /** Most often the same one; what a part binds to something is made anew each time. */
  private static boolean isSame(Curve earlier, Curve curve) {
    return earlier == curve || earlier.equals(curve);
  }

  private static double[] sample(Curves curves, int index, SampleGrid grid) {
    Parameter parameter = curves.parameters().get(index);
    Curve curve = curves.list().get(index);
    double[] out = new double[curve.isConstant() ? 1 : grid.count()];
    curve.player().fill(grid.first(), 1.0 / grid.stepsPerFrame(), out);
    if (!isFree(
        parameter.family())) { // a lens stays a lens even where its curve swings out of range
      for (int i = 0; i < out.length; i++) {
        out[i] = parameter.clamp(out[i]);
      }
    }
    return out;
  }

  /** Places, turns and paces mean something wherever they are. */
  private static boolean isFree(Family family) {
    return family == Family.PLACE || family == Family.TURN || family == Family.PACE;
  }

  /** The first sample of each parameter, for a whole grid. */
  PartTrack heldOver(SampleGrid other) {
    PartTrack held = new PartTrack(other, curves);
    for (int i = 0; i < values.length; i++) {
      held.values[i] = new double[] {values[i][0]};
    }
    return held;
  }

  /** With some more in one parameter, on every sample, within its range. */
  PartTrack plus(Parameter parameter, double[] more) {
    double[] out = new double[more.length];
    for (int i = 0; i < out.length; i++) {
      out[i] = parameter.clamp(value(parameter, i) + more[i]);
    }
    return with(parameter, out);
  }

  /** With other numbers for one parameter, on every sample or one for all. */
  PartTrack with(Parameter parameter, double[] others) {
    PartTrack other = new PartTrack(grid, curves);
    System.arraycopy(values, 0, other.values, 0, values.length);
    other.values[curves.indexOf(parameter)] = others;
    return other;
  }

  public List<Parameter> parameters() {
    return curves.parameters();
  }

  /** The samples of one parameter: one for all, or one for each sample of the grid. */
  public double[] values(Parameter parameter) {
    return values[curves.indexOf(parameter)];
  }

  public double value(Parameter parameter, int sample) {
    double[] all = values(parameter);
    return all[all.length == 1 ? 0 : sample];
  }

  /** The first six parameters at a sample. */
  void pose(int sample, double[] out) {
    for (int c = 0; c < out.length; c++) {
      out[c] = values[c][values[c].length == 1 ? 0 : sample];
    }
  }

  boolean isStill() {
    for (double[] column : values) {
      if (column.length > 1) {
        return false;
      }
    }
    return true;
  }

  /** Whether all samples are those of another track, or equal where none changes. */
  boolean shares(PartTrack other) {
    if (this == other) {
      return true;
    }
    if (!grid.equals(other.grid) || values.length != other.values.length) {
      return false;
    }
    for (int i = 0; i < values.length; i++) {
      if (values[i] != other.values[i] && !isSameStill(values[i], other.values[i])) {
        return false;
      }
    }
    return true;
  }

  private static boolean isSameStill(double[] one, double[] other) {
    return one.length == 1 && other.length == 1 && one[0] == other[0];
  }

  SampleGrid grid() {
    return grid;
  }
}
