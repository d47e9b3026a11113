package idlelens.exchange.incoming;

import idlelens.core.curve.Curve;
import idlelens.core.lens.FilmBack;
import idlelens.core.lens.Gate;
import idlelens.core.lens.LensBody;
import idlelens.core.lens.Projection;
import idlelens.core.part.Chain;
import idlelens.core.part.Curves;
import idlelens.core.part.Lens;
import idlelens.core.part.Parameter;
import idlelens.core.part.Path;
import idlelens.core.rule.RefusedException;
import idlelens.core.scene.Node;
import idlelens.core.scene.NodeBody;
import idlelens.exchange.format.FormatException;
import idlelens.exchange.json.JsonPlace;
import idlelens.exchange.json.LensJson;
import idlelens.exchange.scenefile.Channel;
import idlelens.exchange.scenefile.Content;
import idlelens.exchange.scenefile.FollowHint;
import idlelens.exchange.scenefile.Lane;
import idlelens.exchange.scenefile.SceneFile;
import idlelens.exchange.scenefile.View;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.function.IntFunction;
import java.util.stream.Stream;

/** The lenses of a file's cameras. */
final class Lenses {
  private static final double NARROWEST = 1e-3;
  private static final double WIDEST = 3.12;
  private static final double LEAST_ASPECT = 0.2;
  private static final double MOST_ASPECT = 10;

  /** Aspects that differ by less than this part are one. */
  private static final double SAME_ASPECT = 1e-4;

  private final AnimatedCurves curves;
  private final Set<String> notes;
  private final int firstFrame;
  private final double metresPerUnit;
  private final IntFunction<Optional<String>> ids;

  /** The aspect of the shot's picture. */
  private final double aspect;

  /**
   * @param aspect of the shot's picture
   * @param metresPerUnit of the file, with what it is scaled by
   * @param ids the id that a node of the file has in the shot, by its key
   */
  Lenses(
      AnimatedCurves curves,
      Set<String> notes,
      int firstFrame,
      double aspect,
      double metresPerUnit,
      IntFunction<Optional<String>> ids) {
    this.curves = curves;
    this.notes = notes;
    this.firstFrame = firstFrame;
    this.aspect = aspect;
    this.metresPerUnit = metresPerUnit;
    this.ids = ids;
  }

  /** The aspect that the first camera with one states, within what a shot can have. */
  static OptionalDouble firstAspect(SceneFile file) {
    return file.nodes().stream()
        .flatMap(n -> n.contents().stream())
        .filter(Content.Camera.class::isInstance)
        .map(c -> aspect((Content.Camera) c))
        .filter(OptionalDouble::isPresent)
        .mapToDouble(OptionalDouble::getAsDouble)
        .map(a -> Math.max(LEAST_ASPECT, Math.min(MOST_ASPECT, a)))
        .findFirst();
  }

  /** What a camera says, or the sides of its sensor. */
  private static OptionalDouble aspect(Content.Camera camera) {
    if (camera.view() instanceof View.Parallel parallel) {
      return OptionalDouble.of(first(parallel.width()) / first(parallel.height()));
    }
    if (camera.aspect().isPresent() || !(camera.view() instanceof View.Focal focal)) {
      return camera.aspect();
    }
    return OptionalDouble.of(first(focal.widthMm()) / first(focal.heightMm()));
  }

  private static double first(Lane lane) {
    return lane.channel().value(0, lane.component());
  }

  /**
   * A camera.
   *
   * @param still a body to give it
   */
  Node.Camera read(Content.Camera camera, NodeBody still) throws FormatException {
    Optional<JsonPlace> ours = camera.ours();
    boolean parallel = camera.view() instanceof View.Parallel;
    Lens lens = projected(ours.isPresent() ? lens(ours.get()) : found(camera), parallel);
    Map<Path, Curve> values = new LinkedHashMap<>();
    for (Parameter parameter : parallel ? Lens.OF_PARALLEL : Lens.OURS) {
      values.put(new Path(Lens.ID, parameter.id()), lens.curves().get(parameter));
    }
    if (camera.view() instanceof View.Parallel view) {
      Path width = new Path(Lens.ID, Lens.WIDTH.id());
      values.put(width, LensSamples.sameAs(values.get(width), width(camera, view, lens)));
    } else {
      values.put(Path.FOCAL, focal(camera, lens));
    }
    add(values, Path.F_STOP, camera.fStop(), Lens.F_STOP, 1);
    add(values, Path.FOCUS, camera.focus(), Lens.FOCUS, metresPerUnit);
    if (ours.isPresent()) {
      LensSamples samples = new LensSamples(ours.get(), firstFrame);
      if (!parallel) {
        values.put(Path.FOCAL, samples.sameFocal(values.get(Path.FOCAL)));
      }
      samples.curve("fStop", Lens.F_STOP).ifPresent(c -> values.put(Path.F_STOP, c));
      samples.curve("focusM", Lens.FOCUS).ifPresent(c -> values.put(Path.FOCUS, c));
    }
    sayOtherAspect(camera);
    return new Node.Camera(still.withChain(Chain.poseAndLens().with(values)), lens);
  }

