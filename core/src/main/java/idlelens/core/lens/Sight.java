package idlelens.core.lens;

import idlelens.core.geometry.RigidPose;
import idlelens.core.rule.Require;
import org.joml.Vector3d;

/**
 * What a camera sees from where it stands. Places in the picture are given in picture widths from
 * its middle: x to the right from -0.5 to 0.5, y up.
 *
 * @param pose the camera in the world
 * @param tanAcross tangent of half the horizontal field of view
 * @param tanUp tangent of half the vertical one
 */
public record Sight(RigidPose pose, double tanAcross, double tanUp) {
  public Sight {
    Require.present(pose, "pose");
    Require.positive(tanAcross, "tanAcross");
    Require.positive(tanUp, "tanUp");
  }

  /** From full fields of view in radians. */
  public static Sight of(RigidPose pose, double horizontalRad, double verticalRad) {
    return new Sight(pose, Math.tan(horizontalRad / 2), Math.tan(verticalRad / 2));
  }

  /** Height of the picture in picture widths. */
  public double height() {
    return tanUp / tanAcross;
  }

  /** A point of the world along the camera's own axes; what lies before it has a negative z. */
  public Vector3d seen(Vector3d world) {
    return new Vector3d(world).sub(pose.x(), pose.y(), pose.z()).rotate(pose.turn().conjugate());
  }

  /**
   * Where in the picture a point seen from the camera lies.
   *
   * @param seen along the camera's own axes, z negative
   * @return x and y in picture widths
   */
  public double[] inPicture(Vector3d seen) {
    double unit = -2 * seen.z * tanAcross;
    return new double[] {seen.x / unit, seen.y / unit};
  }

  /** The point of the world at a place of the picture, so many metres along the axis. */
  public Vector3d world(double x, double y, double depthM) {
    double unit = 2 * depthM * tanAcross;
    return pose.apply(new Vector3d(x * unit, y * unit, -depthM));
  }

  /** The four corners of the picture so many metres before the camera, around it: 12 numbers. */
  public double[] plane(double depthM) {
    double[] out = new double[12];
    double up = height() / 2;
    double[][] corners = {{-0.5, -up}, {0.5, -up}, {0.5, up}, {-0.5, up}};
    for (int i = 0; i < corners.length; i++) {
      Vector3d at = world(corners[i][0], corners[i][1], depthM);
      out[3 * i] = at.x;
      out[3 * i + 1] = at.y;
      out[3 * i + 2] = at.z;
    }
    return out;
  }
}
