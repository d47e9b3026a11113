package idlelens.core.check;

import idlelens.core.clearance.Obstacle;
import idlelens.core.geometry.RigidPose;
import idlelens.core.lens.Sight;
import idlelens.core.rule.Require;
import idlelens.core.rule.StoppedException;
import idlelens.core.set.Bounds;
import java.util.ArrayList;
import java.util.List;
import java.util.function.IntFunction;
import java.util.function.IntPredicate;
import java.util.function.IntToDoubleFunction;
import org.joml.Vector3d;

/**
 * When a piece is in the picture, by the box around it. One entry a sample.
 *
 * @param states out of the picture, in it in part, or whole
 * @param heights how high it is in the picture, in picture heights; 0 where it is out
 * @param covered how much of it something else hides, 0 to 1, by fifteen points of its box
 */
public record InView(State[] states, double[] heights, double[] covered) {

  /** How much of it is in the picture. */
  public enum State {
    OUT,
    PARTLY,
    WHOLE
  }

  /** What begins at a frame. */
  public enum Event {
    ENTERS,
    WHOLE,
    READABLE,
    COVERED,
    CLEAR,
    LEAVES
  }

  /** A frame at which something begins. */
  public record Happening(Event event, int frame) {}

  /** Nearer to the camera's plane than this, in metres, nothing is seen. */
  private static final double NEAREST_M = 1e-3;

  /** Points lie so far from the middle of the box, so that its own surface is not in the way. */
  private static final double INSIDE = 0.96;

  private static final double HALF = 0.5;

  /**
   * @param samples how many; all else is asked for each of them
   * @param views what the camera sees
   * @param box the box around the piece along its own axes
   * @param poses where the piece stands
   * @param sizes how many times its usual size it is
   * @param shown whether it is there to be seen
   * @param others all that could stand before it
   */
  public static InView of(
      int samples,
      IntFunction<Sight> views,
      Bounds box,
      IntFunction<RigidPose> poses,
      IntToDoubleFunction sizes,
      IntPredicate shown,
      List<Obstacle> others) {
    InView all = new InView(new State[samples], new double[samples], new double[samples]);
    for (int i = 0; i < samples; i++) {
      StoppedException.check();
      Sight view = views.apply(i);
      RigidPose pose = poses.apply(i);
      Bounds sized = box.times(sizes.applyAsDouble(i));
      double[] extent = extent(view, pose, corners(sized, 1));
      all.states[i] = shown.test(i) ? state(extent, view.height()) : State.OUT;
      if (all.states[i] != State.OUT) {
        all.heights[i] = (extent[3] - extent[1]) / view.height();
        all.covered[i] = covered(i, view, pose, sized, others);
      }
    }
    return all;
  }

  /** Whether some of a box is in the picture, and all of it before the camera. */
  static boolean isBeforeAndInPicture(Sight view, RigidPose pose, Bounds box) {
    double[] extent = extent(view, pose, corners(box, 1));
    return state(extent, view.height()) != State.OUT && extent[4] == 0;
  }

  /** Least x and y, greatest x and y in picture widths, and whether some lies behind; or null. */
  private static double[] extent(Sight view, RigidPose pose, List<Vector3d> corners) {
    double[] out = {1e9, 1e9, -1e9, -1e9, 0};
    Vector3d[] seen = corners.stream().map(c -> view.seen(pose.apply(c))).toArray(Vector3d[]::new);
    boolean any = false;
    for (int i = 0; i < seen.length; i++) {
      if (seen[i].z <= -NEAREST_M) {
        any = true;
        take(out, view.inPicture(seen[i]));
      } else {
        out[4] = 1;
      }
      for (int axis = 1; axis <= 4; axis *= 2) {
        Vector3d other = seen[i | axis];
        if (seen[i].z <= -NEAREST_M != other.z <= -NEAREST_M) { // an edge that comes from behind
          double share = (-NEAREST_M - seen[i].z) / (other.z - seen[i].z);
          take(out, view.inPicture(new Vector3d(seen[i]).lerp(other, share)));
        }
      }
    }
    return any ? out : null;
  }

