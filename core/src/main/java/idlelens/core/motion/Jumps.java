package idlelens.core.motion;

import idlelens.core.curve.Curve;
import idlelens.core.curve.Key;
import idlelens.core.curve.Tangent;
import idlelens.core.part.Carried;
import idlelens.core.part.Keys;
import idlelens.core.part.Path;
import idlelens.core.scene.Node;
import idlelens.core.scene.Shot;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.NavigableSet;
import java.util.Set;
import java.util.TreeSet;

/**
 * The frames at which a node jumps from one place to another, so that nothing belongs together
 * across them: where its whole pose is held until a key that is somewhere else, where it is handed
 * over with a jump, and where what carries it jumps.
 */
public final class Jumps {
  /** A step that is as long, in metres, is a jump. */
  public static final double LEAST_M = 0.1;

  /** A step that turns as far, in degrees, is a jump. */
  public static final double LEAST_DEG = 3;

  private final Shot shot;
  private final Map<String, NavigableSet<Double>> known = new HashMap<>();

  public Jumps(Shot shot) {
    this.shot = shot;
  }

  /** Those of a node, in order. */
  public static NavigableSet<Double> of(Shot shot, Node node) {
    return new Jumps(shot).of(node);
  }

  /** Whether something jumps behind one frame and until another. */
  public static boolean isBetween(NavigableSet<Double> jumps, double from, double to) {
    Double next = jumps.higher(from);
    return next != null && next <= to;
  }

  /** Those of a node, in order. */
  public NavigableSet<Double> of(Node node) {
    if (!known.containsKey(node.id())) {
      shot.carriersOf(node, known::containsKey).forEach(this::find);
      find(node);
    }
    return known.get(node.id());
  }

  /** Those of a node, when those of what carries it are known. */
  private void find(Node node) {
    NavigableSet<Double> all = new TreeSet<>();
    if (node.chain().part(Keys.ID).isOn()) {
      own(node, all);
    }
    if (node.chain().carried().isOn()) {
      carried(node.chain().carried(), all);
    }
    known.put(node.id(), all);
  }

  /** Adds what comes of the carriers, of each while it carries. */
  private void carried(Carried carried, NavigableSet<Double> all) {
    for (int k = 0; k <= carried.later().size(); k++) {
      boolean last = k == carried.later().size();
      double from = k == 0 ? Double.NEGATIVE_INFINITY : carried.later().get(k - 1).frame();
      double to = last ? Double.POSITIVE_INFINITY : carried.later().get(k).frame();
      if (k > 0 && carried.later().get(k - 1).offset().isPresent()) {
        all.add(from); // without keeping its place
      }
      String carrier = carried.carrier(k);
      if (!carrier.isEmpty()) {
        all.addAll(known.get(carrier).subSet(from, false, to, false));
      }
    }
  }

  private static void own(Node node, NavigableSet<Double> all) {
    List<Curve> curves = new ArrayList<>();
    Set<Double> frames = new HashSet<>();
    for (Path path : Path.POSE) {
      Curve curve = node.chain().curve(path);
      curves.add(curve);
      for (int i = 1; i < curve.keys().size(); i++) {
        if (isHeld(curve.keys().get(i - 1)) && steps(curve, i)) {
          frames.add(curve.keys().get(i).frame());
        }
      }
    }
    for (double frame : frames) {
      if (curves.stream().allMatch(c -> standsBefore(c, frame)) && isFar(curves, frame)) {
        all.add(frame);
      }
    }
  }

  private static boolean isHeld(Key key) {
    return key.tangent().leaves(Tangent.Kind.HOLD);
  }

  private static boolean steps(Curve curve, int i) {
    return curve.keys().get(i).value() != curve.keys().get(i - 1).value();
  }

  /** Whether a curve does not move just before a frame. */
  private static boolean standsBefore(Curve curve, double frame) {
    int before = curve.keysUntil(Math.nextDown(frame)) - 1;
    boolean between = before >= 0 && before + 1 < curve.keys().size();
    return !between || isHeld(curve.keys().get(before)) || curve.isConstant();
  }

  private static boolean isFar(List<Curve> curves, double frame) {
    double squares = 0;
    double turn = 0;
    for (int c = 0; c < curves.size(); c++) {
      double step = Math.abs(curves.get(c).at(frame) - heldBefore(curves.get(c), frame));
      squares += c < 3 ? step * step : 0;
      turn = c < 3 ? turn : Math.max(turn, step);
    }
    return Math.sqrt(squares) >= LEAST_M || turn >= LEAST_DEG;
  }

  private static double heldBefore(Curve curve, double frame) {
    int before = curve.keysUntil(Math.nextDown(frame)) - 1;
    return before < 0 ? curve.at(frame) : curve.keys().get(before).value();
  }
}
