package idlelens.core.set;

import java.util.Arrays;

/** Gathers flat-shaded and smooth faces into a mesh. */
final class MeshBuilder {
  private float[] positions = new float[384];
  private float[] normals = new float[384];
  private float[] shades = new float[128];
  private int[] indices = new int[256];
  private int vertexCount;
  private int indexCount;
  private float shade = 1;

  /** Shade of the faces that follow, 0 to 1. */
  MeshBuilder shade(double value) {
    shade = (float) value;
    return this;
  }

  int vertex(double x, double y, double z, double nx, double ny, double nz) {
    if (vertexCount == shades.length) {
      positions = Arrays.copyOf(positions, positions.length * 2);
      normals = Arrays.copyOf(normals, normals.length * 2);
      shades = Arrays.copyOf(shades, shades.length * 2);
    }
    int at = vertexCount * 3;
    double length = Math.sqrt(nx * nx + ny * ny + nz * nz);
    positions[at] = (float) x;
    positions[at + 1] = (float) y;
    positions[at + 2] = (float) z;
    normals[at] = (float) (nx / length);
    normals[at + 1] = (float) (ny / length);
    normals[at + 2] = (float) (nz / length);
    shades[vertexCount] = shade;
    return vertexCount++;
  }

  MeshBuilder triangle(int a, int b, int c) {
    if (indexCount + 3 > indices.length) {
      indices = Arrays.copyOf(indices, indices.length * 2);
    }
    indices[indexCount++] = a;
    indices[indexCount++] = b;
    indices[indexCount++] = c;
    return this;
  }

  /** A flat polygon, counter-clockwise seen from its front; {@code x, y, z} for each corner. */
  MeshBuilder face(double... corners) {
    double[] n = normal(corners);
    int first = vertexCount;
    int count = corners.length / 3;
    for (int i = 0; i < count; i++) {
      vertex(corners[3 * i], corners[3 * i + 1], corners[3 * i + 2], n[0], n[1], n[2]);
    }
    for (int i = 2; i < count; i++) {
      triangle(first, first + i - 1, first + i);
    }
    return this;
  }

  /** Newell's normal, which also serves corners that are nearly in line. */
  private static double[] normal(double[] c) {
    double[] n = new double[3];
    for (int i = 0; i < c.length; i += 3) {
      int j = (i + 3) % c.length;
      n[0] += (c[i + 1] - c[j + 1]) * (c[i + 2] + c[j + 2]);
      n[1] += (c[i + 2] - c[j + 2]) * (c[i] + c[j]);
      n[2] += (c[i] - c[j]) * (c[i + 1] + c[j + 1]);
    }
    return n;
  }

  /** A cuboid between two corners. */
  MeshBuilder box(double x0, double y0, double z0, double x1, double y1, double z1) {
    face(x0, y0, z1, x1, y0, z1, x1, y1, z1, x0, y1, z1);
    face(x1, y0, z0, x0, y0, z0, x0, y1, z0, x1, y1, z0);
    face(x1, y0, z1, x1, y0, z0, x1, y1, z0, x1, y1, z1);
    face(x0, y0, z0, x0, y0, z1, x0, y1, z1, x0, y1, z0);
    face(x0, y1, z1, x1, y1, z1, x1, y1, z0, x0, y1, z0);
    return face(x0, y0, z0, x1, y0, z0, x1, y0, z1, x0, y0, z1);
  }

  /** An upright, smooth, tapering body with flat ends, around (x, z). */
  MeshBuilder round(
      double x, double z, double bottom, double top, double r0, double r1, int sides) {
    double lean = (r0 - r1) / (top - bottom);
    int first = vertexCount;
    for (int i = 0; i <= sides; i++) {
      double a = 2 * Math.PI * i / sides;
      double c = Math.cos(a);
      double s = -Math.sin(a);
      vertex(x + c * r0, bottom, z + s * r0, c, lean, s);
      vertex(x + c * r1, top, z + s * r1, c, lean, s);
    }
    for (int i = 0; i < sides; i++) {
      int a = first + 2 * i;
      triangle(a, a + 2, a + 3).triangle(a, a + 3, a + 1);
    }
    disc(x, z, top, r1, sides, 1);
    return disc(x, z, bottom, r0, sides, -1);
  }

  private MeshBuilder disc(double x, double z, double y, double r, int sides, int up) {
    if (r <= 0) {
      return this;
    }
    double[] corners = new double[sides * 3];
    for (int i = 0; i < sides; i++) {
      double a = up * 2 * Math.PI * i / sides;
      corners[3 * i] = x + Math.cos(a) * r;
      corners[3 * i + 1] = y;
      corners[3 * i + 2] = z - Math.sin(a) * r;
    }
    return face(corners);
  }

  /** A ball around a point. */
  MeshBuilder ball(double x, double y, double z, double r, int sides) {
    int rings = sides / 2;
    int first = vertexCount;
    for (int j = 0; j <= rings; j++) {
      double b = Math.PI * j / rings;
      for (int i = 0; i <= sides; i++) {
        double a = 2 * Math.PI * i / sides;
        double nx = Math.sin(b) * Math.cos(a);
        double ny = Math.cos(b);
        double nz = -Math.sin(b) * Math.sin(a);
        vertex(x + r * nx, y + r * ny, z + r * nz, nx, ny, nz);
      }
    }
    for (int j = 0; j < rings; j++) {
      for (int i = 0; i < sides; i++) {
        int a = first + j * (sides + 1) + i;
        int b = a + sides + 1;
        if (j < rings - 1) {
          triangle(a, b, b + 1);
        }
        if (j > 0) {
          triangle(a, b + 1, a + 1);
        }
      }
    }
    return this;
  }

  Mesh build() {
    return new Mesh(
        Arrays.copyOf(positions, vertexCount * 3),
        Arrays.copyOf(normals, vertexCount * 3),
        Arrays.copyOf(shades, vertexCount),
        Arrays.copyOf(indices, indexCount));
  }
}
