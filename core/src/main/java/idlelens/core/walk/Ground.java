package idlelens.core.walk;

import idlelens.core.check.SetObstacles;
import idlelens.core.clearance.Obstacle;
import idlelens.core.geometry.RigidPose;
import idlelens.core.motion.Evaluation;
import idlelens.core.scene.Node;
import idlelens.core.scene.Shot;
import idlelens.core.set.Mesh;
import idlelens.core.set.Shape;
import idlelens.core.time.SampleGrid;
import java.util.List;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Collectors;

/**
 * What can be stood on and bumped into: obstacles with one sample a frame. Where these are worked
 * out when they are asked for, by one thread at a time.
 *
 * @param obstacles whose poses are asked for the samples 0 to {@code frames - 1}
 * @param first the frame of the first sample
 * @param frames how many samples there are, 1 or more; before and behind them it stands still
 * @param triangles how many there are, shapes that are equal counted once
 */
public record Ground(List<Obstacle> obstacles, double first, int frames, long triangles) {
  /** Deeper than this nothing is looked for, in metres. */
  private static final double DEEPEST_M = 500;

  public Ground {
    obstacles = List.copyOf(obstacles);
  }

  /**
   * The pieces of a shot that can be seen in the picture, without those that a camera carries.
   *
   * @param cameraId the camera that is walked with
   * @param meshes gives the triangles of a shape
   */
  public static Ground of(Shot shot, String cameraId, Function<Shape, Mesh> meshes) {
    SampleGrid grid = SampleGrid.over(shot.header().range(), 0);
    Set<String> carried =
        shot.family(shot.camera(cameraId).id()).stream().map(Node::id).collect(Collectors.toSet());
    SetObstacles set = new SetObstacles(Evaluation.of(shot, grid, null), meshes);
    List<Obstacle> all = set.allBut(carried);
    return new Ground(all, grid.first(), grid.count(), set.triangles());
  }

  /** The sample of a frame. */
  int sample(double frame) {
    return (int) Math.max(0, Math.min(frames - 1.0, Math.floor(frame - first + 1e-9)));
  }

  /**
   * Something to stand on.
   *
   * @param on which of the obstacles; {@link Stance#NOTHING} where there is none
   * @param y metres
   */
  record Floor(int on, double y) {
    boolean isThere() {
      return on != Stance.NOTHING;
    }
  }

  /** The highest surface below a point. */
  Floor below(int sample, double x, double y, double z) {
    double[] down = {x, y, z, x, y - DEEPEST_M, z};
    int on = Stance.NOTHING;
    double nearest = Double.POSITIVE_INFINITY;
    for (int i = 0; i < obstacles.size(); i++) {
      double along = obstacles.get(i).firstCrossing(sample, down);
      if (along < nearest) {
        nearest = along;
        on = i;
      }
    }
    return new Floor(on, on == Stance.NOTHING ? 0 : y - nearest * DEEPEST_M);
  }

  /** Whether anything is met on the way up from a point. */
  boolean isAbove(int sample, double x, double y, double z, double byM) {
    double[] up = {x, y, z, x, y + byM, z};
    return obstacles.stream().anyMatch(o -> o.hides(sample, up));
  }

  /**
   * How far an upright area is from everything, in metres.
   *
   * @param quad its corners around it, twelve numbers
   * @param reach what is this far or farther is not looked for
   */
  double distance(int sample, double[] quad, double reach) {
    double[] middle = new double[3];
    double[] corner = new double[3];
    for (int i = 0; i < 12; i++) {
      middle[i % 3] += quad[i] / 4;
    }
    System.arraycopy(quad, 0, corner, 0, 3);
    double radius = apart(middle, corner);
    double nearest = reach;
    for (Obstacle obstacle : obstacles) {
      if (obstacle.atLeast(sample, middle) - radius < nearest) {
        nearest = obstacle.distanceOfArea(sample, quad, nearest);
      }
    }
    return nearest;
  }

  private static double apart(double[] a, double[] b) {
    double x = a[0] - b[0];
    double y = a[1] - b[1];
    double z = a[2] - b[2];
    return Math.sqrt(x * x + y * y + z * z);
  }

  /** How one of them moves in the world from a sample to another. */
  RigidPose carriage(int on, int from, int to) {
    RigidPose was = obstacles.get(on).pose(from);
    RigidPose is = obstacles.get(on).pose(to);
    return was == is ? RigidPose.IDENTITY : is.times(was.inverse());
  }
}
