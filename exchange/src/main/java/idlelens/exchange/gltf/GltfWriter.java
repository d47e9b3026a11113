package idlelens.exchange.gltf;

import idlelens.core.geometry.RigidPose;
import idlelens.core.motion.Evaluation;
import idlelens.core.motion.LensTrack;
import idlelens.core.motion.NodeMotion;
import idlelens.core.motion.PoseTrack;
import idlelens.core.part.FocusRule;
import idlelens.core.part.Look;
import idlelens.core.part.Part;
import idlelens.core.part.Path;
import idlelens.core.rule.RefusedException;
import idlelens.core.scene.Node;
import idlelens.core.scene.Shot;
import idlelens.core.set.Finish;
import idlelens.core.set.Mesh;
import idlelens.core.time.FrameRange;
import idlelens.core.time.SampleGrid;
import idlelens.exchange.json.LensJson;
import idlelens.exchange.json.PieceJson;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Collectors;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/**
 * Writes cameras with the nulls that carry them, and the set, as a {@code .glb}. What moves has a
 * linear sample on every frame of the shot; what stands still has none. Time 0 is the shot's first
 * frame. A focal length that changes is written through KHR_animation_pointer; focal length, f-stop
 * and focus stand in the extras of the camera as well.
 */
public final class GltfWriter {
  /** Coordinates beyond this, in metres, lose more than 0.01 mm in 32 bits. */
  private static final double FAR_FROM_ORIGIN = 160;

  private final Shot shot;
  private final FrameRange frames;
  private final Evaluation motion;
  private final GlbBuilder glb = new GlbBuilder();
  private final Map<String, Integer> nodeIndex = new LinkedHashMap<>();
  private final Set<String> notes = new LinkedHashSet<>();
  private final MeshWriter meshes;
  private final ArrayNode samplers = JsonNodeFactory.instance.arrayNode();
  private final ArrayNode channels = JsonNodeFactory.instance.arrayNode();
  private final Set<String> chosen = new LinkedHashSet<>(); // not only because they carry others
  private int timesAccessor = -1;

  /** The file and what it could not hold. */
  public record Written(byte[] octets, List<String> notes) {}

  private GltfWriter(Shot shot, FrameRange frames, Function<String, Mesh> stored) {
    this.shot = shot;
    this.frames = frames;
    this.meshes = new MeshWriter(glb, stored, notes);
    this.motion = Evaluation.of(shot, SampleGrid.over(frames, 0), null);
  }

  /** The same over the range of the shot. */
  public static Written write(
      Shot shot, List<String> cameraIds, boolean withSet, Function<String, Mesh> stored) {
    return write(shot, shot.header().range(), cameraIds, withSet, stored);
  }

  /**
   * @param frames those that go out; handles and what else lies outside the shot may be among them
   * @param cameraIds the cameras to write; at least one
   * @param withSet whether pieces and suns go along
   * @param stored finds the triangles of an imported piece by their SHA-256
   */
  public static Written write(
      Shot shot,
      FrameRange frames,
      List<String> cameraIds,
      boolean withSet,
      Function<String, Mesh> stored) {
    if (cameraIds.isEmpty()) {
      throw new RefusedException("camera", "missing", "at least one camera of the shot");
    }
    cameraIds.forEach(shot::camera);
    return new GltfWriter(shot, frames, stored).write(new LinkedHashSet<>(cameraIds), withSet);
  }

  /** What of a node such a file does not hold. */
  private void sayWhatStays(Node node) {
    if (node instanceof Node.Repeat) {
      notes.add(node.name() + ": what it repeats goes out once, without its copies");
    }
    if (node instanceof Node.Piece piece && piece.finish().lettering().isPresent()) {
      notes.add(node.name() + ": what is written on it stays here");
    }
    if (node instanceof Node.Piece piece && piece.finish().pictures().isPresent()) {
      notes.add(node.name() + ": the pictures on it stay here");
    }
    if (node instanceof Node.Piece && node.chain().find(Look.ID).isPresent()) {
      notes.add(node.name() + ": its size and glow over time stay here");
    }
  }

