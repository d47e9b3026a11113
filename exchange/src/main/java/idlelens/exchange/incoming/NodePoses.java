package idlelens.exchange.incoming;

import idlelens.core.curve.Curve;
import idlelens.core.curve.Key;
import idlelens.core.curve.Tangent;
import idlelens.core.geometry.Turns;
import idlelens.core.part.Chain;
import idlelens.core.part.Path;
import idlelens.exchange.format.FormatException;
import idlelens.exchange.format.ReadBudget;
import idlelens.exchange.scenefile.Lane;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.joml.Matrix3d;
import org.joml.Quaterniond;
import org.joml.Vector3d;

/**
 * Rigid poses for the nodes of a file, in our axes. What a node's size leaves over is handed down,
 * in the file's axes, to what it carries: places take it in, turns are such that everything looks
 * where it looks in the file. Keys stay key for key wherever that is exact; otherwise there is one
 * on every frame.
 */
final class NodePoses {
  private final FrameClock clock;
  private final AnimatedCurves curves;
  private final ReadBudget budget;
  private final Set<String> notes;
  private final int frames;
  private final AxisMap axes;

  /**
   * @param axes from those of the file to ours
   * @param frames how many frames the motion has, from the first of the clock on
   */
  NodePoses(FrameClock clock, ReadBudget budget, Set<String> notes, AxisMap axes, int frames) {
    this.clock = clock;
    this.curves = new AnimatedCurves(clock, budget, clock.firstFrame() + frames - 1);
    this.budget = budget;
    this.notes = notes;
    this.axes = axes;
    this.frames = frames;
  }

  /** The pose of a node in its carrier, and what is left for those that it carries. */
  record Posed(Chain chain, Leftover inner) {}

  /**
   * A node as it is called.
   *
   * @param keepsLook whether it keeps where it looks along its own axes, as cameras and suns do, or
   *     stands upright in the new axes
   */
  record Named(String name, boolean keepsLook) {}

  AnimatedCurves curves() {
    return curves;
  }

  /**
   * @param outer what the carriers of the node have left
   */
  Posed pose(Named node, LocalMotion local, Leftover outer) throws FormatException {
    boolean even = Sizes.isEven(outer.still());
    boolean steady = !local.changes() || even && local.keepsItsTurn();
    boolean exact = !outer.moves() && local.isOrdered() && steady;
    return exact ? kept(node, local, outer.still(), even) : sampled(node, local, outer);
  }

  private Posed kept(Named node, LocalMotion local, Matrix3d outer, boolean even)
      throws FormatException {
    Matrix3d whole = new Matrix3d(outer).mul(local.linear());
    Matrix3d plain = new Matrix3d(outer).mul(new Matrix3d().rotation(local.turn()));
    Matrix3d turn = Sizes.turnOf(whole, Sizes.turnOf(plain, new Matrix3d()));
    Chain chain = still(outer.transform(local.place()), turn, node);
    Map<Path, Curve> moving = new LinkedHashMap<>();
    if (local.isShifting()) {
      places(local.lanes(), outer, moving);
    }
    if (local.isTurning()) {
      turns(node, local.turning(), outer.determinant() < 0, moving);
    }
    Matrix3d beside =
        local.isTurning() && even ? new Matrix3d(outer) : new Matrix3d(turn).transpose().mul(plain);
    Leftover inner =
        local.isResizing()
            ? changing(local, beside)
            : local.isTurning()
                ? Leftover.still(beside.scale(local.sizes()))
                : Leftover.still(new Matrix3d(turn).transpose().mul(whole));
    return new Posed(chain.with(moving), inner);
  }

  /** A turn of the file in our axes. */
  private Quaterniond turned(Matrix3d turn, Named node) {
    Matrix3d ours = node.keepsLook ? new Matrix3d(axes.map()).mul(turn) : axes.turn(turn);
    return ours.getNormalizedRotation(new Quaterniond()).normalize();
  }

  private Chain still(Vector3d place, Matrix3d turn, Named node) {
    axes.map().transform(place);
    double[] t = Turns.panTiltRoll(turned(turn, node));
    return Chain.pose()
        .restingAt(
            place.x,
            place.y,
            place.z,
            Math.toDegrees(t[0]),
            Math.toDegrees(t[1]),
            Math.toDegrees(t[2]));
  }

