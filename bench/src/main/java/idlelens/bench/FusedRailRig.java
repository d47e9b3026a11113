package idlelens.bench;

import idlelens.core.curve.CurvePlayer;
import idlelens.core.part.Move;
import idlelens.core.part.Path;
import idlelens.core.rail.RailCurve;
import idlelens.core.scene.Node;
import idlelens.core.scene.Shot;
import org.joml.Vector3d;

/**
 * The rig on a rail of {@link BenchShots#railRig}, its arithmetic fused by hand into one loop:
 * place and heading on the rail, three nulls, a camera with two moves, its aim.
 */
class FusedRailRig {
  private static final double HALF_RAD = Math.PI / 360;
  private static final String[] RIG = {"rider", "arm", "head", "cam"};

  private final CurvePlayer[][] pose = new CurvePlayer[RIG.length][];
  private final CurvePlayer pace;
  private final RailCurve curve;
  private final Move pan;
  private final Move pedestal;

  /** Place and turn of what was worked out last. */
  protected final double[] q = new double[7];

  private final double[] own = new double[6];
  private final int frames;
  private final double[] out;

  FusedRailRig(Shot shot) {
    this(shot, BenchShots.FRAMES);
  }

  /**
   * @param frames how many it is run over
   */
  FusedRailRig(Shot shot, int frames) {
    out = new double[frames * 7 * (RIG.length + 1)];
    this.frames = frames;
    for (int i = 0; i < RIG.length; i++) {
      Node node = shot.node(RIG[i]);
      pose[i] =
          Path.POSE.stream()
              .map(path -> node.chain().curve(path).player())
              .toArray(CurvePlayer[]::new);
    }
    pace = shot.node("rider").chain().ride("rail").orElseThrow().pace().player();
    curve = ((Node.Rail) shot.node("rail")).rail().curve();
    pan = (Move) shot.node("cam").chain().part("move-a");
    pedestal = (Move) shot.node("cam").chain().part("move-b");
  }

  /** Seven numbers for the place on the rail and each node of the rig, at all frames. */
  double[] run(int first) {
    int at = 0;
    for (int f = 0; f < frames; f++) {
      double frame = first + f;
      ride(frame);
      at = store(at);
      for (int i = 0; i < RIG.length; i++) {
        for (int c = 0; c < 6; c++) {
          own[c] = pose[i][c].at(frame);
        }
        if (i == RIG.length - 1) {
          own[3] += pan.amount() * pan.progress(frame);
          own[1] += pedestal.amount() * pedestal.progress(frame);
        }
        carry();
        if (i == RIG.length - 1) {
          aim(20, 1, 30);
          finish(frame, f);
        }
        at = store(at);
      }
    }
    return out;
  }

  /** What is done to the camera behind its aim: nothing here. */
  protected void finish(double frame, int f) {}

  private int store(int at) {
    System.arraycopy(q, 0, out, at, 7);
    return at + 7;
  }

  /** On the rail, level: half the heading and half the pitch of its direction. */
  private void ride(double frame) {
    double parameter = curve.parameterAt(pace.at(frame) / 100 * curve.length());
    Vector3d place = curve.place(parameter);
    Vector3d ahead = curve.direction(parameter);
    double heading = Math.atan2(-ahead.x, -ahead.z) / 2;
    double pitch = Math.atan2(ahead.y, Math.hypot(ahead.x, ahead.z)) / 2;
    q[0] = place.x;
    q[1] = place.y;
    q[2] = place.z;
    q[3] = Math.cos(heading) * Math.sin(pitch);
    q[4] = Math.sin(heading) * Math.cos(pitch);
    q[5] = -Math.sin(heading) * Math.sin(pitch);
    q[6] = Math.cos(heading) * Math.cos(pitch);
  }

  /** The own pose on what is in q. */
  private void carry() {
    double cy = Math.cos(own[3] * HALF_RAD);
    double sy = Math.sin(own[3] * HALF_RAD);
    double cx = Math.cos(own[4] * HALF_RAD);
    double sx = Math.sin(own[4] * HALF_RAD);
    double cz = Math.cos(own[5] * HALF_RAD);
    double sz = Math.sin(own[5] * HALF_RAD);
    multiply(
        cy * sx * cz + sy * cx * sz,
        sy * cx * cz - cy * sx * sz,
        cy * cx * sz - sy * sx * cz,
        cy * cx * cz + sy * sx * sz);
  }

  private void multiply(double x, double y, double z, double w) {
    double px = q[3];
    double py = q[4];
    double pz = q[5];
    double pw = q[6];
    double tx = 2 * (py * own[2] - pz * own[1]);
    double ty = 2 * (pz * own[0] - px * own[2]);
    double tz = 2 * (px * own[1] - py * own[0]);
    q[0] += own[0] + pw * tx + py * tz - pz * ty;
    q[1] += own[1] + pw * ty + pz * tx - px * tz;
    q[2] += own[2] + pw * tz + px * ty - py * tx;
    q[3] = pw * x + px * w + py * z - pz * y;
    q[4] = pw * y - px * z + py * w + pz * x;
    q[5] = pw * z + px * y - py * x + pz * w;
    q[6] = pw * w - px * x - py * y - pz * z;
  }

  /** The shortest turn from -Z to a place. */
  private void aim(double x, double y, double z) {
    double fx = -2 * (q[3] * q[5] + q[4] * q[6]);
    double fy = -2 * (q[4] * q[5] - q[3] * q[6]);
    double fz = 2 * (q[3] * q[3] + q[4] * q[4]) - 1;
    double dx = x - q[0];
    double dy = y - q[1];
    double dz = z - q[2];
    double length = Math.sqrt(dx * dx + dy * dy + dz * dz);
    double ax = (fy * dz - fz * dy) / length;
    double ay = (fz * dx - fx * dz) / length;
    double az = (fx * dy - fy * dx) / length;
    double sine = Math.sqrt(ax * ax + ay * ay + az * az);
    double half = Math.atan2(sine, (fx * dx + fy * dy + fz * dz) / length) / 2;
    double s = sine > 1e-12 ? Math.sin(half) / sine : 0;
    double tw = Math.cos(half);
    double cx = q[3];
    double cy = q[4];
    double cz = q[5];
    double cw = q[6];
    q[3] = tw * cx + ax * s * cw + ay * s * cz - az * s * cy;
    q[4] = tw * cy - ax * s * cz + ay * s * cw + az * s * cx;
    q[5] = tw * cz + ax * s * cy - ay * s * cx + az * s * cw;
    q[6] = tw * cw - ax * s * cx - ay * s * cy - az * s * cz;
  }
}
