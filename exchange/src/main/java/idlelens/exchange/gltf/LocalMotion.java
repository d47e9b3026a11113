package idlelens.exchange.gltf;

import idlelens.exchange.format.FormatException;
import idlelens.exchange.json.JsonPlace;
import java.util.Optional;
import org.joml.Matrix3d;
import org.joml.Matrix4d;
import org.joml.Quaterniond;
import org.joml.Vector3d;

/**
 * How a node stands in its parent, from its three properties or its matrix and what moves them.
 *
 * @param path where the node stands in the file
 * @param place where it stands still
 * @param turn its turn while that stands still, with {@code sizes} or in {@code matrix}
 * @param sizes along its axes while they stand still
 * @param matrix the linear part of a matrix, or null
 * @param places what moves it
 * @param turns what turns it
 * @param changing what changes its sizes
 */
record LocalMotion(
    String path,
    Vector3d place,
    Quaterniond turn,
    Vector3d sizes,
    Matrix3d matrix,
    Optional<GltfSampler> places,
    Optional<GltfSampler> turns,
    Optional<GltfSampler> changing) {

  static LocalMotion read(JsonPlace node, int index, GltfAnimations animations)
      throws FormatException {
    Optional<GltfSampler> sizes = animations.find(index, "scale");
    LocalMotion still = still(node);
    return new LocalMotion(
        node.path(),
        still.place,
        still.turn,
        sizes.isPresent() ? sizes.get().vectorAt(0) : still.sizes,
        still.matrix,
        animations.find(index, "translation"),
        animations.find(index, "rotation"),
        sizes.filter(s -> !s.isConstant()));
  }

  private static LocalMotion still(JsonPlace node) throws FormatException {
    if (node.has("matrix")) {
      return fromMatrix(node.get("matrix"));
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
    Vector3d place = vector(node, "translation", 0);
    return at(place, turn, vector(node, "scale", 1), null);
  }

  private static LocalMotion at(Vector3d place, Quaterniond turn, Vector3d sizes, Matrix3d matrix) {
    return new LocalMotion(
        "", place, turn, sizes, matrix, Optional.empty(), Optional.empty(), Optional.empty());
  }

  private static Vector3d vector(JsonPlace node, String field, double otherwise)
      throws FormatException {
    if (!node.has(field)) {
      return new Vector3d(otherwise);
    }
    JsonPlace v = node.get(field);
    return new Vector3d(v.at(0).number(), v.at(1).number(), v.at(2).number());
  }

  private static LocalMotion fromMatrix(JsonPlace place) throws FormatException {
    double[] m = new double[16];
    for (int i = 0; i < 16; i++) {
      m[i] = place.at(i).number();
    }
    Matrix4d whole = new Matrix4d().set(m);
    Matrix3d linear = whole.get3x3(new Matrix3d());
    Matrix3d turn = Sizes.turnOf(linear, new Matrix3d());
    Matrix3d left = new Matrix3d(turn).transpose().mul(linear);
    return at(
        whole.getTranslation(new Vector3d()),
        turn.getNormalizedRotation(new Quaterniond()).normalize(),
        new Vector3d(left.m00(), left.m11(), left.m22()),
        linear);
  }

  /** The linear part where nothing moves it. */
  Matrix3d linear() {
    return matrix != null ? new Matrix3d(matrix) : linear(turn, sizes);
  }

  private static Matrix3d linear(Quaterniond turn, Vector3d sizes) {
    return new Matrix3d().rotation(turn).scale(sizes);
  }

  /** Whether its turn or its size moves. */
  boolean changes() {
    return turns.isPresent() || changing.isPresent();
  }

  Vector3d placeAt(double seconds) {
    return places.isPresent() ? places.get().vectorAt(seconds) : new Vector3d(place);
  }

  Quaterniond turnAt(double seconds) {
    return turns.isPresent() ? turns.get().turnAt(seconds) : new Quaterniond(turn);
  }

  Vector3d sizesAt(double seconds) {
    return changing.isPresent() ? changing.get().vectorAt(seconds) : new Vector3d(sizes);
  }

  Matrix3d linearAt(double seconds) {
    return changes() ? linear(turnAt(seconds), sizesAt(seconds)) : linear();
  }

  /** Whether its sizes stay above zero along y and z, so that they turn nothing. */
  boolean keepsItsTurn() {
    boolean keeps = matrix == null && sizes.y > 0 && sizes.z > 0;
    for (int k = 0; changing.isPresent() && k < changing.get().keys(); k++) {
      keeps &= changing.get().value(k, 1) > 0 && changing.get().value(k, 2) > 0;
    }
    return keeps;
  }
}
