package idlelens.core.edit;

import idlelens.core.check.Seam;
import idlelens.core.curve.Beyond;
import idlelens.core.curve.Curve;
import idlelens.core.curve.Key;
import idlelens.core.curve.KeyInsertion;
import idlelens.core.curve.Tangent;
import idlelens.core.geometry.RigidPose;
import idlelens.core.geometry.Turns;
import idlelens.core.motion.Evaluation;
import idlelens.core.part.Chain;
import idlelens.core.part.Move;
import idlelens.core.part.Path;
import idlelens.core.rule.Require;
import idlelens.core.scene.Node;
import idlelens.core.scene.Shot;
import idlelens.core.time.SampleGrid;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/**
 * Makes a loop close: each node gets a key at the frame behind the last one, in the pose of the
 * first frame moved on by the loop's step, and arrives there as fast as it sets off. Keys in the
 * last twelfth of the loop give way to it; what a node does up to its last key before that stays,
 * and the way from there to the seam is new. Its lens and its looks come back to what they were;
 * what comes back already and only looks otherwise keeps its pose.
 *
 * @param ids the nodes, what carries before what is carried
 * @param repeatId the repeat whose steps the loop goes on by, or "" for none
 * @param steps by how many of them
 */
public record CloseSeam(List<String> ids, String repeatId, int steps) implements Edit {
  /** Below this, in metres, degrees, and both a second, a node closes already. */
  private static final double CLOSED = 1e-9;

  /** The part of a loop, before the seam, in which keys give way. */
  private static final double GIVES_WAY = 1.0 / 12;

  private static final int MOST = 50;

  public CloseSeam {
    ids = List.copyOf(ids);
    Require.within(ids.size(), 1, MOST, "ids.count");
    Require.present(repeatId, "repeat");
    Require.within(steps, -1000, 1000, "steps");
  }

  @Override
  public Shot apply(Shot shot) {
    Shot closed = shot;
    for (String id : ids) {
      Seam.Sides sides = new Seam.Sides(closed, repeatId, steps);
      if (!sides.of(id).closes(CLOSED)) {
        closed = new Closing(closed, sides, id).apply();
      }
    }
    return closed;
  }

  /** The closing of one node. */
  private static final class Closing {
    private final Shot shot;
    private final Seam.Sides sides;
    private final Node node;
    private final double in;
    private final double behind;

    Closing(Shot shot, Seam.Sides sides, String id) {
      this.shot = shot;
      this.sides = sides;
      this.node = shot.node(id);
      this.in = shot.header().range().in();
      this.behind = shot.header().range().out() + 1.0;
    }

    Shot apply() {
      Map<Path, Curve> curves = new LinkedHashMap<>();
      if (!onlyLooksOtherwise()) {
        closePose(curves);
        closeAlike(curves, node.chain().lens().isPresent() ? Path.LENS : List.of());
      }
      closeAlike(curves, node.chain().looks());
      curves.forEach((path, c) -> Keyed.refuseSwitchedOff(node, path, c));
      return shot.withNode(node.withChain(node.chain().with(curves)));
    }

    /** Whether it comes back, or stays, and only its looks do not. */
    private boolean onlyLooksOtherwise() {
      Seam on = sides.of(node.id());
      return !on.looksCome(CLOSED)
          && (on.comesBack(CLOSED) || sides.ofStaying(node.id()).comesBack(CLOSED));
    }

    private void closePose(Map<Path, Curve> curves) {
      Map<Path, Double> values = values();
      Map<Path, Double> slopes = slopes();
      for (Path path : Path.POSE) {
        Curve curve = node.chain().curve(path);
        if (curve.isKeyed() || values.containsKey(path)) {
          double value = values.getOrDefault(path, curve.at(behind));
          curves.put(path, closed(path, value, slopes.get(path)));
        }
      }
    }

    /** What has to be behind the last frame as it is at the first. */
    private void closeAlike(Map<Path, Curve> curves, List<Path> paths) {
      for (Path path : paths) {
        Curve curve = node.chain().curve(path);
        if (curve.isKeyed()) {
          curves.put(path, closed(path, curve.at(in), Seam.slope(i -> curve.at(sides.frame(i)))));
        }
      }
    }

