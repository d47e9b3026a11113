package idlelens.exchange.scenefile;

import idlelens.core.rule.RefusedException;
import java.util.List;
import java.util.Optional;

/** A format that is only read. */
public interface ReadOnly extends SceneFormat {
  /** Said of formats that are never written. */
  Holds NOTHING =
      new Holds(
          List.of(Axes.Y_UP),
          Optional.empty(),
          Optional.empty(),
          false,
          false,
          false,
          false,
          false);

  @Override
  default boolean isWritten() {
    return false;
  }

  @Override
  default Written write(SceneFile scene) {
    throw new RefusedException("format", id(), "a format that is written");
  }
}
