package idlelens.core.time;

import idlelens.core.rule.Require;

/**
 * Evenly spaced frames at which motion is sampled: {@code first + i / stepsPerFrame}.
 *
 * @param first frame of sample 0
 * @param count number of samples, at least 1
 * @param stepsPerFrame samples a frame; below 1 where frames of another, lower rate are sampled
 */
public record SampleGrid(double first, int count, double stepsPerFrame) {
  public SampleGrid {
    Require.finite(first, "grid.first");
    Require.within(count, 1, 2_000_000, "grid.count");
    Require.within(stepsPerFrame, 1.0 / 64, 64, "grid.stepsPerFrame");
  }

  /** One sample a frame over the range and the handles on both sides. */
  public static SampleGrid over(FrameRange range, int handles) {
    return new SampleGrid(range.in() - (double) handles, range.length() + 2 * handles, 1);
  }

  /** The single sample at one frame. */
  public static SampleGrid at(double frame) {
    return new SampleGrid(frame, 1, 1);
  }

  /**
   * The samples of this grid's moments in another shot: {@code in} stands where {@code otherIn}
   * stands, and a second is a second.
   *
   * @param ratio frames of the other shot for each frame of this one
   */
  public SampleGrid moments(int in, int otherIn, double ratio) {
    return new SampleGrid(otherIn + (first - in) * ratio, count, stepsPerFrame / ratio);
  }

  public double frame(int sample) {
    return first + sample / stepsPerFrame;
  }

  /** The sample nearest to a frame; it may lie outside. */
  public int sampleAt(double frame) {
    return (int) Math.rint((frame - first) * stepsPerFrame);
  }

  public double last() {
    return frame(count - 1);
  }
}
