package idlelens.exchange.gltf;

import idlelens.core.curve.Curve;
import idlelens.core.lens.Gate;
import idlelens.core.lens.LensBody;
import idlelens.core.part.Chain;
import idlelens.core.part.Lens;
import idlelens.core.part.Path;
import idlelens.core.scene.Node;
import idlelens.core.scene.NodeBody;
import idlelens.exchange.format.FormatException;
import idlelens.exchange.json.JsonPlace;
import idlelens.exchange.json.LensJson;
import java.util.LinkedHashMap;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.function.IntFunction;

/** The cameras of a file. */
final class GltfCameras {
  private static final double NARROWEST = 1e-3;
  private static final double WIDEST = 3.12;
  private static final double LEAST_ASPECT = 0.2;
  private static final double MOST_ASPECT = 10;

  /** Aspects that differ by less than this part are one. */
  private static final double SAME_ASPECT = 1e-4;

  private final GltfFile file;
  private final GltfAnimations animations;
  private final AnimatedCurves curves;
  private final Set<String> notes;
  private final int firstFrame;
  private final IntFunction<Optional<String>> ids;

  /** The aspect of the shot's picture. */
  private final double aspect;

  /**
   * @param ids the id that a node of the file has in the shot, by its index
   */
  GltfCameras(
      GltfFile file,
      GltfAnimations animations,
      AnimatedCurves curves,
      Set<String> notes,
      GltfReader.Settings settings,
      IntFunction<Optional<String>> ids)
      throws FormatException {
    this.file = file;
    this.animations = animations;
    this.curves = curves;
    this.notes = notes;
    this.firstFrame = settings.firstFrame();
    this.ids = ids;
    OptionalDouble given = settings.aspect();
    this.aspect = given.isPresent() ? given.getAsDouble() : firstAspect(file).orElse(16.0 / 9);
  }

  /** The aspect that the first camera with one states, within what a shot can have. */
  static OptionalDouble firstAspect(GltfFile file) throws FormatException {
    for (JsonPlace camera : file.all("cameras")) {
      OptionalDouble stated = aspect(camera);
      if (stated.isPresent()) {
        double limited = Math.max(LEAST_ASPECT, Math.min(MOST_ASPECT, stated.getAsDouble()));
        return OptionalDouble.of(limited);
      }
    }
    return OptionalDouble.empty();
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
   * @param still a body to give it
   * @return nothing for one without perspective, which is said
   */
  Optional<Node> read(JsonPlace index, NodeBody still) throws FormatException {
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
    Optional<JsonPlace> ours = GltfHints.ours(camera);
    Lens lens = ours.isPresent() ? lens(ours.get()) : Lens.PLAIN;
    Map<Path, Curve> values = new LinkedHashMap<>();
    values.put(Path.FOCAL, focal(index, yfov, lens.lens()));
    if (ours.isPresent()) {
      LensSamples samples = new LensSamples(ours.get(), firstFrame);
      values.put(Path.FOCAL, samples.sameFocal(values.get(Path.FOCAL)));
      samples.curve("fStop", Lens.F_STOP).ifPresent(c -> values.put(Path.F_STOP, c));
      samples.curve("focusM", Lens.FOCUS).ifPresent(c -> values.put(Path.FOCUS, c));
    }
    sayOtherAspect(camera, yfov);
    return Optional.of(new Node.Camera(still.withChain(Chain.poseAndLens().with(values)), lens));
  }

  private Lens lens(JsonPlace ours) throws FormatException {
    Lens lens = ours.has("lens") ? LensJson.read(ours.get("lens")) : Lens.PLAIN;
    return ours.has("follow")
        ? FollowHint.read(ours.get("follow"), ids).map(lens::withFocus).orElse(lens)
        : lens;
  }

  /**
   * A camera made for another picture keeps the height of its view, and sees more or less across.
   */
  private void sayOtherAspect(JsonPlace camera, double yfov) throws FormatException {
    OptionalDouble stated = aspect(camera);
    if (stated.isEmpty() || Math.abs(stated.getAsDouble() / aspect - 1) <= SAME_ASPECT) {
      return;
    }
    double own = across(yfov, stated.getAsDouble());
    double here = across(yfov, aspect);
    notes.add(
        String.format(
            Locale.ROOT,
            "%s: made for a picture of %.2f:1; in the shot's %.2f:1 it sees as high, and %.2f°"
                + " across in place of %.2f°",
            camera.path(),
            stated.getAsDouble(),
            aspect,
            here,
            own));
  }

  private static double across(double yfov, double aspect) {
    return Math.toDegrees(2 * Math.atan(Math.tan(yfov / 2) * aspect));
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
    Gate gate = lens.gate(aspect);
    return curves.everyFrame(
        sampler,
        t -> gate.focalMmOfVertical(Math.max(NARROWEST, Math.min(WIDEST, sampler.at(t, 0)))));
  }

  private double focalMm(LensBody lens, double yfov, JsonPlace index) throws FormatException {
    boolean inside = yfov > NARROWEST && yfov < WIDEST;
    double focal = inside ? lens.gate(aspect).focalMmOfVertical(yfov) : Double.NaN;
    if (!Lens.FOCAL.holds(focal)) {
      throw new FormatException(
          index.path() + ".yfov", yfov + " rad", "an angle of a lens of 1 to 5000 mm");
    }
    return focal;
  }
}
