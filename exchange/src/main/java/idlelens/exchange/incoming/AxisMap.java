package idlelens.exchange.incoming;

import idlelens.exchange.scenefile.Channel;
import idlelens.exchange.scenefile.Op;
import java.util.ArrayList;
import java.util.List;
import org.joml.Matrix3d;
import org.joml.Quaterniond;
import org.joml.Vector3d;

/**
 * Vectors and turns of a file in other axes. A turn T becomes {@code C T C^-1}: its axis goes
 * along, and turns the other way round where the map mirrors.
 *
 * @param map C: a signed exchange of axes
 */
record AxisMap(Matrix3d map) {
  /** Left and right exchanged. */
  static final AxisMap MIRROR_X = new AxisMap(new Matrix3d().scaling(-1, 1, 1));

  private double sign() {
    return map.determinant() < 0 ? -1 : 1;
  }

  /** An axis to turn about. */
  Vector3d axis(Vector3d of) {
    return map.transform(new Vector3d(of)).mul(sign());
  }

  Matrix3d turn(Matrix3d of) {
    return new Matrix3d(map).mul(of).mul(map.transpose(new Matrix3d()));
  }

  /** The turn that the map itself is; only of one that does not mirror. */
  Quaterniond itself() {
    return map.getNormalizedRotation(new Quaterniond()).normalize();
  }

  /** Factors of a turn, each in the other axes. */
  List<Op> factors(List<Op> turns) {
    List<Op> all = new ArrayList<>();
    for (Op op : turns) {
      all.add(
          op instanceof Op.Spin spin
              ? new Op.Spin(axis(spin.axis()), spin.degrees())
              : new Op.Turn(quaternions(((Op.Turn) op).turns())));
    }
    return all;
  }

  private Channel quaternions(Channel turns) {
    int[] from = {0, 1, 2, 3};
    double[] signs = {1, 1, 1, 1};
    for (int row = 0; row < 3; row++) {
      for (int column = 0; column < 3; column++) {
        if (map.get(column, row) != 0) {
          from[row] = column;
          signs[row] = map.get(column, row) * sign();
        }
      }
    }
    return turns.picked(from, signs);
  }
}
