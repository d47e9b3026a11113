package idlelens.core.edit;

import idlelens.core.geometry.RigidPose;
import idlelens.core.motion.Evaluation;
import idlelens.core.part.Lens;
import idlelens.core.part.Path;
import idlelens.core.part.Target;
import idlelens.core.rule.RefusedException;
import idlelens.core.rule.Require;
import idlelens.core.rule.StoppedException;
import idlelens.core.scene.Node;
import idlelens.core.scene.Shot;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import org.joml.Vector3d;

/**
 * Holds the size of a subject in the picture of a camera, which is as its focal length by its
 * distance along the axis: {@code f / d = f0 / d0}. Written in few keys where it is a stretch.
 *
 * @param id the camera
 * @param subject what keeps its size
 * @param way what gives way
 * @param at the frame at which it has its size; nothing changes there but with another lens
 * @param focalMm with another lens, its focal length at that frame; else none
 * @param from first frame
 * @param to last frame, the first one for a single frame
 * @param keying where the values go at a single frame; a stretch gets keys
 */
public record HoldSize(
    String id,
    Target subject,
    Way way,
    double at,
    OptionalDouble focalMm,
    int from,
    int to,
    Keying keying)
    implements Edit {

  /** What gives way so that the size stays. */
  public enum Way {
    /** The lens, to how the camera moves. */
    LENS,
    /** The place of the camera along its axis, to how the lens zooms. */
    DOLLY,
    /** The place of the camera along its axis, to a lens so many times as long. */
    OTHER_LENS
  }

  private static final int MOST_FRAMES = 5000;

  /** Parts of the tolerances within which a stretch is written: a millionth of the picture. */
  private static final double FINER = 1e-3;

  private static final double LEAST_M = 1e-3;

  public HoldSize {
    Require.present(subject, "subject");
    Require.present(way, "way");
    Require.present(keying, "keying");
    Require.within(at, -1e7, 1e7, "at");
    Require.within(to, from, from + MOST_FRAMES, "to");
    if (focalMm.isPresent() != (way == Way.OTHER_LENS)) {
      throw new RefusedException(
          "focal",
          focalMm.isPresent() ? "given" : "missing",
          "a focal length with another lens, none else");
    }
    focalMm.ifPresent(Lens.FOCAL::check);
  }

  /** How many frames it is solved for. */
  public int frames() {
    return to - from + 1;
  }

  @Override
  public Shot apply(Shot shot) {
    Node.Camera camera = shot.perspective(id);
    subject.nodeId().ifPresent(node -> FrameSubject.requireApart(shot, id, node));
    Evaluation motion = Evaluation.at(shot, at);
    Seen then = seen(motion, at);
    double longer = focalMm.isPresent() ? focalMm.getAsDouble() / then.focalMm : 1;
    if (from == to) {
      Map<Path, Double> changed = changes(motion.moment(from), from, then, longer);
      return changed.isEmpty() ? shot : Keyed.write(shot, id, from, changed, keying);
    }
    Map<Path, double[]> rows = new LinkedHashMap<>();
    for (Path path : List.of(Path.X, Path.Y, Path.Z, Path.FOCAL)) {
      double[] row = new double[frames()];
      Arrays.setAll(row, i -> camera.chain().curve(path).at(from + i));
      rows.put(path, row);
    }
    for (int i = 0; i < frames(); i++) {
      StoppedException.check();
      int sample = i;
      changes(motion.moment(from + i), from + i, then, longer)
          .forEach((path, value) -> rows.get(path)[sample] = value);
    }
    return new FittedStretch(shot, from, to, FINER).write(camera, rows);
  }

  /** How the subject is seen: through which lens, from how far along which axis. */
  private record Seen(double focalMm, double metres, Vector3d axis) {}

  private Seen seen(Evaluation now, double frame) {
    RigidPose pose = now.pose(id, 0);
    Vector3d place = subject.inWorld(node -> now.pose(node, 0));
    Vector3d axis = pose.forward();
    double metres = place.sub(pose.place()).dot(axis);
    if (!(metres >= LEAST_M)) {
      throw new RefusedException(
          "subject", metres + " m before the camera at frame " + frame, "0.001 m or more");
    }
    return new Seen(now.of(id).lens().orElseThrow().focalMm()[0], metres, axis);
  }

  private Map<Path, Double> changes(Evaluation now, double frame, Seen then, double longer) {
    Seen is = seen(now, frame);
    double focal = way == Way.LENS ? then.focalMm * is.metres / then.metres : is.focalMm * longer;
    if (!Lens.FOCAL.holds(focal)) {
      throw new RefusedException(
          "focal", focal + " mm at frame " + frame, "1 to 5000 mm: hold it over fewer frames");
    }
    Map<Path, Double> changed = new LinkedHashMap<>();
    if (way != Way.LENS) {
      double wanted =
          way == Way.OTHER_LENS ? is.metres * longer : then.metres * is.focalMm / then.focalMm;
      RigidPose carried = now.carriedPose(id, 0);
      Vector3d to = carried.place().fma(is.metres - wanted, is.axis);
      changed.putAll(OwnNumbers.of(now, id, frame, RigidPose.of(to, carried.turn()), false));
    }
    if (focal != is.focalMm) {
      double keyed = now.shot().node(id).chain().curve(Path.FOCAL).at(frame);
      changed.put(Path.FOCAL, keyed + focal - is.focalMm);
    }
    return changed;
  }

  @Override
  public Footprint footprint(Shot shot) {
    List<Path> paths = List.of(Path.X, Path.Y, Path.Z, Path.FOCAL);
    Footprint.Builder places = Footprint.of(shot).keys(id, paths).reliesOnMotion(id);
    subject.nodeId().filter(node -> shot.find(node).isPresent()).ifPresent(places::reliesOnMotion);
    return places.done();
  }

  @Override
  public String summary() {
    return way == Way.OTHER_LENS ? "Change the lens, hold the size" : "Dolly zoom";
  }
}
