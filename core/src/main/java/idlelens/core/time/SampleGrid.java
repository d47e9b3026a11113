package idlelens.core.time;

import idlelens.core.rule.Require;

/**
 * Evenly spaced frames at which motion is sampled: {@code first + i / stepsPerFrame}.
 *
 * @param first frame of sample 0
 * @param count number of samples, at least 1
 * @param stepsPerFrame samples a frame, at least 1
 */
public record SampleGrid(double first, int count, int stepsPerFrame) {
  public SampleGrid {
    Require.finite(first, "grid.first");
    Require.within(count, 1, 2_000_000, "grid.count");
    Require.within(stepsPerFrame, 1, 64, "grid.stepsPerFrame");
  }

  /** One sample a frame over the range and the handles on both sides. */
  public static SampleGrid over(FrameRange range, int handles) {
    return new SampleGrid(range.in() - (double) handles, range.length() + 2 * handles, 1);
  }

  /** The single sample at one frame. */
  public static SampleGrid at(double frame) {
    return new SampleGrid(frame, 1, 1);
  }

  public double frame(int sample) {
    return first + (double) sample / stepsPerFrame;
  }

  public double last() {
    return frame(count - 1);
  }
}
