package idlelens.core.edit;

import idlelens.core.part.Part;
import idlelens.core.part.Stamp;
import idlelens.core.rule.RefusedException;
import idlelens.core.scene.Node;

/** Finds a stamp of a part. */
final class StampOf {
  private StampOf() {}

  /** The stamp of that id; a refusal lists those that there are. */
  static Stamp find(Node node, Part part, String stampId) {
    return part.stamps().stream()
        .filter(s -> s.id().equals(stampId))
        .findFirst()
        .orElseThrow(
            () ->
                new RefusedException(
                    node.name() + "." + part.id() + ".stamp",
                    "'" + stampId + "'",
                    part.stamps().isEmpty()
                        ? "none, as it has none"
                        : String.join(", ", part.stamps().stream().map(Stamp::id).toList())));
  }
}
