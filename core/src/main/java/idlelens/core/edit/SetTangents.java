package idlelens.core.edit;

import idlelens.core.curve.Curve;
import idlelens.core.curve.Key;
import idlelens.core.rule.Require;
import idlelens.core.scene.Shot;
import java.util.ArrayList;
import java.util.List;

/** Sets how curves pass through keys. */
public record SetTangents(Picks picks, TangentChoice choice) implements Edit {
  public SetTangents {
    Require.present(choice, "tangent");
  }

  @Override
  public Shot apply(Shot shot) {
    return picks.change(shot, this::changed);
  }

  private Curve changed(Curve curve, KeyPick pick) {
    List<Key> keys = new ArrayList<>();
    for (int i = 0; i < curve.keys().size(); i++) {
      Key key = curve.keys().get(i);
      keys.add(pick.holds(key) ? key.withTangent(choice.of(curve, i)) : key);
    }
    return curve.withKeys(keys);
  }

  @Override
  public Footprint footprint(Shot shot) {
    return picks.footprint(shot).done();
  }

  @Override
  public String summary() {
    return "Set tangents";
  }
}
