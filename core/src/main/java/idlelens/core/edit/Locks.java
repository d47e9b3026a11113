package idlelens.core.edit;

import idlelens.core.part.Path;
import idlelens.core.rule.RefusedException;
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
    refuseLockedPart(before, edit);
    Shot after = edit.apply(before);
    if (edit instanceof Restore || edit instanceof ConvertRate) {
      return after; // the one goes back to what was, the other changes what a frame is
    }
    for (Node node : before.nodes()) {
      for (Path path : node.takesKeys().locked()) {
        refuseChange(node, after.find(node.id()).orElse(null), path);
      }
    }
    return after;
  }

  private static void refuseChange(Node before, Node after, Path path) {
    boolean same =
        after != null
            && after.chain().has(path)
            && before.chain().curve(path).equals(after.chain().curve(path));
    if (!same) {
      throw locked(before, path);
    }
  }

  /** A part with a locked curve is neither set nor removed. */
  private static void refuseLockedPart(Shot shot, Edit edit) {
    if (edit instanceof SetPart set) {
      refuseLockedPart(shot.node(set.id()), set.part().id());
    } else if (edit instanceof RemovePart remove) {
      refuseLockedPart(shot.node(remove.id()), remove.part());
    } else if (edit instanceof SetStamp stamp) {
      refuseLockedPart(shot.node(stamp.id()), stamp.part());
    } else if (edit instanceof MoveStamp stamp) {
      refuseLockedPart(shot.node(stamp.id()), stamp.part());
    } else if (edit instanceof RemoveStamp stamp) {
      refuseLockedPart(shot.node(stamp.id()), stamp.part());
    }
  }

  private static void refuseLockedPart(Node node, String partId) {
    for (Path path : node.takesKeys().locked()) {
      if (path.part().equals(partId)) {
        throw locked(node, path);
      }
    }
  }

  private static RefusedException locked(Node node, Path path) {
    return new RefusedException(node.name() + "." + path, "locked", "a change once it is unlocked");
  }
}
