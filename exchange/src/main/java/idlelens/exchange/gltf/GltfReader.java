package idlelens.exchange.gltf;

import idlelens.core.geometry.RigidPose;
import idlelens.core.part.Carriage;
import idlelens.core.part.Chain;
import idlelens.core.rule.RefusedException;
import idlelens.core.rule.Require;
import idlelens.core.scene.Hidden;
import idlelens.core.scene.Node;
import idlelens.core.scene.NodeBody;
import idlelens.core.time.FrameRange;
import idlelens.core.time.FrameRate;
import idlelens.exchange.format.FormatException;
import idlelens.exchange.json.JsonPlace;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;

/**
 * Turns a file into nodes of a shot. Sizes are worked into places and triangles, since nothing that
 * carries has a size here ({@link NodePoses}).
 */
public final class GltfReader {
  private static final int MOST_NAME = 80;

  private final GltfFile file;
  private final Settings settings;
  private final Set<String> notes = new LinkedHashSet<>();
  private final List<Node> nodes = new ArrayList<>();
  private final GltfAnimations animations;
  private final SceneTree tree;
  private final FrameRange range;
  private final NodePoses poses;
  private final GltfCameras cameras;
  private final GltfPieces pieces;
  private final OptionalDouble aspect;

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
    FrameClock clock = new FrameClock(settings.rate(), settings.firstFrame());
    GltfAccessors numbers = new GltfAccessors(file);
    this.tree = SceneTree.read(file, notes);
    this.animations = GltfAnimations.read(file, numbers, notes);
    this.range = range(clock);
    this.poses = new NodePoses(clock, file.budget(), notes, range.length());
    this.aspect = GltfCameras.firstAspect(file);
    this.cameras = new GltfCameras(file, animations, poses.curves(), notes, settings, this::idOf);
    this.pieces = new GltfPieces(file, new GltfMeshes(file, numbers, notes), notes);
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

  private FrameRange range(FrameClock clock) {
    int first = settings.firstFrame();
    double last = Math.max(first, Math.ceil(clock.frame(animations.lastTime())));
    double most = first + FrameRange.LONGEST - 1.0;
    if (last > most) {
      notes.add(
          String.format(
              "the motion runs to frame %.0f; a shot has at most %d frames, so it ends at frame"
                  + " %.0f (keys behind it are kept, what has to be sampled stands still there)",
              last, FrameRange.LONGEST, most));
    }
    return new FrameRange(first, (int) Math.min(last, most));
  }

  private GltfImport read() throws FormatException {
    if (!file.all("skins").isEmpty()) {
      notes.add("skins are left out");
    }
    for (String name : file.leftOutLooks()) {
      notes.add(name + ": textures and their finish are left out");
    }
    for (int root : tree.roots()) {
      build(root, "", Leftover.NONE);
    }
    return new GltfImport(List.copyOf(nodes), range, aspect, pieces.assets(), List.copyOf(notes));
  }

  private Optional<String> idOf(int index) {
    return tree.has(index) ? Optional.of(settings.idPrefix() + index) : Optional.empty();
  }

  /** Adds a node and its children, with the sizes their carriers left for them. */
  private void build(int index, String carrier, Leftover outer) throws FormatException {
    JsonPlace place = tree.node(index);
    String id = settings.idPrefix() + index;
    String name = name(place, index);
    NodePoses.Posed posed = poses.pose(name, LocalMotion.read(place, index, animations), outer);
    NodeBody body = body(id, name, carrier, posed.chain()).withHidden(Hidden.of(isHidden(place)));
    List<JsonPlace> children = tree.children(index);
    add(body, contents(place, name, posed.inner()), !children.isEmpty());
    for (JsonPlace child : children) {
      build(child.whole(), id, posed.inner());
    }
  }

  private static boolean isHidden(JsonPlace place) throws FormatException {
    Optional<JsonPlace> ours = GltfHints.ours(place);
    return ours.isPresent() && ours.get().flag("hidden", false);
  }

  /** Camera, light and triangles of a node, each standing at its origin. */
  private List<Node> contents(JsonPlace place, String name, Leftover inner) throws FormatException {
    List<Node> contents = new ArrayList<>();
    NodeBody still = body("content", name, "", Chain.pose());
    if (place.has("camera")) {
      cameras.read(place.get("camera"), still).ifPresent(contents::add);
    }
    GltfLights.read(file, place, still, notes).ifPresent(contents::add);
    if (place.has("mesh")) {
      contents.addAll(pieces.read(place, still, inner));
    }
    return contents;
  }

  /** One node for a pose with its one content; else a null that carries them. */
  private void add(NodeBody body, List<Node> contents, boolean carries) {
    if (contents.size() == 1 && !carries) {
      Node only = contents.get(0);
      nodes.add(only.withBody(body.withChain(withLens(only, body.chain()))));
      return;
    }
    nodes.add(new Node.Null(body));
    for (int i = 0; i < contents.size(); i++) {
      Node content = contents.get(i);
      NodeBody own = body(body.id() + "c" + i, body.name(), body.id(), content.chain());
      nodes.add(content.withBody(own.withHidden(body.hidden())));
    }
  }

  /** The chain of a node with the lens of its content, where that is a camera. */
  private static Chain withLens(Node content, Chain pose) {
    return content instanceof Node.Camera camera ? pose.withLens().with(camera.lens()) : pose;
  }

  private static NodeBody body(String id, String name, String carrier, Chain pose) {
    return new NodeBody(id, name, false, new Carriage(carrier, RigidPose.IDENTITY), pose);
  }

  private static String name(JsonPlace place, int index) throws FormatException {
    String otherwise = (place.has("camera") ? "Camera " : "Node ") + index;
    return Require.asName(place.text("name", ""), MOST_NAME, otherwise);
  }
}
