package idlelens.core.shake;

import idlelens.core.curve.Curve;
import idlelens.core.curve.CurvePlayer;
import idlelens.core.curve.Key;
import idlelens.core.time.FrameRate;
import idlelens.core.time.SampleGrid;
import java.util.Optional;

/**
 * How many cycles have gone since a start, at a frequency that may be keyed: the integral of it
 * over time. In a loop the cycles of a round are stretched to a whole number, at least one, so that
 * it closes.
 *
 * <p>A keyed frequency is integrated from whole frame to whole frame, and between its keys, by
 * Gauss-Legendre quadrature of four points, so that one frame alone gives what all of them give.
 */
public final class Cycles {
  /** Nodes and weights of Gauss-Legendre quadrature with four points on [0, 1]. */
  private static final double[] NODES = {
    0.06943184420297371, 0.33000947820757187, 0.6699905217924281, 0.9305681557970263
  };

  private static final double[] WEIGHTS = {
    0.17392742256872693, 0.32607257743127307, 0.32607257743127307, 0.17392742256872693
  };

  private final Curve hz;
  private final double most;
  private final FrameRate rate;
  private final double start;
  private final Optional<Loop> loop;
  private final boolean still;
  private final CurvePlayer player;
  private final double stretch;
  private final long round;

  /**
   * @param hz frequency in cycles a second over frames; below 0 it counts as 0
   * @param most the highest frequency it may have
   * @param start the frame from which cycles are counted
   * @param loop the round in which they close, if they do
   */
  public Cycles(Curve hz, double most, FrameRate rate, double start, Optional<Loop> loop) {
    this.hz = hz;
    this.most = most;
    this.rate = rate;
    this.start = start;
    this.loop = loop;
    this.still = hz.isConstant();
    this.player = hz.player();
    double whole = loop.map(l -> between(l.first(), l.first() + l.length())).orElse(0.0);
    this.round = whole > 0 ? Math.max(1, Math.round(whole)) : 0;
    this.stretch = round > 0 ? round / whole : 1;
  }

  /** Cycles of a round, a whole number; 0 where there is no loop or nothing moves. */
  public long round() {
    return round;
  }

  /** How many times as fast it is in the loop as it was asked to be. */
  public double stretch() {
    return stretch;
  }

  /** Cycles gone at each sample of a grid. */
  public void fill(SampleGrid grid, double[] out) {
    double at = loop.map(l -> l.folded(start)).orElse(start);
    double gone = 0;
    for (int i = 0; i < out.length; i++) {
      double next = folded(grid.frame(i));
      gone += still ? 0 : between(at, next);
      out[i] = stretch * (still ? constant(next) : gone);
      at = next;
    }
  }

  private double folded(double frame) {
    return loop.isPresent() ? loop.get().folded(frame) : frame;
  }

  /** In one product, so that equal times give equal cycles whatever the rate. */
  private double constant(double frame) {
    double from = loop.map(l -> l.folded(start)).orElse(start);
    return rate.seconds(frame - from) * frequency(start);
  }

  private double frequency(double frame) {
    return Math.max(0, Math.min(most, player.at(frame)));
  }

  /** Cycles from one frame to another, which may lie before it. */
  private double between(double from, double to) {
    if (to < from) {
      return -between(to, from);
    }
    if (still) {
      return rate.seconds(to - from) * frequency(from);
    }
    double sum = 0;
    double at = from;
    while (at < to) {
      double next = Math.min(to, Math.min(Math.floor(at) + 1, nextKey(at)));
      sum += piece(at, next);
      at = next;
    }
    return sum;
  }

  /** The frame of the first key behind a frame. */
  private double nextKey(double frame) {
    int behind = hz.keysUntil(frame);
    return behind < hz.keys().size() ? keyAt(behind).frame() : Double.POSITIVE_INFINITY;
  }

  private Key keyAt(int i) {
    return hz.keys().get(i);
  }

  private double piece(double from, double to) {
    double sum = 0;
    for (int k = 0; k < NODES.length; k++) {
      sum += WEIGHTS[k] * frequency(from + NODES[k] * (to - from));
    }
    return sum * rate.seconds(to - from);
  }
}
