package idlelens.exchange.gltf;

import idlelens.core.curve.Curve;
import idlelens.core.geometry.RigidPose;
import idlelens.core.geometry.Turns;
import idlelens.core.lens.LensBody;
import idlelens.core.part.Carriage;
import idlelens.core.part.Chain;
import idlelens.core.part.Lens;
import idlelens.core.part.Path;
import idlelens.core.rule.RefusedException;
import idlelens.core.scene.Node;
import idlelens.core.scene.NodeBody;
import idlelens.core.scene.Shot;
import idlelens.core.set.Finish;
import idlelens.core.set.Mesh;
import idlelens.core.set.Shape;
import idlelens.core.time.FrameRange;
import idlelens.core.time.FrameRate;
import idlelens.exchange.format.FormatException;
import idlelens.exchange.json.JsonPlace;
import idlelens.exchange.json.LensJson;
import idlelens.exchange.json.PieceJson;
import idlelens.exchange.mesh.MeshOctets;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import org.joml.Quaterniond;
import org.joml.Vector3d;

/**
 * Turns a file into nodes of a shot. Keys are kept key for key where pan, tilt and roll can follow
 * the file's turns exactly; otherwise turns get a key on every frame. Scales are worked into places
 * and triangles, since nothing that carries has a scale here.
 */
public final class GltfReader {
  private static final int DEEPEST = 200;

  private final GltfFile file;
  private final Settings settings;
  private final FrameClock clock;
  private final AnimatedCurves curves;
  private final GltfAnimations animations;
  private final GltfMeshes meshes;
  private final Set<String> notes = new LinkedHashSet<>();
  private final List<Node> nodes = new ArrayList<>();
  private final Map<String, byte[]> assets = new LinkedHashMap<>();
  private final double aspect;

  /**
   * What the format does not say.
   *
   * @param rate frames per second of the shot
   * @param firstFrame the frame at time 0
   * @param aspect picture aspect of the shot, or none to take the file's
   * @param idPrefix letters before the ids of the new nodes
   */
  public record Settings(FrameRate rate, int firstFrame, OptionalDouble aspect, String idPrefix) {}

  private GltfReader(GltfFile file, Settings settings) throws FormatException {
    this.file = file;
    this.settings = settings;
    this.clock = new FrameClock(settings.rate(), settings.firstFrame());
    this.curves = new AnimatedCurves(clock);
    this.animations = GltfAnimations.read(file, notes);
    this.meshes = new GltfMeshes(file, notes);
    this.aspect = settings.aspect().orElse(fileAspect().orElse(16.0 / 9));
  }

  /**
   * Reads a file.
   *
   * @param octets the {@code .glb} or {@code .gltf}
   * @param beside files sent along, by name; nothing else is ever opened
   * @throws FormatException with the place in the file
   */
  public static GltfImport read(byte[] octets, Map<String, byte[]> beside, Settings settings)
      throws FormatException {
    try {
      return new GltfReader(GltfFile.read(octets, beside), settings).read();
    } catch (RefusedException e) {
      throw new FormatException(e.where(), e.found(), e.allowed());
    }
  }

  private GltfImport read() throws FormatException {
    List<JsonPlace> all = file.all("nodes");
    if (all.size() > Shot.MOST_NODES) {
      throw new FormatException("nodes.length", all.size(), "at most " + Shot.MOST_NODES);
    }
    int[] parents = parents(all);
    if (!file.all("skins").isEmpty()) {
      notes.add("skins are left out");
    }
    for (int i = 0; i < all.size(); i++) {
      if (parents[i] < 0) {
        build(all, i, "", new Vector3d(1), 0);
      }
    }
    int last = (int) Math.ceil(clock.frame(animations.lastTime()));
    int out = Math.min(last, settings.firstFrame() + FrameRange.LONGEST - 1);
    FrameRange range = new FrameRange(settings.firstFrame(), Math.max(settings.firstFrame(), out));
    return new GltfImport(List.copyOf(nodes), range, fileAspect(), assets, List.copyOf(notes));
  }

