package idlelens.core.edit;

import idlelens.core.rule.Require;
import idlelens.core.scene.ChainPart;
import idlelens.core.scene.Node;
import idlelens.core.scene.Shot;
import java.util.EnumSet;
import java.util.Set;

/** Switches a part of a node's chain on or off. */
public record SwitchPart(String id, ChainPart part, boolean on) implements Edit {
  public SwitchPart {
    Require.present(part, "part");
  }

  @Override
  public Shot apply(Shot shot) {
    Node node = shot.node(id);
    EnumSet<ChainPart> off = EnumSet.noneOf(ChainPart.class);
    off.addAll(node.body().off());
    if (on) {
      off.remove(part);
    } else {
      off.add(part);
    }
    return shot.withNode(node.withBody(node.body().withOff(off)));
  }

  @Override
  public Set<String> touches() {
    return Set.of(id + "/*"); // what is set while it is on may be refused while it is off
  }

  @Override
  public String summary() {
    return "Switch " + part.title() + (on ? " on" : " off");
  }
}
