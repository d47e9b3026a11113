package idlelens.core.lens;

import idlelens.core.geometry.RigidPose;
import idlelens.core.rule.Require;
import org.joml.Vector3d;

/**
 * What a camera sees from where it stands. Places in the picture are given in picture widths from
 * its middle: x to the right from -0.5 to 0.5, y up.
 *
 * @param pose the camera in the world
 * @param projection through one point, or in parallel
 * @param across half the width of the picture: through one point, on the plane a metre before the
 *     camera, which is the tangent of half the horizontal field of view; in parallel, in metres
 * @param up half its height, as across
 * @param right how far its middle lies to the right, as across: 0 unless the lens is shifted
 * @param above how far it lies upwards
 */
public record Sight(
    RigidPose pose, Projection projection, double across, double up, double right, double above) {
  private static final double HALF = 0.5;

  /** Farther than anything is, in metres. */
  private static final double BEYOND_ALL_M = 1e7;

  public Sight {
    Require.present(pose, "pose");
    Require.present(projection, "projection");
    Require.positive(across, "across");
    Require.positive(up, "up");
  }

  /** Through a lens that is not shifted, by the tangents of half its fields of view. */
  public static Sight straight(RigidPose pose, double tanAcross, double tanUp) {
    return new Sight(pose, Projection.PERSPECTIVE, tanAcross, tanUp, 0, 0);
  }

  /** Through a lens of that focal length. */
  public static Sight of(RigidPose pose, Gate gate, double focalMm) {
    return new Sight(
        pose,
        Projection.PERSPECTIVE,
        gate.tanAcross(focalMm),
        gate.tanUp(focalMm),
        gate.tanRight(focalMm),
        gate.tanAbove(focalMm));
  }

  /**
   * In parallel.
   *
   * @param gate what of the sensor is used: it gives the aspect, and the shift as a part of itself
   * @param widthM what lies beside each other over the width of the picture
   */
  public static Sight parallel(RigidPose pose, Gate gate, double widthM) {
    double perMm = widthM / (gate.squeeze() * gate.widthMm());
    return new Sight(
        pose,
        Projection.ORTHOGRAPHIC,
        widthM / 2,
        gate.heightMm() * perMm / 2,
        gate.rightMm() * gate.squeeze() * perMm,
        gate.upMm() * perMm);
  }

  /** The same from elsewhere. */
  public Sight from(RigidPose other) {
    return new Sight(other, projection, across, up, right, above);
  }

  /** With the middle of its picture seen so much farther to the right and upwards. */
  public Sight shifted(double moreRight, double moreAbove) {
    return new Sight(pose, projection, across, up, right + moreRight, above + moreAbove);
  }

  public boolean isParallel() {
    return projection == Projection.ORTHOGRAPHIC;
  }

  /** Height of the picture in picture widths. */
  public double height() {
    return up / across;
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
    double unit = 2 * across * spread(-seen.z);
    return new double[] {
      seen.x / unit - right / (2 * across), seen.y / unit - above / (2 * across)
    };
  }

  /** The point of the world at a place of the picture, so many metres along the axis. */
  public Vector3d world(double x, double y, double depthM) {
    double spread = spread(depthM);
    double unit = 2 * across * spread;
    return pose.apply(new Vector3d(x * unit + right * spread, y * unit + above * spread, -depthM));
  }

  /** From where in the world a point is seen: the camera, or in parallel the point beside it. */
  public Vector3d eye(Vector3d seen) {
    return isParallel() ? pose.apply(new Vector3d(seen.x, seen.y, 0)) : pose.place();
  }

  /**
   * A number that is greater the nearer something is, and that is straight along straight lines of
   * the picture; above 0 for all that is before the camera.
   *
   * @param seen along the camera's own axes, z negative
   */
  public double nearness(Vector3d seen) {
    return isParallel() ? 1 + seen.z / BEYOND_ALL_M : -1 / seen.z;
  }

  /** How many times as far from each other what is so far off lies in the world. */
  private double spread(double depthM) {
    return isParallel() ? 1 : depthM;
  }

  /** The four corners of the picture so many metres before the camera, around it: 12 numbers. */
  public double[] plane(double depthM) {
    double[] out = new double[12];
    double high = height() / 2;
    double[][] corners = {{-HALF, -high}, {HALF, -high}, {HALF, high}, {-HALF, high}};
    for (int i = 0; i < corners.length; i++) {
      Vector3d at = world(corners[i][0], corners[i][1], depthM);
      out[3 * i] = at.x;
      out[3 * i + 1] = at.y;
      out[3 * i + 2] = at.z;
    }
    return out;
  }
}
