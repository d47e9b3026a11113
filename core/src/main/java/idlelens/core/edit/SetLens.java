package idlelens.core.edit;

import idlelens.core.lens.FocusRule;
import idlelens.core.lens.LensBody;
import idlelens.core.rule.Require;
import idlelens.core.scene.Shot;
import java.util.HashSet;
import java.util.Set;

/** Changes the sensor, the fit, or where focus comes from. */
public record SetLens(String id, LensBody lens) implements Edit {
  public SetLens {
    Require.present(lens, "lens");
  }

  @Override
  public Shot apply(Shot shot) {
    return shot.withNode(shot.camera(id).withLens(lens));
  }

  @Override
  public Set<String> touches() {
    Set<String> touched = new HashSet<>(Set.of(id + "/lens"));
    if (lens.focus() instanceof FocusRule.Follow follow) {
      touched.add(follow.nodeId() + "/followed");
    }
    return touched;
  }

  @Override
  public String summary() {
    return "Change the lens";
  }
}
