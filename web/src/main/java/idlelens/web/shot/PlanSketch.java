package idlelens.web.shot;

import idlelens.core.geometry.RigidPose;
import idlelens.core.motion.Evaluation;
import idlelens.core.motion.LensTrack;
import idlelens.core.motion.PoseTrack;
import idlelens.core.scene.Node;
import idlelens.core.scene.Shot;
import idlelens.core.set.Bounds;
import idlelens.core.set.Mesher;
import idlelens.core.set.Shape;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import org.joml.Vector3d;

/**
 * A small plan of a shot from above, in metres: footprints of pieces, the camera paths, and a wedge
 * for each camera at the first frame.
 *
 * @param viewBox x, z, width, depth
 * @param pieces outlines as SVG paths with their colour
 * @param paths camera paths as SVG paths
 * @param wedges cameras as SVG paths
 */
record PlanSketch(String viewBox, List<Outline> pieces, List<String> paths, List<String> wedges) {

  record Outline(String path, String colour) {}

  private static final double WEDGE_M = 5;
  private static final double LARGEST_PIECE_M = 80;

  static PlanSketch of(Shot shot, Evaluation motion) {
    double[] box = {
      Double.POSITIVE_INFINITY,
      Double.POSITIVE_INFINITY,
      Double.NEGATIVE_INFINITY,
      Double.NEGATIVE_INFINITY
    };
    List<String> paths = new ArrayList<>();
    List<String> wedges = new ArrayList<>();
    for (Node.Camera camera : shot.cameras()) {
      if (!camera.hidden().views()) {
        paths.add(path(motion.of(camera.id()).world(), box));
        LensTrack lens = motion.of(camera.id()).lens().orElseThrow();
        wedges.add(wedge(motion.pose(camera.id(), shot.header().handles()), lens, box));
      }
    }
    List<Outline> outlines = new ArrayList<>();
    for (Node.Piece piece : EditOutcome.pieces(shot)) {
      Bounds b = bounds(piece.shape());
      boolean drawn = !piece.hidden().views() && b.maxX() - b.minX() < LARGEST_PIECE_M;
      if (drawn) {
        RigidPose pose = motion.pose(piece.id(), shot.header().handles());
        outlines.add(new Outline(outline(pose, piece.shape(), b), piece.finish().colour()));
      }
    }
    return new PlanSketch(viewBox(box), outlines, paths, wedges);
  }

  private static Bounds bounds(Shape shape) {
    return shape instanceof Shape.Imported imported
        ? imported.bounds()
        : Mesher.mesh(shape).bounds();
  }

  private static String path(PoseTrack track, double[] box) {
    StringBuilder out = new StringBuilder();
    int every = Math.max(1, track.x().length / 200);
    for (int i = 0; i < track.x().length; i += every) {
      out.append(i == 0 ? 'M' : 'L').append(point(track.x()[i], track.z()[i]));
      include(box, track.x()[i], track.z()[i]);
    }
    return out.toString();
  }

  /** From the camera, or in parallel from both sides of it, to what it sees ahead. */
  private static String wedge(RigidPose pose, LensTrack lens, double[] box) {
    Vector3d forward = pose.forward();
    double heading = Math.atan2(forward.x, -forward.z);
    double half = lens.widthM()[0] / 2;
    StringBuilder out = new StringBuilder();
    for (int side = -1; side <= 1; side += 2) {
      double angle = heading + side * lens.horizontalRad()[0] / 2;
      double nearX = pose.x() + side * half * Math.cos(heading);
      double nearZ = pose.z() + side * half * Math.sin(heading);
      double x = nearX + WEDGE_M * Math.sin(angle);
      double z = nearZ - WEDGE_M * Math.cos(angle);
      String near = point(nearX, nearZ);
      String far = point(x, z);
      out.append(side < 0 ? "M" + near + "L" + far : "L" + far + "L" + near);
      include(box, x, z);
    }
    return out.append('Z').toString();
  }

  private static String outline(RigidPose pose, Shape shape, Bounds b) {
    if (shape instanceof Shape.Cylinder || shape instanceof Shape.Sphere) {
      return circle(pose, (b.maxX() - b.minX()) / 2);
    }
    double[][] corners = {
      {b.minX(), b.minZ()}, {b.maxX(), b.minZ()}, {b.maxX(), b.maxZ()}, {b.minX(), b.maxZ()}
    };
    StringBuilder out = new StringBuilder();
    for (double[] corner : corners) {
      Vector3d at = pose.apply(new Vector3d(corner[0], 0, corner[1]));
      out.append(out.isEmpty() ? 'M' : 'L').append(point(at.x, at.z));
    }
    return out.append('Z').toString();
  }

  private static String circle(RigidPose pose, double radius) {
    return String.format(
        Locale.ROOT,
        "M%1$.3f %2$.3fa%3$.3f %3$.3f 0 1 0 %4$.3f 0a%3$.3f %3$.3f 0 1 0 -%4$.3f 0Z",
        pose.x() - radius,
        pose.z(),
        radius,
        2 * radius);
  }

  private static void include(double[] box, double x, double z) {
    box[0] = Math.min(box[0], x);
    box[1] = Math.min(box[1], z);
    box[2] = Math.max(box[2], x);
    box[3] = Math.max(box[3], z);
  }

  /** Twice as wide as deep, around all cameras with some air. */
  private static String viewBox(double[] box) {
    if (box[0] > box[2]) {
      return "-10 -5 20 10";
    }
    double width = Math.max(Math.max(box[2] - box[0], 2 * (box[3] - box[1])) * 1.5, 24);
    double x = (box[0] + box[2]) / 2 - width / 2;
    double z = (box[1] + box[3]) / 2 - width / 4;
    return String.format(Locale.ROOT, "%.3f %.3f %.3f %.3f", x, z, width, width / 2);
  }

  private static String point(double x, double z) {
    return String.format(Locale.ROOT, "%.3f %.3f", x, z);
  }
}
