package idlelens.web.shot;

import idlelens.core.curve.Curve;
import idlelens.core.curve.CurvePlayer;
import idlelens.core.curve.Segment;
import idlelens.core.motion.Evaluation;
import idlelens.core.motion.PathTangent;
import idlelens.core.part.Path;
import idlelens.core.scene.Node;
import idlelens.core.time.SampleGrid;
import java.util.List;
import java.util.function.DoubleUnaryOperator;
import org.joml.Vector3d;
import tools.jackson.databind.node.ObjectNode;

/** Curves as they are drawn: exact segments, speed and acceleration, and tangents of the path. */
final class CurveOctets {
  private CurveOctets() {}

  static void add(
      OctetBundle bundle, ObjectNode out, Evaluation motion, String nodeId, boolean slopes) {
    Node node = motion.shot().node(nodeId);
    double perSecond = motion.shot().header().rate().framesPerSecond();
    ObjectNode curves = out.putObject("curves");
    for (Path path : node.chain().paths()) {
      Curve curve = node.chain().curve(path);
      if (curve.isKeyed()) {
        ObjectNode columns = curves.putObject(path.toString());
        bundle.add(columns, "segments", segments(curve));
        if (slopes) {
          addSlopes(bundle, columns, curve, motion.grid(), perSecond);
        }
      }
    }
    out.put("slopes", slopes);
    bundle.add(out, "path", path(PathTangent.of(motion, nodeId)));
  }

  private static void addSlopes(
      OctetBundle bundle, ObjectNode out, Curve curve, SampleGrid grid, double perSecond) {
    boolean moves = curve.keys().size() > 1;
    CurvePlayer player = curve.player();
    bundle.add(out, "speed", column(grid, moves, f -> player.slope(f) * perSecond));
    bundle.add(
        out, "acceleration", column(grid, moves, f -> player.bend(f) * perSecond * perSecond));
  }

  /** Eight numbers for each segment: frame and value of its four control points. */
  private static float[] segments(Curve curve) {
    int count = Math.max(0, curve.keys().size() - 1);
    float[] out = new float[count * 8];
    List<Segment> all = curve.segments();
    for (int i = 0; i < count; i++) {
      Segment s = all.get(i);
      double[] numbers = {s.t0(), s.v0(), s.t1(), s.v1(), s.t2(), s.v2(), s.t3(), s.v3()};
      for (int k = 0; k < 8; k++) {
        out[i * 8 + k] = (float) numbers[k];
      }
    }
    return out;
  }

  private static float[] column(SampleGrid grid, boolean moves, DoubleUnaryOperator at) {
    float[] out = new float[moves ? grid.count() : 1];
    for (int i = 0; i < out.length && moves; i++) {
      out[i] = (float) at.applyAsDouble(grid.frame(i));
    }
    return out;
  }

  /** Ten numbers for each key of place: frame, end of the handle in, key, end of the handle out. */
  private static float[] path(List<PathTangent> tangents) {
    float[] out = new float[tangents.size() * 10];
    int at = 0;
    for (PathTangent tangent : tangents) {
      out[at++] = (float) tangent.frame();
      for (Vector3d point : List.of(tangent.in(), tangent.key(), tangent.out())) {
        out[at++] = (float) point.x;
        out[at++] = (float) point.y;
        out[at++] = (float) point.z;
      }
    }
    return out;
  }
}
