package idlelens.core.motion;

import idlelens.core.lens.DepthOfField;
import idlelens.core.lens.Gate;
import idlelens.core.part.FocusRule;
import idlelens.core.part.Lens;
import idlelens.core.part.Target;
import java.util.Arrays;
import org.joml.Vector3d;

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
   * @param lens the lens
   * @param aspect aspect of the picture
   * @param values its sampled parameters
   * @param flow its pose in the world, and what it is set to behind all that changes that
   * @param subject pose of the followed node in the world, or null where none is followed
   */
  static LensTrack of(Lens lens, double aspect, PartTrack values, Flow flow, PoseTrack subject) {
    double[] focal = flow.focalMm();
    double[] stop = values.values(Lens.F_STOP);
    double[] focus =
        lens.focus() instanceof FocusRule.Follow follow
            ? plus(flow.focusM(), followed(flow.pose(), subject, follow))
            : flow.focusM();
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
    Gate gate = lens.lens().gate(aspect);
    double circle = lens.lens().circleMm(aspect);
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

  /** Distance along the lens's axis to the target, plus an offset. */
  private static double[] followed(PoseTrack world, PoseTrack on, FocusRule.Follow follow) {
    boolean still = world.isStill() && (on == null || on.isStill());
    double[] out = new double[still ? 1 : world.grid().count()];
    for (int i = 0; i < out.length; i++) {
      int w = world.index(i);
      double qx = world.qx()[w];
      double qy = world.qy()[w];
      double qz = world.qz()[w];
      double qw = world.qw()[w];
      // third column of the turn: the camera looks along its negative
      double backX = 2 * (qx * qz + qy * qw);
      double backY = 2 * (qy * qz - qx * qw);
      double backZ = 1 - 2 * (qx * qx + qy * qy);
      Vector3d at = place(follow.target(), on, i);
      out[i] =
          follow.offsetM()
              - (backX * (at.x - world.x()[w])
                  + backY * (at.y - world.y()[w])
                  + backZ * (at.z - world.z()[w]));
    }
    return out;
  }

  /** What is followed, with something added. */
  private static double[] plus(double[] more, double[] followed) {
    if (more.length == 1 && more[0] == 0) {
      return followed;
    }
    int n = Math.max(more.length, followed.length);
    double[] sum = spread(followed, n).clone();
    for (int i = 0; i < n; i++) {
      sum[i] += more[more.length == 1 ? 0 : i];
    }
    return sum;
  }

  private static Vector3d place(Target target, PoseTrack on, int sample) {
    if (target instanceof Target.Place place) {
      return new Vector3d(place.x(), place.y(), place.z());
    }
    Target.OfNode node = (Target.OfNode) target;
    int t = on.index(sample);
    if (node.x() == 0 && node.y() == 0 && node.z() == 0) {
      return new Vector3d(on.x()[t], on.y()[t], on.z()[t]);
    }
    return node.in(on.pose(t));
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
