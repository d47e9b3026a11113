package idlelens.exchange.gltf;

import idlelens.exchange.format.FormatException;
import idlelens.exchange.json.JsonPlace;
import idlelens.exchange.scenefile.Channel;
import idlelens.exchange.scenefile.Content;
import idlelens.exchange.scenefile.Lane;
import idlelens.exchange.scenefile.View;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;

/** The cameras of a file. */
final class GltfCameras {
  private static final double NARROWEST = 1e-3;
  private static final double WIDEST = 3.12;

  private final GltfFile file;
  private final GltfAnimations animations;
  private final Set<String> notes;

  GltfCameras(GltfFile file, GltfAnimations animations, Set<String> notes) {
    this.file = file;
    this.animations = animations;
    this.notes = notes;
  }

  private static OptionalDouble aspect(JsonPlace camera) throws FormatException {
    if (!camera.get("perspective").has("aspectRatio")) {
      return OptionalDouble.empty();
    }
    JsonPlace ratio = camera.get("perspective").get("aspectRatio");
    if (!(ratio.number() > 0)) {
      throw ratio.refusal("a number greater than 0");
    }
    return OptionalDouble.of(ratio.number());
  }

  /**
   * A camera.
   *
   * @param index where the camera's index stands
   * @return nothing for one without perspective, which is said
   */
  Optional<Content> read(JsonPlace index) throws FormatException {
    JsonPlace camera = file.resolve("cameras", index);
    if (!camera.has("perspective")) {
      notes.add(
          camera.path() + ": a camera without perspective is left out; a null stands in its place");
      return Optional.empty();
    }
    double yfov = camera.get("perspective").get("yfov").number();
    if (!(yfov > NARROWEST && yfov < WIDEST)) {
      throw new FormatException(
          camera.path() + ".perspective.yfov", yfov + " rad", NARROWEST + " to " + WIDEST + " rad");
    }
    Optional<Channel> moving = animations.pointer("/cameras/" + index.whole());
    Lane angle = moving.isPresent() ? Lane.of(moving.get()) : Lane.still(camera.path(), yfov);
    return Optional.of(
        new Content.Camera(
            camera.path(),
            new View.Upright(angle),
            aspect(camera),
            Optional.empty(),
            Optional.empty(),
            GltfFile.ours(camera)));
  }
}
