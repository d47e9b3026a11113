package idlelens.exchange.gltf;

import idlelens.exchange.format.FormatException;
import idlelens.exchange.json.JsonPlace;
import idlelens.exchange.scenefile.Content;
import idlelens.exchange.scenefile.Conventions;
import idlelens.exchange.scenefile.FileClock;
import idlelens.exchange.scenefile.FileNode;
import idlelens.exchange.scenefile.SceneFile;
import idlelens.exchange.scenefile.ShotHint;
import idlelens.exchange.scenefile.Unread;
import idlelens.exchange.scenefile.Wording;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/** Reads {@code .glb} and {@code .gltf}. */
public final class GltfReader {
  private final GltfFile file;
  private final Set<String> notes = new LinkedHashSet<>();
  private final List<FileNode> nodes = new ArrayList<>();
  private final Unread<Integer> unread = new Unread<>();
  private final GltfAnimations animations;
  private final SceneTree tree;
  private final GltfCameras cameras;
  private final GltfMeshes meshes;

  private GltfReader(GltfFile file) throws FormatException {
    this.file = file;
    GltfAccessors numbers = new GltfAccessors(file);
    this.tree = SceneTree.read(file, notes);
    this.animations = GltfAnimations.read(file, numbers, notes);
    this.cameras = new GltfCameras(file, animations, notes);
    this.meshes = new GltfMeshes(file, numbers, notes);
  }

  /**
   * Reads a file.
   *
   * @param octets the {@code .glb} or {@code .gltf}
   * @param beside files sent along, by name; nothing else is ever opened
   * @throws FormatException with the place in the file
   */
  public static SceneFile read(byte[] octets, Map<String, byte[]> beside) throws FormatException {
    return new GltfReader(GltfFile.read(octets, beside)).read();
  }

  private SceneFile read() throws FormatException {
    if (!file.all("skins").isEmpty()) {
      notes.add("skins are left out");
    }
    for (String name : file.leftOutLooks()) {
      notes.add(name + ": textures and their finish are left out");
    }
    unread.add(tree.roots(), -1);
    while (!unread.isEmpty()) {
      add(unread.next());
    }
    Optional<JsonPlace> ours = GltfFile.ours(file.root().get("asset"));
    return new SceneFile(
        Conventions.OURS,
        Wording.OURS,
        FileClock.SECONDS,
        nodes,
        ours.isPresent() ? Optional.of(ShotHint.read(ours.get())) : Optional.empty(),
        file.budget(),
        List.copyOf(notes));
  }

  private void add(Unread.Found<Integer> found) throws FormatException {
    int index = found.node();
    JsonPlace place = tree.node(index);
    nodes.add(
        new FileNode(
            String.valueOf(index),
            place.text("name", ""),
            place.path(),
            found.parent(),
            GltfTransforms.read(place, index, animations),
            isHidden(place),
            contents(place)));
    unread.add(tree.children(index), nodes.size() - 1);
  }

  private static boolean isHidden(JsonPlace place) throws FormatException {
    Optional<JsonPlace> ours = GltfFile.ours(place);
    return ours.isPresent() && ours.get().flag("hidden", false);
  }

  /** Camera, light and triangles of a node. */
  private List<Content> contents(JsonPlace place) throws FormatException {
    List<Content> contents = new ArrayList<>();
    if (place.has("camera")) {
      cameras.read(place.get("camera")).ifPresent(contents::add);
    }
    GltfLights.read(file, place, notes).ifPresent(contents::add);
    if (place.has("mesh")) {
      contents.add(
          new Content.Piece(place.path(), meshes.mesh(place.get("mesh")), GltfFile.ours(place)));
    }
    return contents;
  }
}
