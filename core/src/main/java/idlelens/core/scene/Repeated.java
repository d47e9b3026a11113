package idlelens.core.scene;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/** Which repeat carries a node for all frames, at any depth; each way up is gone once. */
final class Repeated {
  private final Map<String, Node> byId;
  private final Map<String, Node.Repeat> repeats = new HashMap<>();
  private final Set<String> done = new HashSet<>();

  Repeated(Map<String, Node> byId) {
    this.byId = byId;
    if (byId.values().stream().anyMatch(Node.Repeat.class::isInstance)) {
      byId.values().forEach(this::find);
    }
  }

  Optional<Node.Repeat> of(String id) {
    return Optional.ofNullable(repeats.get(id));
  }

  private void find(Node node) {
    List<String> way = new ArrayList<>();
    Node.Repeat repeat = null;
    Node each = node;
    while (each != null && repeat == null) {
      if (!done.add(each.id())) {
        repeat = repeats.get(each.id());
        break;
      }
      way.add(each.id());
      each = byId.get(each.parentId());
      repeat = each instanceof Node.Repeat found ? found : null;
    }
    for (String id : repeat == null ? List.<String>of() : way) {
      repeats.put(id, repeat);
    }
  }
}
