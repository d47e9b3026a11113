package idlelens.web.shot;

import idlelens.core.exposure.Exposure;
import idlelens.core.geometry.RigidPose;
import idlelens.core.lens.Sight;
import idlelens.core.motion.NodeMotion;
import idlelens.core.motion.PartTrack;
import idlelens.core.part.Look;
import idlelens.core.part.Path;
import idlelens.core.part.Shine;
import idlelens.core.rule.RefusedException;
import idlelens.core.rule.StoppedException;
import idlelens.core.scene.Node;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** The passes of a frame as the browser gets them; layout in {@code docs/formats.md}. */
final class ExposureOctets {
  /** The most that one exposure may evaluate: all that moves, drawn or not, times its passes. */
  private static final int MOST_POSES = 500_000;

  private static final List<String> LOOKS = List.of(Look.ID, Shine.ID);
  private static final List<String> POSE = List.of("x", "y", "z", "qx", "qy", "qz", "qw");
  private static final List<String> EYE =
      Stream.concat(POSE.stream(), Stream.of("across", "up", "right", "above", "later")).toList();

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
    List<Node> moving = shot.shot().nodes().stream().filter(node -> changes(shot, node)).toList();
    if ((long) moving.size() * passes > MOST_POSES) {
      throw new RefusedException(
          "passes",
          passes + " with " + moving.size() + " nodes that move",
          "at most " + MOST_POSES / moving.size() + " passes");
    }
    Exposure exposure = new Exposure(shot.shot(), camera, frame, passes);
    ExposureOctets octets = new ExposureOctets(shot, exposure);
    octets.bundle.head().put("revision", shot.revision()).put("camera", camera).put("frame", frame);
    octets.fill(moving.stream().filter(ExposureOctets::isDrawn).toList());
    return octets.bundle;
  }

  private static boolean isDrawn(Node node) {
    return !(node instanceof Node.Camera || node instanceof Node.Null || node instanceof Node.Rail);
  }

  private static boolean changes(LiveShot shot, Node node) {
    return !shot.motion().isStill(node.id())
        || LOOKS.stream()
            .map(id -> shot.motion().of(node.id()).parts().get(id))
            .anyMatch(
                track ->
                    track != null
                        && track.parameters().stream().anyMatch(p -> track.values(p).length > 1));
  }

  /** All columns, worked out pass by pass. */
  private void fill(List<Node> drawn) {
    Map<String, float[]> eye = columns(EYE);
    Map<Node, Map<String, float[]>> poses = new LinkedHashMap<>();
    Map<Node, Map<Path, float[]>> looks = new LinkedHashMap<>();
    for (Node node : drawn) {
      poses.put(node, columns(POSE));
      looks.put(node, looks(node));
    }
    for (int k = 0; k < passes; k++) {
      StoppedException.check();
      int pass = k;
      putEye(eye, pass);
      poses.forEach((node, to) -> put(exposure.pose(node.id(), pass), pass, to));
      looks.forEach((node, to) -> putLooks(node, pass, to));
    }
    ObjectNode head = bundle.head();
    head.put("parallel", exposure.sight(0).isParallel());
    add(head.putObject("eye"), eye);
    ArrayNode nodes = head.putArray("nodes");
    poses.forEach(
        (node, columns) -> {
          ObjectNode out = nodes.addObject().put("id", node.id());
          add(out, columns);
          ObjectNode own = out.putObject("own");
          looks.get(node).forEach((path, column) -> bundle.add(own, path.toString(), column));
        });
  }

  private Map<String, float[]> columns(List<String> names) {
    Map<String, float[]> columns = new LinkedHashMap<>();
    names.forEach(name -> columns.put(name, new float[passes]));
    return columns;
  }

  private Map<Path, float[]> looks(Node node) {
    Map<Path, float[]> columns = new LinkedHashMap<>();
    for (String part : LOOKS) {
      PartTrack track = shot.motion().of(node.id()).parts().get(part);
      if (track != null) {
        track.parameters().forEach(p -> columns.put(new Path(part, p.id()), new float[passes]));
      }
    }
    return columns;
  }

  /** From where a pass sees, what, and when. */
  private void putEye(Map<String, float[]> to, int pass) {
    Sight sight = exposure.sight(pass);
    put(sight.pose(), pass, to);
    to.get("across")[pass] = (float) sight.across();
    to.get("up")[pass] = (float) sight.up();
    to.get("right")[pass] = (float) sight.right();
    to.get("above")[pass] = (float) sight.above();
    double first = shot.shot().header().range().in();
    to.get("later")[pass] = (float) (exposure.moment(pass) - first);
  }

  private static void put(RigidPose pose, int pass, Map<String, float[]> to) {
    double[] numbers = {pose.x(), pose.y(), pose.z(), pose.qx(), pose.qy(), pose.qz(), pose.qw()};
    for (int i = 0; i < numbers.length; i++) {
      to.get(POSE.get(i))[pass] = (float) numbers[i];
    }
  }

  private void putLooks(Node node, int pass, Map<Path, float[]> to) {
    if (!to.isEmpty()) {
      NodeMotion now = exposure.of(node.id(), pass);
      to.forEach((path, column) -> column[pass] = (float) now.values(path)[0]);
    }
  }

  private void add(ObjectNode to, Map<String, float[]> columns) {
    columns.forEach((name, column) -> bundle.add(to, name, column));
  }
}
