package idlelens.core.check;

import idlelens.core.geometry.RigidPose;
import idlelens.core.geometry.Turns;
import idlelens.core.lens.Sight;
import idlelens.core.motion.Evaluation;
import idlelens.core.motion.LensTrack;
import idlelens.core.part.Path;
import idlelens.core.rule.RefusedException;
import idlelens.core.scene.Node;
import idlelens.core.scene.Shot;
import idlelens.core.time.FrameRange;
import idlelens.core.time.SampleGrid;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.IntToDoubleFunction;
import org.joml.Quaterniond;
import org.joml.Vector3d;

/**
 * How far apart the two sides of a loop are: what a node does at the frame behind the last one
 * against what it does at the first one, moved on by a step of a repeat where the set has one. A
 * loop closes where all of it is 0.
 *
 * @param placeM metres
 * @param turnDeg degrees
 * @param speedM difference of the velocities on both sides, in metres a second
 * @param turnSpeedDeg difference of the turning, in degrees a second
 * @param lens what the lens does, for cameras
 * @param looks what changes of how it looks
 */
public record Seam(
    double placeM,
    double turnDeg,
    double speedM,
    double turnSpeedDeg,
    Optional<OfLens> lens,
    List<OfLook> looks) {
  public Seam {
    looks = List.copyOf(looks);
  }

  /**
   * @param focalMm millimetres
   * @param focusM metres
   * @param stop f-numbers
   * @param widths how far what is in focus jumps in the picture at the most, in picture widths
   */
  public record OfLens(double focalMm, double focusM, double stop, double widths) {}

  /**
   * Something of how a node looks: its size, its glow, its brightness, or the picture on it.
   *
   * @param name its path, or {@link #PICTURES}
   * @param off in the unit of the parameter, or in pictures
   * @param speed difference of how fast it changes on both sides, in that a second
   */
  public record OfLook(String name, double off, double speed) {
    /** The name of the pictures on a card. */
    public static final String PICTURES = "pictures";

    boolean closes(double tolerance) {
      return off <= tolerance && speed <= OF_SPEED * tolerance;
    }
  }

  /**
   * Velocities are taken from values that are close together, and so have more of their rounding.
   */
  static final double OF_SPEED = 1000;

  /**
   * Whether nothing is off by more.
   *
   * @param tolerance metres, degrees, millimetres, f-numbers; a thousand times that a second
   */
  public boolean closes(double tolerance) {
    return comesBack(tolerance) && looksCome(tolerance);
  }

  /** Whether it is where it has to be and goes on as it has to, however it looks. */
  public boolean comesBack(double tolerance) {
    return placeM <= tolerance
        && turnDeg <= tolerance
        && speedM <= OF_SPEED * tolerance
        && turnSpeedDeg <= OF_SPEED * tolerance
        && lens.stream()
            .allMatch(l -> l.focalMm <= tolerance && l.focusM <= tolerance && l.stop <= tolerance);
  }

  /** Whether it looks as it has to, wherever it is. */
  public boolean looksCome(double tolerance) {
    return looks.stream().allMatch(look -> look.closes(tolerance));
  }

  /** The same with those looks only that do not come back. */
  Seam withOpenLooks(double tolerance) {
    List<OfLook> open = looks.stream().filter(look -> !look.closes(tolerance)).toList();
    return new Seam(placeM, turnDeg, speedM, turnSpeedDeg, lens, open);
  }

  /** Parts of a frame between the samples from which a velocity is taken. */
  private static final int PARTS = 16;

  /** One-sided, exact on polynomials of the fourth degree; in steps of the samples. */
  private static final double[] SLOPE = {-25.0 / 12, 4, -3, 4.0 / 3, -1.0 / 4};

  /** How many samples a slope is taken from. */
  public static final int SAMPLES = SLOPE.length;

  private static final double[][] POINTS = {
    {0, 0}, {-0.4, -0.4}, {0.4, -0.4}, {0.4, 0.4}, {-0.4, 0.4}
  };

  /** The motion just behind the first frame and just before the frame behind the last. */
  public static final class Sides {
    private final Evaluation start;
    private final Evaluation end;
    private final Node.Repeat repeat;
    private final int steps;

    /**
     * @param repeatId the repeat whose steps the loop goes on by, or "" for none
     * @param steps by how many of them
     */
    public Sides(Shot shot, String repeatId, int steps) {
      FrameRange range = shot.header().range();
      int n = SLOPE.length;
      start = Evaluation.of(shot, new SampleGrid(range.in(), n, PARTS), null);
      double last = range.out() + 1 - (n - 1.0) / PARTS;
      end = Evaluation.of(shot, new SampleGrid(last, n, PARTS), null);
      repeat = repeatId.isEmpty() ? null : repeat(shot, repeatId);
      this.steps = steps;
    }

    private static Node.Repeat repeat(Shot shot, String id) {
      if (shot.node(id) instanceof Node.Repeat repeat) {
        return repeat;
      }
      throw new RefusedException("repeat", "'" + id + "'", "a repeat's id");
    }

    /** By how much the loop goes on, seen from where the repeat stands; identity without one. */
    public RigidPose step() {
      return repeat == null ? RigidPose.IDENTITY : repeat.repetition().at(steps);
    }

    /** A pose at the start, moved on: where it has to be for the loop to close. */
    public RigidPose movedOn(RigidPose pose) {
      if (repeat == null) {
        return pose;
      }
      RigidPose from = start.pose(repeat.id(), 0);
      RigidPose to = end.pose(repeat.id(), SLOPE.length - 1);
      return to.times(step()).times(from.inverse()).times(pose);
    }

    /** The frame of a sample of the start. */
    public double frame(int sample) {
      return start.grid().frame(sample);
    }

    /** What the shot does at its first frame and just behind it, {@link #SAMPLES} samples. */
    public Evaluation start() {
      return start;
    }

    /** What a node does at the first frame and behind the last. */
    public Seam of(String nodeId) {
      return of(nodeId, true);
    }

    /** The same for what stays in its place, whatever the step of the loop is. */
    public Seam ofStaying(String nodeId) {
      return of(nodeId, false);
    }

    private Seam of(String nodeId, boolean goesOn) {
      int last = SLOPE.length - 1;
      RigidPose first = start.pose(nodeId, 0);
      RigidPose wanted = goesOn ? movedOn(first) : first;
      RigidPose is = end.pose(nodeId, last);
      Quaterniond on = wanted.turn().mul(first.turn().conjugate());
      double rate = start.shot().header().rate().framesPerSecond();
      Vector3d leaving = velocity(start, nodeId, 1).rotate(on);
      Vector3d arriving = velocity(end, nodeId, -1);
      Vector3d turning = turning(start, nodeId, 1);
      Vector3d turned = turning(end, nodeId, -1);
      return new Seam(
          wanted.place().distance(is.place()),
          Math.toDegrees(Turns.angleBetween(wanted.turn(), is.turn())),
          leaving.distance(arriving) * rate,
          Math.toDegrees(turning.distance(turned)) * rate,
          start.of(nodeId).lens().map(lens -> ofLens(nodeId, lens, wanted, is)),
          looks(nodeId, rate));
    }

    private List<OfLook> looks(String nodeId, double rate) {
      List<OfLook> looks = new ArrayList<>();
      int last = SLOPE.length - 1;
      for (Path path : start.shot().node(nodeId).chain().looks()) {
        double[] a = start.of(nodeId).values(path);
        double[] b = end.of(nodeId).values(path);
        if (a.length > 1 || b.length > 1) {
          double leaving = slope(i -> a[Math.min(i, a.length - 1)]);
          double arriving = -slope(i -> b[Math.max(0, b.length - 1 - i)]);
          double off = Math.abs(a[0] - b[Math.min(last, b.length - 1)]);
          looks.add(new OfLook(path.toString(), off, Math.abs(leaving - arriving) * rate));
        }
      }
      return looks;
    }

    private OfLens ofLens(String nodeId, LensTrack a, RigidPose wanted, RigidPose is) {
      LensTrack b = end.of(nodeId).lens().orElseThrow();
      int k = b.index(SLOPE.length - 1);
      double focus = a.focusM()[0];
      Sight from = a.sight(0, wanted);
      Sight to = b.sight(k, is);
      return new OfLens(
          Math.abs(a.focalMm()[0] - b.focalMm()[k]),
          Math.abs(focus - b.focusM()[k]),
          Math.abs(a.fStop()[0] - b.fStop()[k]),
          jump(from, to, focus));
    }
  }

  /** The greatest way of five points at a depth from one picture to the other. */
  static double jump(Sight from, Sight to, double depthM) {
    double most = 0;
    for (double[] point : POINTS) {
      double y = point[1] * from.height();
      Vector3d seen = to.seen(from.world(point[0], y, depthM));
      if (seen.z >= 0) {
        return 1;
      }
      double[] at = to.inPicture(seen);
      most = Math.max(most, Math.hypot(at[0] - point[0], at[1] - y));
    }
    return most;
  }

  /**
   * How fast something changes at the first frame, a frame.
   *
   * @param values at the samples of the start
   */
  public static double slope(IntToDoubleFunction values) {
    double here = values.applyAsDouble(0);
    double sum = 0;
    for (int i = 1; i < SLOPE.length; i++) {
      sum += SLOPE[i] * (values.applyAsDouble(i) - here);
    }
    return sum * PARTS;
  }

  private static int sample(int i, int way) {
    return way > 0 ? i : SLOPE.length - 1 - i;
  }

  /** Metres a frame at one end of a few samples: behind the first, or before the last. */
  private static Vector3d velocity(Evaluation motion, String nodeId, int way) {
    Vector3d here = motion.pose(nodeId, sample(0, way)).place();
    Vector3d sum = new Vector3d();
    for (int i = 1; i < SLOPE.length; i++) {
      sum.fma(SLOPE[i], motion.pose(nodeId, sample(i, way)).place().sub(here));
    }
    return sum.mul(way * PARTS);
  }

  /** Radians a frame about the node's own axes, from the turns away from the end of the samples. */
  private static Vector3d turning(Evaluation motion, String nodeId, int way) {
    Quaterniond back = motion.pose(nodeId, sample(0, way)).turn().conjugate();
    Vector3d sum = new Vector3d();
    for (int i = 1; i < SLOPE.length; i++) {
      Quaterniond turn = new Quaterniond(back).mul(motion.pose(nodeId, sample(i, way)).turn());
      sum.fma(SLOPE[i], logarithm(turn));
    }
    return sum.mul(way * PARTS);
  }

  /** The axis of a turn, as long as its angle in radians. */
  private static Vector3d logarithm(Quaterniond turn) {
    double sine = Math.sqrt(turn.x * turn.x + turn.y * turn.y + turn.z * turn.z);
    if (sine == 0) {
      return new Vector3d();
    }
    double angle = 2 * Math.atan2(turn.w < 0 ? -sine : sine, Math.abs(turn.w));
    return new Vector3d(turn.x, turn.y, turn.z).mul(angle / sine);
  }
}
