package idlelens.exchange.collada;

import idlelens.core.rule.RefusedException;
import idlelens.core.set.Finish;
import idlelens.exchange.format.FormatException;
import idlelens.exchange.format.ReadBudget;
import idlelens.exchange.json.JsonPlace;
import idlelens.exchange.scenefile.Axes;
import idlelens.exchange.scenefile.Channel;
import idlelens.exchange.scenefile.Content;
import idlelens.exchange.scenefile.Conventions;
import idlelens.exchange.scenefile.FileClock;
import idlelens.exchange.scenefile.FileNode;
import idlelens.exchange.scenefile.Lane;
import idlelens.exchange.scenefile.Rest;
import idlelens.exchange.scenefile.SceneFile;
import idlelens.exchange.scenefile.ShotHint;
import idlelens.exchange.scenefile.Unread;
import idlelens.exchange.scenefile.View;
import idlelens.exchange.scenefile.Wording;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;

/** Reads {@code .dae}. */
public final class DaeReader {
  static final String PROFILE = "idle_lens";
  private static final Map<String, Axes> UP =
      Map.of("Y_UP", Axes.Y_UP, "Z_UP", Axes.Z_UP, "X_UP", Axes.X_UP);

  private final Element root;
  private final ReadBudget budget;
  private final Set<String> notes = new LinkedHashSet<>();
  private final Sources sources;
  private final DaeAnimations animations;
  private final DaeTransforms transforms;
  private final DaeMeshes meshes;
  private final List<FileNode> nodes = new ArrayList<>();
  private final Unread<Element> unread = new Unread<>();

  private DaeReader(byte[] octets) throws FormatException {
    this.budget = new ReadBudget(octets.length);
    this.root = XmlTree.read(octets);
    if (!root.name().equals("COLLADA")) {
      throw root.refusal("<" + root.name() + ">", "<COLLADA>");
    }
    this.sources = new Sources(root, budget);
    this.animations = DaeAnimations.read(root, sources, notes);
    this.transforms = new DaeTransforms(animations, notes);
    this.meshes = new DaeMeshes(sources, budget, notes);
  }

  /**
   * @throws FormatException with the line and the element
   */
  public static SceneFile read(byte[] octets) throws FormatException {
    try {
      return new DaeReader(octets).read();
    } catch (RefusedException e) {
      throw new FormatException(e.where(), e.found(), e.allowed());
    }
  }

  private SceneFile read() throws FormatException {
    Element scene = scene();
    unread.add(scene.all("node"), -1);
    while (!unread.isEmpty()) {
      add(unread.next());
    }
    if (nodes.isEmpty()) {
      throw scene.refusal("without nodes", "at least one <node>");
    }
    Optional<ShotHint> hint = hint(scene);
    return new SceneFile(
        conventions(),
        Wording.OURS,
        new FileClock(
            1, 0, OptionalDouble.empty(), hint.map(ShotHint::rate), hint.map(ShotHint::first)),
        nodes,
        hint,
        budget,
        List.copyOf(notes));
  }

  private Element scene() throws FormatException {
    Optional<Element> instance = root.find("scene", "instance_visual_scene");
    if (instance.isPresent()) {
      return sources.resolve(instance.get(), "url", "visual_scene");
    }
    return root.find("library_visual_scenes", "visual_scene")
        .orElseThrow(() -> root.refusal("without a <visual_scene>", "one"));
  }

  private Conventions conventions() throws FormatException {
    double unit = 1;
    Optional<Element> stated = root.find("asset", "unit");
    if (stated.isPresent() && !stated.get().attribute("meter").isEmpty()) {
      try {
        unit = Double.parseDouble(stated.get().attribute("meter"));
      } catch (NumberFormatException e) {
        throw stated
            .get()
            .refusal("meter '" + stated.get().attribute("meter") + "'", "a number of metres");
      }
    }
    Optional<Element> up = root.find("asset", "up_axis");
    Axes axes = up.isPresent() ? UP.get(up.get().text()) : Axes.Y_UP;
    if (axes == null) {
      throw up.get().refusal("'" + up.get().text() + "'", "Y_UP, Z_UP or X_UP");
    }
    return new Conventions(axes, unit, Rest.OWN_Z);
  }

  private static Optional<JsonPlace> ours(Element element) throws FormatException {
    for (Element extra : element.all("extra")) {
      for (Element technique : extra.all("technique")) {
        Optional<Element> own = technique.find("own");
        if (technique.attribute("profile").equals(PROFILE) && own.isPresent()) {
          byte[] text = own.get().text().getBytes(StandardCharsets.UTF_8);
          return Optional.of(new JsonPlace(JsonPlace.parse(text).node(), own.get().place()));
        }
      }
    }
    return Optional.empty();
  }

