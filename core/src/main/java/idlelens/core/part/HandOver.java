package idlelens.core.part;

import idlelens.core.geometry.RigidPose;
import idlelens.core.rule.RefusedException;
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
 * @param settle where the node goes on from its place, frames over which it goes from there to
 *     where it would stand had the carrier before not shaken; 0 where it stays
 */
public record HandOver(
    String id, double frame, String carrierId, Optional<RigidPose> offset, double settle)
    implements Stamp {
  /** The longest way back. */
  public static final double LONGEST_SETTLE = 20_000;

  public HandOver {
    Stamp.checkId(id);
    Require.within(frame, -1e7, 1e7, "handOver.frame");
    Require.present(carrierId, "handOver.carrier");
    Require.present(offset, "handOver.offset");
    Require.within(settle, 0, LONGEST_SETTLE, "handOver.settle");
    if (settle > 0 && offset.isPresent()) {
      throw new RefusedException(
          "handOver.settle", settle, "0 where the pose between carrier and node is fixed");
    }
  }

  /** One after which the node stays in its place between both. */
  public HandOver(String id, double frame, String carrierId, Optional<RigidPose> offset) {
    this(id, frame, carrierId, offset, 0);
  }

  /** The same over so many times as many frames. */
  HandOver lasting(double factor) {
    double longer = Math.min(LONGEST_SETTLE, settle * factor);
    return new HandOver(id, frame, carrierId, offset, longer);
  }

  /** Whether the node does not jump, whatever was before. */
  public boolean keepsPlace() {
    return offset.isEmpty();
  }

  public HandOver at(double newFrame) {
    return new HandOver(id, newFrame, carrierId, offset, settle);
  }

  /** The same to another carrier, with a constant of its own or none. */
  public HandOver to(String other, Optional<RigidPose> newOffset) {
    return new HandOver(id, frame, other, newOffset, newOffset.isPresent() ? 0 : settle);
  }

  @Override
  public HandOver retimed(DoubleUnaryOperator map) {
    return at(map.applyAsDouble(frame));
  }
}
