package idlelens.core.edit;

import idlelens.core.curve.Curve;
import idlelens.core.curve.Tangent;
import idlelens.core.rule.Require;
import java.util.Optional;

/** Which tangent a key is to get. */
public sealed interface TangentChoice {

  /** The tangent for key {@code i} of a curve. */
  Tangent of(Curve curve, int i);

  /** One that the neighbours decide. */
  record Automatic(Tangent.Kind kind) implements TangentChoice {
    public Automatic {
      Require.present(kind, "tangent");
    }

    @Override
    public Tangent of(Curve curve, int i) {
      return kind;
    }
  }

  /**
   * Free, with the handles that the curve has there by now.
   *
   * @param joined whether both handles are one line; if that is new, with the mean of both slopes
   * @param ownLength whether the handles' lengths count
   */
  record ByHand(Optional<Boolean> joined, Optional<Boolean> ownLength) implements TangentChoice {
    @Override
    public Tangent of(Curve curve, int i) {
      Tangent.Free now = curve.handles(i);
      Tangent.Free free = now.withOwnLength(ownLength.orElse(now.ownLength()));
      boolean join = joined.orElse(free.joined());
      if (!join || free.in().slope() == free.out().slope()) {
        return free.withJoined(join);
      }
      double slope = (free.in().slope() + free.out().slope()) / 2;
      return new Tangent.Free(
          free.in().sloped(slope), free.out().sloped(slope), true, free.ownLength());
    }
  }
}
