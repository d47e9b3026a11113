package idlelens.core.edit;

import idlelens.core.rule.Require;
import idlelens.core.scene.Shot;

/**
 * Switches a part of a node's chain on or off.
 *
 * @param part id of the part
 */
public record SwitchPart(String id, String part, boolean on) implements Edit {
  public SwitchPart {
    Require.present(part, "part");
  }

  @Override
  public Shot apply(Shot shot) {
    return shot.withNode(shot.node(id).withPartOn(part, on));
  }

  @Override
  public Footprint footprint(Shot shot) {
    return Footprint.of(shot)
        .changes(Place.on(id, part))
        .reliesOn(Place.there(id), Place.parts(id))
        .done();
  }

  @Override
  public String summary() {
    return "Switch " + PartWords.of(part) + (on ? " on" : " off");
  }
}
