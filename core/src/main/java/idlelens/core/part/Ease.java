package idlelens.core.part;

import idlelens.core.rule.Require;

/**
 * How something gets going and comes to rest.
 *
 * @param in frames until it has its full speed
 * @param out frames in which it loses that
 * @param softness 0 for an even gain of speed, 1 for one that begins and ends softly itself
 */
public record Ease(double in, double out, double softness) {
  public Ease {
    Require.within(in, 0, 1e5, "ease.in");
    Require.within(out, 0, 1e5, "ease.out");
    Require.within(softness, 0, 1, "ease.softness");
  }

  /** A third of so many frames to get going and a third to come to rest. */
  public static Ease thirds(double frames) {
    return new Ease(frames / 3, frames / 3, 0.5);
  }

  /**
   * How much of its way something has gone: speed rises over the ease in, is even, and falls over
   * the ease out; where both are longer than it lasts, they are cut alike.
   *
   * @param frame since it began, from 0 to {@code length}
   * @param length frames that it lasts
   * @return from 0 to 1
   */
  public double share(double frame, double length) {
    double longest = in + out;
    double cut = longest > length ? length / longest : 1;
    double starts = in * cut;
    double ends = out * cut;
    double total = length - (starts + ends) / 2;
    double way;
    if (frame < starts) {
      way = starts * gained(frame / starts);
    } else if (frame > length - ends) {
      way = total - ends * gained((length - frame) / ends);
    } else {
      way = frame - starts / 2;
    }
    return total > 0 ? way / total : frame / length;
  }

  /** The way gone while speed rises from 0 to 1 over a length of 1: a half at its end. */
  private double gained(double t) {
    double even = t * t / 2;
    double soft = t * t * t - t * t * t * t / 2;
    return even + softness * (soft - even);
  }

  /** Lasting so many times as many frames. */
  public Ease lasting(double factor) {
    return new Ease(in * factor, out * factor, softness);
  }
}
