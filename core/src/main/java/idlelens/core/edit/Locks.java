package idlelens.core.edit;

import idlelens.core.rule.RefusedException;
import idlelens.core.scene.Channel;
import idlelens.core.scene.Node;
import idlelens.core.scene.Shot;

/** Keeps locked channels as they are, whatever the edit. */
final class Locks {
  private Locks() {}

  /**
   * The shot after an edit.
   *
   * @throws RefusedException if the edit changed a locked channel
   */
  static Shot kept(Shot before, Edit edit) {
    Shot after = edit.apply(before);
    if (edit instanceof Restore || edit instanceof ConvertRate) {
      return after; // the one goes back to what was, the other changes what a frame is
    }
    for (Node node : before.nodes()) {
      for (Channel channel : node.filter().locked()) {
        refuseChange(node, after.find(node.id()).orElse(node), channel);
      }
    }
    return after;
  }

  private static void refuseChange(Node before, Node after, Channel channel) {
    if (before.channels().curves().containsKey(channel)
        && !before.channels().get(channel).equals(after.channels().get(channel))) {
      throw new RefusedException(
          before.name() + "." + channel.id(), "locked", "a change once it is unlocked");
    }
  }
}
