package idlelens.core.edit;

import idlelens.core.curve.Curve;
import idlelens.core.curve.Key;
import idlelens.core.curve.Reversal;
import idlelens.core.curve.Tangent;
import idlelens.core.part.Parameter;
import idlelens.core.part.Path;
import idlelens.core.rule.RefusedException;
import idlelens.core.rule.Require;
import idlelens.core.scene.Node;
import idlelens.core.scene.Shot;
import java.util.ArrayList;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.stream.Stream;

/**
 * Puts copied keys onto a node.
 *
 * @param id the node; channels that it does not have are passed over
 * @param frame where the earliest of the copied keys comes to stand
 * @param keys copied keys of each channel, at frames of their own
 * @param way what becomes of their values
 * @param backwards whether the motion between them runs backwards
 */
public record PasteKeys(
    String id, double frame, Map<Path, List<Key>> keys, Way way, boolean backwards)
    implements Edit {

  /** What becomes of pasted values. */
  public enum Way {
    /** They are as they were copied. */
    SAME,
    /** They go on from the values that the node has at the frame. */
    OFFSET,
    /** Left becomes right: x, pan and roll change their sign. */
    MIRRORED
  }

  public PasteKeys {
    Require.present(id, "id");
    Require.within(frame, -1e7, 1e7, "frame");
    Require.present(way, "way");
    Map<Path, List<Key>> copy = new LinkedHashMap<>();
    new TreeMap<>(keys).forEach((c, k) -> copy.put(c, List.copyOf(k)));
    keys = Collections.unmodifiableMap(copy);
    if (keys.values().stream().allMatch(List::isEmpty)) {
      throw new RefusedException("keys", "empty", "at least one key");
    }
  }

  @Override
  public Shot apply(Shot shot) {
    Node node = shot.node(id);
    double first = all().mapToDouble(Key::frame).min().orElseThrow();
    double last = all().mapToDouble(Key::frame).max().orElseThrow();
    Map<Path, Curve> changed = new LinkedHashMap<>();
    keys.forEach(
        (path, copied) -> {
          if (node.chain().has(path) && !copied.isEmpty()) {
            Curve curve = node.chain().curve(path);
            Parameter parameter = node.chain().parameter(path);
            changed.put(path, pasted(curve, parameter, placed(parameter, copied, first, last)));
          }
        });
    if (changed.isEmpty()) {
      throw new RefusedException(
          "keys", "of channels that " + node.name() + " does not have", "channels of the node");
    }
    return shot.withNode(node.withChain(node.chain().with(changed)));
  }

  private Stream<Key> all() {
    return keys.values().stream().flatMap(List::stream);
  }

  private List<Key> placed(Parameter parameter, List<Key> copied, double first, double last) {
    double sign = way == Way.MIRRORED && parameter.mirrored() ? -1 : 1;
    List<Key> ordered = backwards ? Reversal.of(copied, first + last) : copied;
    return ordered.stream()
        .map(k -> new Key(frame + k.frame() - first, sign * k.value(), signed(k.tangent(), sign)))
        .toList();
  }

  private static Tangent signed(Tangent tangent, double sign) {
    if (tangent instanceof Tangent.Reached reached) {
      return new Tangent.Reached(reached.in().times(1, sign), reached.leaving());
    }
    return tangent instanceof Tangent.Free free
        ? free.withIn(free.in().times(1, sign)).withOut(free.out().times(1, sign))
        : tangent;
  }

  /** The curve with the pasted keys in place of its own between the first and the last of them. */
  private Curve pasted(Curve curve, Parameter parameter, List<Key> placed) {
    double from = placed.get(0).frame();
    double to = placed.get(placed.size() - 1).frame();
    double shift = way == Way.OFFSET ? curve.at(from) - placed.get(0).value() : 0;
    List<Key> next = new ArrayList<>();
    curve.keys().stream().filter(k -> k.frame() < from && !k.isAt(from)).forEach(next::add);
    placed.forEach(k -> next.add(k.withValue(parameter.check(k.value() + shift))));
    curve.keys().stream().filter(k -> k.frame() > to && !k.isAt(to)).forEach(next::add);
    return curve.withKeys(next);
  }

  @Override
  public Footprint footprint(Shot shot) {
    return Footprint.of(shot).changes(id, keys.keySet()).reliesOn(Place.parts(id)).done();
  }

  @Override
  public String summary() {
    String how = way == Way.SAME ? "" : " " + way.name().toLowerCase(java.util.Locale.ROOT);
    return "Paste keys" + how + (backwards ? " backwards" : "");
  }
}
