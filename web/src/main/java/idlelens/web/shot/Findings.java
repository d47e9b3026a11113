package idlelens.web.shot;

import idlelens.core.check.Creep;
import idlelens.core.curve.Curve;
import idlelens.core.curve.Overshoot;
import idlelens.core.curve.Overshoots;
import idlelens.core.part.Path;
import idlelens.core.scene.Node;
import idlelens.core.scene.Shot;
import java.util.List;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** What is wrong with a node's curves, as the browser gets it. */
final class Findings {
  /** The most of one kind that are told of one node. */
  private static final int MOST = 200;

  private Findings() {}

  /**
   * Adds {@code overshoots}, each {@code [channel, frame, value, amount]}, and {@code creeps}, each
   * {@code [channel, from, missing, amount]}; leaves out what is empty.
   */
  static void add(ObjectNode out, Shot shot, Node node) {
    ArrayNode overshoots = out.arrayNode();
    for (Path path : node.chain().paths()) {
      for (Overshoot o : found(node.chain().curve(path))) {
        if (overshoots.size() < MOST) {
          overshoots.addArray().add(path.toString()).add(o.frame()).add(o.value()).add(o.amount());
        }
      }
    }
    ArrayNode creeps = out.arrayNode();
    Creep.find(shot, node).stream()
        .limit(MOST)
        .forEach(
            c ->
                creeps
                    .addArray()
                    .add(c.path().toString())
                    .add(c.from())
                    .add(c.missing())
                    .add(c.amount()));
    if (!overshoots.isEmpty()) {
      out.set("overshoots", overshoots);
    }
    if (!creeps.isEmpty()) {
      out.set("creeps", creeps);
    }
  }

  private static List<Overshoot> found(Curve curve) {
    return curve.keys().size() < 2 ? List.of() : Overshoots.find(curve, 0);
  }
}
