package idlelens.core.part;

import idlelens.core.rule.Require;
import idlelens.core.set.Pictures;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.DoubleUnaryOperator;

/**
 * Pictures behind what a camera sees, or over it: what came back from elsewhere, or a still to
 * match against.
 *
 * @param pictures what is shown; nothing while none are chosen
 * @param offset frames by which they come later
 * @param fit how they fill the picture
 * @param lies whether the set stands before them
 */
public record Backplate(
    PartBody body, Optional<Pictures> pictures, double offset, Fit fit, Lies lies) implements Part {
  public static final String ID = "backplate";

  /** How much of them is seen. */
  public static final Parameter OPACITY =
      new Parameter("opacity", "Opacity", Family.WEIGHT, 0, 1, 1, false);

  public static final PartKind KIND =
      new PartKind(
          ID,
          "Backplate",
          "Pictures behind what the camera sees, or over it",
          Slot.NODE,
          false,
          false,
          false,
          List.of(OPACITY),
          Set.of("camera"));

  /** How pictures of another aspect fill the picture. */
  public enum Fit {
    /** As wide as it. */
    WIDTH,
    /** As high as it. */
    HEIGHT,
    /** As wide and as high, stretched. */
    STRETCHED
  }

  /** Where they lie. */
  public enum Lies {
    /** Behind the set, before the sky. */
    BEHIND,
    /** Over all of it. */
    OVER
  }

  /** Without pictures yet. */
  public static final Backplate EMPTY =
      new Backplate(PartBody.usual(ID, KIND), Optional.empty(), 0, Fit.WIDTH, Lies.BEHIND);

  public Backplate {
    Require.present(pictures, "backplate.pictures");
    Require.within(offset, -1e6, 1e6, "backplate.offset");
    Require.present(fit, "backplate.fit");
    Require.present(lies, "backplate.lies");
  }

  /** What is shown with its offset. */
  public Optional<Pictures> playing() {
    return pictures.map(p -> p.retimed(first -> first + offset));
  }

  @Override
  public PartKind kind() {
    return KIND;
  }

  @Override
  public Backplate withBody(PartBody newBody) {
    return new Backplate(newBody, pictures, offset, fit, lies);
  }

  @Override
  public Backplate lasting(double factor) {
    return new Backplate(body, pictures, offset * factor, fit, lies);
  }

  @Override
  public Part stampsRetimed(DoubleUnaryOperator map) {
    return new Backplate(body, pictures.map(p -> p.retimed(map)), offset, fit, lies);
  }
}
