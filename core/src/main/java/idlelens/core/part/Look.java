package idlelens.core.part;

import java.util.List;
import java.util.Set;

/** How large a piece is and how strongly it glows, over time. */
public record Look(PartBody body) implements Part {
  public static final String ID = "look";

  /** Times its usual size, about its origin; what it carries keeps its own. */
  public static final Parameter SIZE =
      new Parameter("size", "Size", Family.SCALE, 0.001, 1000, 1, false);

  /** Stops above white, for pieces that glow. */
  public static final Parameter GLOW =
      new Parameter("glow", "Glow", Family.EXPOSURE, -10, 20, 0, false);

  public static final PartKind KIND =
      new PartKind(
          ID,
          "Look",
          "Its size and its glow, over time",
          Slot.NODE,
          false,
          false,
          false,
          List.of(SIZE, GLOW),
          Set.of("piece"));

  /** As large as it is, and white where it glows. */
  public static final Look USUAL = new Look(PartBody.usual(ID, KIND));

  @Override
  public PartKind kind() {
    return KIND;
  }

  @Override
  public Look withBody(PartBody newBody) {
    return new Look(newBody);
  }
}
