package idlelens.exchange.usd;

import idlelens.core.set.Finish;
import idlelens.exchange.format.TextOut;
import idlelens.exchange.json.JsonPlace;
import idlelens.exchange.scenefile.Axes;
import idlelens.exchange.scenefile.Channel;
import idlelens.exchange.scenefile.Content;
import idlelens.exchange.scenefile.FileClock;
import idlelens.exchange.scenefile.FileNode;
import idlelens.exchange.scenefile.Lane;
import idlelens.exchange.scenefile.NodeTree;
import idlelens.exchange.scenefile.Op;
import idlelens.exchange.scenefile.SceneFile;
import idlelens.exchange.scenefile.ShotHint;
import idlelens.exchange.scenefile.View;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.IntStream;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/**
 * Writes {@code .usda}: the motion on an Xform, and what stands there (camera, mesh or light) below
 * it, which more readers play than motion on a camera itself.
 */
public final class UsdWriter {
  private static final double TENTHS = 10;
  private static final double MM_OF_TENTHS = 100;
  private static final String STEP = "    ";
  private static final int DEEPEST_MARGIN = 16;
  private static final int OCTETS_A_NUMBER = 17;
  private static final String LENS = "Lens";
  private static final String LIGHT = "Light";
  private static final String SHAPE = "Shape";

  /** Names of what may stand at a node, beside those that it carries. */
  private static final Set<String> CONTENTS = Set.of(LENS, LIGHT, SHAPE);

  private static final int KEYS_A_PIECE = 1250;

  private final SceneFile scene;
  private final TextOut out = new TextOut();

  /** The names in use among what a node carries. */
  private final Map<Integer, Set<String>> taken = new HashMap<>();

  private int depth;
  private String indent = "";

  private UsdWriter(SceneFile scene) {
    this.scene = scene;
    taken.put(-1, new HashSet<>());
  }

  /**
   * @param scene with +Y or +Z up; times are frames
   */
  public static byte[] write(SceneFile scene) {
    UsdWriter writer = new UsdWriter(scene);
    writer.head();
    new NodeTree(scene.nodes()).walk(writer::enter, writer::leave);
    return writer.out.octets();
  }

  private void line(String text) {
    out.add(indent).add(text).add('\n');
  }

  private void open(String text) {
    line(text);
    step(1);
  }

  private void close(String text) {
    step(-1);
    line(text);
  }

  /** What stands very deep is not moved in further: the file would be made of margins. */
  private void step(int by) {
    depth += by;
    indent = STEP.repeat(Math.min(depth, DEEPEST_MARGIN));
  }

  private void head() {
    FileClock clock = scene.clock();
    line("#usda 1.0");
    open("(");
    scene.hint().ifPresent(this::hint);
    number("startTimeCode", clock.first());
    number("endTimeCode", clock.last().orElse(clock.first()));
    number("timeCodesPerSecond", clock.ticksPerSecond());
    number("framesPerSecond", clock.ticksPerSecond());
    number("metersPerUnit", scene.conventions().metresPerUnit());
    line("upAxis = \"" + (scene.conventions().axes() == Axes.Z_UP ? "Z" : "Y") + "\"");
    close(")");
  }

  private void hint(ShotHint hint) {
    open("customLayerData = {");
    line("string " + ShotHint.OURS + " = " + quoted(json(hint)));
    close("}");
  }

  private static String json(ShotHint hint) {
    return hint.write(JsonNodeFactory.instance.objectNode()).toString();
  }

  private void number(String name, double value) {
    line(
        name
            + " = "
            + (value == Math.rint(value) ? Long.toString((long) value) : Double.toString(value)));
  }

  private static String quoted(String text) {
    String safe = text.replace("\\", "\\\\").replace("\"", "\\\"").replace("\n", "\\n");
    return '"' + safe + '"';
  }

