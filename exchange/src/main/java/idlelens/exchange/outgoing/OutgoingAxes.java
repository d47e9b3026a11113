package idlelens.exchange.outgoing;

import idlelens.core.geometry.RigidPose;
import idlelens.exchange.scenefile.Conventions;
import idlelens.exchange.scenefile.Rest;
import org.joml.Matrix3d;
import org.joml.Quaterniond;
import org.joml.Vector3d;

/** Our places and turns in the axes and the unit of a receiver. */
public final class OutgoingAxes {
  private final Matrix3d from;
  private final Matrix3d back;
  private final double units;
  private final boolean ownLook;

  public OutgoingAxes(Conventions conventions) {
    this.from = conventions.axes().fromOurs();
    this.back = conventions.axes().toOurs();
    this.units = 1 / conventions.metresPerUnit();
    this.ownLook = conventions.rest() == Rest.OWN_Z;
  }

  /** A length in the receiver's unit. */
  public double length(double metres) {
    return metres * units;
  }

  public Vector3d place(RigidPose pose) {
    return from.transform(pose.place()).mul(units);
  }

  /** A vector of our axes in the receiver's, as long as it was. */
  public Vector3d vector(Vector3d ours) {
    return from.transform(new Vector3d(ours));
  }

  /**
   * A turn.
   *
   * @param looks whether it is that of a camera or a sun
   */
  public Quaterniond turn(Quaterniond ours, boolean looks) {
    Matrix3d turn = new Matrix3d(from).mul(new Matrix3d().rotation(ours));
    if (!looks || !ownLook) {
      turn.mul(back);
    }
    return turn.getNormalizedRotation(new Quaterniond()).normalize();
  }
}
