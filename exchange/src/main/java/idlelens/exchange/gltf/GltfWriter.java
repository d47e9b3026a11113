package idlelens.exchange.gltf;

import idlelens.core.set.Finish;
import idlelens.core.time.FrameRate;
import idlelens.exchange.scenefile.Channel;
import idlelens.exchange.scenefile.Content;
import idlelens.exchange.scenefile.FileClock;
import idlelens.exchange.scenefile.FileNode;
import idlelens.exchange.scenefile.Lane;
import idlelens.exchange.scenefile.LensExtras;
import idlelens.exchange.scenefile.Op;
import idlelens.exchange.scenefile.SceneFile;
import idlelens.exchange.scenefile.SceneFormat;
import idlelens.exchange.scenefile.ShotHint;
import idlelens.exchange.scenefile.View;
import java.util.IdentityHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/**
 * Writes a {@code .glb}: metres, +Y up. Time 0 is the first frame. A field of view that changes is
 * written through KHR_animation_pointer; focal length, f-stop and focus stand in the extras of the
 * camera as well.
 */
public final class GltfWriter {
  /** Coordinates beyond this, in metres, lose more than 0.01 mm in 32 bits. */
  private static final double FAR_FROM_ORIGIN = 160;

  private static final double NEAR_M = 0.01;
  private static final double FAR_M = 1e4;
  private static final double HALF = 0.5;

  private final SceneFile scene;
  private final GlbBuilder glb = new GlbBuilder();
  private final Set<String> notes = new LinkedHashSet<>();
  private final MeshWriter meshes;
  private final ArrayNode samplers = JsonNodeFactory.instance.arrayNode();
  private final ArrayNode channels = JsonNodeFactory.instance.arrayNode();
  private final Map<double[], Integer> times = new IdentityHashMap<>();

  private GltfWriter(SceneFile scene) {
    this.scene = scene;
    this.meshes = new MeshWriter(glb);
  }

  /**
   * @param scene in metres, +Y up
   */
  public static SceneFormat.Written write(SceneFile scene) {
    return new GltfWriter(scene).write();
  }

  private SceneFormat.Written write() {
    writeAsset();
    scene.nodes().forEach(this::writeNode);
    writeTree();
    if (!channels.isEmpty()) {
      ObjectNode animation = glb.list("animations").addObject();
      animation.put("name", name());
      animation.set("samplers", samplers);
      animation.set("channels", channels);
    }
    return new SceneFormat.Written(glb.pack(), List.copyOf(notes));
  }

  private String name() {
    return scene.hint().map(ShotHint::name).orElse("Shot");
  }

  private void writeAsset() {
    ObjectNode asset = glb.root().putObject("asset");
    asset.put("version", "2.0").put("generator", "Idle Lens");
    scene.hint().ifPresent(h -> h.write(asset.putObject("extras").putObject(ShotHint.OURS)));
    glb.root().put("scene", 0);
  }

  private void writeTree() {
    ObjectNode root = glb.list("scenes").addObject();
    root.put("name", name());
    ArrayNode roots = root.putArray("nodes");
    for (int i = 0; i < scene.nodes().size(); i++) {
      int parent = scene.nodes().get(i).parent();
      if (parent < 0) {
        roots.add(i);
      } else {
        ((ObjectNode) glb.list("nodes").get(parent)).withArrayProperty("children").add(i);
      }
    }
  }

  private void writeNode(FileNode node) {
    int index = glb.list("nodes").size();
    ObjectNode out = glb.list("nodes").addObject();
    out.put("name", node.name());
    for (Op op : node.ops()) {
      if (op instanceof Op.Place place) {
        writePlace(place.x().channel(), node, index, out);
      } else if (op instanceof Op.Turn turn) {
        writeTurn(turn.turns(), index, out);
      }
    }
    if (node.hidden()) {
      ours(out).put("hidden", true);
    }
    node.contents().forEach(content -> writeContent(content, node, out));
  }

  private void writeContent(Content content, FileNode node, ObjectNode out) {
    if (content instanceof Content.Camera camera) {
      out.put("camera", glb.list("cameras").size());
      writeCamera(camera, node.name());
    } else if (content instanceof Content.Sun sun) {
      writeSun(sun, node.name(), out);
    } else if (content instanceof Content.Piece piece) {
      if (!piece.mesh().parts().isEmpty()) {
        out.put("mesh", meshes.index(piece.mesh(), node.name()));
      }
      piece.ours().ifPresent(look -> ours(out).setAll((ObjectNode) look.node()));
    }
  }

  /** Our own part of a definition's extras. */
  private static ObjectNode ours(ObjectNode definition) {
    return definition.withObjectProperty("extras").withObjectProperty(ShotHint.OURS);
  }

  private void writePlace(Channel places, FileNode node, int index, ObjectNode out) {
    if (places.value(0, 0) != 0 || places.value(0, 1) != 0 || places.value(0, 2) != 0) {
      numbers(out.putArray("translation"), places);
    }
    warnOfDistance(node, places);
    if (!places.isStill()) {
      channel(places, "VEC3").put("node", index).put("path", "translation");
    }
  }

  private void writeTurn(Channel turns, int index, ObjectNode out) {
    if (turns.value(0, 0) != 0 || turns.value(0, 1) != 0 || turns.value(0, 2) != 0) {
      numbers(out.putArray("rotation"), turns);
    }
    if (!turns.isStill()) {
      channel(turns, "VEC4").put("node", index).put("path", "rotation");
    }
  }

  private static void numbers(ArrayNode out, Channel channel) {
    for (int c = 0; c < channel.components(); c++) {
      out.add(channel.value(0, c));
    }
  }

