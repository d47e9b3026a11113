package idlelens.core.edit;

import idlelens.core.curve.Curve;
import idlelens.core.curve.CurveFit;
import idlelens.core.curve.Key;
import idlelens.core.curve.Tangent;
import idlelens.core.geometry.RigidPose;
import idlelens.core.geometry.Turns;
import idlelens.core.motion.Evaluation;
import idlelens.core.part.Carriage;
import idlelens.core.part.Chain;
import idlelens.core.part.Keys;
import idlelens.core.part.Path;
import idlelens.core.rule.RefusedException;
import idlelens.core.scene.Node;
import idlelens.core.scene.Shot;
import idlelens.core.time.SampleGrid;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;

/**
 * Gives nodes to other carriers at once and keeps them where they are, at one frame or at all.
 * Where the old carrier and the new one stand still to one another, a constant between them is all
 * it takes; else the motion is written into keys: {@code L'(t) = Q(t)^-1 P(t) L(t)}.
 */
final class Recarrying {
  /** Carriers that move to one another by less than this, in metres or radians, stand still. */
  private static final double STILL = 1e-12;

  /**
   * The part of a family's tolerance within which a fitted motion stays: what hangs on it sees
   * more.
   */
  private static final double FINER = 0.1;

  private final Shot shot;
  private final Map<String, String> carriers;
  private final Keep keep;
  private final Evaluation before;
  private final Evaluation after;

  /**
   * @param carriers the new carrier of each node; none of these may be among the nodes, or be
   *     carried by one of them at any depth
   * @param frame where the place is kept
   */
  Recarrying(Shot shot, Map<String, String> carriers, double frame, Keep keep) {
    this.shot = shot;
    this.carriers = carriers;
    this.keep = keep;
    Map<String, Node> plain = new HashMap<>();
    carriers.forEach((id, to) -> plain.put(id, shot.node(id).withCarriage(Carriage.by(to))));
    SampleGrid grid =
        keep.isMotion()
            ? SampleGrid.over(shot.header().range(), shot.header().handles())
            : SampleGrid.at(frame);
    this.before = evaluated(shot, grid);
    this.after = evaluated(shot.withChanged(plain), grid);
  }

  private Evaluation evaluated(Shot of, SampleGrid grid) {
    if (carriers.size() > 1) {
      return Evaluation.of(of, grid, null);
    }
    Set<String> needed = new HashSet<>();
    carriers.keySet().forEach(id -> needed.addAll(of.reachedFrom(id)));
    return Evaluation.ofSome(of, grid, needed);
  }

  Shot apply() {
    Map<String, Node> kept = new HashMap<>();
    carriers.forEach((id, carrier) -> kept.put(id, kept(shot.node(id), carrier)));
    return shot.withChanged(kept);
  }

  private Node kept(Node node, String carrierId) {
    return isStill(node.id()) ? placed(node, carrierId) : moving(node, carrierId);
  }

  /** From the node's space below its old carrier into that below its new one. */
  private RigidPose between(String id, int sample) {
    return after.ownSpace(id, sample).inverse().times(before.ownSpace(id, sample));
  }

  private boolean isStill(String id) {
    RigidPose first = between(id, 0);
    for (int i = 1; i < before.grid().count(); i++) {
      RigidPose now = between(id, i);
      if (now.place().distance(first.place()) > STILL
          || Turns.angleBetween(now.turn(), first.turn()) > STILL) {
        return false;
      }
    }
    return true;
  }

  private Node placed(Node node, String carrierId) {
    RigidPose offset = between(node.id(), 0);
    return node.chain().isKeyed(Path.POSE)
        ? node.withCarriage(new Carriage(carrierId, offset))
        : rested(node.withCarriage(Carriage.by(carrierId)), offset);
  }

  /** The node with the offset worked into its own still values. */
  private static Node rested(Node node, RigidPose offset) {
    double[] v = new double[6];
    Path.POSE.forEach(c -> v[Path.POSE.indexOf(c)] = node.chain().curve(c).rest());
    double[] near = radians(v);
    RigidPose own = offset.times(RigidPose.of(v[0], v[1], v[2], near[0], near[1], near[2]));
    double[] turn = Turns.panTiltRoll(own.turn(), near);
    return node.withChain(
        node.chain()
            .restingAt(
                own.x(),
                own.y(),
                own.z(),
                Math.toDegrees(turn[0]),
                Math.toDegrees(turn[1]),
                Math.toDegrees(turn[2])));
  }

  private Node moving(Node node, String carrierId) {
    refuseSwitchedOff(node);
    double[][] values = values(node);
    Map<Path, Curve> curves = new LinkedHashMap<>();
    for (Path path : Path.POSE) {
      curves.put(path, curve(node.chain(), path, values[Path.POSE.indexOf(path)]));
    }
    return node.withChain(node.chain().with(curves)).withCarriage(Carriage.by(carrierId));
  }

  private static void refuseSwitchedOff(Node node) {
    if (!node.chain().part(Keys.ID).isOn()) {
      throw new RefusedException(
          node.name() + ".keep",
          "its motion, while its keys are switched off",
          "its place at one frame, or its motion after switching Keys on");
    }
  }

  /** The node's own six numbers in its new space at every sample. */
  private double[][] values(Node node) {
    int count = before.grid().count();
    double[][] values = new double[6][count];
    double[] near = new double[3];
    for (int i = 0; i < 3; i++) {
      Path path = Path.POSE.get(3 + i);
      near[i] = Math.toRadians(node.chain().curve(path).at(before.grid().frame(0)));
    }
    for (int i = 0; i < count; i++) {
      RigidPose own =
          after.ownSpace(node.id(), i).inverse().times(before.carriedPose(node.id(), i));
      near = Turns.panTiltRoll(own.turn(), near);
      double[] now = {own.x(), own.y(), own.z(), near[0], near[1], near[2]};
      for (int c = 0; c < 6; c++) {
        values[c][i] = c < 3 ? now[c] : Math.toDegrees(now[c]);
      }
    }
    return values;
  }

  private Curve curve(Chain chain, Path path, double[] values) {
    double[] frames = new double[values.length];
    for (int i = 0; i < frames.length; i++) {
      frames[i] = before.grid().frame(i);
    }
    if (keep == Keep.FITTED) {
      double tolerance = chain.parameter(path).family().tolerance() * FINER;
      List<Key> fitted = CurveFit.fit(frames, values, tolerance);
      return fitted.size() == 1 ? Curve.still(values[0]) : new Curve(values[0], fitted);
    }
    List<Key> all = new ArrayList<>(frames.length);
    for (int i = 0; i < frames.length; i++) {
      all.add(new Key(frames[i], values[i], Tangent.Kind.FLOW));
    }
    return new Curve(values[0], all);
  }

  private static double[] radians(double[] v) {
    return new double[] {Math.toRadians(v[3]), Math.toRadians(v[4]), Math.toRadians(v[5])};
  }
}
