package idlelens.web.shot;

import idlelens.core.exposure.Exposure;
import idlelens.core.geometry.RigidPose;
import idlelens.core.lens.Sight;
import idlelens.core.motion.PartTrack;
import idlelens.core.part.Look;
import idlelens.core.part.Parameter;
import idlelens.core.part.Path;
import idlelens.core.part.Shine;
import idlelens.core.rule.RefusedException;
import idlelens.core.rule.StoppedException;
import idlelens.core.scene.Node;
import java.util.List;
import java.util.function.IntFunction;
import java.util.function.IntToDoubleFunction;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** The passes of a frame as the browser gets them; layout in {@code docs/formats.md}. */
final class ExposureOctets {
  /** The most that one exposure may evaluate: what moves, times its passes. */
  private static final int MOST_POSES = 500_000;

  private static final List<String> LOOKS = List.of(Look.ID, Shine.ID);

  private final OctetBundle bundle = new OctetBundle();
  private final LiveShot shot;
  private final Exposure exposure;
  private final int passes;

  private ExposureOctets(LiveShot shot, Exposure exposure) {
    this.shot = shot;
    this.exposure = exposure;
    this.passes = exposure.passes().count();
  }

  /**
   * @throws RefusedException if more moves than can be evaluated in so many passes
   */
  static OctetBundle of(LiveShot shot, String camera, double frame, int passes) {
    Exposure exposure = new Exposure(shot.shot(), camera, frame, passes);
    ExposureOctets octets = new ExposureOctets(shot, exposure);
    List<Node> moving = shot.shot().nodes().stream().filter(octets::moves).toList();
    if ((long) moving.size() * passes > MOST_POSES) {
      throw new RefusedException(
          "passes",
          passes + " with " + moving.size() + " nodes that move",
          "at most " + MOST_POSES / moving.size() + " passes");
    }
    octets.bundle.head().put("revision", shot.revision()).put("camera", camera).put("frame", frame);
    octets.addEye();
    ArrayNode nodes = octets.bundle.head().putArray("nodes");
    moving.forEach(node -> octets.addNode(node, nodes.addObject()));
    return octets.bundle;
  }

  /** Whether a node that is drawn changes in the shot. */
  private boolean moves(Node node) {
    boolean drawn =
        !(node instanceof Node.Camera || node instanceof Node.Null || node instanceof Node.Rail);
    return drawn && (!shot.motion().isStill(node.id()) || looksChange(node));
  }

  private boolean looksChange(Node node) {
    return LOOKS.stream()
        .map(id -> shot.motion().of(node.id()).parts().get(id))
        .anyMatch(
            track ->
                track != null
                    && track.parameters().stream().anyMatch(p -> track.values(p).length > 1));
  }

  /** From where each pass sees, what, and when. */
  private void addEye() {
    ObjectNode eye = bundle.head().putObject("eye");
    Sight[] sights = new Sight[passes];
    for (int k = 0; k < passes; k++) {
      sights[k] = exposure.sight(k);
    }
    addPose(eye, k -> sights[k].pose());
    add(eye, "across", k -> sights[k].tanAcross());
    add(eye, "up", k -> sights[k].tanUp());
    add(eye, "right", k -> sights[k].tanRight());
    add(eye, "above", k -> sights[k].tanAbove());
    add(eye, "later", k -> exposure.moment(k) - shot.shot().header().range().in());
  }

  private void addNode(Node node, ObjectNode out) {
    StoppedException.check();
    out.put("id", node.id());
    addPose(out, k -> exposure.pose(node.id(), k));
    ObjectNode own = out.putObject("own");
    for (String part : LOOKS) {
      PartTrack track = shot.motion().of(node.id()).parts().get(part);
      if (track != null) {
        for (Parameter parameter : track.parameters()) {
          String path = new Path(part, parameter.id()).toString();
          add(own, path, k -> exposure.of(node.id(), k).parts().get(part).value(parameter, 0));
        }
      }
    }
  }

  private void addPose(ObjectNode to, IntFunction<RigidPose> pose) {
    RigidPose[] all = new RigidPose[passes];
    for (int k = 0; k < passes; k++) {
      all[k] = pose.apply(k);
    }
    add(to, "x", k -> all[k].x());
    add(to, "y", k -> all[k].y());
    add(to, "z", k -> all[k].z());
    add(to, "qx", k -> all[k].qx());
    add(to, "qy", k -> all[k].qy());
    add(to, "qz", k -> all[k].qz());
    add(to, "qw", k -> all[k].qw());
  }

  private void add(ObjectNode to, String name, IntToDoubleFunction number) {
    float[] column = new float[passes];
    for (int k = 0; k < passes; k++) {
      column[k] = (float) number.applyAsDouble(k);
    }
    bundle.add(to, name, column);
  }
}
