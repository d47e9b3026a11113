package idlelens.exchange.collada;

import idlelens.core.set.Finish;
import idlelens.core.time.FrameRate;
import idlelens.exchange.format.TextOut;
import idlelens.exchange.json.JsonPlace;
import idlelens.exchange.scenefile.Axes;
import idlelens.exchange.scenefile.Channel;
import idlelens.exchange.scenefile.Content;
import idlelens.exchange.scenefile.FileNode;
import idlelens.exchange.scenefile.LensExtras;
import idlelens.exchange.scenefile.LensNumber;
import idlelens.exchange.scenefile.NodeTree;
import idlelens.exchange.scenefile.Op;
import idlelens.exchange.scenefile.SceneFile;
import idlelens.exchange.scenefile.View;
import java.util.HashMap;
import java.util.IdentityHashMap;
import java.util.Map;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/**
 * Writes {@code .dae}. What moves is a matrix on every frame: readers that do not put three turning
 * angles together play that.
 */
final class DaeWriter {
  private static final int MATRIX = 16;

  private final SceneFile scene;
  private final TextOut cameras = new TextOut();
  private final TextOut lights = new TextOut();
  private final TextOut materials = new TextOut();
  private final TextOut effects = new TextOut();
  private final TextOut geometries = new TextOut();
  private final TextOut animations = new TextOut();
  private final TextOut nodes = new TextOut();
  private final Map<Content.FileMesh, String> meshes = new IdentityHashMap<>();
  private final Map<String, String> colours = new HashMap<>();

  /** What only we read, for each node that is open. */
  private final ObjectNode[] ours;

  private DaeWriter(SceneFile scene) {
    this.scene = scene;
    this.ours = new ObjectNode[scene.nodes().size()];
  }

  /**
   * @param scene with +Y or +Z up; times are frames
   */
  static byte[] write(SceneFile scene) {
    return new DaeWriter(scene).write();
  }

  private byte[] write() {
    new NodeTree(scene.nodes()).walk(this::enter, this::leave);
    TextOut out = new TextOut();
    out.add("<?xml version=\"1.0\" encoding=\"utf-8\"?>\n");
    out.add("<COLLADA xmlns=\"http://www.collada.org/2005/11/COLLADASchema\" version=\"1.4.1\">\n");
    out.add("<asset><contributor><authoring_tool>Idle Lens</authoring_tool></contributor>");
    out.add("<created>2000-01-01T00:00:00Z</created><modified>2000-01-01T00:00:00Z</modified>");
    out.add("<unit name=\"unit\" meter=\"" + scene.conventions().metresPerUnit() + "\"/>");
    out.add("<up_axis>" + up() + "</up_axis></asset>\n");
    library(out, "cameras", cameras);
    library(out, "lights", lights);
    library(out, "effects", effects);
    library(out, "materials", materials);
    library(out, "geometries", geometries);
    library(out, "animations", animations);
    out.add("<library_visual_scenes><visual_scene id=\"scene\">\n").add(nodes.octets());
    scene.hint().ifPresent(h -> own(out, h.write(JsonNodeFactory.instance.objectNode())));
    out.add("</visual_scene></library_visual_scenes>\n");
    out.add("<scene><instance_visual_scene url=\"#scene\"/></scene>\n</COLLADA>\n");
    return out.octets();
  }

  private String up() {
    return scene.conventions().axes() == Axes.Z_UP ? "Z_UP" : "Y_UP";
  }

  private static void library(TextOut out, String name, TextOut content) {
    if (content.length() > 0) {
      out.add("<library_" + name + ">\n").add(content.octets());
      out.add("</library_" + name + ">\n");
    }
  }

  private static String escaped(String text) {
    return text.replace("&", "&amp;")
        .replace("<", "&lt;")
        .replace(">", "&gt;")
        .replace("\"", "&quot;");
  }

  /** What only we read. */
  private static void own(TextOut out, ObjectNode own) {
    out.add("<extra><technique profile=\"" + DaeReader.PROFILE + "\"><own>");
    out.add(escaped(own.toString())).add("</own></technique></extra>\n");
  }

