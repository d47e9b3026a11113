package idlelens.exchange.gltf;

import idlelens.exchange.format.FormatException;
import idlelens.exchange.json.JsonPlace;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/** The samplers of a file, by what they move. */
final class GltfAnimations {
  private static final String POINTER = "KHR_animation_pointer";

  private final Map<String, GltfSampler> byTarget = new HashMap<>();
  private double lastTime;

  private GltfAnimations() {}

  static GltfAnimations read(GltfFile file, Set<String> notes) throws FormatException {
    GltfAnimations animations = new GltfAnimations();
    for (JsonPlace animation : file.all("animations")) {
      List<JsonPlace> samplers = animation.get("samplers").list(100_000);
      for (JsonPlace channel : animation.get("channels").list(100_000)) {
        int index = channel.get("sampler").whole();
        if (index < 0 || index >= samplers.size()) {
          throw new FormatException(
              channel.path() + ".sampler", index, "0 to " + (samplers.size() - 1));
        }
        animations.add(file, channel, samplers.get(index), notes);
      }
    }
    return animations;
  }

  private void add(GltfFile file, JsonPlace channel, JsonPlace sampler, Set<String> notes)
      throws FormatException {
    String target = target(file, channel.get("target"));
    int components = components(target);
    if (components == 0) {
      notes.add(channel.path() + ": animation of " + target + " is left out");
      return;
    }
    GltfSampler read = GltfSampler.read(file, sampler, components);
    if (byTarget.putIfAbsent(target, read) != null) {
      notes.add(channel.path() + ": a second animation of " + target + " is left out");
      return;
    }
    lastTime = Math.max(lastTime, read.times()[read.keys() - 1]);
  }

  private static String target(GltfFile file, JsonPlace target) throws FormatException {
    String path = target.get("path").text();
    if (path.equals("pointer")) {
      return target.get("extensions").get(POINTER).get("pointer").text();
    }
    if (!target.has("node")) {
      return "a " + path + " without a node";
    }
    file.resolve("nodes", target.get("node"));
    return "/nodes/" + target.get("node").whole() + "/" + path;
  }

  private static int components(String target) {
    if (target.matches("/nodes/\\d+/(translation|scale)")) {
      return 3;
    }
    if (target.matches("/nodes/\\d+/rotation")) {
      return 4;
    }
    return target.matches("/cameras/\\d+/perspective/yfov") ? 1 : 0;
  }

  boolean has(int node, String path) {
    return byTarget.containsKey("/nodes/" + node + "/" + path);
  }

  Optional<GltfSampler> find(int node, String path) {
    return Optional.ofNullable(byTarget.get("/nodes/" + node + "/" + path));
  }

  /** The sampler that moves the field of view of the camera at a pointer. */
  Optional<GltfSampler> pointer(String camera) {
    return Optional.ofNullable(byTarget.get(camera + "/perspective/yfov"));
  }

  /** The last key time, in seconds. */
  double lastTime() {
    return lastTime;
  }
}
