package idlelens.core.part;

import idlelens.core.geometry.RigidPose;
import idlelens.core.rule.Require;

/**
 * What carries a node: {@code W(t) = Q(t) * offset * L(t)} with the carrier's pose Q and the node's
 * own pose L. The offset keeps a keyed node in place when it is given to a carrier.
 *
 * @param carrierId id of the carrying null, or "" for the world
 * @param offset constant pose between carrier and node
 */
public record Carriage(String carrierId, RigidPose offset) {
  /** Standing in the world. */
  public static final Carriage WORLD = new Carriage("", RigidPose.IDENTITY);

  public Carriage {
    Require.present(carrierId, "carrier");
    Require.present(offset, "carrier.offset");
  }

  public static Carriage by(String carrierId) {
    return new Carriage(carrierId, RigidPose.IDENTITY);
  }

  public boolean isCarried() {
    return !carrierId.isEmpty();
  }
}