  /** What of the set has no place in such a file. */
  private void sayWhatIsNotWritten() {
    shot.nodes().stream()
        .filter(n -> n instanceof Node.Light || n instanceof Node.Mist || n instanceof Node.Hazy)
        .forEach(n -> notes.add(n.name() + ": a " + n.kind() + " does not go out"));
    shot.nodes().stream()
        .filter(n -> n.hidden().files())
        .forEach(n -> notes.add(n.name() + ": is hidden in files and does not go out"));
  }

  private Written write(Set<String> cameraIds, boolean withSet) {
    chosen.addAll(cameraIds);
    if (withSet) {
      sayWhatIsNotWritten();
      shot.nodes().stream()
          .filter(n -> n instanceof Node.Piece || n instanceof Node.Sun)
          .filter(n -> !n.hidden().files())
          .forEach(n -> chosen.add(n.id()));
    }
    Set<String> all = new LinkedHashSet<>(chosen);
    for (String id : chosen) {
      for (String up = shot.node(id).parentId(); !up.isEmpty(); up = shot.node(up).parentId()) {
        all.add(up);
      }
    }
    List<Node> ordered = shot.nodes().stream().filter(n -> all.contains(n.id())).toList();
    ordered.forEach(n -> nodeIndex.put(n.id(), nodeIndex.size()));
    writeAsset();
    sayFrames();
    ordered.forEach(this::writeNode);
    writeTree(ordered);
    if (!channels.isEmpty()) {
      ObjectNode animation = glb.list("animations").addObject();
      animation.put("name", shot.header().name());
      animation.set("samplers", samplers);
      animation.set("channels", channels);
    }
    return new Written(glb.pack(), List.copyOf(notes));
  }

  /** What goes out of the frames is said, and what of them stays behind. */
  private void sayFrames() {
    FrameRange range = shot.header().range();
    int handles = shot.header().handles();
    if (!frames.equals(range)) {
      notes.add("frames " + frames.in() + " to " + frames.out() + " go out");
    } else if (handles > 0) {
      notes.add("the range goes out, without its " + handles + " frames of handles");
    }
  }

  private void writeAsset() {
    FrameRange range = shot.header().range();
    boolean whole = frames.in() <= range.in() && frames.out() >= range.out();
    ObjectNode asset = glb.root().putObject("asset");
    asset.put("version", "2.0").put("generator", "Idle Lens");
    asset
        .putObject("extras")
        .putObject(GltfHints.EXTRAS)
        .put("shot", shot.header().name())
        .put("rate", shot.header().rate().toString())
        .put("in", whole ? range.in() : frames.in())
        .put("out", whole ? range.out() : frames.out())
        .put("handles", whole ? shot.header().handles() : 0)
        .put("from", frames.in())
        .put("aspect", shot.header().aspect());
    glb.root().put("scene", 0);
  }

  private void writeTree(List<Node> ordered) {
    ObjectNode scene = glb.list("scenes").addObject();
    scene.put("name", shot.header().name());
    ArrayNode roots = scene.putArray("nodes");
    Map<String, List<Node>> carried =
        ordered.stream().collect(Collectors.groupingBy(Node::parentId));
    carried.getOrDefault("", List.of()).forEach(n -> roots.add(nodeIndex.get(n.id())));
    for (Node node : ordered) {
      if (carried.containsKey(node.id())) {
        ArrayNode children =
            ((ObjectNode) glb.list("nodes").get(nodeIndex.get(node.id()))).putArray("children");
        carried.get(node.id()).forEach(n -> children.add(nodeIndex.get(n.id())));
      }
    }
  }

