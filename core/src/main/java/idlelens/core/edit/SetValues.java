package idlelens.core.edit;

import idlelens.core.part.Path;
import idlelens.core.rule.RefusedException;
import idlelens.core.rule.Require;
import idlelens.core.scene.Shot;
import java.util.Map;
import java.util.stream.Collectors;

/**
 * Sets channels of a node at a frame.
 *
 * @param id the node
 * @param frame where keys are set
 * @param values new values in the units of the channels
 * @param keying where they go
 */
public record SetValues(String id, double frame, Map<Path, Double> values, Keying keying)
    implements Edit {
  public SetValues {
    values = Map.copyOf(values);
    Require.finite(frame, "frame");
    Require.present(keying, "keying");
    if (values.isEmpty()) {
      throw new RefusedException("values", "empty", "at least one channel");
    }
  }

  @Override
  public Shot apply(Shot shot) {
    return Keyed.write(shot, id, frame, values, keying);
  }

  @Override
  public Footprint footprint(Shot shot) {
    return Keyed.footprint(shot, id, values.keySet(), keying).done();
  }

  @Override
  public String summary() {
    return (keying == Keying.STILL ? "Set " : "Key ")
        + values.keySet().stream().sorted().map(Path::toString).collect(Collectors.joining(", "));
  }
}
