package idlelens.core.part;

import java.util.List;
import java.util.Set;

/** The node's own pose, keyed as numbers. */
public record Keys(PartBody body) implements Part {
  /** Its id in every node. */
  public static final String ID = "keys";

  public static final Parameter X = place("x", "X", true);
  public static final Parameter Y = place("y", "Y", false);
  public static final Parameter Z = place("z", "Z", false);
  public static final Parameter PAN = turn("pan", "Pan", true);
  public static final Parameter TILT = turn("tilt", "Tilt", false);
  public static final Parameter ROLL = turn("roll", "Roll", true);

  public static final PartKind KIND =
      new PartKind(
          ID,
          "Keys",
          "Its own place and turn, keyed by hand",
          Slot.OWN,
          false,
          true,
          false,
          List.of(X, Y, Z, PAN, TILT, ROLL),
          Set.of("camera", "null", "piece", "rail", "repeat", "sun", "light", "mist", "haze"));

  /** At rest at the origin. */
  public static final Keys STILL = new Keys(PartBody.usual(ID, KIND));

  private static Parameter place(String id, String label, boolean mirrored) {
    return new Parameter(id, label, Family.PLACE, -1e5, 1e5, 0, mirrored);
  }

  private static Parameter turn(String id, String label, boolean mirrored) {
    return new Parameter(id, label, Family.TURN, -1e6, 1e6, 0, mirrored);
  }

  @Override
  public PartKind kind() {
    return KIND;
  }

  @Override
  public Keys withBody(PartBody newBody) {
    return new Keys(newBody);
  }
}
