package idlelens.core.check;

import idlelens.core.clearance.Clearance;
import idlelens.core.clearance.Obstacle;
import idlelens.core.motion.Evaluation;
import idlelens.core.motion.Jumps;
import idlelens.core.part.Target;
import idlelens.core.rule.RefusedException;
import idlelens.core.rule.Require;
import idlelens.core.scene.Node;
import idlelens.core.scene.Shot;
import idlelens.core.set.Mesh;
import idlelens.core.set.Shape;
import idlelens.core.time.FrameRange;
import idlelens.core.time.SampleGrid;
import java.util.Arrays;
import java.util.List;
import java.util.NavigableSet;
import java.util.Optional;
import java.util.Set;
import java.util.function.DoubleConsumer;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/**
 * All that is checked of a camera over the range of a shot. Arrays have one number a frame.
 *
 * @param range the frames
 * @param lookedAt those of them in which something is looked for
 * @param speed how fast it moves and its picture passes
 * @param judder where single frames would be seen
 * @param clearance how near it comes to the set; the last frame passes nothing
 * @param dead where it stands still within its move
 * @param misaligned frames at which only some of its rig is keyed
 * @param seam how its end meets its beginning
 * @param open what on set does not come back, besides the camera and what carries it
 * @param inView when the piece asked for is in the picture
 * @param sharpness how sharp the subject asked for is
 */
