package idlelens.core.part;

import idlelens.core.lens.FilmBack;
import idlelens.core.lens.Gate;
import idlelens.core.lens.LensBody;
import idlelens.core.rule.RefusedException;
import idlelens.core.rule.Require;
import java.util.List;
import java.util.Set;
import java.util.function.ToDoubleFunction;
import java.util.stream.Stream;

/**
 * Focal length, f-stop and focus, iris, shutter and what of the sensor is used, with the lens and
 * sensor that they are of.
 *
 * @param lens what does not change with time
 * @param focus where the focus distance comes from
 */
public record Lens(PartBody body, LensBody lens, FocusRule focus) implements Part {
  /** Its id in every camera. */
  public static final String ID = "lens";

  public static final Parameter FOCAL =
      new Parameter("focal", "Focal length", Family.FOCAL, 1, 5000, 35, false);
  public static final Parameter F_STOP =
      new Parameter("fstop", "F-stop", Family.STOP, 0.05, 128, 2.8, false);
  public static final Parameter FOCUS =
      new Parameter("focus", "Focus distance", Family.FOCUS, 0.01, 1e5, 5, false);

  /** How many times as wide the blur disc is as the f-stop makes it. */
  public static final Parameter BLUR =
      new Parameter("blur", "Blur factor", Family.SCALE, 0.01, 100, 1, false);

  /** How much wider the lens sees than the sensor is. */
  public static final Parameter SQUEEZE =
      new Parameter("squeeze", "Squeeze", Family.SCALE, 0.5, 2.5, 1, false);

  /** By how much the blades are turned anticlockwise, as the camera sees it. */
  public static final Parameter IRIS_TURN =
      new Parameter("irisTurn", "Turn of the iris", Family.IRIS, -3600, 3600, 0, true);

  public static final Parameter SHUTTER =
      new Parameter("shutter", "Shutter angle", Family.SHUTTER, 0, 3600, 180, false);

  /** By how many percent sensor and picture grow. */
  public static final Parameter OVERSCAN =
      new Parameter("overscan", "Overscan", Family.FRAMING, 0, 200, 0, false);

  /** How far the picture moves to the right, on the sensor. */
  public static final Parameter SHIFT_RIGHT =
      new Parameter("shiftRight", "Shift to the right", Family.SHIFT, -200, 200, 0, true);

  /** How far the picture moves up, on the sensor. */
  public static final Parameter SHIFT_UP =
      new Parameter("shiftUp", "Shift up", Family.SHIFT, -200, 200, 0, false);

  /** What lies beside each other over the width of an orthographic picture. */
  public static final Parameter WIDTH =
      new Parameter("width", "Width of the picture", Family.FOCUS, 0.001, 1e5, 5, false);

  /** What files of other programs have no place for. */
  public static final List<Parameter> OURS =
      List.of(BLUR, SQUEEZE, IRIS_TURN, SHUTTER, OVERSCAN, SHIFT_RIGHT, SHIFT_UP);

  /** The same of a camera that sees in parallel. */
  public static final List<Parameter> OF_PARALLEL =
      Stream.concat(OURS.stream(), Stream.of(FOCAL, WIDTH)).toList();

  private static final List<Parameter> PARAMETERS =
      Stream.of(List.of(FOCAL, F_STOP, FOCUS), OURS, List.of(WIDTH)).flatMap(List::stream).toList();

  public static final PartKind KIND =
      new PartKind(
          ID,
          "Lens",
          "What the camera sees, and how sharply",
          Slot.LENS,
          false,
          true,
          false,
          PARAMETERS,
          Set.of("camera"));

  /** A plain lens, focused by distance. */
  public static final Lens PLAIN =
      new Lens(PartBody.usual(ID, KIND), LensBody.PLAIN, new FocusRule.Distance());

  public Lens {
    Require.present(lens, "lens");
    Require.present(focus, "focus");
  }

  @Override
  public PartKind kind() {
    return KIND;
  }

  @Override
  public Lens withBody(PartBody newBody) {
    return new Lens(newBody, lens, focus);
  }

  public Lens withFocus(FocusRule newFocus) {
    return new Lens(body, lens, newFocus);
  }

  /** Focused on the origin of a node. */
  public Lens following(String nodeId) {
    return withFocus(new FocusRule.Follow(Target.OfNode.origin(nodeId), 0));
  }

  /**
   * What of the sensor is used at a frame, as the curves of this part have it.
   *
   * @param aspect of the picture
   */
  public Gate gate(double aspect, double frame) {
    return gate(lens, aspect, p -> p.clamp(curves().get(p).at(frame)));
  }

  /**
   * What of a sensor is used.
   *
   * @param set what the lens is set to
   */
  public static Gate gate(LensBody body, double aspect, ToDoubleFunction<Parameter> set) {
    return body.gate(aspect, set.applyAsDouble(SQUEEZE))
        .grown(set.applyAsDouble(OVERSCAN))
        .shifted(set.applyAsDouble(SHIFT_RIGHT), set.applyAsDouble(SHIFT_UP));
  }

  public Lens withSensor(FilmBack sensor) {
    return withLens(lens.withSensor(sensor));
  }

  /** With another lens or sensor, set as before. */
  public Lens withLens(LensBody other) {
    return new Lens(body, other, focus);
  }

  @Override
  public List<Target> targets() {
    return focus.targets();
  }

  @Override
  public Lens withTargets(List<Target> targets) {
    return withFocus(focus.withTargets(targets));
  }

  @Override
  public List<Stamp> stamps() {
    return focus instanceof FocusRule.Pulls pulls ? List.copyOf(pulls.pulls()) : List.of();
  }

  @Override
  public Part withStamp(Stamp stamp) {
    if (stamp instanceof Pull pull && focus instanceof FocusRule.Pulls pulls) {
      return withFocus(pulls.with(pull));
    }
    throw new RefusedException(id() + ".stamp", "'" + stamp.id() + "'", "a pull of this lens");
  }

  @Override
  public Part withoutStamp(String stampId) {
    return focus instanceof FocusRule.Pulls pulls
            && pulls.pulls().stream().anyMatch(p -> p.id().equals(stampId))
        ? withFocus(pulls.without(stampId))
        : Part.super.withoutStamp(stampId);
  }

  @Override
  public Part lasting(double factor) {
    return withFocus(focus.lasting(factor));
  }

  @Override
  public List<Lean> leans() {
    return targets().stream()
        .flatMap(t -> t.nodeId().stream())
        .map(id -> new Lean(id, Lean.Of.WORLD, "focus.node"))
        .toList();
  }
}
