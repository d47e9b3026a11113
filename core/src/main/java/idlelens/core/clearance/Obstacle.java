package idlelens.core.clearance;

import idlelens.core.geometry.RigidPose;
import idlelens.core.rule.Require;
import java.util.function.IntFunction;
import java.util.function.IntPredicate;
import java.util.function.IntToDoubleFunction;

/**
 * A piece of the set that stands in the way, or not.
 *
 * @param id the piece
 * @param tree its triangles in its own space
 * @param radius how far they reach from its origin, in metres
 * @param poses where it stands in the world at a sample
 * @param sizes how many times its usual size it is at a sample
 * @param shown whether it is there at a sample; else it is infinitely far away
 */
public record Obstacle(
    String id,
    TriangleTree tree,
    double radius,
    IntFunction<RigidPose> poses,
    IntToDoubleFunction sizes,
    IntPredicate shown) {
  public Obstacle {
    Require.present(id, "id");
    Require.present(tree, "tree");
    Require.present(poses, "poses");
    Require.present(sizes, "sizes");
    Require.present(shown, "shown");
  }

  /**
   * How far a point in the world is from it at the least at a sample, in metres: from the ball
   * around its origin that holds it.
   */
  public double atLeast(int sample, double[] point) {
    if (!shown.test(sample)) {
      return Double.POSITIVE_INFINITY;
    }
    RigidPose pose = poses.apply(sample);
    double x = point[0] - pose.x();
    double y = point[1] - pose.y();
    double z = point[2] - pose.z();
    return Math.sqrt(x * x + y * y + z * z) - reach(sample);
  }

  /** How far its triangles reach from its origin at a sample, in metres. */
  public double reach(int sample) {
    return radius * sizes.applyAsDouble(sample);
  }

  /** One that always has its usual size. */
  public Obstacle(String id, TriangleTree tree, IntFunction<RigidPose> poses) {
    this(id, tree, tree.radius(), poses, i -> 1, i -> true);
  }

  /** As it is so many samples later. */
  public Obstacle later(int samples) {
    return new Obstacle(
        id,
        tree,
        radius,
        i -> poses.apply(i + samples),
        i -> sizes.applyAsDouble(i + samples),
        i -> shown.test(i + samples));
  }

  /**
   * How far a point in the world is from it at a sample, in metres.
   *
   * @param reach what is this far or farther is not looked for
   */
  double distance(int sample, double[] point, double reach) {
    if (!shown.test(sample)) {
      return Double.POSITIVE_INFINITY;
    }
    double[] own = own(sample, point);
    double size = sizes.applyAsDouble(sample);
    return tree.distance(own[0], own[1], own[2], reach / size) * size;
  }

  /**
   * The same of a flat four-sided area in the world.
   *
   * @param quad its corners around it, twelve numbers
   */
  public double distanceOfArea(int sample, double[] quad, double reach) {
    double size = sizes.applyAsDouble(sample);
    return shown.test(sample)
        ? tree.distance(own(sample, quad), reach / size) * size
        : Double.POSITIVE_INFINITY;
  }

  /** Whether it is crossed on a way from one sample to the next, while it moves itself. */
  boolean isPassed(int sample, double[] from, double[] to) {
    if (!shown.test(sample) || !shown.test(sample + 1)) {
      return false;
    }
    boolean still = poses.apply(sample) == poses.apply(sample + 1);
    double x = to[0] - from[0];
    double y = to[1] - from[1];
    double z = to[2] - from[2];
    if (still && atLeast(sample, from) > Math.sqrt(x * x + y * y + z * z)) {
      return false; // too far away to be reached
    }
    return tree.isCrossed(ownWay(sample, from, to));
  }

  /** Points in the world, three numbers each, in the space of the piece at a sample. */
  private double[] own(int sample, double[] world) {
    RigidPose back = poses.apply(sample).inverse();
    double[] out = new double[world.length];
    for (int i = 0; i < world.length; i += 3) {
      turned(back, world, out, i);
    }
    double size = sizes.applyAsDouble(sample);
    for (int i = 0; size != 1 && i < out.length; i++) {
      out[i] /= size;
    }
    return out;
  }

  /** A way in the world from one sample to the next, in the moving space of the piece. */
  private double[] ownWay(int sample, double[] from, double[] to) {
    double[] out = new double[6];
    System.arraycopy(own(sample, from), 0, out, 0, 3);
    System.arraycopy(own(sample + 1, to), 0, out, 3, 3);
    return out;
  }

  /**
   * Where on a straight way in the world it is first crossed at a sample.
   *
   * @param way both ends, six numbers
   * @return 0 at the beginning to 1 at the end; infinity where it is not
   */
  public double firstCrossing(int sample, double[] way) {
    return shown.test(sample) ? tree.firstCrossing(own(sample, way)) : Double.POSITIVE_INFINITY;
  }

  /** Where it stands in the world at a sample. */
  public RigidPose pose(int sample) {
    return poses.apply(sample);
  }

  /** Whether a straight way in the world crosses it at a sample. */
  public boolean hides(int sample, double[] way) {
    return shown.test(sample) && tree.isCrossed(own(sample, way));
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
