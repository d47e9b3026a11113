package idlelens.core.part;

import idlelens.core.rule.RefusedException;
import idlelens.core.rule.Require;
import java.util.OptionalDouble;
import java.util.function.DoubleUnaryOperator;

/**
 * The stretch of frames at which a part takes effect. An open end means always, handles included;
 * the frames of closed ends are inside.
 *
 * @param from first frame, or open
 * @param to last frame, or open
 * @param fadeIn frames from {@code from} until it is there in full; 0 where it begins at once
 * @param fadeOut frames until {@code to} in which it goes
 */
public record Window(OptionalDouble from, OptionalDouble to, double fadeIn, double fadeOut)
    implements Stamp {
  /** Its id as a stamp. */
  public static final String ID = "window";

  /** Always. */
  public static final Window OPEN = new Window(OptionalDouble.empty(), OptionalDouble.empty());

  /** How near to an edge, in frames, counts as on it. */
  private static final double ON_EDGE = 1e-9;

  private static final double LONGEST_FADE = 20_000;

  public Window {
    from.ifPresent(f -> Require.within(f, -1e7, 1e7, "window.from"));
    to.ifPresent(f -> Require.within(f, -1e7, 1e7, "window.to"));
    Require.within(fadeIn, 0, LONGEST_FADE, "window.fadeIn");
    Require.within(fadeOut, 0, LONGEST_FADE, "window.fadeOut");
    if (from.isPresent() && to.isPresent() && to.getAsDouble() < from.getAsDouble()) {
      throw new RefusedException(
          "window.to", to.getAsDouble(), "the first frame (" + from.getAsDouble() + ") or later");
    }
  }

  public Window(OptionalDouble from, OptionalDouble to) {
    this(from, to, 0, 0);
  }

  @Override
  public String id() {
    return ID;
  }

  public boolean isOpen() {
    return from.isEmpty() && to.isEmpty();
  }

  /** How much of the part takes effect at a frame, 0 to 1. */
  public double at(double frame) {
    double share = 1;
    if (from.isPresent()) {
      share = Math.min(share, faded(frame - from.getAsDouble(), fadeIn));
    }
    if (to.isPresent()) {
      share = Math.min(share, faded(to.getAsDouble() - frame, fadeOut));
    }
    return share;
  }

  /** Smooth from 0 at the edge to 1 so many frames inside. */
  private static double faded(double inside, double fade) {
    if (inside < -ON_EDGE) {
      return 0;
    }
    if (inside >= fade || fade == 0) {
      return 1;
    }
    double u = Math.max(0, inside) / fade;
    return u * u * (3 - 2 * u);
  }

  @Override
  public Window retimed(DoubleUnaryOperator map) {
    return new Window(moved(from, map), moved(to, map), fadeIn, fadeOut);
  }

  private static OptionalDouble moved(OptionalDouble frame, DoubleUnaryOperator map) {
    return frame.isPresent() ? OptionalDouble.of(map.applyAsDouble(frame.getAsDouble())) : frame;
  }

  /** With its fades so many times as long. */
  public Window faded(double factor) {
    return new Window(
        from,
        to,
        Math.min(LONGEST_FADE, fadeIn * factor),
        Math.min(LONGEST_FADE, fadeOut * factor));
  }
}
