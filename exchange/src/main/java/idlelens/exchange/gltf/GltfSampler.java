package idlelens.exchange.gltf;

import idlelens.exchange.format.FormatException;
import idlelens.exchange.json.JsonPlace;
import org.joml.Quaterniond;
import org.joml.Vector3d;

/**
 * One animation sampler: key times in seconds, and values of one, three or four components.
 *
 * @param values for CUBICSPLINE in-tangent, value and out-tangent of each key in turn
 */
record GltfSampler(double[] times, double[] values, Mode mode, int components, String path) {

  /** How values lie between keys. */
  enum Mode {
    LINEAR,
    STEP,
    CUBICSPLINE
  }

  static GltfSampler read(GltfAccessors numbers, JsonPlace sampler, int components)
      throws FormatException {
    String word = sampler.text("interpolation", "LINEAR");
    Mode mode;
    try {
      mode = Mode.valueOf(word);
    } catch (IllegalArgumentException e) {
      throw new FormatException(
          sampler.path() + ".interpolation", word, "LINEAR, STEP, CUBICSPLINE");
    }
    double[] times = numbers.numbers(sampler.get("input"), "SCALAR");
    String type = components == 1 ? "SCALAR" : "VEC" + components;
    double[] values = numbers.numbers(sampler.get("output"), type);
    int each = components * (mode == Mode.CUBICSPLINE ? 3 : 1);
    if (times.length == 0 || values.length != times.length * each) {
      throw new FormatException(
          sampler.path() + ".output",
          values.length / each + " values",
          "one for each of the " + times.length + " key times, and at least one");
    }
    GltfSampler read = new GltfSampler(times, values, mode, components, sampler.path());
    read.check();
    return read;
  }

  private void check() throws FormatException {
    for (int i = 0; i < times.length; i++) {
      double before = i == 0 ? -Double.MIN_VALUE : times[i - 1];
      if (!(times[i] > before) || times[i] > 1e7) {
        throw new FormatException(
            path + ".input[" + i + "]",
            times[i] + " s",
            i == 0 ? "0 or more" : "greater than the time before (" + before + " s)");
      }
    }
    for (int i = 0; i < values.length; i++) {
      if (!Double.isFinite(values[i])) {
        throw new FormatException(
            path + ".output[" + i / components + "]", values[i], "finite numbers");
      }
    }
    if (components == 4) {
      for (int i = 0; i < times.length; i++) {
        double length = turn(i).lengthSquared();
        if (!(length > 0.25 && length < 4)) {
          throw new FormatException(
              path + ".output[" + i + "]",
              "a quaternion of length " + Math.sqrt(length),
              "a quaternion of length 1");
        }
      }
    }
  }

  int keys() {
    return times.length;
  }

  /** Whether it has one value at all times. */
  boolean isConstant() {
    for (int k = 0; k < keys(); k++) {
      for (int c = 0; c < components; c++) {
        boolean bends = mode == Mode.CUBICSPLINE && (inSlope(k, c) != 0 || outSlope(k, c) != 0);
        if (bends || value(k, c) != value(0, c)) {
          return false;
        }
      }
    }
    return true;
  }

  /** Three components at a time. */
  Vector3d vectorAt(double time) {
    return new Vector3d(at(time, 0), at(time, 1), at(time, 2));
  }

  /** These turns seen in a mirror across x. */
  GltfSampler mirrored() {
    double[] other = values.clone();
    for (int i = 0; i < other.length; i += components) {
      other[i + 1] = -other[i + 1];
      other[i + 2] = -other[i + 2];
    }
    return new GltfSampler(times, other, mode, components, path);
  }

  private int valueAt(int key) {
    return mode == Mode.CUBICSPLINE ? (3 * key + 1) * components : key * components;
  }

  double value(int key, int component) {
    return values[valueAt(key) + component];
  }

  /** Slope, per second, with which a key of a CUBICSPLINE is reached. */
  double inSlope(int key, int component) {
    return values[3 * key * components + component];
  }

  /** Slope, per second, with which a key of a CUBICSPLINE is left. */
  double outSlope(int key, int component) {
    return values[(3 * key + 2) * components + component];
  }

  private Quaterniond turn(int key) {
    int at = valueAt(key);
    return new Quaterniond(values[at], values[at + 1], values[at + 2], values[at + 3]);
  }

  /** The turn at a time; the sampler has four components. */
  Quaterniond turnAt(double time) {
    int k = segment(time);
    if (time <= times[0] || k >= times.length - 1) {
      return turn(time <= times[0] ? 0 : times.length - 1).normalize();
    }
    double p = (time - times[k]) / (times[k + 1] - times[k]);
    return switch (mode) {
      case STEP -> turn(k).normalize();
      case LINEAR -> slerp(turn(k).normalize(), turn(k + 1).normalize(), p);
      case CUBICSPLINE ->
          new Quaterniond(cubic(k, p, 0), cubic(k, p, 1), cubic(k, p, 2), cubic(k, p, 3))
              .normalize();
    };
  }

  private static Quaterniond slerp(Quaterniond a, Quaterniond b, double p) {
    return a.dot(b) < 0 ? a.slerp(b.mul(-1), p) : a.slerp(b, p);
  }

  /** One component at a time. */
  double at(double time, int component) {
    int k = segment(time);
    if (time <= times[0] || k >= times.length - 1) {
      return value(time <= times[0] ? 0 : times.length - 1, component);
    }
    double p = (time - times[k]) / (times[k + 1] - times[k]);
    double left = value(k, component);
    return switch (mode) {
      case STEP -> left;
      case LINEAR -> left + (value(k + 1, component) - left) * p;
      case CUBICSPLINE -> cubic(k, p, component);
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

  private int segment(double time) {
    int low = 0;
    int high = times.length - 1;
    while (low < high) {
      int middle = (low + high + 1) >>> 1;
      if (times[middle] <= time) {
        low = middle;
      } else {
        high = middle - 1;
      }
    }
    return low;
  }
}
