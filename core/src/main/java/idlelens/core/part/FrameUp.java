package idlelens.core.part;

import idlelens.core.rule.Require;
import java.util.List;
import java.util.Set;

/**
 * Keeps a subject where it is to sit in the picture, by turning the camera, and, if asked, at its
 * size, by moving it towards the subject or away.
 *
 * @param target what sits there
 * @param way whether it only turns
 * @param radiusM radius of the ball around the subject, whose size is kept
 */
public record FrameUp(PartBody body, Target target, Way way, double radiusM) implements Part {
  /** Picture widths from the middle to the right, in per cent. */
  public static final Parameter ACROSS =
      new Parameter("across", "Across", Family.FRAMING, -50, 50, 0, true);

  /** Picture heights from the middle upwards, in per cent. */
  public static final Parameter UP = new Parameter("up", "Up", Family.FRAMING, -50, 50, 0, false);

  /** Height of the subject in picture heights, in per cent. */
  public static final Parameter SIZE =
      new Parameter("size", "Size", Family.FRAMING, 1, 300, 50, false);

  public static final PartKind KIND =
      new PartKind(
          "frame-up",
          "Frame up",
          "Keeps a subject at its place in the picture",
          Slot.WORLD,
          true,
          false,
          true,
          List.of(Parameter.WEIGHT, ACROSS, UP, SIZE),
          Set.of("camera"));

  /** What it does to keep a subject in place. */
  public enum Way {
    TURN,
    DOLLY
  }

  public FrameUp {
    Require.present(target, "frame-up.target");
    Require.present(way, "frame-up.way");
    Require.within(radiusM, 0.001, 10_000, "frame-up.radius");
  }

  /** Turns towards a target in the middle of the picture. */
  public static FrameUp on(String id, Target target) {
    return new FrameUp(PartBody.usual(id, KIND), target, Way.TURN, 1);
  }

  @Override
  public PartKind kind() {
    return KIND;
  }

  @Override
  public FrameUp withBody(PartBody newBody) {
    return new FrameUp(newBody, target, way, radiusM);
  }

  @Override
  public List<Target> targets() {
    return List.of(target);
  }

  @Override
  public FrameUp withTargets(List<Target> targets) {
    return new FrameUp(body, targets.get(0), way, radiusM);
  }
}
