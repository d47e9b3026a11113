package idlelens.core.motion;

import idlelens.core.lens.DepthOfField;
import idlelens.core.lens.FocusRule;
import idlelens.core.lens.Gate;
import idlelens.core.scene.Channel;
import idlelens.core.scene.Node;
import java.util.Arrays;

/**
 * What a lens does on every sample: focal length (mm), f-number, focus, near, far and hyperfocal
 * distance (metres; far may be infinite), full fields of view (radians). Still arrays have one
 * sample.
 */
public record LensTrack(
    double[] focalMm,
    double[] fStop,
    double[] focusM,
    double[] nearM,
    double[] farM,
    double[] hyperfocalM,
    double[] horizontalRad,
    double[] verticalRad) {

  /** Focus that is followed never comes nearer than this beyond the focal length, in metres. */
  private static final double NEAREST_BEYOND_LENS = 0.005;

  /**
   * @param camera the camera
   * @param aspect aspect of the picture
   * @param channels its sampled channels
   * @param world its pose in the world
   * @param subject pose of the followed node in the world, or null where focus is a distance
   */
  static LensTrack of(
      Node.Camera camera,
      double aspect,
      ChannelTrack channels,
      PoseTrack world,
      PoseTrack subject) {
    double[] focal = channels.values(Channel.FOCAL);
    double[] stop = channels.values(Channel.F_STOP);
    double[] focus =
        camera.lens().focus() instanceof FocusRule.Follow follow && subject != null
            ? followed(world, subject, follow.offsetM())
            : channels.values(Channel.FOCUS);
    int n = Math.max(Math.max(focal.length, stop.length), focus.length);
    LensTrack track =
        new LensTrack(
            spread(focal, n),
            spread(stop, n),
            spread(focus, n).clone(),
            new double[n],
            new double[n],
            new double[n],
            new double[n],
            new double[n]);
    Gate gate = camera.lens().gate(aspect);
    double circle = camera.lens().circleMm(aspect);
    for (int i = 0; i < n; i++) {
      track.fill(i, gate, circle);
    }
    return track;
  }

  private void fill(int i, Gate gate, double circleMm) {
    double f = focalMm[i];
    focusM[i] = Math.max(focusM[i], f / 1000 + NEAREST_BEYOND_LENS);
    DepthOfField depth = new DepthOfField(f, fStop[i], circleMm);
    nearM[i] = depth.nearM(focusM[i]);
    farM[i] = depth.farM(focusM[i]);
    hyperfocalM[i] = depth.hyperfocalM();
    horizontalRad[i] = gate.horizontalRad(f);
    verticalRad[i] = gate.verticalRad(f);
  }

  /** Distance along the camera's axis to the target's place, plus an offset. */
  private static double[] followed(PoseTrack world, PoseTrack target, double offsetM) {
    double[] out = new double[world.isStill() && target.isStill() ? 1 : world.grid().count()];
    for (int i = 0; i < out.length; i++) {
      int w = world.index(i);
      int t = target.index(i);
      double qx = world.qx()[w];
      double qy = world.qy()[w];
      double qz = world.qz()[w];
      double qw = world.qw()[w];
      // third column of the turn: the camera looks along its negative
      double backX = 2 * (qx * qz + qy * qw);
      double backY = 2 * (qy * qz - qx * qw);
      double backZ = 1 - 2 * (qx * qx + qy * qy);
      out[i] =
          offsetM
              - (backX * (target.x()[t] - world.x()[w])
                  + backY * (target.y()[t] - world.y()[w])
                  + backZ * (target.z()[t] - world.z()[w]));
    }
    return out;
  }

  private static double[] spread(double[] values, int n) {
    if (values.length == n) {
      return values;
    }
    double[] out = new double[n];
    Arrays.fill(out, values[0]);
    return out;
  }

  /** Whether all numbers are the same; what is not here follows from these. */
  boolean sameAs(LensTrack other) {
    return Arrays.equals(focalMm, other.focalMm)
        && Arrays.equals(fStop, other.fStop)
        && Arrays.equals(focusM, other.focusM)
        && Arrays.equals(hyperfocalM, other.hyperfocalM)
        && Arrays.equals(horizontalRad, other.horizontalRad)
        && Arrays.equals(verticalRad, other.verticalRad);
  }

  public boolean isStill() {
    return focalMm.length == 1;
  }

  public int index(int sample) {
    return isStill() ? 0 : sample;
  }
}
