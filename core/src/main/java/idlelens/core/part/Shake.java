package idlelens.core.part;

import idlelens.core.rule.RefusedException;
import idlelens.core.rule.Require;
import idlelens.core.shake.Loop;
import idlelens.core.time.FrameRange;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.DoubleUnaryOperator;
import java.util.stream.Stream;

/**
 * Shakes the node in its own space: an offset of its place, then a turn, and of a camera also its
 * focal length and focus. How far and how fast is said for each channel.
 *
 * @param way how it shakes
 * @param seed what strews it; the same seed shakes alike for ever
 * @param loops whether it closes over the range of the shot
 * @param start the frame from which its cycles are counted
 */
public record Shake(PartBody body, ShakeWay way, long seed, boolean loops, double start)
    implements Part {
  /** How far, in the order of the channels; the other way where it is below 0. */
  public static final List<Parameter> AMPLITUDES =
      List.of(
          far("x", "X", Family.OFFSET, 10_000, true),
          far("y", "Y", Family.OFFSET, 10_000, false),
          far("z", "Z", Family.OFFSET, 10_000, false),
          far("pan", "Pan", Family.TURN, 360, true),
          far("tilt", "Tilt", Family.TURN, 360, false),
          far("roll", "Roll", Family.TURN, 360, true),
          far("focal", "Focal length", Family.FOCAL, 1000, false),
          far("focus", "Focus", Family.FOCUS, 1000, false));

  /** The highest frequency, in cycles a second. */
  public static final double MOST_HZ = 100;

  /** How fast, in the same order. */
  public static final List<Parameter> FREQUENCIES =
      AMPLITUDES.stream()
          .map(
              p ->
                  new Parameter(
                      p.id() + "Hz", p.label() + " rate", Family.RATE, 0, MOST_HZ, 1, false))
          .toList();

  /** How many channels it has. */
  public static final int CHANNELS = 8;

  /** The channels of the pose, which come first. */
  public static final int POSE_CHANNELS = 6;

  public static final PartKind KIND =
      new PartKind(
          "shake",
          "Shake",
          "Handheld, swell or jolts, over the motion before it",
          Slot.WORLD,
          true,
          false,
          true,
          Stream.of(List.of(Parameter.WEIGHT), AMPLITUDES, FREQUENCIES)
              .flatMap(List::stream)
              .toList(),
          Set.of("camera", "null", "piece", "light"));

  private static Parameter far(
      String id, String label, Family family, double most, boolean mirrored) {
    return new Parameter(id, label, family, -most, most, 0, mirrored);
  }

  public Shake {
    Require.present(way, "shake.way");
    Require.within(start, -1e7, 1e7, "shake.start");
  }

  /** A layer that does not move anything yet. */
  public static Shake of(String id, ShakeWay way, long seed, double start) {
    return new Shake(PartBody.usual(id, KIND), way, seed, false, start);
  }

  /** The round in which it closes, if it does. */
  public Optional<Loop> round(FrameRange range) {
    return loops ? Optional.of(new Loop(range.in(), range.length())) : Optional.empty();
  }

  @Override
  public boolean shakes() {
    return true;
  }

  @Override
  public PartKind kind() {
    return KIND;
  }

  @Override
  public Shake withBody(PartBody newBody) {
    return new Shake(newBody, way, seed, loops, start);
  }

  private Shake withHits(List<Hit> hits) {
    return new Shake(body, ((ShakeWay.Jolt) way).withHits(hits), seed, loops, start);
  }

  private List<Hit> hits() {
    return way instanceof ShakeWay.Jolt jolt ? jolt.hits() : List.of();
  }

  @Override
  public List<Stamp> stamps() {
    List<Stamp> all = new ArrayList<>(Part.super.stamps());
    all.addAll(hits());
    return all;
  }

  @Override
  public Part withStamp(Stamp stamp) {
    if (!(stamp instanceof Hit hit)) {
      return Part.super.withStamp(stamp);
    }
    if (!(way instanceof ShakeWay.Jolt)) {
      throw new RefusedException(id() + ".stamp", "a hit", "a window; only jolts are struck");
    }
    List<Hit> next = new ArrayList<>(hits());
    next.removeIf(h -> h.id().equals(hit.id()));
    next.add(hit);
    next.sort(Comparator.comparingDouble(Hit::frame).thenComparing(Hit::id));
    return withHits(next);
  }

  @Override
  public Part withoutStamp(String stampId) {
    List<Hit> next = hits().stream().filter(h -> !h.id().equals(stampId)).toList();
    return next.size() == hits().size() ? Part.super.withoutStamp(stampId) : withHits(next);
  }

  @Override
  public Part stampsRetimed(DoubleUnaryOperator map) {
    Part moved = Part.super.stampsRetimed(map);
    double begins = map.applyAsDouble(start);
    return begins == start ? moved : ((Shake) moved).startingAt(begins);
  }

  private Shake startingAt(double frame) {
    return new Shake(body, way, seed, loops, frame);
  }
}