  private void writeNode(Node node) {
    ObjectNode out = glb.list("nodes").addObject();
    out.put("name", node.name());
    node.chain().parts().stream()
        .filter(part -> !part.isOn())
        .map(part -> node.name() + ": " + part.kind().label() + gone(part))
        .forEach(notes::add);
    if (!node.chain().carried().later().isEmpty()) {
      notes.add(node.name() + ": is handed over and goes out standing in the world");
    } else if (node.chain().ride(node.carriage().carrierId()).isPresent()) {
      notes.add(node.name() + ": rides a rail and goes out standing in the world");
    }
    sayWhatStays(node);
    writeMotion(node, out);
    if (node.hidden().picture()) {
      ours(out).put("hidden", true);
    }
    if (node instanceof Node.Camera camera) {
      out.put("camera", glb.list("cameras").size());
      writeCamera(camera);
    } else if (node instanceof Node.Piece piece && chosen.contains(node.id())) {
      PieceJson.Look look = new PieceJson.Look(piece.shape(), piece.finish().withoutPictures());
      int mesh = meshes.index(look, piece.name());
      if (mesh >= 0) {
        out.put("mesh", mesh);
      }
      ours(out).setAll(PieceJson.write(look));
    } else if (node instanceof Node.Sun sun) {
      writeSun(sun, out);
    }
  }

  /** Our own part of a definition's extras. */
  private static ObjectNode ours(ObjectNode definition) {
    return definition.withObjectProperty("extras").withObjectProperty(GltfHints.EXTRAS);
  }

  private static String gone(Part part) {
    return part.kind().source()
        ? " is switched off and goes out still"
        : " is switched off and does not go out";
  }

  /** The node's pose in its carrier's space: offset times own. */
  private void writeMotion(Node node, ObjectNode out) {
    PoseTrack local = motion.local(node.id());
    RigidPose first = local.pose(0);
    if (first.x() != 0 || first.y() != 0 || first.z() != 0) {
      out.putArray("translation").add(first.x()).add(first.y()).add(first.z());
    }
    if (first.qx() != 0 || first.qy() != 0 || first.qz() != 0) {
      out.putArray("rotation").add(first.qx()).add(first.qy()).add(first.qz()).add(first.qw());
    }
    warnOfDistance(node, local);
    if (local.isStill()) {
      return;
    }
    int index = nodeIndex.get(node.id());
    if (varies(local.x()) || varies(local.y()) || varies(local.z())) {
      channel(node, Path.PLACE, track -> interleave(track.x(), track.y(), track.z()), "VEC3")
          .put("node", index)
          .put("path", "translation");
    }
    if (varies(local.qx()) || varies(local.qy()) || varies(local.qz()) || varies(local.qw())) {
      channel(
              node,
              Path.TURN,
              track -> interleave(track.qx(), track.qy(), track.qz(), track.qw()),
              "VEC4")
          .put("node", index)
          .put("path", "rotation");
    }
  }

  /** A channel of a node: held from key to key where all of it is, else with every frame. */
  private ObjectNode channel(
      Node node, List<Path> paths, Function<PoseTrack, float[]> numbers, String type) {
    StepTimes steps = StepTimes.of(node, paths, frames);
    if (steps.isHeld()) {
      float[] values = steps.values(motion, node.id(), numbers);
      return channel(
          glb.animationNumbers(steps.seconds(shot.header().rate(), frames.in()), "SCALAR"),
          glb.animationNumbers(values, type),
          "STEP");
    }
    if (steps.holdsSomewhere()) {
      notes.add(
          node.name() + ": held keys stand among moving ones; their jumps take the frame before");
    }
    float[] values = numbers.apply(motion.local(node.id()));
    return channel(glb.animationNumbers(values, type));
  }

  private void warnOfDistance(Node node, PoseTrack local) {
    double far = 0;
    for (int i = 0; i < local.x().length; i++) {
      far =
          Math.max(
              far,
              Math.max(
                  Math.abs(local.x()[i]),
                  Math.max(Math.abs(local.y()[i]), Math.abs(local.z()[i]))));
    }
    if (far > FAR_FROM_ORIGIN) {
      notes.add(
          String.format(
              Locale.ROOT,
              "%s is up to %.0f m from its origin: 32-bit places are off by up to %.3f mm",
              node.name(),
              far,
              Math.ulp((float) far) / 2 * 1000));
    }
  }

  private static boolean varies(double[] values) {
    for (double value : values) {
      if (value != values[0]) {
        return true;
      }
    }
    return false;
  }

