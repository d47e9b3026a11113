package idlelens.exchange.gltf;

import idlelens.exchange.format.FormatException;
import idlelens.exchange.json.JsonPlace;
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
    if (!camera.has("perspective") || !camera.get("perspective").has("aspectRatio")) {
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
   * @return nothing for one that is neither in perspective nor orthographic, which is said
   */
  Optional<Content> read(JsonPlace index) throws FormatException {
    JsonPlace camera = file.resolve("cameras", index);
    if (!camera.has("perspective") && !camera.has("orthographic")) {
      notes.add(
          camera.path() + ": a camera of another kind is left out; a null stands in its place");
      return Optional.empty();
    }
    return Optional.of(
        new Content.Camera(
            camera.path(),
            camera.has("perspective") ? perspective(index, camera) : parallel(index, camera),
            aspect(camera),
            Optional.empty(),
            Optional.empty(),
            GltfFile.ours(camera)));
  }

  private View perspective(JsonPlace index, JsonPlace camera) throws FormatException {
    double yfov = camera.get("perspective").get("yfov").number();
    if (!(yfov > NARROWEST && yfov < WIDEST)) {
      throw new FormatException(
          camera.path() + ".perspective.yfov", yfov + " rad", NARROWEST + " to " + WIDEST + " rad");
    }
    return new View.Upright(lane(index, "perspective/yfov", camera, yfov));
  }

  private View parallel(JsonPlace index, JsonPlace camera) throws FormatException {
    return new View.Parallel(half(index, camera, "xmag"), half(index, camera, "ymag"));
  }

  /** Twice what is stated, which is half of the picture. */
  private Lane half(JsonPlace index, JsonPlace camera, String name) throws FormatException {
    JsonPlace stated = camera.get("orthographic").get(name);
    Lane lane = lane(index, "orthographic/" + name, camera, stated.number());
    for (double value : lane.channel().values()) {
      if (!(value > 0)) {
        throw new FormatException(stated.path(), value, "numbers greater than 0");
      }
    }
    return lane.times(2);
  }

  private Lane lane(JsonPlace index, String number, JsonPlace camera, double still)
      throws FormatException {
    return animations
        .pointer("/cameras/" + index.whole() + "/" + number)
        .map(Lane::of)
        .orElse(Lane.still(camera.path(), still));
  }
}
