package idlelens.core.part;

import idlelens.core.curve.Beyond;
import idlelens.core.curve.Curve;
import idlelens.core.curve.Key;
import idlelens.core.curve.Tangent;
import java.util.List;
import java.util.Set;

/**
 * At which frames a node is there to be seen, with all that it carries. Its curve is held and is on
 * or off, whatever was asked for: other tangents become holds, and values the nearer of 0 and 1.
 */
public record Visible(PartBody body) implements Part {
  public static final String ID = "visible";

  /** 1 while it is there, 0 while it is not. */
  public static final Parameter SHOWN =
      new Parameter("shown", "Visible", Family.SWITCH, 0, 1, 1, false);

  public static final PartKind KIND =
      new PartKind(
          ID,
          "Visible",
          "When it appears and vanishes",
          Slot.NODE,
          false,
          false,
          false,
          List.of(SHOWN),
          Set.of("camera", "null", "piece", "rail", "repeat", "sun", "light", "mist", "haze"));

  /** There at all frames. */
  public static final Visible ALWAYS = new Visible(PartBody.usual(ID, KIND));

  public Visible {
    Curve curve = body.curves().get(SHOWN);
    Curve held = held(curve);
    if (!held.equals(curve)) {
      body = body.withCurves(body.curves().with(SHOWN, held));
    }
  }

  /** Whether it is there at a frame. */
  public boolean isThere(double frame) {
    return curves().get(SHOWN).at(frame) >= 0.5;
  }

  private static Curve held(Curve curve) {
    List<Key> keys =
        curve.keys().stream()
            .map(key -> new Key(key.frame(), onOrOff(key.value()), Tangent.Kind.HOLD))
            .toList();
    return new Curve(onOrOff(curve.rest()), keys, holding(curve.before()), holding(curve.after()));
  }

  private static double onOrOff(double value) {
    return value >= 0.5 ? 1 : 0;
  }

  private static Beyond holding(Beyond beyond) {
    return switch (beyond) {
      case HOLD, RUN_ON -> Beyond.HOLD;
      case CYCLE, CYCLE_AND_CARRY -> Beyond.CYCLE;
    };
  }

  @Override
  public PartKind kind() {
    return KIND;
  }

  @Override
  public Visible withBody(PartBody newBody) {
    return new Visible(newBody);
  }
}