  private OptionalDouble fileAspect() throws FormatException {
    for (JsonPlace camera : file.all("cameras")) {
      if (camera.has("perspective") && camera.get("perspective").has("aspectRatio")) {
        return OptionalDouble.of(camera.get("perspective").get("aspectRatio").number());
      }
    }
    return OptionalDouble.empty();
  }

  /** The parent of each node, -1 for roots; a loop is refused by naming it. */
  private int[] parents(List<JsonPlace> all) throws FormatException {
    int[] parents = new int[all.size()];
    Arrays.fill(parents, -1);
    for (int i = 0; i < all.size(); i++) {
      if (!all.get(i).has("children")) {
        continue;
      }
      for (JsonPlace child : all.get(i).get("children").list(Shot.MOST_NODES)) {
        file.resolve("nodes", child);
        int c = child.whole();
        if (parents[c] >= 0) {
          throw new FormatException(
              child.path(), c + ", already a child of node " + parents[c], "one parent a node");
        }
        parents[c] = i;
      }
    }
    for (int i = 0; i < parents.length; i++) {
      refuseLoop(parents, i);
    }
    return parents;
  }

  private static void refuseLoop(int[] parents, int start) throws FormatException {
    StringBuilder loop = new StringBuilder().append(start);
    int depth = 0;
    for (int i = parents[start]; i >= 0; i = parents[i]) {
      loop.append(" < ").append(i);
      if (i == start) {
        throw new FormatException(
            "nodes[" + start + "].children", "a loop (" + loop + ")", "a tree");
      }
      if (++depth > DEEPEST) {
        throw new FormatException(
            "nodes[" + start + "]", "nested deeper than " + DEEPEST, "at most " + DEEPEST);
      }
    }
  }

  /** Adds a node and its children, with the scale their carriers left for them. */
  private void build(List<JsonPlace> all, int index, String carrier, Vector3d scale, int depth)
      throws FormatException {
    JsonPlace place = all.get(index);
    LocalTransform local = LocalTransform.read(place);
    if (local.sheared()) {
      notes.add(place.path() + ".matrix: its shear is left out");
    }
    Chain pose = pose(index, name(place, index), local, scale);
    Vector3d inner = new Vector3d(scale).mul(local.scale());
    boolean turned =
        Turns.angleBetween(local.turn(), new Quaterniond()) > 1e-9
            || animations.has(index, "rotation");
    if (turned && !isUniform(scale)) {
      notes.add(place.path() + ": turned under an uneven scale; the shear is left out");
    }
    if (animations.has(index, "scale")) {
      notes.add(place.path() + ": its animated scale is left out, the first is kept");
    }
    String id = settings.idPrefix() + index;
    String name = name(place, index);
    boolean carries = place.has("children") && place.get("children").node().size() > 0;
    int contents = addContents(place, id, name, carrier, pose, inner, carries);
    if (carries || contents == 0) {
      nodes.add(new Node.Null(body(id, name, carrier, pose)));
    }
    if (carries) {
      for (JsonPlace child : place.get("children").list(Shot.MOST_NODES)) {
        build(all, child.whole(), id, inner, depth + 1);
      }
    }
  }