  private void enter(int index) {
    FileNode node = scene.nodes().get(index);
    String id = "node" + index;
    nodes.add("<node id=\"" + id + "\" name=\"" + escaped(node.name()) + "\" type=\"NODE\">\n");
    transform(id, node);
    ObjectNode own = JsonNodeFactory.instance.objectNode();
    for (int i = 0; i < node.contents().size(); i++) {
      content(node.contents().get(i), id + "-" + i, node.name(), own);
    }
    if (node.hidden()) {
      own.put("hidden", true);
    }
    ours[index] = own;
  }

  private void leave(int index) {
    ObjectNode own = ours[index];
    ours[index] = null;
    if (!own.isEmpty()) {
      own(nodes, own);
    }
    nodes.add("</node>\n");
  }

  /**
   * What the ops of a node do together, on every frame if it moves: rows, as the format has them.
   */
  private void transform(String id, FileNode node) {
    boolean still = node.ops().stream().allMatch(Op::isConstant);
    int first = (int) scene.clock().first();
    int last = still ? first : (int) scene.clock().last().orElse(first);
    double[] frames = new double[last - first + 1];
    double[] rows = new double[frames.length * MATRIX];
    for (int i = 0; i < frames.length; i++) {
      frames[i] = first + i;
      Op.product(node.ops(), frames[i]).transpose().get(rows, i * MATRIX);
    }
    nodes.add("<matrix sid=\"transform\">").add(rows, 0, MATRIX, " ").add("</matrix>\n");
    if (!still) {
      Moving moving = new Moving();
      Channel channel = new Channel(frames, rows, Channel.Between.LINEAR, MATRIX, node.name());
      String[] params = {"TRANSFORM"};
      animation(moving, id + "-transform", id + "/transform", channel, params);
      moving.into(animations, id);
    }
  }

  private double[] seconds(double[] frames) {
    FrameRate rate = scene.clock().rate().orElseThrow();
    double[] seconds = new double[frames.length];
    for (int i = 0; i < seconds.length; i++) {
      seconds[i] = rate.seconds(frames[i] - scene.clock().first());
    }
    return seconds;
  }

  /** All that moves a node stands in one animation: readers put turns together only within one. */
  private static final class Moving {
    private final TextOut sources = new TextOut();
    private final TextOut samplers = new TextOut();
    private final TextOut channels = new TextOut();

    void into(TextOut out, String id) {
      if (channels.length() > 0) {
        out.add("<animation id=\"" + id + "-motion\">\n").add(sources.octets());
        out.add(samplers.octets()).add(channels.octets()).add("</animation>\n");
      }
    }
  }

  private void animation(
      Moving moving, String id, String target, Channel channel, String[] params) {
    source(moving.sources, id + "-in", seconds(channel.times()), new String[] {"TIME"});
    source(moving.sources, id + "-out", channel, params);
    words(moving.sources, id + "-way", channel);
    moving.samplers.add("<sampler id=\"" + id + "-s\">");
    input(moving.samplers, id, "INPUT", "-in");
    input(moving.samplers, id, "OUTPUT", "-out");
    input(moving.samplers, id, "INTERPOLATION", "-way");
    moving.samplers.add("</sampler>\n");
    moving.channels.add("<channel source=\"#" + id + "-s\" target=\"" + target + "\"/>\n");
  }

  private static void words(TextOut out, String id, Channel channel) {
    String word = channel.between() == Channel.Between.STEP ? "STEP" : "LINEAR";
    int keys = channel.keys();
    out.add("<source id=\"" + id + "\"><Name_array id=\"" + id + "-a\" count=\"" + keys + "\">");
    out.add((word + " ").repeat(keys).strip()).add("</Name_array>");
    accessor(out, id + "-a", 1, keys, new String[] {"INTERPOLATION"}, "name");
    out.add("</source>\n");
  }

