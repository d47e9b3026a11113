package idlelens.core.part;

import java.util.List;
import java.util.Set;

/** How bright a light is over time. */
public record Shine(PartBody body) implements Part {
  public static final String ID = "shine";

  /** Stops above its strength. */
  public static final Parameter STOPS =
      new Parameter("stops", "Stops", Family.EXPOSURE, -20, 20, 0, false);

  public static final PartKind KIND =
      new PartKind(
          ID,
          "Shine",
          "How bright it is, over time",
          Slot.NODE,
          false,
          false,
          false,
          List.of(STOPS),
          Set.of("sun", "light"));

  /** At its own strength. */
  public static final Shine USUAL = new Shine(PartBody.usual(ID, KIND));

  @Override
  public PartKind kind() {
    return KIND;
  }

  @Override
  public Shine withBody(PartBody newBody) {
    return new Shine(newBody);
  }
}
