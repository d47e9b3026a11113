package idlelens.core.set;

import idlelens.core.rule.RefusedException;
import java.util.ArrayList;
import java.util.List;
import org.joml.Vector3d;

/** A box along the axes, in metres. */
public record Bounds(double minX, double minY, double minZ, double maxX, double maxY, double maxZ) {
  public Bounds {
    if (!(minX <= maxX && minY <= maxY && minZ <= maxZ)
        || !Double.isFinite(maxX - minX + maxY - minY + maxZ - minZ)) {
      throw new RefusedException("bounds", "upside down or not finite", "min <= max on every axis");
    }
  }

  /** The box around {@code x, y, z, x, y, z ...}; a point at the origin where there are none. */
  public static Bounds around(float[] positions) {
    if (positions.length < 3) {
      return new Bounds(0, 0, 0, 0, 0, 0);
    }
    double[] low = {positions[0], positions[1], positions[2]};
    double[] high = low.clone();
    for (int i = 0; i < positions.length; i++) {
      low[i % 3] = Math.min(low[i % 3], positions[i]);
      high[i % 3] = Math.max(high[i % 3], positions[i]);
    }
    return new Bounds(low[0], low[1], low[2], high[0], high[1], high[2]);
  }

  /** So many times as large, about the origin. */
  public Bounds times(double size) {
    return new Bounds(minX * size, minY * size, minZ * size, maxX * size, maxY * size, maxZ * size);
  }

  /** Its eight corners. */
  public List<Vector3d> corners() {
    List<Vector3d> corners = new ArrayList<>();
    for (int i = 0; i < 8; i++) {
      corners.add(
          new Vector3d(
              (i & 1) == 0 ? minX : maxX, (i & 2) == 0 ? minY : maxY, (i & 4) == 0 ? minZ : maxZ));
    }
    return corners;
  }

  public double centreX() {
    return (minX + maxX) / 2;
  }

  public double centreY() {
    return (minY + maxY) / 2;
  }

  public double centreZ() {
    return (minZ + maxZ) / 2;
  }
}
