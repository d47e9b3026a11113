package idlelens.core.edit;

import idlelens.core.part.Part;
import idlelens.core.part.Pull;
import idlelens.core.part.Stamp;
import idlelens.core.rule.Require;
import idlelens.core.scene.Node;
import idlelens.core.scene.Shot;

/**
 * Changes frames that a part holds, such as its window.
 *
 * @param part id of the part
 * @param stamp what takes the place of the one of its id
 */
public record SetStamp(String id, String part, Stamp stamp) implements Edit {
  public SetStamp {
    Require.present(id, "id");
    Require.present(part, "part");
    Require.present(stamp, "stamp");
  }

  @Override
  public Shot apply(Shot shot) {
    Node node = shot.node(id);
    Part old = node.chain().part(part);
    StampOf.find(node, old, stamp.id());
    return shot.withNode(node.withChain(node.chain().with(old.withStamp(stamp))));
  }

  @Override
  public Footprint footprint(Shot shot) {
    return Footprint.of(shot)
        .changes(Place.stamp(id, part, stamp.id()))
        .reliesOn(Place.there(id), Place.takesKeys(id))
        .done();
  }

  @Override
  public String summary() {
    return (stamp instanceof Pull ? "Set a pull of " : "Set the window of ") + PartWords.of(part);
  }
}