  /** Camera, light or triangles of a node; under a null of their own where they cannot carry. */
  private int addContents(
      JsonPlace place,
      String id,
      String name,
      String carrier,
      Chain pose,
      Vector3d scale,
      boolean carries)
      throws FormatException {
    List<Node> contents = new ArrayList<>();
    NodeBody still = body(id + "c", name, id, Chain.pose());
    if (place.has("camera")) {
      Chain lens = carries ? Chain.poseAndLens() : pose.withLens();
      camera(place.get("camera"), carries ? still.withChain(lens) : body(id, name, carrier, lens))
          .ifPresent(contents::add);
    }
    light(place, still).ifPresent(contents::add);
    if (place.has("mesh")) {
      contents.addAll(pieces(place, still, scale));
    }
    if (contents.isEmpty()) {
      return 0;
    }
    boolean alone = contents.size() == 1 && !carries;
    if (alone && !(contents.get(0) instanceof Node.Camera)) {
      Node only = contents.get(0);
      nodes.add(only.withBody(body(id, name, carrier, pose)));
    } else if (alone) {
      nodes.add(contents.get(0));
    } else {
      if (!carries) {
        nodes.add(new Node.Null(body(id, name, carrier, pose)));
      }
      for (int i = 0; i < contents.size(); i++) {
        NodeBody b = contents.get(i).body();
        Chain own = contents.get(i) instanceof Node.Camera ? b.chain() : Chain.pose();
        nodes.add(
            contents
                .get(i)
                .withBody(new NodeBody(id + "c" + i, name, false, Carriage.by(id), own)));
      }
    }
    return contents.size();
  }

  private static NodeBody body(String id, String name, String carrier, Chain pose) {
    return new NodeBody(id, name, false, new Carriage(carrier, RigidPose.IDENTITY), pose);
  }

  private static boolean isUniform(Vector3d s) {
    return Math.abs(s.x - s.y) < 1e-9 * Math.abs(s.x) && Math.abs(s.x - s.z) < 1e-9 * Math.abs(s.x);
  }

  private static String name(JsonPlace place, int index) throws FormatException {
    String name = place.text("name", "").replaceAll("\\p{Cntrl}", " ").strip();
    name = name.length() > 80 ? name.substring(0, 80).strip() : name;
    return name.isEmpty() ? (place.has("camera") ? "Camera " : "Node ") + index : name;
  }

  private Chain pose(int index, String name, LocalTransform local, Vector3d scale) {
    double[] turn = Turns.panTiltRoll(local.turn());
    Chain still =
        Chain.pose()
            .restingAt(
                local.place().x * scale.x,
                local.place().y * scale.y,
                local.place().z * scale.z,
                Math.toDegrees(turn[0]),
                Math.toDegrees(turn[1]),
                Math.toDegrees(turn[2]));
    Map<Path, Curve> moving = new LinkedHashMap<>();
    animations
        .find(index, "translation")
        .ifPresent(
            s -> {
              moving.put(Path.X, curves.exact(s, 0, scale.x));
              moving.put(Path.Y, curves.exact(s, 1, scale.y));
              moving.put(Path.Z, curves.exact(s, 2, scale.z));
            });
    animations
        .find(index, "rotation")
        .ifPresent(
            s -> {
              AnimatedCurves.Turning turning = curves.turning(s);
              moving.put(Path.PAN, turning.pan());
              moving.put(Path.TILT, turning.tilt());
              moving.put(Path.ROLL, turning.roll());
              if (!turning.keysKept()) {
                notes.add(
                    name
                        + ": turns between the file's keys are not straight in pan, tilt and roll;"
                        + " they have a key on every frame now");
              }
            });
    return still.with(moving);
  }

  private Optional<Node> camera(JsonPlace index, NodeBody body) throws FormatException {
    JsonPlace camera = file.resolve("cameras", index);
    if (!camera.has("perspective")) {
      notes.add(camera.path() + ": a camera without perspective is left out");
      return Optional.empty();
    }
    double yfov = camera.get("perspective").get("yfov").number();
    if (!(yfov > 1e-3 && yfov < 3.12)) {
      throw new FormatException(
          camera.path() + ".perspective.yfov", yfov + " rad", "0.001 to 3.12 rad");
    }
    Optional<JsonPlace> ours = GltfHints.ours(camera);
    Lens lens = Lens.PLAIN;
    if (ours.isPresent() && ours.get().has("lens")) {
      lens = LensJson.read(ours.get().get("lens"));
    }
    Map<Path, Curve> values = new LinkedHashMap<>();
    values.put(Path.FOCAL, focal(index, yfov, lens.lens()));
    if (ours.isPresent()) {
      LensSamples samples = new LensSamples(ours.get(), clock.firstFrame());
      values.put(Path.FOCAL, samples.sameFocal(values.get(Path.FOCAL)));
      samples.curve("fStop", Lens.F_STOP).ifPresent(c -> values.put(Path.F_STOP, c));
      samples.curve("focusM", Lens.FOCUS).ifPresent(c -> values.put(Path.FOCUS, c));
    }
    return Optional.of(new Node.Camera(body.withChain(body.chain().with(values)), lens));
  }