  private void places(List<Lane> lanes, Matrix3d outer, Map<Path, Curve> moving)
      throws FormatException {
    Matrix3d whole = new Matrix3d(axes.map()).mul(outer);
    for (int row = 0; row < 3; row++) {
      double[] factors = new double[lanes.size()];
      for (int i = 0; i < factors.length; i++) {
        factors[i] = whole.get(i % 3, row);
      }
      moving.put(Path.PLACE.get(row), curves.sum(new AnimatedCurves.Sum(lanes, factors, 0)));
    }
  }

  private void turns(Named node, TurnPath path, boolean mirrored, Map<Path, Curve> moving)
      throws FormatException {
    TurnPath own = (mirrored ? path.in(AxisMap.MIRROR_X) : path).in(axes);
    TurnPath ours = node.keepsLook ? own.then(axes.itself()) : own;
    AnimatedCurves.Turning turning = curves.turning(ours);
    moving.put(Path.PAN, turning.pan());
    moving.put(Path.TILT, turning.tilt());
    moving.put(Path.ROLL, turning.roll());
    if (!turning.keysKept()) {
      notes.add(
          node.name
              + ": turns between the file's keys are not straight in pan, tilt and roll;"
              + " they have a key on every frame now");
    }
  }

  private Leftover changing(LocalMotion local, Matrix3d beside) throws FormatException {
    budget.take(ReadBudget.Thing.SAMPLES, frames, local.path() + ".scale");
    Matrix3d[] all = new Matrix3d[frames];
    for (int i = 0; i < frames; i++) {
      all[i] = new Matrix3d(beside).scale(local.sizesAt(clock.time(clock.firstFrame() + i)));
    }
    return Leftover.of(all);
  }

  /** A key on every frame, where sizes and turns come together as no rigid pose can. */
  private Posed sampled(Named node, LocalMotion local, Leftover outer) throws FormatException {
    budget.take(ReadBudget.Thing.SAMPLES, frames, local.path());
    List<List<Key>> keys = new ArrayList<>();
    Path.POSE.forEach(p -> keys.add(new ArrayList<>()));
    Matrix3d[] inner = new Matrix3d[frames];
    Matrix3d turn = new Matrix3d();
    double[] near = {0, 0, 0};
    for (int i = 0; i < frames; i++) {
      double frame = clock.firstFrame() + i;
      double time = clock.time(frame);
      Matrix3d whole = new Matrix3d(outer.at(i)).mul(local.linearAt(time));
      turn = Sizes.turnOf(whole, turn);
      inner[i] = new Matrix3d(turn).transpose().mul(whole);
      Vector3d place = axes.map().transform(outer.at(i).transform(local.placeAt(time)));
      near = Turns.panTiltRoll(turned(turn, node), near);
      double[] values = {
        place.x,
        place.y,
        place.z,
        Math.toDegrees(near[0]),
        Math.toDegrees(near[1]),
        Math.toDegrees(near[2])
      };
      for (int c = 0; c < values.length; c++) {
        keys.get(c).add(new Key(frame, values[c], Tangent.Kind.STRAIGHT));
      }
    }
    Map<Path, Curve> moving = new LinkedHashMap<>();
    for (int c = 0; c < keys.size(); c++) {
      moving.put(Path.POSE.get(c), AnimatedCurves.settled(keys.get(c)));
    }
    long count = moving.values().stream().mapToLong(c -> c.keys().size()).sum();
    budget.take(ReadBudget.Thing.KEYS, count, local.path());
    if (count > 0) {
      notes.add(node.name + why(local));
    }
    return new Posed(Chain.pose().with(moving), Leftover.of(inner));
  }

  private static String why(LocalMotion local) {
    return local.isOrdered()
        ? ": moves under sizes that no rigid pose can follow; it has a key on every frame,"
            + " where its place and where it looks are right"
        : ": moves by matrices or about pivots; it has a key on every frame, and is right there";
  }
}
