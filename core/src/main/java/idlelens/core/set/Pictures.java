package idlelens.core.set;

import idlelens.core.rule.Require;
import idlelens.core.time.FrameRange;
import idlelens.core.time.FrameRate;
import idlelens.core.time.SampleGrid;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.DoubleUnaryOperator;

/**
 * What is shown on a card: one picture, or a sequence that plays. A picture fills the card, its
 * transparency lets through what stands behind; from behind it is seen mirrored.
 *
 * @param stills 1 to 2,000 pictures in their order
 * @param rate pictures a second
 * @param first the frame at which the first one comes on
 * @param after what is shown outside the sequence, on both sides
 */
public record Pictures(List<Still> stills, FrameRate rate, double first, After after) {
  /** The most pictures of a sequence. */
  public static final int MOST = 2000;

  private static final double EARLIEST = 1e7;

  /** What comes this close to the next picture, in pictures, is that: a moment is rounded. */
  private static final double ON_PICTURE = 1e-9;

  /** What is shown before the first picture and after the last. */
  public enum After {
    /** The first one before, the last one after. */
    HOLD,
    /** All of them over and over. */
    CYCLE
  }

  public Pictures {
    stills = List.copyOf(stills);
    Require.within(stills.size(), 1, MOST, "pictures.stills.count");
    Require.present(rate, "pictures.rate");
    Require.within(first, -EARLIEST, EARLIEST, "pictures.first");
    Require.present(after, "pictures.after");
  }

  /** How long a round is, in pictures of its rate. */
  public int length() {
    return stills.stream().mapToInt(Still::held).sum();
  }

  /** Frames of a shot in which the pictures come back, if they do. */
  public OptionalDouble period(FrameRate shot) {
    return changes() && after == After.CYCLE
        ? OptionalDouble.of(shot.frames(rate.seconds(length())))
        : OptionalDouble.empty();
  }

  /**
   * How far behind the last frame of a loop they are from where they were at the first one, in
   * pictures of their rate; 0 where the loop goes on as if it had no seam.
   */
  public double offAfter(FrameRange loop, FrameRate shot) {
    if (after == After.HOLD) {
      return changes() ? Math.abs(at(loop.out() + 1.0, shot) - at(loop.in(), shot)) : 0;
    }
    double rounds = rate.frames(shot.seconds(loop.length())) / length();
    double off = Math.abs(rounds - Math.rint(rounds)) * length();
    return changes() && off > ON_PICTURE ? off : 0;
  }

  /**
   * The rate nearest to its own at which it comes back whole with a loop, if there is one within
   * what a rate can be.
   */
  public Optional<FrameRate> closing(FrameRange loop, FrameRate shot) {
    double rounds = Math.max(1, Math.rint(rate.frames(shot.seconds(loop.length())) / length()));
    return FrameRate.find(
        (long) rounds * length() * shot.numerator(), (long) loop.length() * shot.denominator());
  }

  private boolean changes() {
    return stills.stream().map(Still::asset).distinct().count() > 1;
  }

  /** Which picture is shown at a frame, counted from 0. */
  public int at(double frame, FrameRate shot) {
    return shown(SampleGrid.at(frame), shot)[0];
  }

  /** Which picture is shown on every sample, counted from 0. */
  public int[] shown(SampleGrid grid, FrameRate shot) {
    int[] ends = ends();
    int[] out = new int[grid.count()];
    for (int i = 0; i < out.length; i++) {
      double passed = rate.frames(shot.seconds(grid.frame(i) - first));
      int picture = inRound(Math.floor(passed + ON_PICTURE), ends[ends.length - 1]);
      int found = Arrays.binarySearch(ends, picture);
      out[i] = found >= 0 ? found + 1 : -found - 1;
    }
    return out;
  }

  /** The pictures passed when each one goes. */
  private int[] ends() {
    int[] ends = new int[stills.size()];
    int sum = 0;
    for (int i = 0; i < ends.length; i++) {
      sum += stills.get(i).held();
      ends[i] = sum;
    }
    return ends;
  }

  private int inRound(double passed, int length) {
    double in =
        after == After.CYCLE
            ? passed - Math.floor(passed / length) * length
            : Math.max(0, Math.min(length - 1, passed));
    return (int) in;
  }

  /** With the frame at which it begins moved by a map of time. */
  public Pictures retimed(DoubleUnaryOperator map) {
    return new Pictures(stills, rate, map.applyAsDouble(first), after);
  }

  /** Over and over, at another rate. */
  public Pictures cycling(FrameRate newRate) {
    return new Pictures(stills, newRate, first, After.CYCLE);
  }
}
