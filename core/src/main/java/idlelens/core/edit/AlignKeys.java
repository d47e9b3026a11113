package idlelens.core.edit;

import idlelens.core.rule.RefusedException;
import idlelens.core.rule.Require;
import idlelens.core.scene.Channel;
import idlelens.core.scene.Node;
import idlelens.core.scene.Shot;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;

/**
 * Gives a node and all its carriers a whole-pose key at every frame at which one of them has a key.
 * The motion stays as it is. Channels that their filter leaves out are passed over.
 *
 * @param id the node at the end of the rig, usually a camera
 */
public record AlignKeys(String id) implements Edit {
  public AlignKeys {
    Require.present(id, "id");
  }

  @Override
  public Shot apply(Shot shot) {
    List<Node> rig = new ArrayList<>(shot.carriersOf(id));
    rig.add(shot.node(id));
    TreeSet<Double> frames = new TreeSet<>();
    rig.forEach(n -> frames.addAll(n.channels().keyFrames(Channel.POSE)));
    if (frames.isEmpty()) {
      throw new RefusedException("rig", "without keys", "a rig with at least one key");
    }
    List<KeyPick> picks = new ArrayList<>();
    for (Node node : rig) {
      List<Channel> channels = Channel.POSE.stream().filter(c -> node.filter().passes(c)).toList();
      if (!channels.isEmpty()) {
        picks.add(new KeyPick(node.id(), channels, List.copyOf(frames)));
      }
    }
    return new InsertKeys(new Picks(picks)).apply(shot);
  }

  /** The carriers are known only once the shot is. */
  @Override
  public Set<String> touches() {
    return Set.of("everything");
  }

  @Override
  public String summary() {
    return "Align keys of the rig";
  }
}
