package idlelens.core.motion;

import idlelens.core.geometry.RigidPose;
import idlelens.core.geometry.Turns;
import idlelens.core.rule.RefusedException;
import idlelens.core.shake.Recording;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;

/**
 * Gathers offsets from where something would be, sample by sample, into a recording that gives them
 * back: centimetres, degrees that go on from one another, millimetres, metres.
 */
public final class OffsetRecorder {
  private static final double CENTIMETRES = 100;

  /** What is less than this, in the unit of its channel, is rounding. */
  private static final double NOTHING = 1e-9;

  private final List<double[]> samples = new ArrayList<>();
  private double[] near = new double[3];
  private boolean any;

  /**
   * Adds a sample.
   *
   * @param offset the pose, seen from where it would be
   * @param focalMm millimetres more of focal length
   * @param focusM metres more of focus
   */
  public void add(RigidPose offset, double focalMm, double focusM) {
    near = Turns.panTiltRoll(offset.turn(), near);
    double[] sample = {
      offset.x() * CENTIMETRES,
      offset.y() * CENTIMETRES,
      offset.z() * CENTIMETRES,
      Math.toDegrees(near[0]),
      Math.toDegrees(near[1]),
      Math.toDegrees(near[2]),
      focalMm,
      focusM
    };
    samples.add(sample);
    any |= isAny(sample);
  }

  /** Whether nothing was added that is more than rounding. */
  public boolean isEmpty() {
    return !any;
  }

  private static boolean isAny(double[] values) {
    return Arrays.stream(values).anyMatch(v -> Math.abs(v) > NOTHING);
  }

  /**
   * The recording; channels in which nothing happens are left out.
   *
   * @throws RefusedException if nothing happens at all, or there are too few or too many samples
   */
  public Recording done(double rateHz) {
    List<Optional<double[]>> channels = new ArrayList<>();
    for (int c = 0; c < Recording.CHANNELS; c++) {
      int channel = c;
      double[] column = samples.stream().mapToDouble(sample -> sample[channel]).toArray();
      channels.add(isAny(column) ? Optional.of(column) : Optional.empty());
    }
    return new Recording(rateHz, channels);
  }
}
