package idlelens.core.curve;

import java.util.Arrays;
import java.util.function.DoubleUnaryOperator;

/**
 * How far one Bezier is from a stretch of a curve: at its largest, between frames too.
 *
 * @param frame where it is largest
 * @param amount how much it is there, in the unit of the curve
 */
record Deviation(double frame, double amount) {
  private static final int LEAST_IN_A_SPAN = 8;
  private static final int MOST_IN_A_SPAN = 64;
  private static final int ALONG_THE_BEZIER = 48;

  /** Samples lower than this part of the highest are not taken for the foot of a higher peak. */
  private static final double NEAR_THE_HIGHEST = 0.5;

  private static final int STEPS = 40;
  private static final double GOLDEN = 0.6180339887498949;

  /**
   * Looks at even times and at even parameters of both, so that what bends within a moment is met,
   * and then for the top of every peak by golden section.
   *
   * @param bezier from one key of the curve to another
   * @param from index of the first span of the curve under it
   * @param to index of the last one
   */
  static Deviation of(Segment bezier, Spans curve, int from, int to) {
    return new Measuring(bezier, curve, from, to).largest();
  }

  private static final class Measuring {
    private final Segment bezier;
    private final Spans curve;
    private final int from;
    private final int to;
    private final double[] times;
    private int span;

    Measuring(Segment bezier, Spans curve, int from, int to) {
      this.bezier = bezier;
      this.curve = curve;
      this.from = from;
      this.to = to;
      this.span = from;
      this.times = times();
    }

    private double[] times() {
      double[] all = new double[(to - from + 1) * 2 * (MOST_IN_A_SPAN + 1) + ALONG_THE_BEZIER];
      int n = 0;
      for (int i = from; i <= to; i++) {
        double start = curve.start(i);
        double width = curve.start(i + 1) - start;
        int parts = (int) Math.max(LEAST_IN_A_SPAN, Math.min(MOST_IN_A_SPAN, Math.ceil(2 * width)));
        for (int k = 0; k < parts; k++) {
          all[n++] = start + width * k / parts;
          all[n++] = curve.frameAt(i, (k + 0.5) / parts);
        }
      }
      for (int k = 1; k < ALONG_THE_BEZIER; k++) {
        all[n++] = bezier.frameAt((double) k / ALONG_THE_BEZIER);
      }
      all = Arrays.copyOf(all, n);
      Arrays.sort(all);
      return all;
    }

    Deviation largest() {
      return highest(times, this::off);
    }

    private double off(double time) {
      span = Math.max(from, Math.min(to, curve.find(time, span)));
      return Math.abs(bezier.valueAt(bezier.parameter(time)) - curve.value(span, time));
    }
  }

  /**
   * The highest point of a function: the highest of some samples, or the top of a peak near one of
   * them, found by golden section.
   *
   * @param at where to look, in increasing order
   * @param off 0 or more
   */
  static Deviation highest(double[] at, DoubleUnaryOperator off) {
    double[] value = Arrays.stream(at).map(off).toArray();
    double most = Arrays.stream(value).max().orElse(0);
    Deviation highest = new Deviation(at[0], value[0]);
    for (int i = 0; i < at.length; i++) {
      if (value[i] > highest.amount) {
        highest = new Deviation(at[i], value[i]);
      }
      boolean inner = i > 0 && i + 1 < at.length;
      if (inner
          && value[i] >= most * NEAR_THE_HIGHEST
          && value[i] >= value[i - 1]
          && value[i] >= value[i + 1]) {
        Deviation top = top(at[i - 1], at[i + 1], off);
        highest = top.amount > highest.amount ? top : highest;
      }
    }
    return highest;
  }

  private static Deviation top(double left, double right, DoubleUnaryOperator off) {
    double a = left;
    double b = right;
    double least = 1e-6 * (right - left);
    for (int step = 0; step < STEPS && b - a > least; step++) {
      double low = b - GOLDEN * (b - a);
      double high = a + GOLDEN * (b - a);
      if (off.applyAsDouble(low) > off.applyAsDouble(high)) {
        b = high;
      } else {
        a = low;
      }
    }
    double middle = (a + b) / 2;
    return new Deviation(middle, off.applyAsDouble(middle));
  }
}
