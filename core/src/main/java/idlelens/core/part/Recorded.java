package idlelens.core.part;

import idlelens.core.rule.Require;
import idlelens.core.shake.Recording;
import java.util.List;
import java.util.Set;
import java.util.function.DoubleUnaryOperator;

/**
 * Shakes the node in its own space as something was recorded: faster or slower, more or less, once
 * or over and over.
 *
 * @param name what it is called
 * @param recording what was recorded
 * @param start the frame at which it begins
 * @param loops whether it comes again
 * @param fadeS seconds over which its end fades into its beginning, where it does
 */
public record Recorded(
    PartBody body, String name, Recording recording, double start, boolean loops, double fadeS)
    implements Part {
  private static final double FARTHEST = 100;

  /** Times as far. */
  public static final Parameter PLACE = times("place", "Place");

  /** Times as far turned. */
  public static final Parameter TURN = times("turn", "Turn");

  /** Times as much of focal length and focus. */
  public static final Parameter LENS = times("lens", "Lens");

  /** Times as fast. */
  public static final Parameter SPEED =
      new Parameter("speed", "Speed", Family.SCALE, 0, FARTHEST, 1, false);

  public static final PartKind KIND =
      new PartKind(
          "recorded",
          "Recorded",
          "Offsets that were lifted off a camera, or brought in",
          Slot.WORLD,
          true,
          false,
          true,
          List.of(Parameter.WEIGHT, PLACE, TURN, LENS, SPEED),
          Set.of("camera", "null", "piece", "light"));

  private static Parameter times(String id, String label) {
    return new Parameter(id, label, Family.SCALE, -FARTHEST, FARTHEST, 1, false);
  }

  public Recorded {
    name = Require.name(name, 60, "recorded.name");
    Require.present(recording, "recorded.recording");
    Require.within(start, -1e7, 1e7, "recorded.start");
    Require.within(fadeS, 0, 600, "recorded.fade");
  }

  /** As it was recorded, from a frame on, once. */
  public static Recorded of(String id, String name, Recording recording, double start) {
    return new Recorded(PartBody.usual(id, KIND), name, recording, start, false, 0.5);
  }

  /** The scale of a channel. */
  public static Parameter scaleOf(int channel) {
    return channel < 3 ? PLACE : channel < Shake.POSE_CHANNELS ? TURN : LENS;
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
  public Recorded withBody(PartBody newBody) {
    return new Recorded(newBody, name, recording, start, loops, fadeS);
  }

  @Override
  public Part stampsRetimed(DoubleUnaryOperator map) {
    Recorded moved = (Recorded) Part.super.stampsRetimed(map);
    return new Recorded(moved.body, name, recording, map.applyAsDouble(start), loops, fadeS);
  }
}
