package idlelens.core.part;

import idlelens.core.rule.Require;
import java.util.function.DoubleUnaryOperator;

/**
 * A frame at which a layer of jolts is struck.
 *
 * @param id unique in its part
 * @param frame when
 */
public record Hit(String id, double frame) implements Stamp {
  public Hit {
    Stamp.checkId(id);
    Require.within(frame, -1e7, 1e7, "hit.frame");
  }

  @Override
  public Hit retimed(DoubleUnaryOperator map) {
    return new Hit(id, map.applyAsDouble(frame));
  }
}
