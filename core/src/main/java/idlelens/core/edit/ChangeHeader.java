package idlelens.core.edit;

import idlelens.core.rule.Require;
import idlelens.core.scene.Shot;
import idlelens.core.scene.ShotHeader;
import java.util.Set;

/** Changes name, rate, range, handles, picture aspect, scale, or the tangent of new keys. */
public record ChangeHeader(ShotHeader header) implements Edit {
  public ChangeHeader {
    Require.present(header, "header");
  }

  @Override
  public Shot apply(Shot shot) {
    return shot.withHeader(header);
  }

  @Override
  public Set<String> touches() {
    return Set.of("header");
  }

  @Override
  public String summary() {
    return "Change the shot's settings";
  }
}