public record CameraChecks(
    FrameRange range,
    LookedAt lookedAt,
    PictureSpeed speed,
    List<Judder> judder,
    Clearance clearance,
    List<DeadStretch> dead,
    List<Misaligned> misaligned,
    Seam seam,
    List<OpenAtSeam> open,
    Optional<InView> inView,
    Optional<Sharpness> sharpness) {

  /**
   * What is asked.
   *
   * @param camera id of the camera
   * @param piece id of a piece whose appearance is followed, or ""
   * @param repeat id of a repeat whose steps the loop goes on by, or ""
   * @param steps by how many of them
   * @param subject what is to be sharp, or nothing
   * @param leastM metres a second below which it stands still
   * @param leastDeg degrees a second below which it does not turn
   * @param nearM how far before the camera its near plane lies
   * @param needed whether only frames are looked at for which the program needs the camera
   */
  public record Asked(
      String camera,
      String piece,
      String repeat,
      int steps,
      Optional<Target> subject,
      double leastM,
      double leastDeg,
      double nearM,
      boolean needed) {
    public Asked {
      Require.present(camera, "camera");
      Require.present(piece, "piece");
      Require.present(repeat, "repeat");
      Require.within(steps, -1000, 1000, "steps");
      Require.present(subject, "subject");
      Require.within(leastM, 0, 1000, "least");
      Require.within(leastDeg, 0, 1000, "leastTurn");
      Require.within(nearM, 0.001, 100, "near");
    }

    /** The usual questions about a camera. */
    public static Asked of(String camera) {
      return new Asked(camera, "", "", 1, Optional.empty(), 0.01, 0.1, 0.1, false);
    }
  }

  /** Below this a seam is closed, in metres, degrees, and both a second. */
  public static final double CLOSED = 1e-6;

  /**
   * @param meshes gives the triangles of a shape
   * @param progress is told how much is done, 0 to 1
   */
  public static CameraChecks of(
      Shot shot, Asked asked, Function<Shape, Mesh> meshes, DoubleConsumer progress) {
    String camera = shot.camera(asked.camera()).id();
    FrameRange range = shot.header().range();
    int frames = range.length();
    LookedAt lookedAt = asked.needed() ? LookedAt.needed(shot, camera) : LookedAt.all(range);
    Evaluation motion = Evaluation.of(shot, new SampleGrid(range.in() - 1.0, frames + 2, 1), null);
    PictureSpeed speed = PictureSpeed.of(motion, camera);
    Views views = new Views(motion, camera);
    SetObstacles set = new SetObstacles(motion, meshes);
    // samples count from the frame before the first one
    Clearance clearance =
        Clearance.of(
            frames, i -> views.at(i + 1), shifted(set.allBut(Set.of())), asked.nearM(), progress);
    apartFrom(lookedAt, clearance, range.in());
    throughNothingAtCuts(clearance, Jumps.of(shot, shot.node(camera)), range.in());
    Seam.Sides sides = new Seam.Sides(shot, asked.repeat(), asked.steps());
    return new CameraChecks(
        range,
        lookedAt,
        speed,
        judder(speed, lookedAt, shot),
        clearance,
        dead(speed, lookedAt, range.in(), asked),
        Misaligned.find(shot, camera).stream().filter(m -> lookedAt.has(m.frame())).toList(),
        sides.of(camera),
        others(OpenAtSeam.find(shot, sides, CLOSED), shot, camera),
        asked.piece().isEmpty()
            ? Optional.empty()
            : Optional.of(inView(motion, lookedAt, views, asked.piece(), set, meshes)),
        asked.subject().map(subject -> Sharpness.of(motion, camera, subject, lookedAt)));
  }

  private static List<Judder> judder(PictureSpeed speed, LookedAt lookedAt, Shot shot) {
    int in = shot.header().range().in();
    double[] widths = speed.subject().clone();
    Arrays.setAll(widths, i -> lookedAt.has(in + i) ? widths[i] : 0);
    return Judder.find(in, widths, shot.header().rate(), speed.shutterDeg());
  }

  private static List<DeadStretch> dead(
      PictureSpeed speed, LookedAt lookedAt, int in, Asked asked) {
    return DeadStretch.find(
            in, speed.metresPerSecond(), speed.degreesPerSecond(), asked.leastM(), asked.leastDeg())
        .stream()
        .flatMap(dead -> lookedAt.of(dead.from(), dead.to()))
        .map(frames -> new DeadStretch(frames.in(), frames.out()))
        .toList();
  }

  /** Where nothing is looked for, nothing is near. */
  private static void apartFrom(LookedAt lookedAt, Clearance clearance, int in) {
    for (int i = 0; i < clearance.passes().length; i++) {
      if (!lookedAt.has(in + i)) {
        clearance.cameraM()[i] = Clearance.FARTHEST_M;
        clearance.planeM()[i] = Clearance.FARTHEST_M;
        clearance.nearest()[i] = "";
        clearance.passes()[i] = false;
      }
    }
  }

  /** Where the camera jumps, it goes through nothing on its way. */
  private static void throughNothingAtCuts(
      Clearance clearance, NavigableSet<Double> jumps, int in) {
    for (int i = 0; i < clearance.passes().length; i++) {
      clearance.passes()[i] &= !Jumps.isBetween(jumps, in + i, in + i + 1.0);
    }
  }

  /** What the camera and what carries it do not tell: all else, and how these look. */
  private static List<OpenAtSeam> others(List<OpenAtSeam> open, Shot shot, String camera) {
    Set<String> rig =
        Stream.concat(shot.carriersOf(camera).stream().map(Node::id), Stream.of(camera))
            .collect(Collectors.toSet());
    return open.stream()
        .filter(o -> !rig.contains(o.nodeId()) || o.looksOtherwise(CLOSED))
        .toList();
  }

  private static List<Obstacle> shifted(List<Obstacle> obstacles) {
    return obstacles.stream().map(o -> o.later(1)).toList();
  }

  private static InView inView(
      Evaluation motion,
      LookedAt lookedAt,
      Views views,
      String id,
      SetObstacles set,
      Function<Shape, Mesh> meshes) {
    if (!(motion.shot().node(id) instanceof Node.Piece piece)) {
      throw new RefusedException("piece", "'" + motion.shot().node(id).name() + "'", "a piece");
    }
    return InView.of(
        motion.grid().count() - 2,
        i -> views.at(i + 1),
        meshes.apply(piece.shape()).bounds(),
        i -> motion.pose(id, i + 1),
        i -> motion.size(id, i + 1),
        i -> motion.isShown(id, i + 1) && lookedAt.has(motion.grid().frame(i + 1)),
        shifted(set.allBut(Set.of(id))));
  }
}
