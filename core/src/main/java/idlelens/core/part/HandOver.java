package idlelens.core.part;

import idlelens.core.geometry.RigidPose;
import idlelens.core.rule.Require;
import java.util.Optional;
import java.util.function.DoubleUnaryOperator;

/**
 * Another carrier from a frame on, that frame included.
 *
 * @param id unique among the hand-overs of its node: 1 to 40 lower-case letters, digits or '-'
 * @param frame the first frame with the new carrier
 * @param carrierId the new carrier, or "" for the world
 * @param offset constant pose between the new carrier and the node; none where the node goes on
 *     from the place that the carrier before leaves it at: {@code S(t) = Q(t) Q(f)^-1 S'(f)}
 */
public record HandOver(String id, double frame, String carrierId, Optional<RigidPose> offset)
    implements Stamp {
  public HandOver {
    Stamp.checkId(id);
    Require.within(frame, -1e7, 1e7, "handOver.frame");
    Require.present(carrierId, "handOver.carrier");
    Require.present(offset, "handOver.offset");
  }

  /** Whether the node does not jump, whatever was before. */
  public boolean keepsPlace() {
    return offset.isEmpty();
  }

  public HandOver at(double newFrame) {
    return new HandOver(id, newFrame, carrierId, offset);
  }

  /** The same to another carrier, with a constant of its own or none. */
  public HandOver to(String other, Optional<RigidPose> newOffset) {
    return new HandOver(id, frame, other, newOffset);
  }

  @Override
  public HandOver retimed(DoubleUnaryOperator map) {
    return at(map.applyAsDouble(frame));
  }
}
