package idlelens.exchange.scenefile;

import idlelens.core.geometry.Turns;
import java.util.List;
import org.joml.Matrix3d;
import org.joml.Quaterniond;
import org.joml.Vector3d;

/**
 * Three angles about the axes of a receiver. In XYZ the turn is {@code Rx Ry Rz} for column
 * vectors: Z is done first to what is turned.
 */
public enum TurnOrder {
  /** About up, then right, then the line of sight: as ours, whatever the axes are called. */
  PAN_TILT_ROLL(""),
  XYZ("xyz"),
  XZY("xzy"),
  YXZ("yxz"),
  YZX("yzx"),
  ZXY("zxy"),
  ZYX("zyx");

  private final String letters;

  TurnOrder(String letters) {
    this.letters = letters;
  }

  /** What the angles are called, in the order of {@link #angles}. */
  public List<String> columns() {
    return this == PAN_TILT_ROLL ? List.of("pan", "tilt", "roll") : List.of("rx", "ry", "rz");
  }

  /** The axes about which it turns, first the one that is done last; of length 1. */
  public List<Vector3d> about(Axes axes) {
    if (this == PAN_TILT_ROLL) {
      Matrix3d from = axes.fromOurs();
      double sign = axes.isRightHanded() ? 1 : -1;
      return List.of(
          from.getColumn(1, new Vector3d()).mul(sign),
          from.getColumn(0, new Vector3d()).mul(sign),
          from.getColumn(2, new Vector3d()).mul(sign));
    }
    return letters.chars().mapToObj(TurnOrder::unit).toList();
  }

  private static Vector3d unit(int letter) {
    return new Vector3d(letter == 'x' ? 1 : 0, letter == 'y' ? 1 : 0, letter == 'z' ? 1 : 0);
  }

  /** For each factor of {@link #about}, which of {@link #columns} it is. */
  public int column(int factor) {
    return this == PAN_TILT_ROLL ? factor : letters.charAt(factor) - 'x';
  }

  /**
   * The angles of a turn in radians, next to some others: of the two ways to say a turn and all
   * whole turns more, the nearest, so that they never leap.
   *
   * @param turn in the receiver's axes
   * @param near angles to stay next to, in the order of {@link #columns}
   */
  public double[] angles(Quaterniond turn, Axes axes, double[] near) {
    List<Vector3d> about = about(axes);
    // the three axes stand square: seen along them, any order is pan, tilt and roll, or its mirror
    Vector3d second = about.get(1);
    Vector3d first = about.get(0);
    Vector3d third = about.get(2);
    boolean right = new Vector3d(second).cross(first).dot(third) > 0;
    Matrix3d frame = new Matrix3d(second, first, right ? third : new Vector3d(third).negate());
    Quaterniond as = frame.getNormalizedRotation(new Quaterniond()).normalize();
    Quaterniond seen = new Quaterniond(as).conjugate().mul(turn).mul(as);
    double flip = right ? 1 : -1;
    double[] from = {near[column(0)], near[column(1)], near[column(2)] * flip};
    double[] panTiltRoll = Turns.panTiltRoll(seen, from);
    double[] out = new double[3];
    out[column(0)] = panTiltRoll[0];
    out[column(1)] = panTiltRoll[1];
    out[column(2)] = panTiltRoll[2] * flip;
    return out;
  }

  /** In words. */
  public String label() {
    return this == PAN_TILT_ROLL ? "pan, tilt, roll" : name();
  }
}
