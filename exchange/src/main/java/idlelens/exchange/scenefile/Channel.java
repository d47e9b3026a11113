package idlelens.exchange.scenefile;

import idlelens.core.curve.CubicTime;
import idlelens.core.rule.RefusedException;
import idlelens.exchange.format.FormatException;
import java.util.Arrays;
import org.joml.Quaterniond;
import org.joml.Vector3d;

/**
 * Numbers over the time of a file: what is still has one time.
 *
 * @param times rising, in the file's unit of time
 * @param values for each time its components; HERMITE: in-slopes, values and out-slopes (each a
 *     unit of time); BEZIER, of one component: value, then time and value of both handles
 * @param components numbers in a value: 1, 3, 4 (a quaternion x, y, z, w) or 16 (a matrix by
 *     columns)
 * @param path where it stands in the file
 */
public record Channel(
    double[] times, double[] values, Between between, int components, String path) {
  private static final int BEZIER_NUMBERS = 5;
  private static final double FARTHEST_TIME = 1e7;

  /** How values lie between their times. */
  public enum Between {
    LINEAR,
    STEP,
    HERMITE,
    BEZIER
  }

  /** A value that never changes. */
  public static Channel still(String path, double... value) {
    return new Channel(new double[1], value, Between.LINEAR, value.length, path);
  }

  /** Numbers that a value takes here. */
  private static int stride(Between between, int components) {
    return switch (between) {
      case LINEAR, STEP -> components;
      case HERMITE -> 3 * components;
      case BEZIER -> BEZIER_NUMBERS;
    };
  }

  /**
   * The same, looked at.
   *
   * @throws FormatException if there are not as many values as times, if times do not rise, or if
   *     something is no finite number or a quaternion is far from length 1
   */
  public Channel checked() throws FormatException {
    int each = stride(between, components);
    if (times.length == 0 || values.length != times.length * each) {
      throw new FormatException(
          path + ".output",
          values.length / each + " values",
          "one for each of the " + times.length + " key times, and at least one");
    }
    for (int i = 0; i < times.length; i++) {
      requireRising(i);
    }
    for (int i = 0; i < values.length; i++) {
      if (!Double.isFinite(values[i])) {
        throw new FormatException(path + ".output[" + i / each + "]", values[i], "finite numbers");
      }
    }
    if (components == 4) {
      requireTurns();
    }
    return this;
  }

  private void requireRising(int i) throws FormatException {
    boolean rises = i == 0 ? times[0] > -FARTHEST_TIME : times[i] > times[i - 1];
    if (!rises || !(times[i] <= FARTHEST_TIME)) {
      throw new FormatException(
          path + ".input[" + i + "]",
          times[i],
          i == 0 || times[i] > times[i - 1]
              ? "a time from -1e7 to 1e7"
              : "greater than the time before (" + times[i - 1] + ")");
    }
  }

  private void requireTurns() throws FormatException {
    for (int i = 0; i < times.length; i++) {
      double sum = 0;
      for (int c = 0; c < 4; c++) {
        sum += value(i, c) * value(i, c);
      }
      if (!(sum > 0.25 && sum < 4)) {
        throw new FormatException(
            path + ".output[" + i + "]",
            "a quaternion of length " + Math.sqrt(sum),
            "a quaternion of length 1");
      }
    }
  }

  public int keys() {
    return times.length;
  }

  public double lastTime() {
    return times[times.length - 1];
  }

  /** Whether it stands still. */
  public boolean isStill() {
    return times.length == 1;
  }

  /** Whether it has one value at all times. */
  public boolean isConstant() {
    for (int k = 0; k < keys(); k++) {
      for (int c = 0; c < components; c++) {
        if (bends(k, c) || value(k, c) != value(0, c)) {
          return false;
        }
      }
    }
    return true;
  }

  private boolean bends(int k, int c) {
    return switch (between) {
      case LINEAR, STEP -> false;
      case HERMITE -> inSlope(k, c) != 0 || outSlope(k, c) != 0;
      case BEZIER -> inHandle(k)[1] != value(k, 0) || outHandle(k)[1] != value(k, 0);
    };
  }

  /** The same with every value times a factor. */
  public Channel times(double factor) {
    if (factor == 1) {
      return this;
    }
    double[] scaled = values.clone();
    for (int i = 0; i < scaled.length; i++) {
      boolean isTime = between == Between.BEZIER && i % BEZIER_NUMBERS % 2 == 1;
      scaled[i] *= isTime ? 1 : factor;
    }
    return new Channel(times, scaled, between, components, path);
  }

  /** Some of its components, in an order of their own, with signs. */
  public Channel picked(int[] from, double[] signs) {
    int blocks = values.length / components;
    double[] other = new double[blocks * from.length];
    for (int b = 0; b < blocks; b++) {
      for (int c = 0; c < from.length; c++) {
        other[b * from.length + c] = signs[c] * values[b * components + from[c]];
      }
    }
    return new Channel(times, other, between, from.length, path);
  }

  private int valueAt(int key) {
    return switch (between) {
      case LINEAR, STEP -> key * components;
      case HERMITE -> (3 * key + 1) * components;
      case BEZIER -> key * BEZIER_NUMBERS;
    };
  }

  public double value(int key, int component) {
    return values[valueAt(key) + component];
  }

  /** Slope with which a key of HERMITE is reached. */
  public double inSlope(int key, int component) {
    return values[3 * key * components + component];
  }

  /** Slope with which a key of HERMITE is left. */
  public double outSlope(int key, int component) {
    return values[(3 * key + 2) * components + component];
  }

  /** Time and value of the handle before a key of BEZIER. */
  public double[] inHandle(int key) {
    int at = key * BEZIER_NUMBERS;
    return Arrays.copyOfRange(values, at + 1, at + 3);
  }

  /** Time and value of the handle behind a key of BEZIER. */
  public double[] outHandle(int key) {
    int at = key * BEZIER_NUMBERS;
    return Arrays.copyOfRange(values, at + 3, at + BEZIER_NUMBERS);
  }

  private Quaterniond turn(int key) {
    int at = valueAt(key);
    return new Quaterniond(values[at], values[at + 1], values[at + 2], values[at + 3]);
  }

  /** Three components at a time. */
  public Vector3d vectorAt(double time) {
    return new Vector3d(at(time, 0), at(time, 1), at(time, 2));
  }

  /** The turn at a time, of length 1; the channel has four components. */
  public Quaterniond turnAt(double time) {
    int k = segment(time);
    if (time <= times[0] || k >= times.length - 1) {
      return turn(time <= times[0] ? 0 : times.length - 1).normalize();
    }
    double p = (time - times[k]) / (times[k + 1] - times[k]);
    return switch (between) {
      case STEP -> turn(k).normalize();
      case LINEAR -> slerp(turn(k).normalize(), turn(k + 1).normalize(), p);
      case HERMITE ->
          new Quaterniond(cubic(k, p, 0), cubic(k, p, 1), cubic(k, p, 2), cubic(k, p, 3))
              .normalize();
      case BEZIER -> throw new RefusedException(path, "a turn by Bezier curves", "LINEAR");
    };
  }

  private static Quaterniond slerp(Quaterniond a, Quaterniond b, double p) {
    return a.dot(b) < 0 ? a.slerp(b.mul(-1), p) : a.slerp(b, p);
  }

  /** One component at a time. */
  public double at(double time, int component) {
    int k = segment(time);
    if (time <= times[0] || k >= times.length - 1) {
      return value(time <= times[0] ? 0 : times.length - 1, component);
    }
    double p = (time - times[k]) / (times[k + 1] - times[k]);
    double left = value(k, component);
    return switch (between) {
      case STEP -> left;
      case LINEAR -> left + (value(k + 1, component) - left) * p;
      case HERMITE -> cubic(k, p, component);
      case BEZIER -> bezier(k, p);
    };
  }

  /** Hermite form of the glTF 2.0 specification, appendix C.5. */
  private double cubic(int k, double p, int component) {
    double width = times[k + 1] - times[k];
    double p2 = p * p;
    double p3 = p2 * p;
    return (2 * p3 - 3 * p2 + 1) * value(k, component)
        + width * (p3 - 2 * p2 + p) * outSlope(k, component)
        + (3 * p2 - 2 * p3) * value(k + 1, component)
        + width * (p3 - p2) * inSlope(k + 1, component);
  }

  /** Cubic Bezier of time and value; handles that reach too far are cut to the segment. */
  private double bezier(int k, double p) {
    double width = times[k + 1] - times[k];
    double[] out = outHandle(k);
    double[] in = inHandle(k + 1);
    double a = Math.max(0, Math.min(1, (out[0] - times[k]) / width));
    double b = Math.max(0, Math.min(1, (in[0] - times[k]) / width));
    double u = CubicTime.solve(3 * a, 3 * b - 6 * a, 3 * a - 3 * b + 1, p);
    double v = 1 - u;
    return v * v * v * value(k, 0)
        + 3 * v * v * u * out[1]
        + 3 * v * u * u * in[1]
        + u * u * u * value(k + 1, 0);
  }

  private int segment(double time) {
    int found = Arrays.binarySearch(times, time);
    return found >= 0 ? found : Math.max(0, -found - 2);
  }
}
