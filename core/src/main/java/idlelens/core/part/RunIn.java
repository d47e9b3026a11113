package idlelens.core.part;

import idlelens.core.rule.Require;
import java.util.List;
import java.util.Set;

/**
 * What the motion before it does in the handles, whatever its keys do there: so that the first
 * frame and the last have the blur of a motion that goes on.
 *
 * @param before until the first frame
 * @param after from the last one on
 */
public record RunIn(PartBody body, Edge before, Edge after) implements Part {
  public static final String ID = "run-in";

  public static final PartKind KIND =
      new PartKind(
          ID,
          "Run-in, run-out",
          "What the motion does before the first frame and behind the last",
          Slot.WORLD,
          false,
          false,
          false,
          List.of(),
          Set.of("camera", "null", "piece", "light"));

  /** What a motion does beyond the shot. */
  public enum Edge {
    /** What it does there by itself. */
    OWN,
    /** It stands still. */
    HOLD,
    /** It goes on as fast as it comes out of the shot. */
    RUN_ON,
    /** It is what it is a round of the shot later, or earlier. */
    CYCLE
  }

  /** It goes on at both ends. */
  public static final RunIn USUAL = new RunIn(PartBody.usual(ID, KIND), Edge.RUN_ON, Edge.RUN_ON);

  public RunIn {
    Require.present(before, "run-in.before");
    Require.present(after, "run-in.after");
  }

  @Override
  public PartKind kind() {
    return KIND;
  }

  @Override
  public RunIn withBody(PartBody newBody) {
    return new RunIn(newBody, before, after);
  }
}