  /** A name that a prim can have, once among its neighbours. */
  private static String identifier(String name, Set<String> taken) {
    String plain = name.replaceAll("[^A-Za-z0-9_]", "_");
    String first = plain.isEmpty() || Character.isDigit(plain.charAt(0)) ? "_" + plain : plain;
    String free = first;
    for (int i = 2; !taken.add(free); i++) {
      free = first + "_" + i;
    }
    return free;
  }

  private void enter(int index) {
    FileNode node = scene.nodes().get(index);
    taken.put(index, new HashSet<>(CONTENTS));
    String name = identifier(node.name(), taken.get(node.parent()));
    String shown = name.equals(node.name()) ? "" : " (";
    open("def Xform \"" + name + "\"" + shown);
    if (!shown.isEmpty()) {
      line("displayName = " + quoted(node.name()));
      step(-1);
      line(")");
      step(1);
    }
    step(-1);
    open("{");
    transform(node);
    visibility(node.seen());
    node.contents().forEach(this::content);
  }

  private void visibility(Channel seen) {
    if (seen.isStill()) {
      if (seen.value(0, 0) == 0) {
        line("token visibility = \"invisible\"");
      }
      return;
    }
    open("token visibility.timeSamples = {");
    for (int k = 0; k < seen.keys(); k++) {
      String word = seen.value(k, 0) == 0 ? "invisible" : "inherited";
      out.add(indent).add(seen.times()[k]).add(": \"" + word + "\",\n");
    }
    close("}");
  }

  private void leave(int index) {
    taken.remove(index);
    close("}");
  }

  private void transform(FileNode node) {
    List<String> order = new ArrayList<>();
    for (Op op : node.ops()) {
      if (op instanceof Op.Place place) {
        property("double3", "xformOp:translate", place.x().channel(), new int[] {0, 1, 2});
        order.add("\"xformOp:translate\"");
      } else if (op instanceof Op.Turn turn) {
        property("quatd", "xformOp:orient", turn.turns(), new int[] {3, 0, 1, 2});
        order.add("\"xformOp:orient\"");
      }
    }
    line("uniform token[] xformOpOrder = [" + String.join(", ", order) + "]");
  }

  /** A property of several numbers, which stand in another order in the file. */
  private void property(String type, String name, Channel channel, int[] order) {
    if (channel.isStill()) {
      out.add(indent).add(type + " " + name + " = ");
      tuple(out, channel, 0, order);
      out.add('\n');
      return;
    }
    open(type + " " + name + ".timeSamples = {");
    int pieces = (channel.keys() + KEYS_A_PIECE - 1) / KEYS_A_PIECE;
    IntStream.range(0, pieces)
        .parallel()
        .mapToObj(piece -> samples(channel, piece * KEYS_A_PIECE, order))
        .forEachOrdered(out::add);
    close("}");
  }

  /** Some keys of a channel from one on; all cores write long ones. */
  private TextOut samples(Channel channel, int from, int[] order) {
    byte[] margin = indent.getBytes(StandardCharsets.UTF_8);
    int end = Math.min(channel.keys(), from + KEYS_A_PIECE);
    int octetsAKey = margin.length + (order.length + 1) * OCTETS_A_NUMBER;
    TextOut text = new TextOut((end - from) * octetsAKey);
    for (int k = from; k < end; k++) {
      text.add(margin).add(channel.times()[k]).add(':').add(' ');
      tuple(text, channel, k, order);
      text.add(',').add('\n');
    }
    return text;
  }

  private static void tuple(TextOut out, Channel channel, int key, int[] order) {
    double[] values = channel.values();
    int from = key * channel.components();
    out.add('(').add(values[from + order[0]]);
    for (int i = 1; i < order.length; i++) {
      out.add(',').add(' ').add(values[from + order[i]]);
    }
    out.add(')');
  }

  private void property(String name, Lane lane, double factor) {
    Channel channel = lane.channel();
    if (lane.isConstant()) {
      out.add(indent).add("float " + name + " = ").add(channel.value(0, 0) * factor).add('\n');
      return;
    }
    open("float " + name + ".timeSamples = {");
    for (int k = 0; k < channel.keys(); k++) {
      out.add(indent).add(channel.times()[k]).add(": ");
      out.add(channel.value(k, 0) * factor).add(",\n");
    }
    close("}");
  }