  private static void take(double[] extent, double[] at) {
    extent[0] = Math.min(extent[0], at[0]);
    extent[1] = Math.min(extent[1], at[1]);
    extent[2] = Math.max(extent[2], at[0]);
    extent[3] = Math.max(extent[3], at[1]);
  }

  private static State state(double[] extent, double height) {
    double up = height / 2;
    if (extent == null
        || extent[2] < -HALF
        || extent[0] > HALF
        || extent[3] < -up
        || extent[1] > up) {
      return State.OUT;
    }
    boolean whole =
        extent[4] == 0
            && extent[0] >= -HALF
            && extent[2] <= HALF
            && extent[1] >= -up
            && extent[3] <= up;
    return whole ? State.WHOLE : State.PARTLY;
  }

  /** The eight corners, numbered by bits for x, y and z. */
  private static List<Vector3d> corners(Bounds box, double share) {
    List<Vector3d> all = new ArrayList<>();
    for (int i = 0; i < 8; i++) {
      all.add(
          point(
              box,
              (i & 1) == 0 ? -share : share,
              (i & 2) == 0 ? -share : share,
              (i & 4) == 0 ? -share : share));
    }
    return all;
  }

  private static Vector3d point(Bounds box, double x, double y, double z) {
    return new Vector3d(
        box.centreX() + x * (box.maxX() - box.minX()) / 2,
        box.centreY() + y * (box.maxY() - box.minY()) / 2,
        box.centreZ() + z * (box.maxZ() - box.minZ()) / 2);
  }

  /** The share of its points in the picture that something hides. */
  private static double covered(
      int sample, Sight view, RigidPose pose, Bounds box, List<Obstacle> others) {
    List<Vector3d> points = corners(box, INSIDE);
    points.add(point(box, 0, 0, 0));
    for (int side = -1; side <= 1; side += 2) {
      points.add(point(box, side * INSIDE, 0, 0));
      points.add(point(box, 0, side * INSIDE, 0));
      points.add(point(box, 0, 0, side * INSIDE));
    }
    int inPicture = 0;
    int hidden = 0;
    for (Vector3d point : points) {
      Vector3d world = pose.apply(point);
      Vector3d seen = view.seen(world);
      if (seen.z > -NEAREST_M || !isIn(view, seen)) {
        continue;
      }
      inPicture++;
      Vector3d eye = view.eye(seen);
      double[] way = {eye.x, eye.y, eye.z, world.x, world.y, world.z};
      hidden += others.stream().anyMatch(o -> o.hides(sample, way)) ? 1 : 0;
    }
    return inPicture == 0 ? 0 : (double) hidden / inPicture;
  }

  private static boolean isIn(Sight view, Vector3d seen) {
    double[] at = view.inPicture(seen);
    return Math.abs(at[0]) <= HALF && Math.abs(at[1]) <= view.height() / 2;
  }

  /**
   * What happens, in the order of the frames.
   *
   * @param in frame of the first sample
   * @param readable from which height it can be read, in picture heights, greater than 0
   */
  public List<Happening> happenings(int in, double readable) {
    Require.positive(readable, "readable");
    List<Happening> all = new ArrayList<>();
    boolean[] was = new boolean[4];
    for (int i = 0; i < states.length; i++) {
      boolean isIn = states[i] != State.OUT;
      boolean isCovered = isIn && covered[i] > HALF;
      boolean[] is = {
        isIn,
        states[i] == State.WHOLE,
        states[i] == State.WHOLE && heights[i] >= readable && !isCovered,
        isCovered
      };
      Event[] begins = {Event.ENTERS, Event.WHOLE, Event.READABLE, Event.COVERED};
      for (int k = 0; k < is.length; k++) {
        if (is[k] && !was[k]) {
          all.add(new Happening(begins[k], in + i));
        }
      }
      if (was[3] && !isCovered && isIn) {
        all.add(new Happening(Event.CLEAR, in + i));
      }
      if (was[0] && !isIn) {
        all.add(new Happening(Event.LEAVES, in + i));
      }
      was = is;
    }
    return all;
  }
}
