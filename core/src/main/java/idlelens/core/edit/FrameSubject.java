package idlelens.core.edit;

import idlelens.core.geometry.RigidPose;
import idlelens.core.geometry.Turns;
import idlelens.core.lens.Framing;
import idlelens.core.lens.Gate;
import idlelens.core.motion.Evaluation;
import idlelens.core.motion.LensTrack;
import idlelens.core.motion.Subject;
import idlelens.core.part.FrameUp;
import idlelens.core.part.Path;
import idlelens.core.rule.RefusedException;
import idlelens.core.rule.Require;
import idlelens.core.scene.Node;
import idlelens.core.scene.Shot;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import org.joml.Quaterniond;
import org.joml.Vector3d;

/**
 * Turns a camera so that a subject sits where it is asked to in the picture, and moves or zooms it
 * so that the subject is as large as asked: at one frame, or on every frame of a stretch, written
 * in few keys.
 *
 * @param id the camera
 * @param subjects the nodes it is framed on, with what they carry
 * @param framing where the middle of the ball around them sits
 * @param size height of that ball in picture heights; none to leave it as it is
 * @param way how it comes to be as large; turning alone takes no size
 * @param from first frame
 * @param to last frame, the first one for a single frame
 * @param keying where the values go at a single frame; a stretch gets keys
 */
