package idlelens.core.motion;

import idlelens.core.curve.Curve;
import idlelens.core.curve.Segment;
import idlelens.core.curve.Tangent;
import idlelens.core.part.Chain;
import idlelens.core.part.Keys;
import idlelens.core.part.Path;
import java.util.ArrayList;
import java.util.List;
import org.joml.Vector3d;

/**
 * The tangent of a node's path at a key of its place, in the world and in metres. Where the path
 * begins or ends, or is held, the handle of that side has no length.
 *
 * @param frame frame of the key
 * @param in end of the handle towards the key before
 * @param key the place at the key
 * @param out end of the handle towards the key after
 */
public record PathTangent(double frame, Vector3d in, Vector3d key, Vector3d out) {
  /**
   * The tangents at all keys of x, y and z of a node, in order of frame; none while its keys are
   * switched off.
   */
  public static List<PathTangent> of(Evaluation motion, String nodeId) {
    Chain chain = motion.shot().node(nodeId).chain();
    if (!chain.part(Keys.ID).isOn()) {
      return List.of();
    }
    List<Axis> axes = Path.PLACE.stream().map(chain::curve).map(Axis::new).toList();
    List<PathTangent> all = new ArrayList<>();
    for (double frame : chain.keyFrames(Path.PLACE)) {
      Moment moment = Moment.of(motion, nodeId, frame);
      Vector3d key = new Vector3d();
      Vector3d in = new Vector3d();
      Vector3d out = new Vector3d();
      double before = axes.stream().mapToDouble(a -> a.length(frame, true)).max().orElse(0);
      double after = axes.stream().mapToDouble(a -> a.length(frame, false)).max().orElse(0);
      for (int i = 0; i < axes.size(); i++) {
        Axis axis = axes.get(i);
        double value = axis.curve.at(frame);
        key.setComponent(i, value);
        in.setComponent(i, value - axis.handle(frame, true, before));
        out.setComponent(i, value + axis.handle(frame, false, after));
      }
      all.add(new PathTangent(frame, moment.world(in), moment.world(key), moment.world(out)));
    }
    return all;
  }

  /** A node at a frame: how its keyed places come into the world. */
  private record Moment(Evaluation motion, String nodeId, int sample, double[] keyed) {
    static Moment of(Evaluation motion, String nodeId, double frame) {
      double sample = (frame - motion.grid().first()) * motion.grid().stepsPerFrame();
      boolean onGrid = sample == Math.rint(sample) && sample >= 0 && sample < motion.grid().count();
      Evaluation at = onGrid ? motion : Evaluation.at(motion.shot(), frame);
      int i = onGrid ? (int) sample : 0;
      return new Moment(at, nodeId, i, at.keyedNumbers(nodeId, i));
    }

    /** With what moves add, in the space that it stands in. */
    Vector3d world(Vector3d place) {
      double[] numbers = keyed.clone();
      for (int i = 0; i < 3; i++) {
        numbers[i] = place.get(i);
      }
      double[] moved = motion.movedNumbers(nodeId, sample, numbers);
      Vector3d own = new Vector3d(moved[0], moved[1], moved[2]);
      return motion.ownSpace(nodeId, sample).apply(own);
    }
  }

  /** The curve of x, y or z with its segments, each made once. */
  private record Axis(Curve curve, List<Segment> segments) {
    Axis(Curve curve) {
      this(curve, curve.segments());
    }

    /** How far in time the handle of that side reaches; not at all without a key there. */
    double length(double frame, boolean before) {
      int i = curve.indexOf(frame);
      return i < 0 ? 0 : own(i, before).frames();
    }

    /** Change of value along the handle; without a key there, along the slope. */
    double handle(double frame, boolean before, double length) {
      int i = curve.indexOf(frame);
      if (i >= 0) {
        return own(i, before).value();
      }
      return curve.keys().size() < 2 ? 0 : curve.player().slope(frame) * length;
    }

    private Tangent.Handle own(int i, boolean before) {
      int segment = before ? i - 1 : i;
      if (segment < 0 || segment >= segments.size()) {
        return new Tangent.Handle(0, 0);
      }
      return before ? segments.get(segment).in() : segments.get(segment).out();
    }
  }
}