    /** The numbers that have to change behind the last frame. */
    private Map<Path, Double> values() {
      Evaluation now = Evaluation.ofSome(shot, SampleGrid.at(behind), shot.reachedFrom(node.id()));
      RigidPose wanted = sides.movedOn(sides.start().carriedPose(node.id(), 0));
      return OwnNumbers.of(now, node.id(), behind, wanted, true);
    }

    /**
     * How fast each number changes where the node sets off, in units a frame; of what nothing
     * carries, seen from the step of the loop.
     */
    private Map<Path, Double> slopes() {
      boolean free = node.parentId().isEmpty() && node.chain().carried().isFree();
      boolean moved = node.chain().parts().stream().anyMatch(Move.class::isInstance);
      double[][] numbers = new double[Seam.SAMPLES][];
      double[] near = null;
      for (int i = 0; i < numbers.length; i++) {
        double[] keyed = sides.start().keyedNumbers(node.id(), i);
        near = near == null ? keyed : near;
        numbers[i] = free && !moved ? stepped(i, near) : keyed;
        near = numbers[i];
      }
      Map<Path, Double> slopes = new LinkedHashMap<>();
      for (int k = 0; k < Path.POSE.size(); k++) {
        int at = k;
        slopes.put(Path.POSE.get(k), Seam.slope(i -> numbers[i][at]));
      }
      return slopes;
    }

    private double[] stepped(int sample, double[] near) {
      RigidPose pose = sides.movedOn(sides.start().carriedPose(node.id(), sample));
      double[] by = new double[3];
      for (int i = 0; i < 3; i++) {
        by[i] = Math.toRadians(near[3 + i]);
      }
      double[] turn = Turns.panTiltRoll(pose.turn(), by);
      return new double[] {
        pose.x(), pose.y(), pose.z(),
        Math.toDegrees(turn[0]), Math.toDegrees(turn[1]), Math.toDegrees(turn[2])
      };
    }

    /** From which frame on keys give way. */
    private double givesWay() {
      return behind - GIVES_WAY * (behind - in);
    }

    /** The frame of the last pose key that stays, or the first frame. */
    private double lastKey() {
      return node.chain().keyFrames(Path.POSE).stream()
          .filter(f -> f < givesWay())
          .mapToDouble(f -> f)
          .max()
          .orElse(in);
    }

    /** A curve that passes the seam at a value with a slope, and repeats where it goes on alike. */
    private Curve closed(Path path, double value, double slope) {
      Chain chain = node.chain();
      Curve curve = chain.curve(path);
      double leaving = Seam.slope(i -> curve.at(sides.frame(i)));
      chain.parameter(path).check(value);
      Curve keyed = KeyInsertion.insert(curve, in, shot.header().newKeys());
      double last = lastKey();
      if (!curve.isKeyed() && last > in) { // it stands still until the last key of the others
        keyed = KeyInsertion.insert(keyed, last, shot.header().newKeys());
      }
      int first = keyed.indexOf(in);
      if (keyed.keys().size() > 1) {
        keyed = keyed.withKeyAt(first, keyed.keys().get(first).withTangent(keyed.handles(first)));
      }
      List<Key> kept =
          keyed.keys().stream()
              .filter(k -> k.isAt(in) || k.frame() < givesWay() || k.frame() > behind)
              .toList();
      Curve whole =
          keyed.withKeys(kept).withKey(new Key(behind, value, Tangent.Free.sloped(slope)));
      boolean isRound =
          whole.keys().get(0).isAt(in) && whole.keys().get(whole.keys().size() - 1).isAt(behind);
      return isRound && Math.abs(slope - leaving) < CLOSED
          ? whole.withBeyond(Beyond.CYCLE_AND_CARRY, Beyond.CYCLE_AND_CARRY)
          : whole;
    }
  }

  @Override
  public Footprint footprint(Shot shot) {
    Footprint.Builder places = Footprint.of(shot);
    for (String id : ids) {
      boolean camera = shot.node(id) instanceof Node.Camera;
      places.keys(id, Path.POSE).reliesOnMotion(id).keys(id, shot.node(id).chain().looks());
      if (camera) {
        places.keys(id, Path.LENS);
      }
    }
    if (!repeatId.isEmpty()) {
      places.reliesOnMotion(repeatId).reliesOn(Place.look(repeatId));
    }
    return places.done();
  }

  @Override
  public String summary() {
    return "Close the seam";
  }
}
