package idlelens.core.retime;

import idlelens.core.rule.RefusedException;
import idlelens.core.rule.Require;
import idlelens.core.time.Ratio;

/** From the frame at which something happens to the frame at which it shall happen. */
public sealed interface TimeMap permits TimeMap.Shift, TimeMap.Stretch, TimeMap.Ripple, Ramp {

  /** Where a frame goes; what lands within 1e-9 of a whole frame is on it. */
  double at(double frame);

  /** All by the same number of frames; negative is earlier. */
  record Shift(double by) implements TimeMap {
    public Shift {
      Require.within(by, -1e6, 1e6, "by");
    }

    @Override
    public double at(double frame) {
      return Ratio.onFrame(frame + by);
    }
  }

  /**
   * What lies in a range, scaled about a frame.
   *
   * @param from first frame of the range
   * @param to last frame of the range
   * @param about the frame that stays, usually in the range
   * @param factor 2 for twice as slow, above 0
   * @param ripple whether all that lies later than the range moves along with its end
   */
  record Stretch(double from, double to, double about, double factor, boolean ripple)
      implements TimeMap {
    public Stretch {
      Require.finite(from, "from");
      if (!(to > from)) {
        throw new RefusedException("to", to, "greater than from (" + from + ")");
      }
      Require.within(about, -1e7, 1e7, "about");
      Require.within(factor, 1e-3, 1e3, "factor");
    }

    /** All frames, scaled about one. */
    public static Stretch all(double about, double factor) {
      return new Stretch(-1e9, 1e9, about, factor, false);
    }

    @Override
    public double at(double frame) {
      if (frame < from - 1e-9) {
        return frame;
      }
      if (frame > to + 1e-9) {
        return ripple ? Ratio.onFrame(frame - to + stretched(to)) : frame;
      }
      return Ratio.onFrame(stretched(frame));
    }

    private double stretched(double frame) {
      return about + Ratio.of(factor).times(frame - about);
    }
  }

  /** What happens at a frame or later, moved; all before it stays. */
  record Ripple(double from, double by) implements TimeMap {
    public Ripple {
      Require.finite(from, "from");
      Require.within(by, -1e6, 1e6, "by");
    }

    @Override
    public double at(double frame) {
      return frame < from - 1e-9 ? frame : Ratio.onFrame(frame + by);
    }
  }
}
