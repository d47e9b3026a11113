package idlelens.core.edit;

import idlelens.core.part.Ease;
import idlelens.core.part.Move;
import java.util.OptionalDouble;

/**
 * The eases with which a move goes most nearly as something went: searched over both eases and the
 * softness, coarsely first, then ever finer around the best.
 *
 * @param ease the best
 * @param off how far its share of the way is off at the most, as a share of the way
 * @param worst the frame where it is
 */
record MoveFit(Ease ease, double off, double worst) {
  private static final int STEPS = 16;
  private static final int FINER = 12;

  /**
   * @param from first frame of the move
   * @param to last frame
   * @param shares the share of the way at every frame from the first on, at even steps
   */
  static MoveFit of(double from, double to, double[] shares) {
    double length = to - from;
    MoveFit best = null;
    for (int in = 0; in <= STEPS; in++) {
      for (int out = 0; in + out <= STEPS; out++) {
        for (int soft = 0; soft <= 2; soft++) {
          Ease tried = new Ease(length * in / STEPS, length * out / STEPS, soft / 2.0);
          best = better(best, tried, from, to, shares);
        }
      }
    }
    double step = length / STEPS / 2;
    for (int round = 0; round < FINER; round++, step /= 2) {
      best = around(best, step, step / length * STEPS, from, to, shares);
    }
    return best;
  }

  private static MoveFit around(
      MoveFit middle, double step, double soft, double from, double to, double[] shares) {
    MoveFit best = middle;
    for (int in = -1; in <= 1; in++) {
      for (int out = -1; out <= 1; out++) {
        for (int s = -1; s <= 1; s++) {
          Ease ease = middle.ease;
          Ease tried =
              new Ease(
                  within(ease.in() + in * step, to - from),
                  within(ease.out() + out * step, to - from),
                  within(ease.softness() + s * soft, 1));
          best = better(best, tried, from, to, shares);
        }
      }
    }
    return best;
  }

  private static double within(double value, double most) {
    return Math.max(0, Math.min(most, value));
  }

  private static MoveFit better(MoveFit best, Ease tried, double from, double to, double[] shares) {
    Move plain = Move.of("move", Move.Way.PAN, 1, from, to);
    Move move = new Move(plain.body(), plain.way(), 1, tried, plain.after(), 1, plain.pivot());
    OptionalDouble limit = best == null ? OptionalDouble.empty() : OptionalDouble.of(best.off);
    double off = 0;
    double worst = from;
    for (int i = 0; i < shares.length; i++) {
      double frame = from + (to - from) * i / (shares.length - 1);
      double here = Math.abs(move.progress(frame) - shares[i]);
      if (here > off) {
        off = here;
        worst = frame;
        if (limit.isPresent() && off >= limit.getAsDouble()) {
          return best;
        }
      }
    }
    return new MoveFit(tried, off, worst);
  }
}
