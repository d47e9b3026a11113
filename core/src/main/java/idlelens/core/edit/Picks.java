package idlelens.core.edit;

import idlelens.core.curve.Curve;
import idlelens.core.curve.Key;
import idlelens.core.part.Path;
import idlelens.core.retime.Landing;
import idlelens.core.retime.Retiming;
import idlelens.core.rule.RefusedException;
import idlelens.core.rule.Require;
import idlelens.core.scene.Node;
import idlelens.core.scene.Shot;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.UnaryOperator;

/** Keys of any number of nodes, and what is done to their curves. */
public record Picks(List<KeyPick> list) {
  /** The most picks in one edit. */
  public static final int MOST = 20_000;

  public Picks {
    list = List.copyOf(list);
    Require.within(list.size(), 1, MOST, "picks.count");
  }

  public static Picks of(String id, List<Path> paths, List<Double> frames) {
    return new Picks(List.of(new KeyPick(id, paths, frames)));
  }

  /** What becomes of a curve some keys of which are picked. */
  interface Change {
    Curve of(Curve curve, KeyPick pick);
  }

  /**
   * The shot with the picked curves changed.
   *
   * @throws RefusedException with the name of node and channel, from the change or its outcome
   */
  Shot change(Shot shot, Change change) {
    Map<String, Map<Path, Curve>> changed = new LinkedHashMap<>();
    for (KeyPick pick : list) {
      Node node = shot.node(pick.id());
      Map<Path, Curve> curves = changed.computeIfAbsent(pick.id(), id -> new LinkedHashMap<>());
      for (Path path : pick.paths()) {
        Curve curve = curves.getOrDefault(path, node.chain().curve(path));
        try {
          curves.put(path, change.of(curve, pick));
        } catch (RefusedException e) {
          throw e.inside(node.name() + "." + path);
        }
      }
    }
    Map<String, Node> nodes = new LinkedHashMap<>();
    changed.forEach(
        (id, curves) -> {
          Node node = shot.node(id);
          nodes.put(id, node.withChain(node.chain().with(curves)));
        });
    return shot.withChanged(nodes);
  }

  /** The shot with the picked keys moved one by one. */
  Shot move(Shot shot, UnaryOperator<Key> move, Landing landing) {
    return change(shot, (curve, pick) -> Retiming.move(curve, pick::holds, move, landing));
  }

  /** Refuses picks that hold no key at all. */
  void requireKeys(Shot shot) {
    boolean any =
        list.stream()
            .anyMatch(
                p ->
                    p.paths().stream()
                        .anyMatch(
                            c ->
                                shot.node(p.id()).chain().curve(c).keys().stream()
                                    .anyMatch(p::holds)));
    if (!any) {
      KeyPick first = list.get(0);
      throw new RefusedException(
          "frames",
          first.frames(),
          "frames at which " + shot.node(first.id()).name() + " has a key on these channels");
    }
  }

  Footprint.Builder footprint(Shot shot) {
    Footprint.Builder places = Footprint.of(shot);
    list.forEach(p -> places.changes(p.id(), p.paths()));
    return places;
  }

  /** "a key" or "12 keys", counted by frames of nodes. */
  String words() {
    Set<String> places = new HashSet<>();
    list.forEach(p -> p.frames().forEach(f -> places.add(p.id() + " " + f)));
    return places.size() == 1 ? "a key" : places.size() + " keys";
  }
}