  private void add(
      Map<Path, Curve> values, Path path, Optional<Lane> lane, Parameter parameter, double factor)
      throws FormatException {
    if (lane.isEmpty()) {
      return;
    }
    Channel channel = lane.get().channel();
    for (int k = 0; k < channel.keys(); k++) {
      double value = channel.value(k, lane.get().component()) * factor;
      if (!parameter.holds(value)) {
        notes.add(
            String.format(
                Locale.ROOT,
                "%s: %s of %.6g lies outside %.6g to %.6g and is left out",
                channel.path(),
                parameter.label(),
                value,
                parameter.least(),
                parameter.most()));
        return;
      }
    }
    values.put(path, curves.exact(lane.get(), factor, 0));
  }

  private Lens lens(JsonPlace ours) throws FormatException {
    Lens lens = ours.has("lens") ? LensJson.read(ours.get("lens")) : Lens.PLAIN;
    if (ours.has("set")) {
      Curves set = lens.curves();
      LensSamples samples = new LensSamples(ours.get("set"), firstFrame);
      for (Parameter parameter : Lens.OF_PARALLEL) {
        Optional<Curve> curve = samples.curve(parameter.id(), parameter);
        set = curve.isPresent() ? set.with(parameter, curve.get()) : set;
      }
      lens = lens.withBody(lens.body().withCurves(set));
    }
    Lens read = lens;
    return ours.has("follow")
        ? FollowHint.read(ours.get("follow"), ids).map(read::withFocus).orElse(read)
        : read;
  }

  private static Lens projected(Lens lens, boolean parallel) {
    return lens.withLens(
        lens.lens().withProjection(parallel ? Projection.ORTHOGRAPHIC : Projection.PERSPECTIVE));
  }

  /** A lens on the sensor that a file tells of. */
  private Lens found(Content.Camera camera) throws FormatException {
    if (!(camera.view() instanceof View.Focal focal)) {
      return Lens.PLAIN;
    }
    double width = first(focal.widthMm());
    double height = first(focal.heightMm());
    boolean same = Math.abs(width / height / aspect - 1) <= SAME_ASPECT;
    try {
      return new Lens(
          Lens.PLAIN.body(),
          LensBody.on(new FilmBack(width, height), same ? Gate.Fit.WIDTH : Gate.Fit.HEIGHT),
          Lens.PLAIN.focus());
    } catch (RefusedException e) {
      throw new FormatException(camera.where() + ", " + e.where(), e.found(), e.allowed());
    }
  }

  /**
   * A camera made for another picture keeps the height of its view, and sees more or less across.
   */
  private void sayOtherAspect(Content.Camera camera) {
    OptionalDouble stated = aspect(camera);
    if (stated.isEmpty() || Math.abs(stated.getAsDouble() / aspect - 1) <= SAME_ASPECT) {
      return;
    }
    String unit = camera.view() instanceof View.Parallel ? " m" : "°";
    notes.add(
        String.format(
            Locale.ROOT,
            "%s: made for a picture of %.2f:1; in the shot's %.2f:1 it sees as high, and %.2f%s"
                + " across in place of %.2f%s",
            camera.where(),
            stated.getAsDouble(),
            aspect,
            across(camera, aspect),
            unit,
            across(camera, stated.getAsDouble()),
            unit));
  }

  /** How far it sees across in a picture of an aspect, in degrees or in metres. */
  private double across(Content.Camera camera, double ofAspect) {
    return camera.view() instanceof View.Parallel view
        ? first(view.height()) * metresPerUnit * ofAspect
        : across(upright(camera, 0), ofAspect);
  }

  private static double across(double yfov, double aspect) {
    return Math.toDegrees(2 * Math.atan(Math.tan(yfov / 2) * aspect));
  }

