package idlelens.exchange.json;

import idlelens.core.scene.Node;
import idlelens.core.scene.Shot;
import java.util.IdentityHashMap;
import java.util.Map;
import java.util.stream.Collectors;
import tools.jackson.databind.node.ObjectNode;
import tools.jackson.databind.util.RawValue;

/**
 * The document of a shot as text. It keeps the text of every node, so that the next revision writes
 * anew only the nodes that changed.
 */
public final class ShotText {
  private final Map<Node, String> nodes = new IdentityHashMap<>();
  private final byte[] octets;

  private ShotText(Shot shot, Map<Node, String> earlier) {
    for (Node node : shot.nodes()) {
      String known = earlier.get(node);
      nodes.put(
          node,
          known != null ? known : JsonPlace.mapper().writeValueAsString(NodeJson.write(node)));
    }
    String all = shot.nodes().stream().map(nodes::get).collect(Collectors.joining(",", "[", "]"));
    ObjectNode out = ShotJson.head(shot);
    out.putRawValue("nodes", new RawValue(all));
    ShotJson.writeMarkers(shot, out);
    octets = JsonPlace.mapper().writeValueAsBytes(out);
  }

  public static ShotText of(Shot shot) {
    return new ShotText(shot, Map.of());
  }

  /** The text of a shot that shares nodes with this one. */
  public ShotText next(Shot shot) {
    return new ShotText(shot, nodes);
  }

  /** The document in UTF-8. Nobody writes to it. */
  public byte[] octets() {
    return octets;
  }
}
