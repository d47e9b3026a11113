package idlelens.core.take;

import idlelens.core.geometry.EvenSamples;
import idlelens.core.geometry.RigidPose;
import idlelens.core.geometry.Turns;
import idlelens.core.rule.RefusedException;
import idlelens.core.rule.Require;
import idlelens.core.shake.Recording;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.IntFunction;
import org.joml.Quaterniond;
import org.joml.Vector3d;

/**
 * What a camera did in the world while it was operated: place in metres, pan, tilt and roll in
 * degrees, and, where it was told, focal length in millimetres and focus in metres, at even steps.
 * Immutable; numbers are kept to a hundred-millionth.
 */
public final class Take {
  /** The most samples: ten minutes at 60 a second, as of a recording. */
  public static final int MOST_SAMPLES = Recording.MOST_SAMPLES;

  /** Columns by name, in their order; the last two may be missing. */
  public static final List<String> COLUMNS =
      List.of("x", "y", "z", "pan", "tilt", "roll", "focal", "focus");

  /** The column of the focal length. */
  public static final int FOCAL = 6;

  /** The column of the focus. */
  public static final int FOCUS = 7;

  private static final double ROUNDED = 1e8;
  private static final double FASTEST_HZ = 1000;
  private static final double FARTHEST_M = 1e6;
  private static final double MOST_DEG = 1e7;
  private static final double LONGEST = 1e6;

  private final double rateHz;
  private final double[][] columns;
  private final Quaterniond[] turns;

  /**
   * @param rateHz samples a second, more than 0 and at most 1000
   * @param columns as {@link #COLUMNS}, all as long, 2 samples or more
   */
  public Take(double rateHz, List<Optional<double[]>> columns) {
    this.rateHz = Require.positive(rateHz, "take.rate");
    Require.within(rateHz, 0, FASTEST_HZ, "take.rate");
    Require.within(columns.size(), COLUMNS.size(), COLUMNS.size(), "take.columns.count");
    this.columns = new double[COLUMNS.size()][];
    for (int c = 0; c < COLUMNS.size(); c++) {
      String where = "take." + COLUMNS.get(c);
      if (columns.get(c).isPresent()) {
        this.columns[c] = checked(columns.get(c).get(), c, where);
      } else if (c < FOCAL) {
        throw new RefusedException(where, "missing", "a number for each sample");
      }
    }
    turns = new Quaterniond[length()];
    for (int i = 0; i < turns.length; i++) {
      turns[i] = Turns.quaternion(radians(3, i), radians(4, i), radians(5, i));
    }
  }

  /** What a camera does at a sample. */
  public record Sample(RigidPose pose, double focalMm, double focusM) {}

  /**
   * A take of all columns, its turns continued from sample to sample.
   *
   * @param count 2 or more
   */
  public static Take of(double rateHz, int count, IntFunction<Sample> samples) {
    double[][] columns = new double[COLUMNS.size()][count];
    double[] near = new double[3];
    for (int i = 0; i < count; i++) {
      Sample sample = samples.apply(i);
      near = Turns.panTiltRoll(sample.pose.turn(), near);
      columns[0][i] = sample.pose.x();
      columns[1][i] = sample.pose.y();
      columns[2][i] = sample.pose.z();
      for (int c = 0; c < 3; c++) {
        columns[3 + c][i] = Math.toDegrees(near[c]);
      }
      columns[FOCAL][i] = sample.focalMm;
      columns[FOCUS][i] = sample.focusM;
    }
    return new Take(rateHz, Arrays.stream(columns).map(Optional::of).toList());
  }

  private double[] checked(double[] values, int column, String where) {
    Require.within(values.length, 2, MOST_SAMPLES, where + ".count");
    int others = columns[0] == null ? values.length : columns[0].length;
    if (values.length != others) {
      throw new RefusedException(where + ".count", values.length, others + ", as of x");
    }
    double[] kept = new double[values.length];
    for (int i = 0; i < kept.length; i++) {
      String at = where + "[" + i + "]";
      if (column >= FOCAL) {
        Require.within(Require.positive(values[i], at), 0, LONGEST, at);
      } else {
        double most = column < 3 ? FARTHEST_M : MOST_DEG;
        Require.within(values[i], -most, most, at);
      }
      kept[i] = Math.rint(values[i] * ROUNDED) / ROUNDED;
    }
    return kept;
  }