  /** The full angle up at a time, in radians. */
  private double upright(Content.Camera camera, double time) {
    View view = camera.view();
    if (view instanceof View.Across v) {
      double across = v.radians().at(time);
      return 2 * Math.atan(Math.tan(across / 2) / aspect(camera).orElse(aspect));
    }
    return view instanceof View.Focal v
        ? 2 * Math.atan(v.heightMm().at(time) / (2 * v.focalMm().at(time)))
        : ((View.Upright) view).radians().at(time);
  }

  /** The width that is as high as the file says in the picture of the shot, without overscan. */
  private Curve width(Content.Camera camera, View.Parallel view, Lens lens) throws FormatException {
    boolean same = Math.abs(aspect(camera).orElseThrow() / aspect - 1) <= SAME_ASPECT;
    Lane seen = same ? view.width() : view.height().times(aspect);
    Curve overscan = lens.curves().get(Lens.OVERSCAN);
    Channel channel = seen.channel();
    for (int k = 0; k < channel.keys(); k++) {
      double value = channel.value(k, seen.component());
      double grown = 1 + overscan.at(curves.frame(channel.times()[k])) / 100;
      if (!Lens.WIDTH.holds(value * metresPerUnit / grown)) {
        throw new FormatException(
            seen.channel().path(),
            value * metresPerUnit + " m",
            "a width of " + Lens.WIDTH.least() + " to " + Lens.WIDTH.most() + " m");
      }
    }
    if (isStill(lens, Lens.OVERSCAN)) {
      return curves.exact(seen, metresPerUnit / (1 + overscan.at(0) / 100), 0);
    }
    return curves.everyFrame(
        List.of(seen.channel()),
        t -> seen.at(t) * metresPerUnit / (1 + overscan.at(curves.frame(t)) / 100));
  }

  private Curve focal(Content.Camera camera, Lens lens) throws FormatException {
    View view = camera.view();
    if (view instanceof View.Focal f && isAsTold(f, lens)) {
      return ownFocal(f);
    }
    List<Channel> moving =
        view.lanes().stream().filter(l -> !l.isConstant()).map(Lane::channel).distinct().toList();
    for (Channel channel : moving) {
      for (double time : channel.times()) {
        focalMm(camera, lens, time);
      }
    }
    if (moving.isEmpty()) {
      return Curve.still(focalMm(camera, lens, 0));
    }
    return curves.everyFrame(
        moving,
        t -> {
          double angle = Math.max(NARROWEST, Math.min(WIDEST, upright(camera, t)));
          return gate(lens, t).focalMmOfVertical(angle);
        });
  }

  /** Whether a stated focal length means the same on the sensor that the camera gets. */
  private boolean isAsTold(View.Focal view, Lens lens) {
    boolean still = view.widthMm().isConstant() && view.heightMm().isConstant();
    boolean fixed = Stream.of(Lens.SQUEEZE, Lens.OVERSCAN).allMatch(p -> isStill(lens, p));
    double height = first(view.heightMm());
    return still
        && fixed
        && Math.abs(gate(lens, 0).heightMm() / height - 1) <= SAME_ASPECT * SAME_ASPECT;
  }

  private static boolean isStill(Lens lens, Parameter parameter) {
    return lens.curves().get(parameter).isConstant();
  }

  /** What of its sensor a lens of ours uses at a time of the file. */
  private Gate gate(Lens lens, double time) {
    return lens.gate(aspect, curves.frame(time));
  }

  private Curve ownFocal(View.Focal view) throws FormatException {
    Lane lane = view.focalMm();
    for (int k = 0; k < lane.channel().keys(); k++) {
      double value = lane.channel().value(k, lane.component());
      if (!Lens.FOCAL.holds(value)) {
        throw new FormatException(
            lane.channel().path(),
            value + " mm",
            "a focal length of " + Lens.FOCAL.least() + " to " + Lens.FOCAL.most() + " mm");
      }
    }
    return curves.exact(lane, 1, 0);
  }

  private double focalMm(Content.Camera camera, Lens lens, double time) throws FormatException {
    double angle = upright(camera, time);
    boolean inside = angle > NARROWEST && angle < WIDEST;
    double focal = inside ? gate(lens, time).focalMmOfVertical(angle) : Double.NaN;
    if (!Lens.FOCAL.holds(focal)) {
      throw new FormatException(
          camera.where() + ".yfov", angle + " rad", "an angle of a lens of 1 to 5000 mm");
    }
    return focal;
  }
}
