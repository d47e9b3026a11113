package idlelens.core.part;

import idlelens.core.rule.RefusedException;
import java.util.List;

/** All kinds of part, in the order of the chain. */
public final class Parts {
  public static final List<PartKind> KINDS =
      List.of(
          Keys.KIND,
          Move.KIND,
          Ride.KIND,
          Carried.KIND,
          Aim.KIND,
          FrameUp.KIND,
          Shake.KIND,
          Recorded.KIND,
          Smooth.KIND,
          RunIn.KIND,
          Lens.KIND,
          Look.KIND,
          Shine.KIND,
          Visible.KIND,
          Backplate.KIND);

  private Parts() {}

  /** The kind of that name. */
  public static PartKind kind(String word) {
    return KINDS.stream()
        .filter(k -> k.word().equals(word))
        .findFirst()
        .orElseThrow(
            () ->
                new RefusedException(
                    "part",
                    "'" + word + "'",
                    String.join(", ", KINDS.stream().map(PartKind::word).toList())));
  }
}