  private void warnOfDistance(FileNode node, Channel places) {
    double far = 0;
    for (double value : places.values()) {
      far = Math.max(far, Math.abs(value));
    }
    if (far > FAR_FROM_ORIGIN) {
      notes.add(
          String.format(
              Locale.ROOT,
              "%s is up to %.0f m from its origin: 32-bit places are off by up to %.3f mm",
              node.where(),
              far,
              Math.ulp((float) far) / 2 * 1000));
    }
  }

  private static float[] floats(double[] values) {
    float[] out = new float[values.length];
    for (int i = 0; i < out.length; i++) {
      out[i] = (float) values[i];
    }
    return out;
  }

  /** A channel that plays these values; the caller says what it moves. */
  private ObjectNode channel(Channel moving, String type) {
    ObjectNode sampler = samplers.addObject();
    sampler.put("input", times.computeIfAbsent(moving.times(), this::seconds));
    sampler.put("output", glb.animationNumbers(floats(moving.values()), type));
    if (moving.between() == Channel.Between.STEP) {
      sampler.put("interpolation", "STEP");
    }
    return channels.addObject().put("sampler", samplers.size() - 1).putObject("target");
  }

  private int seconds(double[] frames) {
    FileClock clock = scene.clock();
    FrameRate rate = clock.rate().orElseThrow();
    float[] seconds = new float[frames.length];
    for (int i = 0; i < seconds.length; i++) {
      seconds[i] = (float) rate.seconds(frames[i] - clock.first());
    }
    return glb.animationNumbers(seconds, "SCALAR");
  }

  private void writeCamera(Content.Camera camera, String name) {
    String pointer = "/cameras/" + glb.list("cameras").size();
    ObjectNode out = glb.list("cameras").addObject().put("name", name);
    ObjectNode extras = ours(out);
    camera.ours().ifPresent(o -> extras.setAll((ObjectNode) o.node()));
    if (camera.view() instanceof View.Parallel view) {
      writeParallel(camera, view, out, pointer);
    } else {
      View.Focal view = (View.Focal) camera.view();
      LensExtras.samples(extras, "focalMm", view.focalMm());
      writePerspective(camera, view, out, pointer);
    }
    LensExtras.samples(extras, "fStop", camera.fStop().orElseThrow());
    LensExtras.samples(extras, "focusM", camera.focus().orElseThrow());
  }

  private void writePerspective(
      Content.Camera camera, View.Focal view, ObjectNode out, String pointer) {
    double height = view.heightMm().at(0);
    out.put("type", "perspective")
        .putObject("perspective")
        .put("aspectRatio", camera.aspect().orElseThrow())
        .put("yfov", upright(height, view.focalMm().channel().value(0, 0)))
        .put("znear", NEAR_M);
    if (!view.focalMm().isConstant()) {
      writeZoom(camera, view, pointer);
    }
  }

  /** Half of the width and half of the height of the picture. */
  private void writeParallel(
      Content.Camera camera, View.Parallel view, ObjectNode out, String pointer) {
    Lane across = view.width().times(HALF);
    Lane up = view.height().times(HALF);
    out.put("type", "orthographic")
        .putObject("orthographic")
        .put("xmag", across.channel().value(0, 0))
        .put("ymag", up.channel().value(0, 0))
        .put("zfar", FAR_M)
        .put("znear", NEAR_M);
    if (!across.isConstant()) {
      double width = view.width().channel().value(0, 0);
      sayMoving(camera, "the width of its picture", String.format(Locale.ROOT, "%.4g m", width));
      writeMoving(across.channel(), pointer + "/orthographic/xmag");
      writeMoving(up.channel(), pointer + "/orthographic/ymag");
    }
  }

  private static double upright(double heightMm, double focalMm) {
    return 2 * Math.atan(heightMm / (2 * focalMm));
  }

  private void writeZoom(Content.Camera camera, View.Focal view, String pointer) {
    Channel focal = view.focalMm().channel();
    double height = view.heightMm().at(0);
    double[] angles = focal.values().clone();
    for (int i = 0; i < angles.length; i++) {
      angles[i] = upright(height, angles[i]);
    }
    String at = String.format(Locale.ROOT, "%.4g mm", focal.value(0, 0));
    sayMoving(camera, "its focal length", at);
    writeMoving(
        new Channel(focal.times(), angles, focal.between(), 1, focal.path()),
        pointer + "/perspective/yfov");
  }

  private void sayMoving(Content.Camera camera, String what, String at) {
    notes.add(
        camera.where()
            + ": "
            + what
            + " moves; readers without KHR_animation_pointer see it still, at "
            + at);
  }

  private void writeMoving(Channel moving, String pointer) {
    glb.extensionUsed("KHR_animation_pointer");
    ObjectNode target = channel(moving, "SCALAR");
    target.put("path", "pointer");
    target.putObject("extensions").putObject("KHR_animation_pointer").put("pointer", pointer);
  }

  private void writeSun(Content.Sun sun, String name, ObjectNode out) {
    glb.extensionUsed("KHR_lights_punctual");
    ArrayNode lights =
        glb.root()
            .withObjectProperty("extensions")
            .withObjectProperty("KHR_lights_punctual")
            .withArrayProperty("lights");
    double[] rgb = Finish.matt(sun.colour()).linear();
    ObjectNode light = lights.addObject();
    light.put("name", name).put("type", "directional").put("intensity", sun.strength());
    light.putArray("color").add(rgb[0]).add(rgb[1]).add(rgb[2]);
    out.putObject("extensions").putObject("KHR_lights_punctual").put("light", lights.size() - 1);
  }
}
