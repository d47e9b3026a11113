package idlelens.core.clearance;

import idlelens.core.geometry.RigidPose;
import idlelens.core.rule.Require;
import java.util.function.IntFunction;

/**
 * A piece of the set that stands in the way, or not.
 *
 * @param id the piece
 * @param tree its triangles in its own space
 * @param poses where it stands in the world at a sample
 */
public record Obstacle(String id, TriangleTree tree, IntFunction<RigidPose> poses) {
  public Obstacle {
    Require.present(id, "id");
    Require.present(tree, "tree");
    Require.present(poses, "poses");
  }

  /** Points in the world, three numbers each, in the space of the piece at a sample. */
  double[] own(int sample, double[] world) {
    RigidPose back = poses.apply(sample).inverse();
    double[] out = new double[world.length];
    for (int i = 0; i < world.length; i += 3) {
      turned(back, world, out, i);
    }
    return out;
  }

  /** A way in the world from one sample to the next, in the moving space of the piece. */
  double[] ownWay(int sample, double[] from, double[] to) {
    double[] out = new double[6];
    System.arraycopy(own(sample, from), 0, out, 0, 3);
    System.arraycopy(own(sample + 1, to), 0, out, 3, 3);
    return out;
  }

  /** Whether a straight way in the world crosses it at a sample. */
  public boolean hides(int sample, double[] way) {
    return tree.isCrossed(own(sample, way));
  }

  /** {@code q v q* + place}, without temporary objects. */
  private static void turned(RigidPose by, double[] in, double[] out, int at) {
    double x = in[at];
    double y = in[at + 1];
    double z = in[at + 2];
    double tx = 2 * (by.qy() * z - by.qz() * y);
    double ty = 2 * (by.qz() * x - by.qx() * z);
    double tz = 2 * (by.qx() * y - by.qy() * x);
    out[at] = x + by.qw() * tx + by.qy() * tz - by.qz() * ty + by.x();
    out[at + 1] = y + by.qw() * ty + by.qz() * tx - by.qx() * tz + by.y();
    out[at + 2] = z + by.qw() * tz + by.qx() * ty - by.qy() * tx + by.z();
  }
}