  private static Optional<ShotHint> hint(Element scene) throws FormatException {
    Optional<JsonPlace> ours = ours(scene);
    return ours.isPresent() ? Optional.of(ShotHint.read(ours.get())) : Optional.empty();
  }

  private void add(Unread.Found<Element> found) throws FormatException {
    Element node = found.node();
    List<Content> contents = new ArrayList<>();
    Optional<JsonPlace> ours = ours(node);
    for (Element child : node.children()) {
      content(child, ours, contents);
    }
    String name = node.attribute("name").isEmpty() ? node.attribute("id") : node.attribute("name");
    nodes.add(
        new FileNode(
            String.valueOf(nodes.size()),
            name,
            node.place(),
            found.parent(),
            transforms.read(node),
            ours.isPresent() && ours.get().flag("hidden", false),
            contents));
    unread.add(node.all("node"), nodes.size() - 1);
  }

  private void content(Element child, Optional<JsonPlace> ours, List<Content> into)
      throws FormatException {
    switch (child.name()) {
      case "instance_camera":
        camera(sources.resolve(child, "url", "camera")).ifPresent(into::add);
        break;
      case "instance_geometry":
        meshes.of(child).map(m -> new Content.Piece(child.place(), m, ours)).ifPresent(into::add);
        break;
      case "instance_light":
        light(sources.resolve(child, "url", "light")).ifPresent(into::add);
        break;
      case "instance_node", "instance_controller":
        notes.add(child.place() + ": is left out");
        break;
      default:
    }
  }

  private Optional<Content> camera(Element camera) throws FormatException {
    Optional<Element> view = camera.find("optics", "technique_common", "perspective");
    if (view.isEmpty()) {
      notes.add(
          camera.place()
              + ": a camera without perspective is left out; a null stands in its place");
      return Optional.empty();
    }
    Optional<Lane> across = angle(camera, view.get(), "xfov");
    Optional<Lane> up = angle(camera, view.get(), "yfov");
    if (across.isEmpty() && up.isEmpty()) {
      throw view.get().refusal("without xfov and yfov", "one of them");
    }
    OptionalDouble aspect = aspect(view.get(), across, up);
    View seen = up.isPresent() ? new View.Upright(up.get()) : new View.Across(across.get());
    return Optional.of(
        new Content.Camera(
            camera.place(), seen, aspect, Optional.empty(), Optional.empty(), ours(camera)));
  }

  private static OptionalDouble aspect(Element view, Optional<Lane> across, Optional<Lane> up)
      throws FormatException {
    Optional<Element> stated = view.find("aspect_ratio");
    if (stated.isPresent()) {
      double aspect = stated.get().number();
      if (!(aspect > 0)) {
        throw stated.get().refusal(aspect, "a number greater than 0");
      }
      return OptionalDouble.of(aspect);
    }
    return across.isPresent() && up.isPresent()
        ? OptionalDouble.of(Math.tan(across.get().at(0) / 2) / Math.tan(up.get().at(0) / 2))
        : OptionalDouble.empty();
  }

  private Optional<Lane> angle(Element camera, Element view, String name) throws FormatException {
    Optional<Element> stated = view.find(name);
    if (stated.isEmpty()) {
      return Optional.empty();
    }
    String sid = stated.get().attribute("sid").isEmpty() ? name : stated.get().attribute("sid");
    Channel moving = animations.of(camera.attribute("id"), sid).get("");
    Lane degrees =
        moving != null && moving.components() == 1
            ? Lane.of(moving)
            : Lane.still(stated.get().place(), stated.get().number());
    for (int k = 0; k < degrees.channel().keys(); k++) {
      double value = degrees.channel().value(k, 0);
      if (!(value > 0.05 && value < 179)) {
        throw stated.get().refusal(value + " degrees", "0.05 to 179 degrees");
      }
    }
    return Optional.of(degrees.times(Math.toRadians(1)));
  }

  private Optional<Content> light(Element light) throws FormatException {
    Optional<Element> sun = light.find("technique_common", "directional");
    if (sun.isEmpty()) {
      notes.add(light.place() + ": lights other than directional ones are left out");
      return Optional.empty();
    }
    double[] c = sun.get().need("color").numbers(3);
    double most = Math.max(1, Math.max(c[0], Math.max(c[1], c[2])));
    double strength = Math.min(10, most);
    return Optional.of(
        new Content.Sun(
            light.place(), Finish.hex(c[0] / most, c[1] / most, c[2] / most), strength));
  }
}