  private static float[] interleave(double[]... columns) {
    float[] out = new float[columns[0].length * columns.length];
    for (int i = 0; i < columns[0].length; i++) {
      for (int c = 0; c < columns.length; c++) {
        out[i * columns.length + c] = (float) columns[c][i];
      }
    }
    return out;
  }

  /** A channel that plays these values, one a frame; the caller says what it moves. */
  private ObjectNode channel(int output) {
    if (timesAccessor < 0) {
      float[] times = new float[motion.grid().count()];
      for (int i = 0; i < times.length; i++) {
        times[i] = (float) shot.header().rate().seconds(i);
      }
      timesAccessor = glb.animationNumbers(times, "SCALAR");
    }
    return channel(timesAccessor, output, "LINEAR");
  }

  private ObjectNode channel(int times, int output, String between) {
    ObjectNode sampler = samplers.addObject().put("input", times).put("output", output);
    if (!between.equals("LINEAR")) {
      sampler.put("interpolation", between);
    }
    return channels.addObject().put("sampler", samplers.size() - 1).putObject("target");
  }

  private void writeCamera(Node.Camera camera) {
    NodeMotion moving = motion.of(camera.id());
    LensTrack lens = moving.lens().orElseThrow();
    int index = glb.list("cameras").size();
    ObjectNode out = glb.list("cameras").addObject();
    out.put("name", camera.name()).put("type", "perspective");
    out.putObject("perspective")
        .put("aspectRatio", shot.header().aspect())
        .put("yfov", lens.verticalRad()[0])
        .put("znear", 0.01);
    ObjectNode extras = out.putObject("extras").putObject(GltfHints.EXTRAS);
    extras.set("lens", LensJson.write(camera.lens().withFocus(new FocusRule.Distance())));
    samples(extras, "focalMm", lens.focalMm());
    samples(extras, "fStop", lens.fStop());
    samples(extras, "focusM", lens.focusM());
    if (camera.lens().focus() instanceof FocusRule.Follow follow) {
      writeFollow(camera, follow, extras);
    }
    if (varies(lens.verticalRad())) {
      glb.extensionUsed("KHR_animation_pointer");
      notes.add(
          camera.name()
              + ": its focal length moves; readers without KHR_animation_pointer see it still, at "
              + String.format(Locale.ROOT, "%.4g mm", lens.focalMm()[0]));
      ObjectNode target = channel(glb.animationNumbers(interleave(lens.verticalRad()), "SCALAR"));
      target.put("path", "pointer");
      target
          .putObject("extensions")
          .putObject("KHR_animation_pointer")
          .put("pointer", "/cameras/" + index + "/perspective/yfov");
    }
  }

  private void writeFollow(Node.Camera camera, FocusRule.Follow follow, ObjectNode extras) {
    boolean there = FollowHint.write(follow, nodeIndex, extras);
    notes.add(
        camera.name()
            + ": focus follows "
            + follow.target().nodeId().map(id -> shot.node(id).name()).orElse("a place")
            + "; it is written as a distance on every frame"
            + (there ? ", and comes back from this file" : ", and does not come back"));
  }

  private static void samples(ObjectNode out, String field, double[] values) {
    if (varies(values)) {
      ArrayNode all = out.putArray(field);
      for (double value : values) {
        all.add(value);
      }
    } else {
      out.put(field, values[0]);
    }
  }

  private void writeSun(Node.Sun sun, ObjectNode out) {
    glb.extensionUsed("KHR_lights_punctual");
    ObjectNode extensions =
        glb.root().has("extensions")
            ? (ObjectNode) glb.root().get("extensions")
            : glb.root().putObject("extensions");
    ArrayNode lights =
        extensions.has("KHR_lights_punctual")
            ? (ArrayNode) extensions.get("KHR_lights_punctual").get("lights")
            : extensions.putObject("KHR_lights_punctual").putArray("lights");
    double[] rgb = Finish.matt(sun.colour()).linear();
    ObjectNode light = lights.addObject();
    light.put("name", sun.name()).put("type", "directional").put("intensity", sun.strength());
    light.putArray("color").add(rgb[0]).add(rgb[1]).add(rgb[2]);
    out.putObject("extensions").putObject("KHR_lights_punctual").put("light", lights.size() - 1);
  }
}
