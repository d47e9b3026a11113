package idlelens.core.shake;

import idlelens.core.rule.Require;
import idlelens.core.seed.Shares;
import idlelens.core.time.FrameRate;
import java.util.ArrayList;
import java.util.List;

/**
 * Jolts at random times with a mean rate: time is cut into pieces of one jolt each, and each comes
 * somewhere in its piece, with a strength of its own in each channel. In a loop a whole number of
 * pieces makes a round.
 *
 * @param seed what strews them
 * @param aSecond how many come a second, more than 0
 * @param unevenness how much weaker than the hardest they may be, 0 to 1
 */
public record Blows(long seed, double aSecond, double unevenness) {
  /** The most a second. */
  public static final double MOST_A_SECOND = 5;

  private static final int STRENGTHS = 1;

  public Blows {
    Require.positive(aSecond, "jolt.rate");
    Require.within(aSecond, 0, MOST_A_SECOND, "jolt.rate");
    Require.within(unevenness, 0, 1, "jolt.unevenness");
  }

  /**
   * Those of a channel that begin between two frames.
   *
   * @param start the frame at which a piece begins
   */
  public List<Blow> between(double from, double to, int channel, FrameRate rate, double start) {
    double piece = rate.frames(1 / aSecond);
    List<Blow> all = new ArrayList<>();
    long last = (long) Math.floor((to - start) / piece);
    for (long k = (long) Math.floor((from - start) / piece); k <= last; k++) {
      double frame = start + (k + Shares.at(seed, k)) * piece;
      if (frame >= from && frame <= to) {
        all.add(new Blow(frame, strength(channel, k)));
      }
    }
    return all;
  }

  /**
   * Those of a channel in a round, each once.
   *
   * @param start the frame at which a piece begins
   */
  public List<Blow> in(Loop round, int channel, FrameRate rate, double start) {
    long pieces = Math.max(1, Math.round(round.length() / rate.frames(1 / aSecond)));
    double piece = round.length() / pieces;
    List<Blow> all = new ArrayList<>();
    for (long k = 0; k < pieces; k++) {
      double frame = round.folded(start + (k + Shares.at(seed, k)) * piece);
      all.add(new Blow(frame, strength(channel, k)));
    }
    return all;
  }

  /** Either way, between the weakest and the hardest. */
  private double strength(int channel, long number) {
    double share = 2 * Shares.at(Shares.stream(seed, STRENGTHS + channel), number) - 1;
    return Math.copySign(1 - unevenness * (1 - Math.abs(share)), share);
  }
}
