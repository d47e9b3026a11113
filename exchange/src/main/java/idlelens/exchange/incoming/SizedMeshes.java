package idlelens.exchange.incoming;

import idlelens.core.rule.RefusedException;
import idlelens.core.set.Mesh;
import idlelens.exchange.format.FormatException;
import idlelens.exchange.scenefile.Content;
import idlelens.exchange.scenefile.Corners;
import java.util.Arrays;
import org.joml.Matrix3d;
import org.joml.Vector3d;

/** Triangles of a file in a size. */
final class SizedMeshes {
  private SizedMeshes() {}

  /**
   * @param size a map that can be inverted
   */
  static Mesh of(Content.Part part, Matrix3d size) throws FormatException {
    boolean mirrors = size.determinant() < 0;
    int[] indices = mirrors ? Corners.turnedOver(part.indices()) : part.indices().clone();
    float[] positions = positions(part, size);
    float[] shades = part.shades();
    try {
      return part.normals() != null
          ? new Mesh(positions, normals(part.normals(), size), shades, indices)
          : flat(positions, shades, indices);
    } catch (RefusedException e) {
      throw new FormatException(part.where() + "." + e.where(), e.found(), e.allowed());
    }
  }

  private static float[] positions(Content.Part part, Matrix3d size) throws FormatException {
    double[] raw = part.positions();
    float[] positions = new float[raw.length];
    Vector3d v = new Vector3d();
    for (int i = 0; i < raw.length; i += 3) {
      size.transform(v.set(raw[i], raw[i + 1], raw[i + 2]));
      positions[i] = (float) v.x;
      positions[i + 1] = (float) v.y;
      positions[i + 2] = (float) v.z;
      if (!(Math.abs(positions[i]) + Math.abs(positions[i + 1]) + Math.abs(positions[i + 2])
          < Float.MAX_VALUE)) {
        String where = part.where() + ".attributes.POSITION[" + i / 3 + "]";
        throw new FormatException(where, raw[i], "finite numbers");
      }
    }
    return positions;
  }

  private static float[] normals(double[] raw, Matrix3d size) {
    Matrix3d turning = new Matrix3d(size).invert().transpose();
    float[] out = new float[raw.length];
    Vector3d n = new Vector3d();
    for (int i = 0; i < raw.length; i += 3) {
      turning.transform(n.set(raw[i], raw[i + 1], raw[i + 2]));
      double length = n.length();
      boolean there = length > 0 && length < Double.POSITIVE_INFINITY;
      out[i] = (float) (there ? n.x / length : 0);
      out[i + 1] = (float) (there ? n.y / length : 1);
      out[i + 2] = (float) (there ? n.z / length : 0);
    }
    return out;
  }

  /** Without normals, every triangle is flat: its corners stand alone. */
  private static Mesh flat(float[] positions, float[] shades, int[] indices) {
    float[] p = new float[indices.length * 3];
    float[] n = new float[p.length];
    float[] s = new float[indices.length];
    int[] order = new int[indices.length];
    Arrays.setAll(order, i -> i);
    for (int i = 0; i < indices.length; i++) {
      System.arraycopy(positions, indices[i] * 3, p, i * 3, 3);
      s[i] = shades[indices[i]];
    }
    for (int i = 0; i + 2 < indices.length; i += 3) {
      faceUp(p, n, i);
    }
    return new Mesh(p, n, s, order);
  }

  /** Gives the three corners from one on the normal of their triangle. */
  private static void faceUp(float[] p, float[] n, int corner) {
    Vector3d first = at(p, corner);
    Vector3d normal = at(p, corner + 1).sub(first).cross(at(p, corner + 2).sub(first));
    double length = normal.length();
    for (int k = corner; k < corner + 3; k++) {
      n[3 * k] = (float) (length > 0 ? normal.x / length : 0);
      n[3 * k + 1] = (float) (length > 0 ? normal.y / length : 1);
      n[3 * k + 2] = (float) (length > 0 ? normal.z / length : 0);
    }
  }

  private static Vector3d at(float[] p, int vertex) {
    return new Vector3d(p[3 * vertex], p[3 * vertex + 1], p[3 * vertex + 2]);
  }
}
