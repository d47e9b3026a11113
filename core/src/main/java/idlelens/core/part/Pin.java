package idlelens.core.part;

import idlelens.core.rule.Require;
import java.util.function.DoubleUnaryOperator;

/**
 * A place on a rail that a ride reaches at a frame, whatever becomes of the rail behind it.
 *
 * @param id unique among the pins of its ride: 1 to 40 lower-case letters, digits or '-'
 * @param frame when it is reached
 * @param anchorId the anchor of the rail that is the place
 */
public record Pin(String id, double frame, String anchorId) implements Stamp {
  public Pin {
    Stamp.checkId(id);
    Require.within(frame, -1e7, 1e7, "pin.frame");
    Require.present(anchorId, "pin.anchor");
  }

  public Pin at(double newFrame) {
    return new Pin(id, newFrame, anchorId);
  }

  @Override
  public Pin retimed(DoubleUnaryOperator map) {
    return at(map.applyAsDouble(frame));
  }
}
