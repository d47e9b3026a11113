package idlelens.core.curve;

import java.util.List;

/** The slopes, in value a frame, with which a curve comes into and leaves a key. */
final class Slopes {
  private final List<Key> keys;

  Slopes(List<Key> keys) {
    this.keys = keys;
  }

  /** Slope with which key {@code i} is left towards the next one. */
  double leaving(int i) {
    if (keys.get(i).tangent() instanceof Tangent.Free free) {
      return free.out().slope();
    }
    return keys.get(i).tangent().leaves(Tangent.Kind.STRAIGHT) ? secant(i) : automatic(i);
  }

  /** Slope with which key {@code i} is reached from the one before. */
  double reaching(int i) {
    if (keys.get(i).tangent() instanceof Tangent.Free free) {
      return free.in().slope();
    }
    if (keys.get(i).tangent() instanceof Tangent.Reached reached) {
      return reached.in().slope();
    }
    return keys.get(i).tangent() == Tangent.Kind.STRAIGHT ? secant(i - 1) : automatic(i);
  }

  private double automatic(int i) {
    if (keys.get(i).tangent() == Tangent.Kind.SETTLE) {
      return settle(i);
    }
    return keys.get(i).tangent() == Tangent.Kind.FLOW ? flow(i) : 0;
  }

  private double secant(int i) {
    return (keys.get(i + 1).value() - keys.get(i).value()) / (frame(i + 1) - frame(i));
  }

  private double frame(int i) {
    return keys.get(i).frame();
  }

  /**
   * Monotone slope: Fritsch and Carlson, SIAM J. Numer. Anal. 17, 1980. The mean of the two
   * secants, 0 where they differ in sign or one is 0, then cut to three times the lesser, which
   * puts both slopes of every segment into the square [0, 3] x [0, 3] of their condition. A move
   * starts and ends at rest: the first and the last key have slope 0.
   */
  private double settle(int i) {
    if (i == 0 || i == keys.size() - 1) {
      return 0;
    }
    double before = secant(i - 1);
    double after = secant(i);
    if (before == 0 || after == 0 || before > 0 != after > 0) {
      return 0;
    }
    double most = 3 * Math.min(Math.abs(before), Math.abs(after));
    double mean = (before + after) / 2;
    return Math.abs(mean) > most ? Math.copySign(most, mean) : mean;
  }

  /** Non-uniform Catmull-Rom: the slope of the parabola through the key and its neighbours. */
  private double flow(int i) {
    if (keys.size() == 1) {
      return 0;
    }
    if (i == 0) {
      return secant(0);
    }
    if (i == keys.size() - 1) {
      return secant(i - 1);
    }
    double widthBefore = frame(i) - frame(i - 1);
    double widthAfter = frame(i + 1) - frame(i);
    return (secant(i - 1) * widthAfter + secant(i) * widthBefore) / (widthBefore + widthAfter);
  }
}
