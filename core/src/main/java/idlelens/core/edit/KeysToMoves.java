package idlelens.core.edit;

import idlelens.core.curve.Beyond;
import idlelens.core.curve.Curve;
import idlelens.core.curve.Segment;
import idlelens.core.part.Chain;
import idlelens.core.part.Ease;
import idlelens.core.part.Move;
import idlelens.core.part.Part;
import idlelens.core.part.Path;
import idlelens.core.part.Window;
import idlelens.core.rule.RefusedException;
import idlelens.core.rule.Require;
import idlelens.core.scene.Node;
import idlelens.core.scene.Shot;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.OptionalDouble;
import org.joml.Vector3d;

/**
 * Writes the keys of a node as moves, where moves come as near to them as asked: a way along a
 * straight line becomes dolly, truck and pedestal, each turn a move of its own.
 *
 * @param newId what the ids of the moves begin with
 * @param toleranceM how far off the place may be at any frame, in metres
 * @param toleranceDeg how far off a turn may be, in degrees
 */
public record KeysToMoves(String id, String newId, double toleranceM, double toleranceDeg)
    implements Edit {
  private static final double NOTHING = 1e-9;
  private static final int STEPS_A_FRAME = 2;

  private static final Map<Path, Move.Way> TURNS =
      Map.of(Path.PAN, Move.Way.PAN, Path.TILT, Move.Way.TILT, Path.ROLL, Move.Way.ROLL);

  public KeysToMoves {
    Require.present(id, "id");
    Require.present(newId, "newId");
    Require.within(toleranceM, 0, 1000, "toleranceM");
    Require.within(toleranceDeg, 0, 1000, "toleranceDeg");
  }

  @Override
  public Shot apply(Shot shot) {
    Node node = shot.node(id);
    Chain chain = node.chain();
    Map<Path, Curve> still = new LinkedHashMap<>();
    for (Path path : Path.POSE) {
      Curve curve = chain.curve(path);
      if (curve.isKeyed()) {
        refuseGoingOn(node, path, curve);
        Keyed.refuseSwitchedOff(node, path, curve);
        still.put(path, Curve.still(curve.keys().get(0).value()));
      }
    }
    if (still.isEmpty()) {
      throw new RefusedException(node.name() + ".keys", "none", "a node with keys of its pose");
    }
    List<Move> moves = new ArrayList<>(place(node, still));
    for (Path path : Path.TURN) {
      if (moves(chain.curve(path))) {
        moves.add(turn(node, path));
      }
    }
    List<Part> parts = new ArrayList<>(chain.with(still).parts());
    parts.addAll(1, moves);
    return shot.withNode(node.withChain(new Chain(parts)));
  }

  private static void refuseGoingOn(Node node, Path path, Curve curve) {
    boolean holds = curve.before() == Beyond.HOLD && curve.after() == Beyond.HOLD;
    if (!holds) {
      throw new RefusedException(
          node.name() + "." + path, "going on outside its keys", "curves that hold there");
    }
  }

  private static boolean moves(Curve curve) {
    return curve.isKeyed() && !curve.isConstant();
  }

  /** From the last frame at which all stand as at their first key to the first as at their last. */
  private static Window moving(List<Curve> curves) {
    double from = Double.POSITIVE_INFINITY;
    double to = Double.NEGATIVE_INFINITY;
    for (Curve curve : curves) {
      int last = curve.keys().size() - 1;
      int start = 0;
      while (start + 1 < last && isStill(curve, start, 0)) {
        start++;
      }
      int end = last;
      while (end > start + 1 && isStill(curve, end - 1, last)) {
        end--;
      }
      from = Math.min(from, curve.keys().get(start).frame());
      to = Math.max(to, curve.keys().get(end).frame());
    }
    return new Window(OptionalDouble.of(from), OptionalDouble.of(to));
  }

  /** Whether a curve stays at the value of a key all over the stretch behind another one. */
  private static boolean isStill(Curve curve, int stretch, int key) {
    Segment segment = curve.segment(stretch);
    double value = curve.keys().get(key).value();
    return Math.abs(segment.lowest() - value) < NOTHING
        && Math.abs(segment.highest() - value) < NOTHING;
  }

  private Move turn(Node node, Path path) {
    Curve curve = node.chain().curve(path);
    Window window = moving(List.of(curve));
    double from = window.from().orElseThrow();
    double to = window.to().orElseThrow();
    double first = curve.at(from);
    double amount = curve.at(to) - first;
    refuseReturn(node, path.toString(), Math.abs(amount));
    double[] shares = new double[samples(from, to)];
    for (int i = 0; i < shares.length; i++) {
      shares[i] = (curve.at(frame(from, to, i, shares.length)) - first) / amount;
    }
    MoveFit fit = MoveFit.of(from, to, shares);
    if (!(fit.off() * Math.abs(amount) <= toleranceDeg)) {
      throw far(node, path.toString(), fit, fit.off() * Math.abs(amount), "°", toleranceDeg);
    }
    return move(TURNS.get(path), amount, from, to, fit.ease());
  }

  /** What comes back to where it was has no way that a move could go. */
  private static void refuseReturn(Node node, String what, double way) {
    if (way < NOTHING) {
      throw new RefusedException(
          node.name() + "." + what, "back where it was at its last key", "a way to somewhere else");
    }
  }

  private static RefusedException far(
      Node node, String what, MoveFit fit, double off, String unit, double tolerance) {
    return new RefusedException(
        node.name() + "." + what,
        String.format(Locale.ROOT, "%.4f %s off a move at frame %s", off, unit, fit.worst()),
        "at most " + tolerance + " " + unit + ", or other keys");
  }

  private List<Move> place(Node node, Map<Path, Curve> still) {
    Chain chain = node.chain();
    List<Curve> moving = Path.PLACE.stream().map(chain::curve).filter(KeysToMoves::moves).toList();
    if (moving.isEmpty()) {
      return List.of();
    }
    Window window = moving(moving);
    double from = window.from().orElseThrow();
    double to = window.to().orElseThrow();
    Vector3d first = at(chain, from);
    Vector3d way = at(chain, to).sub(first);
    refuseReturn(node, "place", way.length());
    double[] shares = new double[samples(from, to)];
    double aside = 0;
    for (int i = 0; i < shares.length; i++) {
      Vector3d gone = at(chain, frame(from, to, i, shares.length)).sub(first);
      shares[i] = gone.dot(way) / way.lengthSquared();
      aside = Math.max(aside, gone.fma(-shares[i], way).length());
    }
    MoveFit fit = MoveFit.of(from, to, shares);
    double off = Math.hypot(fit.off() * way.length(), aside);
    if (!(off <= toleranceM)) {
      throw far(node, "place", fit, off, "m", toleranceM);
    }
    List<Move> all = new ArrayList<>();
    amounts(chain.with(still), way)
        .forEach((kind, amount) -> all.add(move(kind, amount, from, to, fit.ease())));
    return all;
  }

  /** How a way is gone by dolly, truck and pedestal, as the node looks while it stands still. */
  private static Map<Move.Way, Double> amounts(Chain still, Vector3d way) {
    double heading = Math.toRadians(still.curve(Path.PAN).rest());
    double pitch = Math.toRadians(still.curve(Path.TILT).rest());
    double ahead = -way.x * Math.sin(heading) - way.z * Math.cos(heading);
    double flat = Math.cos(pitch);
    double dolly = Math.abs(ahead) > NOTHING && Math.abs(flat) > 1e-3 ? ahead / flat : 0;
    double left = ahead - dolly * flat;
    Map<Move.Way, Double> all = new EnumMap<>(Move.Way.class);
    all.put(Move.Way.DOLLY, dolly);
    all.put(Move.Way.TRUCK, way.x * Math.cos(heading) - way.z * Math.sin(heading));
    all.put(Move.Way.PEDESTAL, way.y - dolly * Math.sin(pitch));
    if (Math.abs(left) > NOTHING) {
      throw new RefusedException(
          "place", "ahead of what looks straight up or down", "a way across or up");
    }
    all.values().removeIf(amount -> Math.abs(amount) < NOTHING);
    return all;
  }

  private Move move(Move.Way way, double amount, double from, double to, Ease ease) {
    String word = way.name().toLowerCase(Locale.ROOT);
    Move plain = Move.of(newId + "-" + word, way, amount, from, to);
    return new Move(plain.body(), way, amount, ease, plain.after(), 1, plain.pivot());
  }

  private static Vector3d at(Chain chain, double frame) {
    return new Vector3d(
        chain.curve(Path.X).at(frame),
        chain.curve(Path.Y).at(frame),
        chain.curve(Path.Z).at(frame));
  }

  private static int samples(double from, double to) {
    return (int) Math.min(4000, Math.max(8, Math.ceil((to - from) * STEPS_A_FRAME))) + 1;
  }

  private static double frame(double from, double to, int i, int count) {
    return from + (to - from) * i / (count - 1);
  }

  @Override
  public Footprint footprint(Shot shot) {
    return Footprint.of(shot).changesChain(id).changes(id, Path.POSE).done();
  }

  @Override
  public String summary() {
    return "Keys to moves";
  }
}
