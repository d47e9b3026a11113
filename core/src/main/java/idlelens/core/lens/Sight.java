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
 * @param tanRight tangent of the angle to the right at which the middle is seen: 0 unless the lens
 *     is shifted
 * @param tanAbove tangent of the angle upwards at which the middle is seen
 */
public record Sight(
    RigidPose pose, double tanAcross, double tanUp, double tanRight, double tanAbove) {
  public Sight {
    Require.present(pose, "pose");
    Require.positive(tanAcross, "tanAcross");
    Require.positive(tanUp, "tanUp");
  }

  /** Through a lens that is not shifted. */
  public static Sight straight(RigidPose pose, double tanAcross, double tanUp) {
    return new Sight(pose, tanAcross, tanUp, 0, 0);
  }

  /** Through a lens of that focal length. */
  public static Sight of(RigidPose pose, Gate gate, double focalMm) {
    return new Sight(
        pose,
        gate.tanAcross(focalMm),
        gate.tanUp(focalMm),
        gate.tanRight(focalMm),
        gate.tanAbove(focalMm));
  }

  /** The same from elsewhere. */
  public Sight from(RigidPose other) {
    return new Sight(other, tanAcross, tanUp, tanRight, tanAbove);
  }

  /** With the middle of its picture seen so much farther to the right and upwards, as tangents. */
  public Sight shifted(double right, double above) {
    return new Sight(pose, tanAcross, tanUp, tanRight + right, tanAbove + above);
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
    return new double[] {
      seen.x / unit - tanRight / (2 * tanAcross), seen.y / unit - tanAbove / (2 * tanAcross)
    };
  }

  /** The point of the world at a place of the picture, so many metres along the axis. */
  public Vector3d world(double x, double y, double depthM) {
    double unit = 2 * depthM * tanAcross;
    double right = x * unit + depthM * tanRight;
    double above = y * unit + depthM * tanAbove;
    return pose.apply(new Vector3d(right, above, -depthM));
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
