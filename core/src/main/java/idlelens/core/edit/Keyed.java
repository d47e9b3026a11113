package idlelens.core.edit;

import idlelens.core.curve.Curve;
import idlelens.core.curve.Key;
import idlelens.core.curve.Round;
import idlelens.core.curve.Tangent;
import idlelens.core.part.Chain;
import idlelens.core.part.Part;
import idlelens.core.part.Path;
import idlelens.core.rule.RefusedException;
import idlelens.core.scene.Node;
import idlelens.core.scene.Shot;
import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.Map;
import java.util.Set;

/** Writes values into the curves of a node, as keys or as rest values. */
final class Keyed {
  private Keyed() {}

  static Shot write(Shot shot, String id, double frame, Map<Path, Double> values, Keying keying) {
    Node node = shot.node(id);
    Chain chain = node.chain();
    boolean whole = keying == Keying.WHOLE_POSE && movesStillPose(chain, values);
    Map<Path, Curve> next = new LinkedHashMap<>();
    for (Path path : affected(values.keySet(), keying)) {
      Curve curve = chain.curve(path);
      if (keying != Keying.STILL && !takes(node, path, curve, frame, values.keySet())) {
        continue;
      }
      refuseSwitchedOff(node, path, curve);
      double value =
          values.containsKey(path)
              ? chain.parameter(path).check(values.get(path))
              : curve.at(frame);
      next.put(
          path,
          keying == Keying.STILL
              ? rest(node, path, curve, frame, value)
              : keyed(
                  whole && path.isPose() || value != curve.rest()
                      ? FirstKey.anchored(shot, id, curve, frame)
                      : curve,
                  frame,
                  value,
                  shot.header().newKeys()));
    }
    if (next.isEmpty()) {
      throw new RefusedException(
          node.name() + "." + values.keySet().iterator().next(),
          "left out of keys",
          "a change without Record, or to let it take keys under Tools");
    }
    return shot.withNode(node.withChain(chain.with(next)));
  }

  /**
   * Whether a path takes a key: not where it is left out, unless it has one at the frame already.
   * What is locked is refused later, when it was meant.
   */
  private static boolean takes(
      Node node, Path path, Curve curve, double frame, Collection<Path> meant) {
    return meant.contains(path)
        ? !node.takesKeys().leftOut().contains(path) || curve.indexOf(frame) >= 0
        : node.takesKeys().passes(path);
  }

  /** Whether a channel of the pose that stood still is to move. */
  private static boolean movesStillPose(Chain chain, Map<Path, Double> values) {
    return values.entrySet().stream()
        .filter(e -> e.getKey().isPose() && !chain.curve(e.getKey()).isKeyed())
        .anyMatch(e -> e.getValue() != chain.curve(e.getKey()).rest());
  }

  /** What is set at a frame must be seen there. */
  static void refuseSwitchedOff(Node node, Path path, Curve curve) {
    Part part = node.chain().part(path.part());
    if (curve.isKeyed() && !part.isOn()) {
      throw new RefusedException(
          node.name() + "." + path,
          "without effect while " + part.kind().label() + " is switched off",
          "to set it after switching " + part.kind().label() + " on");
    }
  }

  /** What an edit that writes such values changes, and relies on. */
  static Footprint.Builder footprint(
      Shot shot, String id, Collection<Path> changed, Keying keying) {
    Set<Path> paths = affected(changed, keying);
    Footprint.Builder places = Footprint.of(shot).keys(id, paths);
    return keying == Keying.STILL ? places : FirstKey.footprint(places, shot, id, paths);
  }

  private static Set<Path> affected(Collection<Path> changed, Keying keying) {
    Set<Path> all = new LinkedHashSet<>(changed);
    if (keying == Keying.WHOLE_POSE && changed.stream().anyMatch(Path::isPose)) {
      all.addAll(Path.POSE);
    }
    return all;
  }

  private static Curve rest(Node node, Path path, Curve curve, double frame, double value) {
    if (!curve.isKeyed()) {
      return curve.withRest(value);
    }
    double inside = Round.place(curve, frame).frame();
    int at = curve.indexOf(inside);
    if (at < 0) {
      throw new RefusedException(
          node.name() + "." + path,
          "keyed, with no key at frame " + frame,
          "to set a key here, or to change it at one of its keys");
    }
    return keyed(curve, frame, value, curve.keys().get(at).tangent());
  }

  /**
   * A key with the tangent of the one it replaces. Where the curve cycles it comes to stand in the
   * round that is repeated, which gets no longer by it.
   *
   * @param usual tangent of a key that is not there yet
   */
  private static Curve keyed(Curve curve, double frame, double value, Tangent usual) {
    if (Round.place(curve, frame).frame() != frame) {
      return Round.withValue(curve, frame, value, usual);
    }
    int at = curve.indexOf(frame);
    Tangent tangent = at >= 0 ? curve.keys().get(at).tangent() : usual;
    return curve.withKey(new Key(frame, value, tangent));
  }
}
