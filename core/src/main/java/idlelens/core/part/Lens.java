package idlelens.core.part;

import idlelens.core.lens.FilmBack;
import idlelens.core.lens.LensBody;
import idlelens.core.rule.Require;
import java.util.List;
import java.util.Set;

/**
 * Focal length, f-stop and focus, with the lens and sensor that they are of.
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
      new Parameter("fstop", "F-stop", Family.STOP, 0.5, 128, 2.8, false);
  public static final Parameter FOCUS =
      new Parameter("focus", "Focus distance", Family.FOCUS, 0.01, 1e5, 5, false);

  public static final PartKind KIND =
      new PartKind(
          ID,
          "Lens",
          "Focal length, f-stop and focus",
          Slot.LENS,
          false,
          true,
          false,
          List.of(FOCAL, F_STOP, FOCUS),
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

  public Lens withSensor(FilmBack sensor) {
    return new Lens(body, lens.withSensor(sensor), focus);
  }

  @Override
  public List<Target> targets() {
    return focus instanceof FocusRule.Follow follow ? List.of(follow.target()) : List.of();
  }

  @Override
  public Lens withTargets(List<Target> targets) {
    return focus instanceof FocusRule.Follow follow
        ? withFocus(new FocusRule.Follow(targets.get(0), follow.offsetM()))
        : this;
  }

  @Override
  public List<Lean> leans() {
    return targets().stream()
        .flatMap(t -> t.nodeId().stream())
        .map(id -> new Lean(id, Lean.Of.WORLD, "focus.node"))
        .toList();
  }
}