  private static void input(TextOut out, String id, String semantic, String end) {
    out.add("<input semantic=\"" + semantic + "\" source=\"#" + id + end + "\"/>");
  }

  private static void source(TextOut out, String id, Channel channel, String[] params) {
    int each = channel.components();
    array(out, id, channel.values());
    accessor(out, id + "-a", each, channel.keys(), params, each == MATRIX ? "float4x4" : "float");
    out.add("</source>\n");
  }

  private static void source(TextOut out, String id, double[] values, String[] params) {
    array(out, id, values);
    accessor(out, id + "-a", params.length, values.length / params.length, params, "float");
    out.add("</source>\n");
  }

  private static void array(TextOut out, String id, double[] values) {
    out.add("<source id=\"" + id + "\"><float_array id=\"" + id + "-a\" count=\"" + values.length);
    out.add("\">").add(values, 0, values.length, " ").add("</float_array>");
  }

  private static void accessor(
      TextOut out, String array, int stride, int count, String[] params, String type) {
    out.add("<technique_common><accessor source=\"#" + array + "\" count=\"" + count);
    out.add("\" stride=\"" + stride + "\">");
    for (String param : params) {
      out.add("<param name=\"" + param + "\" type=\"" + type + "\"/>");
    }
    out.add("</accessor></technique_common>");
  }

  private void content(Content content, String id, String name, ObjectNode own) {
    if (content instanceof Content.Camera camera) {
      camera(camera, id, name);
      nodes.add("<instance_camera url=\"#" + id + "\"/>\n");
    } else if (content instanceof Content.Sun sun) {
      sun(sun, id, name);
      nodes.add("<instance_light url=\"#" + id + "\"/>\n");
    } else if (content instanceof Content.Piece piece) {
      piece.ours().ifPresent(p -> own.setAll((ObjectNode) p.node()));
      piece(piece, name);
    }
  }

  private void camera(Content.Camera camera, String id, String name) {
    View.Focal view = (View.Focal) camera.view();
    boolean across = scene.wording().lens() == LensNumber.HORIZONTAL_ANGLE;
    double side = (across ? view.widthMm() : view.heightMm()).at(0);
    Channel focal = view.focalMm().channel();
    double[] degrees = focal.values().clone();
    for (int i = 0; i < degrees.length; i++) {
      degrees[i] = Math.toDegrees(2 * Math.atan(side / (2 * degrees[i])));
    }
    String field = across ? "xfov" : "yfov";
    double near = 0.01 / scene.conventions().metresPerUnit();
    cameras.add(
        "<camera id=\"" + id + "\" name=\"" + escaped(name) + "\"><optics><technique_common>");
    cameras.add("<perspective><" + field + " sid=\"" + field + "\">").add(degrees[0]);
    cameras.add("</" + field + "><aspect_ratio>").add(camera.aspect().orElseThrow());
    cameras.add("</aspect_ratio><znear>").add(near).add("</znear><zfar>").add(near * 1e6);
    cameras.add("</zfar></perspective></technique_common></optics>\n");
    own(cameras, lensOf(camera, view));
    cameras.add("</camera>\n");
    if (!view.focalMm().isConstant()) {
      Channel moving = new Channel(focal.times(), degrees, focal.between(), 1, focal.path());
      Moving zoom = new Moving();
      animation(zoom, id + "-" + field, id + "/" + field, moving, new String[] {"ANGLE"});
      zoom.into(animations, id);
    }
  }

  /** Focal length, f-stop and focus, for which the format has no place. */
  private ObjectNode lensOf(Content.Camera camera, View.Focal view) {
    ObjectNode own = JsonNodeFactory.instance.objectNode();
    camera.ours().map(JsonPlace::node).ifPresent(n -> own.setAll((ObjectNode) n));
    own.remove("follow");
    LensExtras.samples(own, "focalMm", view.focalMm());
    double metres = scene.conventions().metresPerUnit();
    camera.fStop().ifPresent(stop -> LensExtras.samples(own, "fStop", stop));
    camera.focus().ifPresent(f -> LensExtras.samples(own, "focusM", f.times(metres)));
    return own;
  }

