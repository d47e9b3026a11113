package idlelens.core.edit;

import idlelens.core.curve.Curve;
import idlelens.core.lens.FocusRule;
import idlelens.core.motion.Evaluation;
import idlelens.core.motion.LensTrack;
import idlelens.core.rule.Require;
import idlelens.core.scene.Channel;
import idlelens.core.scene.Node;
import idlelens.core.scene.Shot;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;

/**
 * Takes nodes off the set. What a removed null carried goes to the null's own carrier, in place at
 * the given frame, or goes with it. A lens that followed a removed node keeps the focus distance it
 * has at that frame.
 *
 * @param ids the nodes
 * @param frame the frame at which places are kept
 * @param withCarried whether all that they carry goes too
 */
public record RemoveNodes(List<String> ids, double frame, boolean withCarried) implements Edit {
  public RemoveNodes {
    ids = List.copyOf(ids);
    Require.within(ids.size(), 1, Shot.MOST_NODES, "ids.count");
    Require.finite(frame, "frame");
  }

  @Override
  public Shot apply(Shot shot) {
    Set<String> gone =
        ids.stream()
            .flatMap(id -> withCarried ? shot.family(id).stream() : List.of(shot.node(id)).stream())
            .map(Node::id)
            .collect(Collectors.toSet());
    Shot after = holdFocus(shot, gone);
    for (Node node : shot.nodes()) {
      String carrier = node.carriage().carrierId();
      if (!gone.contains(node.id()) && gone.contains(carrier)) {
        after = new Carry(node.id(), staying(shot, carrier, gone), frame, true).apply(after);
      }
    }
    return after.withNodes(after.nodes().stream().filter(n -> !gone.contains(n.id())).toList());
  }

  private static String staying(Shot shot, String carrier, Set<String> gone) {
    String id = carrier;
    while (gone.contains(id)) {
      id = shot.node(id).carriage().carrierId();
    }
    return id;
  }

  private Shot holdFocus(Shot shot, Set<String> gone) {
    Shot after = shot;
    Evaluation now = null;
    for (Node.Camera camera : shot.cameras()) {
      if (camera.lens().focus() instanceof FocusRule.Follow follow
          && gone.contains(follow.nodeId())) {
        now = now == null ? Evaluation.at(shot, frame) : now;
        LensTrack lens = now.of(camera.id()).lens().orElseThrow();
        Node still =
            camera.withChannels(
                camera.channels().with(Channel.FOCUS, Curve.still(lens.focusM()[0])));
        after =
            after.withNode(
                ((Node.Camera) still).withLens(camera.lens().withFocus(new FocusRule.Distance())));
      }
    }
    return after;
  }

  @Override
  public Set<String> touches() {
    Set<String> touched = new HashSet<>();
    ids.forEach(id -> touched.add(id + "/*"));
    touched.add("list");
    return touched;
  }

  @Override
  public String summary() {
    return ids.size() == 1 ? "Remove a node" : "Remove " + ids.size() + " nodes";
  }
}
