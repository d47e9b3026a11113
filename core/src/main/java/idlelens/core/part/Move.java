package idlelens.core.part;

import idlelens.core.rule.RefusedException;
import idlelens.core.rule.Require;
import java.util.List;
import java.util.OptionalDouble;
import java.util.Set;

/**
 * A ready motion over a stretch of frames. What it does is added to the keyed numbers, so that
 * several at once add up in any order.
 *
 * @param way what it does
 * @param amount how far: degrees for turns and orbits, metres for ways, millimetres for a zoom; its
 *     sign is the direction
 * @param ease frames at the start and the end in which it gets going and comes to rest
 * @param after what becomes of it behind its end
 * @param rounds how often it is done, one after another; each goes on from the one before
 * @param pivot what an orbit or a crane goes about
 */
public record Move(
    PartBody body, Way way, double amount, Ease ease, After after, int rounds, Target pivot)
    implements Part {
  public static final PartKind KIND =
      new PartKind(
          "move",
          "Move",
          "A ready motion over some frames, added to the keys",
          Slot.OWN,
          true,
          false,
          true,
          List.of(Parameter.WEIGHT),
          Set.of("camera", "null", "piece", "light"));

  /** The most rounds. */
  public static final int MOST_ROUNDS = 1000;

  /** What a move does. */
  public enum Way {
    /** Around the vertical through its pivot, turning along: counter-clockwise from above. */
    ORBIT("°"),
    /** Up over its pivot at the same distance, looking down as far as it rises. */
    CRANE("°"),
    /** Ahead, as it looks when the move begins. */
    DOLLY("m"),
    /** To the right, level. */
    TRUCK("m"),
    /** Up. */
    PEDESTAL("m"),
    /** To the left. */
    PAN("°"),
    /** Up. */
    TILT("°"),
    /** Counter-clockwise as it looks. */
    ROLL("°"),
    /** Longer focal length; cameras only. */
    ZOOM("mm"),
    /** Stands still while it lasts, whatever the keys do. */
    HOLD("");

    private final String unit;

    Way(String unit) {
      this.unit = unit;
    }

    /** Of its amount; empty for what has none. */
    public String unit() {
      return unit;
    }

    /** Whether it goes about a pivot. */
    public boolean hasPivot() {
      return this == ORBIT || this == CRANE;
    }
  }

  /** What becomes of a move behind its end. */
  public enum After {
    /** It stays as far as it has come. */
    HELD,
    /** It is gone. */
    RETURNED
  }

  public Move {
    Require.present(way, "move.way");
    Require.within(amount, -1e6, 1e6, "move.amount");
    Require.present(ease, "move.ease");
    Require.present(after, "move.after");
    Require.within(rounds, 1, MOST_ROUNDS, "move.rounds");
    Require.present(pivot, "move.pivot");
    Window window = body.window();
    if (window.from().isEmpty() || window.to().isEmpty()) {
      throw new RefusedException("move.window", "open", "a first and a last frame");
    }
    if (!(window.to().getAsDouble() > window.from().getAsDouble())) {
      throw new RefusedException(
          "move.window", window.to().getAsDouble(), "a last frame after the first");
    }
  }

  /** A move over some frames, with a third of them to get going and to come to rest. */
  public static Move of(String id, Way way, double amount, double from, double to) {
    Window window = new Window(OptionalDouble.of(from), OptionalDouble.of(to));
    return new Move(
        PartBody.usual(id, KIND).withWindow(window),
        way,
        amount,
        Ease.thirds(to - from),
        After.HELD,
        1,
        new Target.Place(0, 0, 0));
  }

  public double from() {
    return body.window().from().orElseThrow();
  }

  public double to() {
    return body.window().to().orElseThrow();
  }

  /**
   * How much of the amount there is at a frame: 0 before it begins, the number of rounds behind its
   * end, or 0 again. Each round is eased.
   */
  public double progress(double frame) {
    double length = to() - from();
    if (frame <= from()) {
      return 0;
    }
    if (frame >= to()) {
      return after == After.HELD || frame == to() ? rounds : 0;
    }
    double round = length / rounds;
    double gone = (frame - from()) / round;
    double whole = Math.min(rounds - 1.0, Math.floor(gone));
    return whole + ease.share((gone - whole) * round, round);
  }

  @Override
  public Move lasting(double factor) {
    PartBody longer = Part.super.lasting(factor).body();
    return new Move(longer, way, amount, ease.lasting(factor), after, rounds, pivot);
  }

  @Override
  public PartKind kind() {
    return KIND;
  }

  @Override
  public Move withBody(PartBody newBody) {
    return new Move(newBody, way, amount, ease, after, rounds, pivot);
  }

  @Override
  public List<Target> targets() {
    return way.hasPivot() ? List.of(pivot) : List.of();
  }

  @Override
  public Move withTargets(List<Target> targets) {
    return targets.isEmpty()
        ? this
        : new Move(body, way, amount, ease, after, rounds, targets.get(0));
  }
}