  private void sun(Content.Sun sun, String id, String name) {
    double[] rgb = Finish.matt(sun.colour()).linear();
    for (int i = 0; i < rgb.length; i++) {
      rgb[i] *= Math.max(1, sun.strength());
    }
    lights.add(
        "<light id=\""
            + id
            + "\" name=\""
            + escaped(name)
            + "\"><technique_common><directional><color>");
    lights.add(rgb, 0, 3, " ").add("</color></directional></technique_common></light>\n");
  }

  private void piece(Content.Piece piece, String name) {
    if (piece.mesh().parts().isEmpty()) {
      return;
    }
    String id = meshes.get(piece.mesh());
    if (id == null) {
      id = "mesh" + meshes.size();
      meshes.put(piece.mesh(), id);
      geometry(piece.mesh(), id, name);
    }
    nodes.add("<instance_geometry url=\"#" + id + "\"><bind_material><technique_common>");
    for (int i = 0; i < piece.mesh().parts().size(); i++) {
      String material = material(piece.mesh().parts().get(i).finish());
      nodes.add("<instance_material symbol=\"m" + i + "\" target=\"#" + material + "\"/>");
    }
    nodes.add("</technique_common></bind_material></instance_geometry>\n");
  }

  private String material(Finish finish) {
    String key = finish.colour() + finish.kind();
    String known = colours.get(key);
    if (known != null) {
      return known;
    }
    String id = "colour" + colours.size();
    colours.put(key, id);
    double[] rgb = finish.linear();
    boolean glows = finish.kind() == Finish.Kind.GLOW;
    effects.add("<effect id=\"" + id + "-fx\"><profile_COMMON><technique sid=\"common\"><lambert>");
    if (glows) {
      effects.add("<emission><color>").add(rgb, 0, 3, " ").add(" 1</color></emission>");
    }
    effects.add("<diffuse><color>").add(rgb, 0, 3, " ").add(" 1</color></diffuse>");
    effects.add("</lambert></technique></profile_COMMON></effect>\n");
    materials.add(
        "<material id=\"" + id + "\"><instance_effect url=\"#" + id + "-fx\"/></material>\n");
    return id;
  }

  private void geometry(Content.FileMesh mesh, String id, String name) {
    geometries.add("<geometry id=\"" + id + "\" name=\"" + escaped(name) + "\"><mesh>\n");
    for (int i = 0; i < mesh.parts().size(); i++) {
      Content.Part part = mesh.parts().get(i);
      String[] xyz = {"X", "Y", "Z"};
      source(geometries, id + "-p" + i, part.positions(), xyz);
      if (part.normals() != null) {
        source(geometries, id + "-n" + i, part.normals(), xyz);
      }
      geometries.add(
          "<vertices id=\"" + id + "-v" + i + "\"><input semantic=\"POSITION\" source=\"#");
      geometries.add(id + "-p" + i + "\"/></vertices>\n");
    }
    for (int i = 0; i < mesh.parts().size(); i++) {
      triangles(mesh.parts().get(i), id, i);
    }
    geometries.add("</mesh></geometry>\n");
  }

  private void triangles(Content.Part part, String id, int index) {
    geometries.add(
        "<triangles count=\"" + part.indices().length / 3 + "\" material=\"m" + index + "\">");
    geometries.add(
        "<input semantic=\"VERTEX\" source=\"#" + id + "-v" + index + "\" offset=\"0\"/>");
    if (part.normals() != null) {
      geometries.add(
          "<input semantic=\"NORMAL\" source=\"#" + id + "-n" + index + "\" offset=\"0\"/>");
    }
    geometries.add("<p>");
    for (int i = 0; i < part.indices().length; i++) {
      geometries.add(i == 0 ? "" : " ").add((double) part.indices()[i]);
    }
    geometries.add("</p></triangles>\n");
  }
}
