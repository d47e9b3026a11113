package idlelens.exchange.gltf;

import idlelens.exchange.format.FormatException;
import idlelens.exchange.json.JsonPlace;
import idlelens.exchange.scenefile.Channel;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Pattern;

/** The samplers of a file, by what they move. */
final class GltfAnimations {
  private static final String POINTER = "KHR_animation_pointer";

  private static final Map<String, Channel.Between> BETWEEN =
      Map.of(
          "LINEAR", Channel.Between.LINEAR,
          "STEP", Channel.Between.STEP,
          "CUBICSPLINE", Channel.Between.HERMITE);

  private static final Pattern VECTOR = Pattern.compile("/nodes/\\d+/(translation|scale)");
  private static final Pattern TURN = Pattern.compile("/nodes/\\d+/rotation");
  private static final Pattern VIEW =
      Pattern.compile("/cameras/\\d+/(perspective/yfov|orthographic/[xy]mag)");

  private final GltfFile file;
  private final GltfAccessors numbers;
  private final Set<String> notes;
  private final Map<String, Channel> byTarget = new HashMap<>();
  private double lastTime;

  private GltfAnimations(GltfFile file, GltfAccessors numbers, Set<String> notes) {
    this.file = file;
    this.numbers = numbers;
    this.notes = notes;
  }

  static GltfAnimations read(GltfFile file, GltfAccessors numbers, Set<String> notes)
      throws FormatException {
    GltfAnimations animations = new GltfAnimations(file, numbers, notes);
    for (JsonPlace animation : file.all("animations")) {
      List<JsonPlace> samplers = animation.get("samplers").list(100_000);
      for (JsonPlace channel : animation.get("channels").list(100_000)) {
        int index = channel.get("sampler").whole();
        if (index < 0 || index >= samplers.size()) {
          throw new FormatException(
              channel.path() + ".sampler", index, "0 to " + (samplers.size() - 1));
        }
        animations.add(channel, samplers.get(index));
      }
    }
    return animations;
  }

  private void add(JsonPlace channel, JsonPlace sampler) throws FormatException {
    String target = target(channel.get("target"));
    int components = components(target);
    if (components == 0) {
      notes.add(channel.path() + ": animation of " + target + " is left out");
      return;
    }
    Channel read = channel(sampler, components);
    if (byTarget.putIfAbsent(target, read) != null) {
      notes.add(channel.path() + ": a second animation of " + target + " is left out");
      return;
    }
    lastTime = Math.max(lastTime, read.lastTime());
  }

  private Channel channel(JsonPlace sampler, int components) throws FormatException {
    String word = sampler.text("interpolation", "LINEAR");
    Channel.Between between = BETWEEN.get(word);
    if (between == null) {
      throw new FormatException(
          sampler.path() + ".interpolation", word, "LINEAR, STEP, CUBICSPLINE");
    }
    double[] times = numbers.numbers(sampler.get("input"), "SCALAR");
    if (times.length > 0 && !(times[0] >= 0)) {
      throw new FormatException(sampler.path() + ".input[0]", times[0] + " s", "0 or more");
    }
    String type = components == 1 ? "SCALAR" : "VEC" + components;
    double[] values = numbers.numbers(sampler.get("output"), type);
    return new Channel(times, values, between, components, sampler.path()).checked();
  }

  private String target(JsonPlace target) throws FormatException {
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
    if (VECTOR.matcher(target).matches()) {
      return 3;
    }
    if (TURN.matcher(target).matches()) {
      return 4;
    }
    return VIEW.matcher(target).matches() ? 1 : 0;
  }

  Optional<Channel> find(int node, String path) {
    return Optional.ofNullable(byTarget.get("/nodes/" + node + "/" + path));
  }

  /** The sampler that moves a number of the view of a camera, by the pointer to it. */
  Optional<Channel> pointer(String number) {
    return Optional.ofNullable(byTarget.get(number));
  }

  /** The last key time, in seconds. */
  double lastTime() {
    return lastTime;
  }
}
