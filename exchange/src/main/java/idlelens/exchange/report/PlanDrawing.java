package idlelens.exchange.report;

import idlelens.core.geometry.RigidPose;
import idlelens.core.motion.Evaluation;
import idlelens.core.motion.PoseTrack;
import idlelens.core.scene.Node;
import idlelens.core.scene.Shot;
import idlelens.core.set.Bounds;
import idlelens.core.set.Mesh;
import idlelens.core.set.Mesher;
import idlelens.core.set.Shape;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import org.joml.Vector3d;

/** Cameras' paths and pieces from above, as SVG: x to the right, away upwards, a dot a second. */
final class PlanDrawing {
  private static final double WIDTH = 640;
  private static final double MOST_HEIGHT = 420;
  private static final double MARGIN = 0.08;

  /** Pieces wider than so many times what the cameras cover are ground, and not drawn. */
  private static final double GROUND = 4;

  private final Shot shot;
  private final Evaluation motion;
  private final List<String> cameras;
  private final double[] low = {Double.POSITIVE_INFINITY, Double.POSITIVE_INFINITY};
  private final double[] high = {Double.NEGATIVE_INFINITY, Double.NEGATIVE_INFINITY};
  private double scale;

  private PlanDrawing(Shot shot, Evaluation motion, List<String> cameras) {
    this.shot = shot;
    this.motion = motion;
    this.cameras = cameras;
  }

  static String of(Shot shot, Evaluation motion, List<String> cameras) {
    return new PlanDrawing(shot, motion, cameras).draw();
  }

  private void grow(double x, double z) {
    low[0] = Math.min(low[0], x);
    high[0] = Math.max(high[0], x);
    low[1] = Math.min(low[1], z);
    high[1] = Math.max(high[1], z);
  }

  private String draw() {
    for (String camera : cameras) {
      PoseTrack world = motion.of(camera).world();
      for (int i = 0; i < world.x().length; i++) {
        grow(world.x()[i], world.z()[i]);
      }
    }
    double covered = Math.max(2, Math.max(high[0] - low[0], high[1] - low[1]));
    List<double[]> outlines = new ArrayList<>();
    shot.nodes().stream()
        .filter(n -> n instanceof Node.Piece && !n.hidden().picture())
        .map(n -> outline((Node.Piece) n))
        .filter(o -> size(o) < GROUND * covered)
        .forEach(outlines::add);
    outlines.forEach(o -> grow(o[0], o[1]));
    outlines.forEach(o -> grow(o[4], o[5]));
    double across = Math.max(1, high[0] - low[0]);
    double deep = Math.max(1, high[1] - low[1]);
    scale = Math.min(WIDTH / across, MOST_HEIGHT / deep) * (1 - 2 * MARGIN);
    double height = deep * scale / (1 - 2 * MARGIN);
    StringBuilder out = new StringBuilder();
    out.append(text("<svg viewBox=\"0 0 %.0f %.0f\" role=\"img\">", WIDTH, height + 30));
    outlines.forEach(o -> polygon(out, o));
    for (int i = 0; i < cameras.size(); i++) {
      path(out, cameras.get(i), i);
    }
    bar(out, height + 20);
    return out.append("</svg>").toString();
  }

  private static double size(double[] outline) {
    return Math.max(
        Math.abs(outline[4] - outline[0]) + Math.abs(outline[6] - outline[2]),
        Math.abs(outline[5] - outline[1]) + Math.abs(outline[7] - outline[3]));
  }

  private static String text(String format, Object... numbers) {
    return String.format(Locale.ROOT, format, numbers);
  }

  private double x(double metres) {
    return WIDTH * MARGIN + (metres - low[0]) * scale;
  }

  private double y(double metres) {
    return (metres - low[1]) * scale + WIDTH * MARGIN / 2;
  }

  /** The four corners of a piece's box on the ground, at the first frame. */
  private double[] outline(Node.Piece piece) {
    RigidPose pose = motion.pose(piece.id(), 0);
    Bounds b = bounds(piece.shape());
    double[][] corners = {
      {b.minX(), b.minZ()}, {b.maxX(), b.minZ()}, {b.maxX(), b.maxZ()}, {b.minX(), b.maxZ()}
    };
    double[] out = new double[8];
    for (int i = 0; i < 4; i++) {
      Vector3d at = pose.apply(new Vector3d(corners[i][0], b.centreY(), corners[i][1]));
      out[2 * i] = at.x;
      out[2 * i + 1] = at.z;
    }
    return out;
  }

  private static Bounds bounds(Shape shape) {
    if (shape instanceof Shape.Imported imported) {
      return imported.bounds();
    }
    Mesh mesh = Mesher.mesh(shape);
    return mesh.bounds();
  }

  private void polygon(StringBuilder out, double[] outline) {
    out.append("<polygon class=\"piece\" points=\"");
    for (int i = 0; i < 8; i += 2) {
      out.append(text("%.1f,%.1f ", x(outline[i]), y(outline[i + 1])));
    }
    out.append("\"/>");
  }

  private void path(StringBuilder out, String camera, int index) {
    PoseTrack world = motion.of(camera).world();
    out.append(text("<polyline class=\"path c%d\" points=\"", index % 4));
    for (int i = 0; i < world.x().length; i++) {
      out.append(text("%.1f,%.1f ", x(world.x()[i]), y(world.z()[i])));
    }
    out.append("\"/>");
    int second = (int) Math.max(1, Math.rint(shot.header().rate().framesPerSecond()));
    for (int i = 0; i < world.x().length; i += second) {
      out.append(
          text(
              "<circle class=\"c%d\" cx=\"%.1f\" cy=\"%.1f\" r=\"2\"/>",
              index % 4, x(world.x()[i]), y(world.z()[i])));
    }
    out.append(text("<text x=\"%.1f\" y=\"%.1f\">", x(world.x()[0]) + 5, y(world.z()[0]) - 5));
    out.append(ReportPage.escaped(shot.node(camera).name())).append("</text>");
  }

  /** A metre, or ten, as long as it is drawn. */
  private void bar(StringBuilder out, double y) {
    double metres = scale > 40 ? 1 : scale > 4 ? 10 : 100;
    out.append(
        text(
            "<line class=\"bar\" x1=\"%.1f\" y1=\"%.1f\" x2=\"%.1f\" y2=\"%.1f\"/>",
            WIDTH * MARGIN, y, WIDTH * MARGIN + metres * scale, y));
    out.append(
        text(
            "<text x=\"%.1f\" y=\"%.1f\">%.0f m</text>",
            WIDTH * MARGIN + metres * scale + 6, y + 4, metres));
  }
}
