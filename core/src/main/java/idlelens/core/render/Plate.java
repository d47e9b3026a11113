package idlelens.core.render;

import idlelens.core.lens.Sight;
import java.util.Arrays;
import org.joml.Vector3d;

/**
 * A picture with a depth for each pixel. Triangles are cut at the near plane, filled where the
 * middles of pixels lie in them, and hidden by what is nearer.
 */
public final class Plate {
  private static final double NEAR_M = 0.05;

  private final int width;
  private final int height;
  private final int[] rgb;
  private final double[] nearest;

  /**
   * @param width in pixels, as height
   * @param background 0xRRGGBB
   */
  public Plate(int width, int height, int background) {
    this.width = width;
    this.height = height;
    this.rgb = new int[width * height];
    this.nearest = new double[width * height];
    Arrays.fill(rgb, background);
  }

  public int width() {
    return width;
  }

  public int height() {
    return height;
  }

  /** 0xRRGGBB, row by row from the upper left. */
  public int[] pixels() {
    return rgb;
  }

  /** A corner in the picture: pixels, and {@link Sight#nearness}. */
  private record Corner(double x, double y, double near) {}

  private Corner corner(Sight sight, Vector3d seen) {
    double[] at = sight.inPicture(seen);
    return new Corner(
        (at[0] + 0.5) * width, (0.5 - at[1] / sight.height()) * height, sight.nearness(seen));
  }

  /** Fills a triangle of the world. */
  public void triangle(Sight sight, Vector3d a, Vector3d b, Vector3d c, int colour) {
    Vector3d[] seen = {sight.seen(a), sight.seen(b), sight.seen(c)};
    Vector3d[] kept = new Vector3d[4];
    int count = 0;
    for (int i = 0; i < 3; i++) {
      Vector3d from = seen[i];
      Vector3d to = seen[(i + 1) % 3];
      boolean before = from.z < -NEAR_M;
      if (before) {
        kept[count++] = from;
      }
      if (before != to.z < -NEAR_M) {
        double share = (-NEAR_M - from.z) / (to.z - from.z);
        kept[count++] = new Vector3d(from).lerp(to, share);
      }
    }
    for (int i = 1; i + 1 < count; i++) {
      fill(corner(sight, kept[0]), corner(sight, kept[i]), corner(sight, kept[i + 1]), colour);
    }
  }

  private static double edge(Corner a, Corner b, double x, double y) {
    return (b.x - a.x) * (y - a.y) - (b.y - a.y) * (x - a.x);
  }

  private void fill(Corner a, Corner b, Corner c, int colour) {
    double area = edge(a, b, c.x, c.y);
    if (area == 0 || !Double.isFinite(area)) {
      return;
    }
    int fromX = (int) Math.max(0, Math.floor(Math.min(a.x, Math.min(b.x, c.x))));
    int toX = (int) Math.min(width - 1.0, Math.ceil(Math.max(a.x, Math.max(b.x, c.x))));
    int fromY = (int) Math.max(0, Math.floor(Math.min(a.y, Math.min(b.y, c.y))));
    int toY = (int) Math.min(height - 1.0, Math.ceil(Math.max(a.y, Math.max(b.y, c.y))));
    for (int y = fromY; y <= toY; y++) {
      for (int x = fromX; x <= toX; x++) {
        double u = edge(b, c, x + 0.5, y + 0.5) / area;
        double v = edge(c, a, x + 0.5, y + 0.5) / area;
        double w = 1 - u - v;
        if (u >= 0 && v >= 0 && w >= 0) {
          put(x, y, u * a.near + v * b.near + w * c.near, colour);
        }
      }
    }
  }

  private void put(int x, int y, double near, int colour) {
    int at = y * width + x;
    if (near > nearest[at]) {
      nearest[at] = near;
      rgb[at] = colour;
    }
  }

  /**
   * Lays a disc over the picture, its edge mixed by how much of a pixel it covers, so that its
   * middle can be measured to a part of a pixel.
   *
   * @param x of its middle in pixels, as y
   */
  public void disc(double x, double y, double radius, int colour) {
    for (int row = (int) (y - radius - 1); row <= y + radius + 1; row++) {
      for (int column = (int) (x - radius - 1); column <= x + radius + 1; column++) {
        if (row >= 0 && row < height && column >= 0 && column < width) {
          double off = Math.hypot(column + 0.5 - x, row + 0.5 - y);
          mix(row * width + column, colour, Math.max(0, Math.min(1, radius + 0.5 - off)));
        }
      }
    }
  }

  private void mix(int at, int colour, double share) {
    int out = 0;
    for (int shift = 16; shift >= 0; shift -= 8) {
      int was = rgb[at] >> shift & 0xFF;
      int is = colour >> shift & 0xFF;
      out |= (int) Math.rint(was + (is - was) * share) << shift;
    }
    rgb[at] = out;
  }
}