  private void content(Content content) {
    if (content instanceof Content.Camera camera) {
      camera(camera);
    } else if (content instanceof Content.Sun sun) {
      sun(sun);
    } else if (content instanceof Content.Piece piece) {
      piece.mesh().parts().forEach(part -> mesh(part, piece));
    }
  }

  private void openContent(String type, String name, ObjectNode ours) {
    line("def " + type + " \"" + name + "\" (");
    step(1);
    open("customData = {");
    line("string " + ShotHint.OURS + " = " + quoted(ours.toString()));
    close("}");
    close(")");
    open("{");
  }

  private static ObjectNode ours(Optional<JsonPlace> place) {
    ObjectNode all = JsonNodeFactory.instance.objectNode();
    place.ifPresent(p -> all.setAll((ObjectNode) p.node()));
    all.remove("follow");
    return all;
  }

  private void camera(Content.Camera camera) {
    openContent("Camera", LENS, ours(camera.ours()));
    line("float2 clippingRange = (" + near() + ", " + near() * 1e6 + ")");
    view(camera.view());
    camera.fStop().ifPresent(stop -> property("fStop", stop, 1));
    camera.focus().ifPresent(focus -> property("focusDistance", focus, 1));
    close("}");
  }

  /** Apertures are in tenths of the unit, also those in parallel. */
  private void view(View view) {
    if (view instanceof View.Parallel parallel) {
      line("token projection = \"orthographic\"");
      property("horizontalAperture", parallel.width(), TENTHS);
      property("verticalAperture", parallel.height(), TENTHS);
      return;
    }
    View.Focal focal = (View.Focal) view;
    double fromMm = 1 / (MM_OF_TENTHS * scene.conventions().metresPerUnit());
    line("token projection = \"perspective\"");
    property("focalLength", focal.focalMm(), fromMm);
    property("horizontalAperture", focal.widthMm(), fromMm);
    property("verticalAperture", focal.heightMm(), fromMm);
  }

  /** A centimetre, in the file's unit. */
  private double near() {
    return 0.01 / scene.conventions().metresPerUnit();
  }

  private void sun(Content.Sun sun) {
    openContent("DistantLight", LIGHT, JsonNodeFactory.instance.objectNode());
    double[] rgb = Finish.matt(sun.colour()).linear();
    out.add(indent).add("color3f inputs:color = (").add(rgb, 0, 3, ", ").add(")\n");
    out.add(indent).add("float inputs:intensity = ").add(sun.strength()).add('\n');
    close("}");
  }

  private void mesh(Content.Part part, Content.Piece piece) {
    openContent("Mesh", SHAPE, ours(piece.ours()));
    int triangles = part.indices().length / 3;
    line("bool doubleSided = true");
    line("int[] faceVertexCounts = [" + "3, ".repeat(Math.max(0, triangles - 1)) + "3]");
    out.add(indent).add("int[] faceVertexIndices = [");
    for (int i = 0; i < part.indices().length; i++) {
      out.add(i == 0 ? "" : ", ").add((double) part.indices()[i]);
    }
    out.add("]\n");
    vectors("point3f[] points", part.positions());
    if (part.normals() != null) {
      vectors("normal3f[] normals", part.normals());
      out.add(" (\n");
      line(STEP + "interpolation = \"vertex\"");
      line(")");
    }
    double[] rgb = part.finish().linear();
    out.add(indent).add("color3f[] primvars:displayColor = [(").add(rgb, 0, 3, ", ").add(")]\n");
    line("uniform token subdivisionScheme = \"none\"");
    close("}");
  }

  private void vectors(String name, double[] values) {
    out.add(indent).add(name + " = [");
    for (int i = 0; i < values.length; i += 3) {
      out.add(i == 0 ? "(" : ", (").add(values, i, 3, ", ").add(')');
    }
    out.add("]");
    if (!name.contains("normals")) {
      out.add('\n');
    }
  }
}
