package idlelens.core.part;

import idlelens.core.rule.Require;
import java.util.List;
import java.util.Set;
import java.util.stream.Stream;

/**
 * Keeps a subject where it is to sit in the picture, by turning the camera, and, if asked, at its
 * size, by moving it towards the subject or away, or by zooming.
 *
 * @param target what sits there
 * @param way what it does besides turning
 * @param radiusM radius of the ball around the subject, whose size is kept
 * @param others what sits there together with the target: then the subject is the ball about the
 *     middle of the box around all of these pieces, whatever their radius; at most 50
 */
public record FrameUp(PartBody body, Target target, Way way, double radiusM, List<Target> others)
    implements Part {
  /** The most targets besides the first. */
  public static final int MOST_OTHERS = 50;

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
    DOLLY,
    ZOOM
  }

  public FrameUp {
    Require.present(target, "frame-up.target");
    Require.present(way, "frame-up.way");
    Require.within(radiusM, 0.001, 10_000, "frame-up.radius");
    others = List.copyOf(others);
    Require.within(others.size(), 0, MOST_OTHERS, "frame-up.others.count");
  }

  /** Keeps one target. */
  public FrameUp(PartBody body, Target target, Way way, double radiusM) {
    this(body, target, way, radiusM, List.of());
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
    return new FrameUp(newBody, target, way, radiusM, others);
  }

  @Override
  public List<Target> targets() {
    return Stream.concat(Stream.of(target), others.stream()).toList();
  }

  @Override
  public FrameUp withTargets(List<Target> targets) {
    return new FrameUp(body, targets.get(0), way, radiusM, targets.subList(1, targets.size()));
  }
}
