package idlelens.exchange.gltf;

import idlelens.exchange.format.FormatException;
import idlelens.exchange.json.JsonPlace;
import org.joml.Matrix4d;
import org.joml.Quaterniond;
import org.joml.Vector3d;

/** Place, turn and scale of a node, from its three properties or from its matrix. */
record LocalTransform(Vector3d place, Quaterniond turn, Vector3d scale, boolean sheared) {

  static LocalTransform read(JsonPlace node) throws FormatException {
    if (node.has("matrix")) {
      return fromMatrix(node.get("matrix"));
    }
    Vector3d place = vector(node, "translation", 0);
    Vector3d scale = vector(node, "scale", 1);
    if (Math.abs(scale.x * scale.y * scale.z) < 1e-18) {
      throw new FormatException(node.path() + ".scale", "zero", "other than zero on every axis");
    }
    Quaterniond turn = new Quaterniond();
    if (node.has("rotation")) {
      JsonPlace r = node.get("rotation");
      turn.set(r.at(0).number(), r.at(1).number(), r.at(2).number(), r.at(3).number());
      if (!(turn.lengthSquared() > 0.25 && turn.lengthSquared() < 4)) {
        throw new FormatException(
            r.path(), "of length " + Math.sqrt(turn.lengthSquared()), "a quaternion of length 1");
      }
      turn.normalize();
    }
    return new LocalTransform(place, turn, scale, false);
  }

  private static Vector3d vector(JsonPlace node, String field, double otherwise)
      throws FormatException {
    if (!node.has(field)) {
      return new Vector3d(otherwise);
    }
    JsonPlace v = node.get(field);
    return new Vector3d(v.at(0).number(), v.at(1).number(), v.at(2).number());
  }

  private static LocalTransform fromMatrix(JsonPlace place) throws FormatException {
    double[] m = new double[16];
    for (int i = 0; i < 16; i++) {
      m[i] = place.at(i).number();
    }
    Matrix4d matrix = new Matrix4d().set(m);
    Vector3d scale = matrix.getScale(new Vector3d());
    if (!(Math.abs(matrix.determinant3x3()) > 1e-18)) {
      throw new FormatException(place.path(), "flat", "a matrix that can be inverted");
    }
    if (matrix.determinant3x3() < 0) {
      scale.x = -scale.x;
    }
    Matrix4d pure = new Matrix4d(matrix).scale(1 / scale.x, 1 / scale.y, 1 / scale.z);
    Quaterniond turn = pure.getUnnormalizedRotation(new Quaterniond()).normalize();
    Matrix4d again =
        new Matrix4d().translationRotateScale(matrix.getTranslation(new Vector3d()), turn, scale);
    return new LocalTransform(
        matrix.getTranslation(new Vector3d()), turn, scale, !again.equals(matrix, 1e-5));
  }
}