  private Curve focal(JsonPlace index, double yfov, LensBody lens) throws FormatException {
    Optional<GltfSampler> moving = animations.pointer("/cameras/" + index.whole());
    if (moving.isEmpty()) {
      return Curve.still(focalMm(lens, yfov, index));
    }
    GltfSampler sampler = moving.get();
    for (int k = 0; k < sampler.keys(); k++) {
      focalMm(lens, sampler.value(k, 0), index);
    }
    int first = (int) Math.floor(clock.frame(sampler.times()[0]));
    int last = (int) Math.ceil(clock.frame(sampler.times()[sampler.keys() - 1]));
    return curves.everyFrame(
        first, last, t -> lens.gate(aspect).focalMmOfVertical(sampler.at(t, 0)));
  }

  private double focalMm(LensBody lens, double yfov, JsonPlace index) throws FormatException {
    double focal =
        yfov > 1e-3 && yfov < 3.12 ? lens.gate(aspect).focalMmOfVertical(yfov) : Double.NaN;
    if (!Lens.FOCAL.holds(focal)) {
      throw new FormatException(
          index.path() + ".yfov", yfov + " rad", "an angle of a lens of 1 to 5000 mm");
    }
    return focal;
  }

  private Optional<Node> light(JsonPlace place, NodeBody body) throws FormatException {
    if (!place.has("extensions") || !place.get("extensions").has("KHR_lights_punctual")) {
      return Optional.empty();
    }
    JsonPlace lights = file.root().get("extensions").get("KHR_lights_punctual").get("lights");
    JsonPlace index = place.get("extensions").get("KHR_lights_punctual").get("light");
    int i = index.whole();
    if (i < 0 || i >= lights.node().size()) {
      throw new FormatException(index.path(), i, "0 to " + (lights.node().size() - 1));
    }
    JsonPlace light = lights.at(i);
    if (!light.get("type").text().equals("directional")) {
      notes.add(light.path() + ": lights other than directional ones are left out");
      return Optional.empty();
    }
    String colour = "#ffffff";
    if (light.has("color")) {
      JsonPlace c = light.get("color");
      colour = Finish.hex(c.at(0).number(), c.at(1).number(), c.at(2).number());
    }
    double strength = Math.max(0, Math.min(10, light.number("intensity", 1)));
    return Optional.of(new Node.Sun(body, colour, strength));
  }

  private List<Node> pieces(JsonPlace place, NodeBody body, Vector3d scale) throws FormatException {
    Optional<JsonPlace> ours = GltfHints.ours(place);
    boolean unscaled = scale.distance(1, 1, 1) < 1e-12;
    if (ours.isPresent() && ours.get().has("shape") && unscaled) {
      PieceJson.Look look = PieceJson.read(ours.get());
      if (!(look.shape() instanceof Shape.Imported)) {
        return List.of(new Node.Piece(body, look.shape(), look.finish()));
      }
    }
    List<Node> pieces = new ArrayList<>();
    for (GltfMeshes.Part part : meshes.parts(place.get("mesh"), scale)) {
      Mesh mesh = part.mesh();
      byte[] octets = MeshOctets.write(mesh);
      String hash = MeshOctets.hash(octets);
      assets.put(hash, octets);
      pieces.add(
          new Node.Piece(
              body, new Shape.Imported(hash, mesh.bounds(), mesh.triangles()), part.finish()));
    }
    return pieces;
  }
}
