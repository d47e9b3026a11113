package idlelens.core.retime;

import idlelens.core.curve.Curve;
import idlelens.core.curve.CurvePlayer;

/**
 * The integral of 1 / speed over a stretch in which the speed goes smoothly from one value to
 * another. The stretch is cut into a fixed number of parts, each integrated by the formula of Gauss
 * and Legendre with five points (Abramowitz and Stegun, Handbook of Mathematical Functions, 25.4.30
 * and table 25.4); so it costs the same however long the stretch is.
 */
final class Slowness {
  private static final int PARTS = 128;
  private static final double[] AT = {
    -0.906179845938664, -0.538469310105683, 0, 0.538469310105683, 0.906179845938664
  };
  private static final double[] WEIGHT = {
    0.236926885056189, 0.478628670499366, 0.568888888888889, 0.478628670499366, 0.236926885056189
  };

  private final Curve speed;
  private final double from;
  private final double part;

  /** The integral up to the start of each part, and to the end of the last. */
  private final double[] sums = new double[PARTS + 1];

  Slowness(Curve speed, double from, double to) {
    this.speed = speed;
    this.from = from;
    this.part = (to - from) / PARTS;
    CurvePlayer player = speed.player();
    for (int i = 0; i < PARTS; i++) {
      sums[i + 1] = sums[i] + integral(player, from + i * part, from + (i + 1) * part);
    }
  }

  double whole() {
    return sums[PARTS];
  }

  /** Up to a frame of the stretch. */
  double until(double frame) {
    int i = Math.max(0, Math.min(PARTS - 1, (int) ((frame - from) / part)));
    return sums[i] + integral(speed.player(), from + i * part, frame);
  }

  private static double integral(CurvePlayer player, double from, double to) {
    double half = (to - from) / 2;
    double middle = (from + to) / 2;
    double sum = 0;
    for (int i = 0; i < AT.length; i++) {
      sum += WEIGHT[i] / player.at(middle + half * AT[i]);
    }
    return sum * half;
  }
}