  private double radians(int column, int sample) {
    return Math.toRadians(columns[column][sample]);
  }

  /** Samples a second. */
  public double rateHz() {
    return rateHz;
  }

  /** How many samples. */
  public int length() {
    return columns[0].length;
  }

  /** Seconds from the first sample to the last. */
  public double seconds() {
    return (length() - 1) / rateHz;
  }

  /** The samples of a column, or nothing; a copy. */
  public Optional<double[]> column(int column) {
    return Optional.ofNullable(columns[column]).map(double[]::clone);
  }

  /** Metres that the camera went. */
  public double pathM() {
    double sum = 0;
    for (int i = 1; i < length(); i++) {
      sum += place(i - 1).distance(place(i));
    }
    return sum;
  }

  private Vector3d place(int i) {
    return new Vector3d(columns[0][i], columns[1][i], columns[2][i]);
  }

  /**
   * Place and turn at a moment; before the first sample and behind the last as there. Between
   * samples the place goes by cubics, and the turn by cubics of the logarithms of the turns around,
   * seen from the sample before.
   */
  public RigidPose pose(double seconds) {
    double sample = seconds * rateHz;
    Vector3d place =
        new Vector3d(
            EvenSamples.at(columns[0], sample),
            EvenSamples.at(columns[1], sample),
            EvenSamples.at(columns[2], sample));
    return RigidPose.of(place, turn(sample));
  }

  private Quaterniond turn(double sample) {
    double within = Math.max(0, Math.min(length() - 1.0, sample));
    int i = EvenSamples.segment(length(), within);
    Quaterniond from = turns[i];
    Vector3d before = logarithm(from, turns[Math.max(0, i - 1)]);
    Vector3d next = logarithm(from, turns[i + 1]);
    Vector3d after = logarithm(from, turns[Math.min(length() - 1, i + 2)]);
    EvenSamples.Ends ends = EvenSamples.ends(length(), i);
    double[] v = new double[3];
    for (int c = 0; c < 3; c++) {
      v[c] = EvenSamples.between(before.get(c), 0, next.get(c), after.get(c), ends, within - i);
    }
    return new Quaterniond(from).mul(exponential(new Vector3d(v)));
  }

  /** The turn from one to the other as an axis times half its angle: the short way. */
  private static Vector3d logarithm(Quaterniond from, Quaterniond to) {
    Quaterniond by = from.conjugate(new Quaterniond()).mul(to);
    double sign = by.w < 0 ? -1 : 1;
    double length = Math.sqrt(by.x * by.x + by.y * by.y + by.z * by.z);
    double times = length < 1e-12 ? sign : sign * Math.atan2(length, sign * by.w) / length;
    return new Vector3d(by.x, by.y, by.z).mul(times);
  }

  private static Quaterniond exponential(Vector3d half) {
    double angle = half.length();
    double times = angle < 1e-12 ? 1 : Math.sin(angle) / angle;
    return new Quaterniond(half.x * times, half.y * times, half.z * times, Math.cos(angle))
        .normalize();
  }

  /** Focal length or focus at a moment, where it was told. */
  public OptionalDouble lens(int column, double seconds) {
    return columns[column] == null
        ? OptionalDouble.empty()
        : OptionalDouble.of(EvenSamples.at(columns[column], seconds * rateHz));
  }

  @Override
  public boolean equals(Object other) {
    return this == other
        || other instanceof Take that
            && rateHz == that.rateHz
            && Arrays.deepEquals(columns, that.columns);
  }

  @Override
  public int hashCode() {
    return Arrays.deepHashCode(columns) * 31 + Double.hashCode(rateHz);
  }

  @Override
  public String toString() {
    return length() + " samples at " + rateHz + " a second";
  }
}
