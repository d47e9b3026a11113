package idlelens.exchange.json;

import idlelens.core.scene.Node;
import idlelens.core.scene.Shot;
import java.io.ByteArrayOutputStream;
import java.nio.charset.StandardCharsets;
import java.util.IdentityHashMap;
import java.util.Map;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/**
 * The document of a shot as text. It keeps the text of every node, so that the next revision writes
 * anew only the nodes that changed.
 */
public final class ShotText {
  private static final byte[] NODES = ",\"nodes\":[".getBytes(StandardCharsets.US_ASCII);

  private final Map<Node, byte[]> nodes = new IdentityHashMap<>();
  private final byte[] octets;

  private ShotText(Shot shot, Map<Node, byte[]> earlier) {
    for (Node node : shot.nodes()) {
      byte[] known = earlier.get(node);
      nodes.put(
          node, known != null ? known : JsonPlace.mapper().writeValueAsBytes(NodeJson.write(node)));
    }
    octets = joined(shot);
  }

  /** The document, its nodes taken as they are: one object, written here by hand. */
  private byte[] joined(Shot shot) {
    byte[] head = JsonPlace.mapper().writeValueAsBytes(ShotJson.head(shot));
    ByteArrayOutputStream out = new ByteArrayOutputStream(octetsOfNodes() + head.length + 256);
    out.write(head, 0, head.length - 1); // without its brace
    out.writeBytes(NODES);
    boolean first = true;
    for (Node node : shot.nodes()) {
      if (!first) {
        out.write(',');
      }
      first = false;
      out.writeBytes(nodes.get(node));
    }
    out.write(']');
    ObjectNode behind = JsonNodeFactory.instance.objectNode();
    ShotJson.writeTimeline(shot, behind);
    byte[] timeline = JsonPlace.mapper().writeValueAsBytes(behind);
    if (!behind.isEmpty()) {
      out.write(',');
      out.write(timeline, 1, timeline.length - 2); // without its braces
    }
    out.write('}');
    return out.toByteArray();
  }

  private int octetsOfNodes() {
    return nodes.values().stream().mapToInt(n -> n.length + 1).sum();
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
