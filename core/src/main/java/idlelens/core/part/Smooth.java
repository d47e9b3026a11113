package idlelens.core.part;

import idlelens.core.rule.RefusedException;
import idlelens.core.rule.Require;
import java.util.List;
import java.util.OptionalDouble;
import java.util.Set;

/**
 * Smooths the motion before it: its place, its turn, and of a camera its focal length and focus. It
 * never reaches across a jump.
 *
 * @param way how it smooths
 * @param of what it smooths
 * @param within how far it may take the motion
 */
public record Smooth(PartBody body, SmoothWay way, Of of, Within within) implements Part {
  public static final PartKind KIND =
      new PartKind(
          "smooth",
          "Smooth",
          "Takes the unrest out of the motion before it",
          Slot.WORLD,
          true,
          false,
          true,
          List.of(Parameter.WEIGHT),
          Set.of("camera", "null", "piece", "light"));

  /** What is smoothed; at least one of them. */
  public record Of(boolean place, boolean turn, boolean lens) {
    public static final Of ALL = new Of(true, true, true);

    public Of {
      if (!place && !turn && !lens) {
        throw new RefusedException("smooth.of", "nothing", "place, turn, lens, or several of them");
      }
    }
  }

  /**
   * How far the motion may be taken at most, at any time.
   *
   * @param cm centimetres from where it was, or open
   * @param degrees from how it was turned, or open
   */
  public record Within(OptionalDouble cm, OptionalDouble degrees) {
    /** As far as it goes. */
    public static final Within OPEN = new Within(OptionalDouble.empty(), OptionalDouble.empty());

    public Within {
      cm.ifPresent(c -> Require.within(c, 0.001, 1e6, "smooth.within.cm"));
      degrees.ifPresent(d -> Require.within(d, 0.001, 180, "smooth.within.degrees"));
    }
  }

  public Smooth {
    Require.present(way, "smooth.way");
    Require.present(of, "smooth.of");
    Require.present(within, "smooth.within");
  }

  /** Smooths all there is, as far as it goes. */
  public static Smooth of(String id, SmoothWay way) {
    return new Smooth(PartBody.usual(id, KIND), way, Of.ALL, Within.OPEN);
  }

  @Override
  public PartKind kind() {
    return KIND;
  }

  @Override
  public Smooth withBody(PartBody newBody) {
    return new Smooth(newBody, way, of, within);
  }

  @Override
  public Smooth lasting(double factor) {
    return new Smooth(Part.super.lasting(factor).body(), way.lasting(factor), of, within);
  }
}
