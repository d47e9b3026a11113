package idlelens.exchange.gltf;

import idlelens.core.curve.Curve;
import idlelens.core.curve.Key;
import idlelens.core.curve.Tangent;
import idlelens.core.geometry.Turns;
import idlelens.core.part.Chain;
import idlelens.core.part.Path;
import idlelens.exchange.format.FormatException;
import idlelens.exchange.format.ReadBudget;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.joml.Matrix3d;
import org.joml.Quaterniond;
import org.joml.Vector3d;

/**
 * Rigid poses for the nodes of a file. What a node's size leaves over is handed down to what it
 * carries: places take it in, turns are such that everything looks where it looks in the file. Keys
 * stay key for key wherever that is exact; otherwise there is one on every frame.
 */
final class NodePoses {
  private final FrameClock clock;
  private final AnimatedCurves curves;
  private final ReadBudget budget;
  private final Set<String> notes;
  private final int frames;

  /**
   * @param frames how many frames the motion has, from the first of the clock on
   */
  NodePoses(FrameClock clock, ReadBudget budget, Set<String> notes, int frames) {
    this.clock = clock;
    this.curves = new AnimatedCurves(clock, budget, clock.firstFrame() + frames - 1);
    this.budget = budget;
    this.notes = notes;
    this.frames = frames;
  }

  /** The pose of a node in its carrier, and what is left for those that it carries. */
  record Posed(Chain chain, Leftover inner) {}

  AnimatedCurves curves() {
    return curves;
  }

  /**
   * @param outer what the carriers of the node have left
   */
  Posed pose(String name, LocalMotion local, Leftover outer) throws FormatException {
    boolean even = Sizes.isEven(outer.still());
    boolean exact = !outer.moves() && (!local.changes() || even && local.keepsItsTurn());
    return exact ? kept(name, local, outer.still(), even) : sampled(name, local, outer);
  }

  private Posed kept(String name, LocalMotion local, Matrix3d outer, boolean even)
      throws FormatException {
    Matrix3d whole = new Matrix3d(outer).mul(local.linear());
    Matrix3d plain = new Matrix3d(outer).mul(new Matrix3d().rotation(local.turn()));
    Matrix3d turn = Sizes.turnOf(whole, Sizes.turnOf(plain, new Matrix3d()));
    Chain chain = still(outer.transform(new Vector3d(local.place())), turn);
    Map<Path, Curve> moving = new LinkedHashMap<>();
    if (local.places().isPresent()) {
      places(local.places().get(), outer, moving);
    }
    if (local.turns().isPresent()) {
      turns(name, local.turns().get(), outer.determinant() < 0, moving);
    }
    Matrix3d beside =
        local.turns().isPresent() && even
            ? new Matrix3d(outer)
            : new Matrix3d(turn).transpose().mul(plain);
    Leftover inner =
        local.changing().isPresent()
            ? changing(local, beside)
            : local.turns().isPresent()
                ? Leftover.still(beside.scale(local.sizes()))
                : Leftover.still(new Matrix3d(turn).transpose().mul(whole));
    return new Posed(chain.with(moving), inner);
  }

  private static Chain still(Vector3d place, Matrix3d turn) {
    double[] t = Turns.panTiltRoll(turn.getNormalizedRotation(new Quaterniond()).normalize());
    return Chain.pose()
        .restingAt(
            place.x,
            place.y,
            place.z,
            Math.toDegrees(t[0]),
            Math.toDegrees(t[1]),
            Math.toDegrees(t[2]));
  }

  private void places(GltfSampler sampler, Matrix3d outer, Map<Path, Curve> moving)
      throws FormatException {
    for (int row = 0; row < 3; row++) {
      Vector3d factors = outer.getRow(row, new Vector3d());
      moving.put(Path.PLACE.get(row), curves.exact(sampler, factors));
    }
  }

  private void turns(String name, GltfSampler sampler, boolean mirrored, Map<Path, Curve> moving)
      throws FormatException {
    AnimatedCurves.Turning turning = curves.turning(mirrored ? sampler.mirrored() : sampler);
    moving.put(Path.PAN, turning.pan());
    moving.put(Path.TILT, turning.tilt());
    moving.put(Path.ROLL, turning.roll());
    if (!turning.keysKept()) {
      notes.add(
          name
              + ": turns between the file's keys are not straight in pan, tilt and roll;"
              + " they have a key on every frame now");
    }
  }

  private Leftover changing(LocalMotion local, Matrix3d beside) throws FormatException {
    budget.take(ReadBudget.Thing.SAMPLES, frames, local.path() + ".scale");
    Matrix3d[] all = new Matrix3d[frames];
    for (int i = 0; i < frames; i++) {
      all[i] = new Matrix3d(beside).scale(local.sizesAt(clock.seconds(clock.firstFrame() + i)));
    }
    return Leftover.of(all);
  }

  /** A key on every frame, where sizes and turns come together as no rigid pose can. */
  private Posed sampled(String name, LocalMotion local, Leftover outer) throws FormatException {
    budget.take(ReadBudget.Thing.SAMPLES, frames, local.path());
    List<List<Key>> keys = new ArrayList<>();
    Path.POSE.forEach(p -> keys.add(new ArrayList<>()));
    Matrix3d[] inner = new Matrix3d[frames];
    Matrix3d turn = new Matrix3d();
    double[] near = {0, 0, 0};
    for (int i = 0; i < frames; i++) {
      double frame = clock.firstFrame() + i;
      double seconds = clock.seconds(frame);
      Matrix3d whole = new Matrix3d(outer.at(i)).mul(local.linearAt(seconds));
      turn = Sizes.turnOf(whole, turn);
      inner[i] = new Matrix3d(turn).transpose().mul(whole);
      Vector3d place = outer.at(i).transform(local.placeAt(seconds));
      near = Turns.panTiltRoll(turn.getNormalizedRotation(new Quaterniond()).normalize(), near);
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
      notes.add(
          name
              + ": moves under sizes that no rigid pose can follow; it has a key on every frame,"
              + " where its place and where it looks are right");
    }
    return new Posed(Chain.pose().with(moving), Leftover.of(inner));
  }
}
