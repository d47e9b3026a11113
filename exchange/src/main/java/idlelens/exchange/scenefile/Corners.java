package idlelens.exchange.scenefile;

import idlelens.exchange.format.FormatException;
import java.util.Arrays;

/**
 * Polygons as triangles: each is a fan about its first corner.
 *
 * @param triangles vertices, three a triangle
 * @param places where each of those stands among the corners of the polygons
 */
public record Corners(int[] triangles, int[] places) {
  /** Positions and normals with triangles on them. */
  public record Flat(double[] positions, double[] normals, int[] indices) {
    /** The same with the corners of each triangle the other way round. */
    public Flat turnedOver() {
      return new Flat(positions, normals, Corners.turnedOver(indices));
    }
  }

  /** Triangles with their corners the other way round. */
  public static int[] turnedOver(int[] indices) {
    int[] out = indices.clone();
    for (int i = 0; i + 2 < out.length; i += 3) {
      out[i] = indices[i + 1];
      out[i + 1] = indices[i];
    }
    return out;
  }

  /**
   * @param counts corners of each polygon
   * @param indices the vertex of each corner
   * @param vertices how many there are
   */
  public static Corners of(String where, double[] counts, double[] indices, int vertices)
      throws FormatException {
    long total = 0;
    long triangles = 0;
    for (double count : counts) {
      if (!(count >= 0 && count <= indices.length) || count != Math.rint(count)) {
        throw new FormatException(where, "a polygon of " + count + " corners", "whole numbers");
      }
      total += (long) count;
      triangles += Math.max(0, (long) count - 2);
    }
    if (total != indices.length) {
      throw new FormatException(
          where, indices.length + " corners", total + ", as its polygons have");
    }
    for (double index : indices) {
      if (!(index >= 0 && index < vertices) || index != Math.rint(index)) {
        throw new FormatException(where + ", a corner", index, "0 to " + (vertices - 1));
      }
    }
    int[] corners = new int[(int) triangles * 3];
    int[] places = new int[corners.length];
    int at = 0;
    int first = 0;
    for (double count : counts) {
      for (int k = 1; k + 1 < count; k++) {
        int[] three = {first, first + k, first + k + 1};
        for (int place : three) {
          places[at] = place;
          corners[at++] = (int) indices[place];
        }
      }
      first += (int) count;
    }
    return new Corners(corners, places);
  }

  /** Every corner as a vertex of its own, with a normal of its own. */
  public Flat apart(double[] positions, double[] normals) {
    double[] p = new double[triangles.length * 3];
    double[] n = new double[p.length];
    int[] order = new int[triangles.length];
    Arrays.setAll(order, i -> i);
    for (int i = 0; i < order.length; i++) {
      System.arraycopy(positions, triangles[i] * 3, p, i * 3, 3);
      System.arraycopy(normals, places[i] * 3, n, i * 3, 3);
    }
    return new Flat(p, n, order);
  }
}
