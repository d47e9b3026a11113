package idlelens.core.motion;

import idlelens.core.geometry.RigidPose;
import idlelens.core.time.SampleGrid;
import java.util.Arrays;
import org.joml.Quaterniond;

/**
 * Place (metres) and turn (unit quaternions, continuous in sign) on every sample of a grid. A still
 * track has one sample that stands for all. Its arrays are shared: nobody writes to them.
 */
public record PoseTrack(
    SampleGrid grid,
    double[] x,
    double[] y,
    double[] z,
    double[] qx,
    double[] qy,
    double[] qz,
    double[] qw) {

  static PoseTrack empty(SampleGrid grid, boolean still) {
    int n = still ? 1 : grid.count();
    return new PoseTrack(
        grid,
        new double[n],
        new double[n],
        new double[n],
        new double[n],
        new double[n],
        new double[n],
        new double[n]);
  }

  /** A track with the places of another, and turns of its own. */
  static PoseTrack turning(PoseTrack places, boolean still) {
    PoseTrack empty = empty(places.grid, still);
    boolean shared = empty.x.length == places.x.length;
    return new PoseTrack(
        places.grid,
        shared ? places.x : spread(places.x, empty.x),
        shared ? places.y : spread(places.y, empty.y),
        shared ? places.z : spread(places.z, empty.z),
        empty.qx,
        empty.qy,
        empty.qz,
        empty.qw);
  }

  private static double[] spread(double[] still, double[] out) {
    Arrays.fill(out, still[0]);
    return out;
  }

  /** A track that stands at one pose. */
  static PoseTrack still(SampleGrid grid, RigidPose pose) {
    PoseTrack track = empty(grid, true);
    track.set(0, pose);
    return track;
  }

  /** Whether one sample stands for all. */
  public boolean isStill() {
    return x.length == 1;
  }

  /** Index into the arrays for a sample of the grid. */
  public int index(int sample) {
    return isStill() ? 0 : sample;
  }

  public RigidPose pose(int sample) {
    int i = index(sample);
    return new RigidPose(x[i], y[i], z[i], qx[i], qy[i], qz[i], qw[i]);
  }

  public Quaterniond turn(int sample) {
    int i = index(sample);
    return new Quaterniond(qx[i], qy[i], qz[i], qw[i]);
  }

  /** The samples of a grid that is a part of this track's. */
  PoseTrack window(SampleGrid part) {
    if (isStill()) {
      return new PoseTrack(part, x, y, z, qx, qy, qz, qw);
    }
    int from = grid.sampleAt(part.first());
    int to = from + part.count();
    return new PoseTrack(
        part,
        Arrays.copyOfRange(x, from, to),
        Arrays.copyOfRange(y, from, to),
        Arrays.copyOfRange(z, from, to),
        Arrays.copyOfRange(qx, from, to),
        Arrays.copyOfRange(qy, from, to),
        Arrays.copyOfRange(qz, from, to),
        Arrays.copyOfRange(qw, from, to));
  }

  /** This track in the space of another: {@code Q(t)^-1 * W(t)}. */
  PoseTrack seenFrom(PoseTrack other) {
    PoseTrack track = empty(grid, isStill() && other.isStill());
    for (int i = 0; i < track.x.length; i++) {
      track.set(i, other.pose(i).inverse().times(pose(i)));
      track.continueSign(i);
    }
    return track;
  }

  void set(int i, RigidPose pose) {
    x[i] = pose.x();
    y[i] = pose.y();
    z[i] = pose.z();
    qx[i] = pose.qx();
    qy[i] = pose.qy();
    qz[i] = pose.qz();
    qw[i] = pose.qw();
  }

  /** Turns a quaternion's sign so that it lies next to the one before. */
  void continueSign(int i) {
    if (i > 0
        && qx[i] * qx[i - 1] + qy[i] * qy[i - 1] + qz[i] * qz[i - 1] + qw[i] * qw[i - 1] < 0) {
      qx[i] = -qx[i];
      qy[i] = -qy[i];
      qz[i] = -qz[i];
      qw[i] = -qw[i];
    }
  }
}
