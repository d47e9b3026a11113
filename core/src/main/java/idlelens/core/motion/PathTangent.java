package idlelens.core.motion;

import idlelens.core.curve.Curve;
import idlelens.core.curve.Tangent;
import idlelens.core.geometry.RigidPose;
import idlelens.core.scene.ChainPart;
import idlelens.core.scene.Channel;
import idlelens.core.scene.Channels;
import java.util.ArrayList;
import java.util.List;
import java.util.TreeSet;
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
  private static final List<Channel> PLACE = List.of(Channel.X, Channel.Y, Channel.Z);

  /**
   * The tangents at all keys of x, y and z of a node, in order of frame; none while its keys are
   * switched off.
   */
  public static List<PathTangent> of(Evaluation motion, String nodeId) {
    if (!motion.shot().node(nodeId).isOn(ChainPart.KEYS)) {
      return List.of();
    }
    Channels channels = motion.shot().node(nodeId).channels();
    TreeSet<Double> frames = new TreeSet<>(channels.keyFrames(PLACE));
    List<PathTangent> all = new ArrayList<>();
    for (double frame : frames) {
      RigidPose space = space(motion, nodeId, frame);
      Vector3d key = new Vector3d();
      Vector3d in = new Vector3d();
      Vector3d out = new Vector3d();
      double before = length(channels, frame, true);
      double after = length(channels, frame, false);
      for (Channel channel : PLACE) {
        Curve curve = channels.get(channel);
        double value = curve.at(frame);
        key.setComponent(channel.ordinal(), value);
        in.setComponent(channel.ordinal(), value - handle(curve, frame, true, before));
        out.setComponent(channel.ordinal(), value + handle(curve, frame, false, after));
      }
      all.add(new PathTangent(frame, space.apply(in), space.apply(key), space.apply(out)));
    }
    return all;
  }

  private static RigidPose space(Evaluation motion, String nodeId, double frame) {
    double sample = (frame - motion.grid().first()) * motion.grid().stepsPerFrame();
    boolean onGrid = sample == Math.rint(sample) && sample >= 0 && sample < motion.grid().count();
    return onGrid
        ? motion.ownSpace(nodeId, (int) sample)
        : Evaluation.at(motion.shot(), frame).ownSpace(nodeId, 0);
  }

  /** How far in time the longest handle of that side reaches. */
  private static double length(Channels channels, double frame, boolean before) {
    return PLACE.stream()
        .map(channels::get)
        .filter(c -> c.indexOf(frame) >= 0)
        .mapToDouble(c -> own(c, c.indexOf(frame), before).frames())
        .max()
        .orElse(0);
  }

  /** Change of value along the handle; for a channel without a key there, along its slope. */
  private static double handle(Curve curve, double frame, boolean before, double length) {
    int i = curve.indexOf(frame);
    if (i >= 0) {
      return own(curve, i, before).value();
    }
    return curve.keys().size() < 2 ? 0 : curve.player().slope(frame) * length;
  }

  private static Tangent.Handle own(Curve curve, int i, boolean before) {
    int segment = before ? i - 1 : i;
    if (segment < 0 || segment > curve.keys().size() - 2) {
      return new Tangent.Handle(0, 0);
    }
    return before ? curve.segment(segment).in() : curve.segment(segment).out();
  }
}