public record FrameSubject(
    String id,
    List<String> subjects,
    Framing framing,
    OptionalDouble size,
    FrameUp.Way way,
    int from,
    int to,
    Keying keying)
    implements Edit {

  private static final int MOST_FRAMES = 5000;
  private static final int NUMBERS = 7;

  /** The part of a family's tolerance within which a stretch is written. */
  private static final double FINER = 0.1;

  public FrameSubject {
    subjects = List.copyOf(subjects);
    Require.within(subjects.size(), 1, 50, "subjects.count");
    Require.present(framing, "framing");
    Require.present(way, "way");
    Require.present(keying, "keying");
    size.ifPresent(s -> Require.within(s, 0.001, 10, "size"));
    Require.within(to, from, from + MOST_FRAMES, "to");
    requireSize(size, way);
  }

  /** Refuses a size where it only turns, and none where it does more. */
  static void requireSize(OptionalDouble size, FrameUp.Way way) {
    if (size.isPresent() == (way == FrameUp.Way.TURN)) {
      throw new RefusedException(
          "size",
          size.isPresent() ? "given" : "missing",
          "a size with dolly or zoom, none with turn");
    }
  }

  /** How many frames it is solved for. */
  public int frames() {
    return to - from + 1;
  }

  @Override
  public Shot apply(Shot shot) {
    Node.Camera camera = shot.perspective(id);
    Subject subject = new Subject(shot, subjects);
    for (String node : subject.nodes()) {
      requireApart(shot, id, node);
    }
    if (from == to) {
      Evaluation now = Evaluation.at(shot, from);
      Map<Path, Double> changed = new Solving(camera, now, subject, from).changes();
      return changed.isEmpty() ? shot : Keyed.write(shot, id, from, changed, keying);
    }
    return overRange(shot, camera, subject);
  }

  /** Refuses a subject that moves with the camera. */
  static void requireApart(Shot shot, String camera, String subject) {
    if (shot.reachedFrom(subject).contains(camera)) {
      throw new RefusedException(
          "subjects", "'" + shot.node(subject).name() + "', which moves with the camera", "others");
    }
  }

  private Shot overRange(Shot shot, Node.Camera camera, Subject subject) {
    List<Path> paths = new ArrayList<>(Path.POSE);
    paths.add(Path.FOCAL);
    int n = to - from + 1;
    double[][] values = new double[NUMBERS][n];
    Evaluation motion = Evaluation.at(shot, from);
    for (int i = 0; i < n; i++) {
      Evaluation now = motion.moment(from + i);
      Map<Path, Double> changed = new Solving(camera, now, subject, from + i).changes();
      for (int k = 0; k < NUMBERS; k++) {
        Path path = paths.get(k);
        double is = camera.chain().curve(path).at(from + i);
        double value = changed.getOrDefault(path, is);
        boolean turns = Path.TURN.contains(path);
        values[k][i] = turns && i > 0 ? unwrapped(value, values[k][i - 1]) : value;
      }
    }
    Map<Path, double[]> rows = new LinkedHashMap<>();
    for (int k = 0; k < NUMBERS; k++) {
      rows.put(paths.get(k), values[k]);
    }
    return new FittedStretch(shot, from, to, FINER).write(camera, rows);
  }

  private static double unwrapped(double degrees, double near) {
    return Math.toDegrees(Turns.unwrap(Math.toRadians(degrees), Math.toRadians(near)));
  }

  /** The numbers of the camera at one frame. */
  private final class Solving {
    private final Node.Camera camera;
    private final Evaluation now;
    private final Subject.Ball ball;
    private final double frame;

    Solving(Node.Camera camera, Evaluation now, Subject subject, double frame) {
      this.camera = camera;
      this.now = now;
      this.ball = subject.at(now, 0);
      this.frame = frame;
    }

    Map<Path, Double> changes() {
      RigidPose pose = now.carriedPose(id, 0);
      Vector3d way = new Vector3d(ball.centre()).sub(pose.place());
      LensTrack lens = now.of(id).lens().orElseThrow();
      double focal = way().equals(FrameUp.Way.ZOOM) ? zoomed(way.length()) : lens.focalMm()[0];
      double up = gate().tanUp(focal);
      Vector3d own = framing.direction(gate(), focal);
      double roll = Turns.panTiltRoll(pose.turn())[2];
      Quaterniond turn = Framing.turned(own, way, roll).orElseThrow(this::unreachable);
      Vector3d place = pose.place();
      if (way() == FrameUp.Way.DOLLY) {
        double wanted = Framing.distanceM(own, radius(), size.getAsDouble(), up);
        place.fma(1 - wanted / way.length(), way);
      }
      Map<Path, Double> changed = OwnNumbers.of(now, id, frame, RigidPose.of(place, turn), true);
      if (way() == FrameUp.Way.ZOOM) {
        double keyed = camera.chain().curve(Path.FOCAL).at(frame);
        changed.put(Path.FOCAL, keyed + focal - lens.focalMm()[0]);
      }
      return changed;
    }

    private Gate gate() {
      return now.of(id).lens().orElseThrow().gate(0);
    }

    private double radius() {
      if (ball.radius() > 0) {
        return ball.radius();
      }
      throw new RefusedException(
          "size", "of what has none", "a piece, or something that carries one");
    }

    private double zoomed(double distance) {
      Optional<Double> focal = framing.focalMm(gate(), distance, radius(), size.getAsDouble());
      return focal.orElseThrow(
          () ->
              new RefusedException(
                  "size",
                  size.getAsDouble() + " at frame " + frame,
                  "a size that a focal length from 1 to 5000 mm gives from there"));
    }

    private RefusedException unreachable() {
      return new RefusedException(
          "framing",
          framing.x() + ", " + framing.y() + " at frame " + frame,
          "a place that a tilt brings the subject to with the roll as it is");
    }
  }

  @Override
  public Footprint footprint(Shot shot) {
    List<Path> paths = new ArrayList<>(Path.POSE);
    paths.add(Path.FOCAL);
    Footprint.Builder places = Footprint.of(shot).keys(id, paths).reliesOnMotion(id);
    places.reliesOn(Place.header("aspect"));
    for (String subject : subjects) {
      for (Node node : shot.family(subject)) {
        places.reliesOnMotion(node.id()).reliesOn(Place.look(node.id()));
        places.reliesOn(Place.carried(node.id()));
      }
    }
    return places.done();
  }

  @Override
  public String summary() {
    return "Frame up";
  }
}
