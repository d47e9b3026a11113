package idlelens.core.set;

import idlelens.core.rule.RefusedException;

/**
 * Triangles: three floats a vertex for place (metres) and normal, one for shade (what the colour is
 * multiplied by, 0 to 1), three indices a triangle, counter-clockwise seen from outside.
 */
public record Mesh(float[] positions, float[] normals, float[] shades, int[] indices) {
  public Mesh {
    if (positions.length % 3 != 0
        || normals.length != positions.length
        || shades.length != positions.length / 3) {
      throw new RefusedException(
          "mesh", positions.length + " position numbers", "3 a vertex, with normals and shades");
    }
    if (indices.length % 3 != 0) {
      throw new RefusedException("mesh.indices", indices.length, "3 a triangle");
    }
    for (int index : indices) {
      if (index < 0 || index >= shades.length) {
        throw new RefusedException("mesh.indices", index, "0 to " + (shades.length - 1));
      }
    }
  }

  public int vertices() {
    return shades.length;
  }

  public int triangles() {
    return indices.length / 3;
  }

  public Bounds bounds() {
    return Bounds.around(positions);
  }
}
