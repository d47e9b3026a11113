package idlelens.core.motion;

import idlelens.core.part.Parameter;
import idlelens.core.part.Recorded;
import idlelens.core.shake.Cycles;
import idlelens.core.shake.Recording;
import idlelens.core.time.FrameRate;
import idlelens.core.time.SampleGrid;
import java.util.Optional;

/** The offsets of a recording on a grid, at its speed. */
final class Replaying implements Offsets {
  private static final double MOST_SPEED = Recorded.SPEED.most();

  private final Recorded recorded;
  private final PartTrack values;
  private final FrameRate rate;

  Replaying(Recorded recorded, PartTrack values, FrameRate rate) {
    this.recorded = recorded;
    this.values = values;
    this.rate = rate;
  }

  @Override
  public double[] channel(int channel) {
    Recording recording = recorded.recording();
    if (!recording.has(channel)) {
      return null;
    }
    Parameter scale = Recorded.scaleOf(channel);
    SampleGrid grid = values.grid();
    double[] seconds = new double[grid.count()];
    new Cycles(
            recorded.curves().get(Recorded.SPEED),
            MOST_SPEED,
            rate,
            recorded.start(),
            Optional.empty())
        .fill(grid, seconds);
    double[] out = new double[grid.count()];
    for (int i = 0; i < out.length; i++) {
      double value =
          recorded.loops()
              ? recording.looped(channel, seconds[i], recorded.fadeS())
              : recording.at(channel, seconds[i]);
      out[i] = values.value(scale, i) * value;
    }
    return out;
  }

  @Override
  public boolean sameAs(Offsets other) {
    return other instanceof Replaying that
        && rate.equals(that.rate)
        && recorded.start() == that.recorded.start()
        && recorded.loops() == that.recorded.loops()
        && recorded.fadeS() == that.recorded.fadeS()
        && recorded.recording().equals(that.recorded.recording());
  }
}
