package idlelens.core.part;

import idlelens.core.curve.Curve;
import idlelens.core.curve.Key;
import idlelens.core.curve.Tangent;
import idlelens.core.rule.RefusedException;
import idlelens.core.rule.Require;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.function.DoubleUnaryOperator;
import java.util.function.UnaryOperator;

/**
 * Goes along a rail: a space that the node can stand in, {@code rail * frame(s)}, while the rail
 * carries it. How far it is, its pace says: each stretch between two pins counts as 100 %, so that
 * what is timed before a pin stays as it is when the rail changes behind it.
 *
 * @param railId the rail
 * @param turn how it is turned
 * @param banking how it leans in bends
 * @param lookAheadM metres ahead of it that it is turned towards; 0 for the direction of the rail
 * @param pins places that are reached at frames, in the order of the rail, and so of their frames
 */
public record Ride(
    PartBody body, String railId, Turn turn, Banking banking, double lookAheadM, List<Pin> pins)
    implements Part {
  /**
   * How far along, in per cent of the stretch between two pins, with 100 for each stretch before.
   */
  public static final Parameter PACE =
      new Parameter("pace", "Pace", Family.PACE, -1e5, 1e5, 0, false);

  /** Metres to the right of the rail, as it goes. */
  public static final Parameter SIDE =
      new Parameter("side", "Aside", Family.PLACE, -1e4, 1e4, 0, true);

  /** Metres above the rail. */
  public static final Parameter HEIGHT =
      new Parameter("height", "Height", Family.PLACE, -1e4, 1e4, 0, false);

  public static final PartKind KIND =
      new PartKind(
          "ride",
          "Ride",
          "Goes along a rail at its own pace",
          Slot.SPACE,
          true,
          true,
          false,
          List.of(PACE, SIDE, HEIGHT),
          Set.of("camera", "null", "piece", "sun", "light"));

  /** The most pins of one ride. */
  public static final int MOST_PINS = 500;

  /** A stretch between two pins, in the unit of the pace. */
  public static final double STRETCH = 100;

  /** How what rides is turned. */
  public enum Turn {
    /** As the rail's own space is, wherever it goes. */
    FREE,
    /**
     * Ahead along the rail, level; within 5 degrees of the vertical it passes to that of the rail.
     */
    LEVEL,
    /** Ahead along the rail, turning about it as little as can be. */
    RAIL
  }

  /**
   * How it leans into bends: {@code share * v^2 * curvature / g}, limited.
   *
   * @param share 0 for not at all, 1 for a bend in which nothing slides
   * @param limitDeg the most it leans, in degrees
   * @param smoothFrames over how many frames it eases into it, as the sigma of a Gaussian
   */
  public record Banking(double share, double limitDeg, double smoothFrames) {
    public static final Banking NONE = new Banking(0, 30, 0);

    /** The most frames it eases over. */
    public static final double SMOOTHEST = 48;

    public Banking {
      Require.within(share, 0, 10, "bank");
      Require.within(limitDeg, 0, 90, "bankLimit");
      Require.within(smoothFrames, 0, SMOOTHEST, "bankSmooth");
    }
  }

  public Ride {
    Require.present(railId, "ride.rail");
    Require.present(turn, "ride.turn");
    Require.present(banking, "ride.bank");
    Require.within(lookAheadM, 0, 1e4, "ride.lookAhead");
    pins = List.copyOf(pins);
    Require.within(pins.size(), 0, MOST_PINS, "ride.pins.count");
    Set<String> ids = new HashSet<>();
    Set<String> places = new HashSet<>();
    for (int i = 0; i < pins.size(); i++) {
      Pin pin = pins.get(i);
      if (!ids.add(pin.id()) || !places.add(pin.anchorId())) {
        throw new RefusedException(
            "ride.pins", "'" + pin.anchorId() + "' twice", "each anchor once, each id once");
      }
      if (i > 0 && pin.frame() <= pins.get(i - 1).frame() + Key.SAME_FRAME) {
        throw new RefusedException(
            "pin.frame",
            pin.frame(),
            "after " + pins.get(i - 1).frame() + ", when the pin before it on the rail is reached");
      }
    }
  }

  /** From the start of a rail, level. */
  public static Ride on(String id, String railId) {
    return new Ride(PartBody.usual(id, KIND), railId, Turn.LEVEL, Banking.NONE, 0, List.of());
  }

  @Override
  public Ride lasting(double factor) {
    double smooth = Math.min(Banking.SMOOTHEST, banking.smoothFrames() * factor);
    Banking longer = new Banking(banking.share(), banking.limitDeg(), smooth);
    return new Ride(body, railId, turn, longer, lookAheadM, pins);
  }

  @Override
  public PartKind kind() {
    return KIND;
  }

  @Override
  public Ride withBody(PartBody newBody) {
    return new Ride(newBody, railId, turn, banking, lookAheadM, pins);
  }

  public Ride withPins(List<Pin> newPins) {
    return new Ride(body, railId, turn, banking, lookAheadM, newPins);
  }

  public Curve pace() {
    return curves().get(PACE);
  }

  public Ride withPace(Curve pace) {
    return withBody(body.withCurves(curves().with(PACE, pace)));
  }

  /** The pace at which a pin is reached. */
  public static double paceOf(int pin) {
    return STRETCH * (pin + 1);
  }

  /**
   * The curves with the pace that the pins make of it: at the frame of a pin its place is reached,
   * and not passed before nor left behind after it.
   */
  @Override
  public Curves evaluated() {
    if (pins.isEmpty()) {
      return curves();
    }
    List<Key> keys = new ArrayList<>();
    for (Key key : pace().keys()) {
      double value = held(key.frame(), key.value());
      keys.add(value == key.value() ? key : key.withValue(value));
    }
    Curve bound = keys.equals(pace().keys()) ? pace() : pace().withKeys(keys);
    for (int i = 0; i < pins.size(); i++) {
      if (bound.indexOf(pins.get(i).frame()) < 0) {
        bound = bound.withKey(new Key(pins.get(i).frame(), paceOf(i), Tangent.Kind.SETTLE));
      }
    }
    return bound == pace() ? curves() : curves().with(PACE, bound);
  }

  /** A pace at a frame, held between the pins on both sides of that. */
  public double held(double frame, double percent) {
    int reached = reachedAt(frame + Key.SAME_FRAME);
    int before = reachedAt(frame - Key.SAME_FRAME);
    double held = reached == 0 ? percent : Math.max(percent, paceOf(reached - 1));
    return before == pins.size() ? held : Math.min(held, paceOf(before));
  }

  /** How many pins are reached at a frame or before it. */
  private int reachedAt(double frame) {
    int low = 0;
    int high = pins.size();
    while (low < high) {
      int middle = (low + high) >>> 1;
      if (pins.get(middle).frame() <= frame) {
        low = middle + 1;
      } else {
        high = middle;
      }
    }
    return low;
  }

  /** The frames of pace keys that the pins say something else of, and of pins between keys. */
  public List<Double> disputed() {
    List<Double> all = new ArrayList<>();
    for (Key key : pace().keys()) {
      if (Math.abs(held(key.frame(), key.value()) - key.value()) > 1e-9) {
        all.add(key.frame());
      }
    }
    for (int i = 0; i < pins.size(); i++) {
      double frame = pins.get(i).frame();
      if (pace().indexOf(frame) < 0 && Math.abs(pace().at(frame) - paceOf(i)) > 1e-6) {
        all.add(frame);
      }
    }
    return all;
  }

  @Override
  public List<Lean> leans() {
    return List.of(new Lean(railId, Lean.Of.WORLD, "rail"));
  }

  @Override
  public Ride withNodes(UnaryOperator<String> other) {
    return new Ride(body, other.apply(railId), turn, banking, lookAheadM, pins);
  }

  @Override
  public List<Stamp> stamps() {
    return List.copyOf(pins);
  }

  /** With a pin at another frame; the pace key that it stands on comes along. */
  @Override
  public Ride withStamp(Stamp stamp) {
    Pin moved = (Pin) stamp;
    List<Pin> next = new ArrayList<>(pins);
    next.replaceAll(p -> p.id().equals(moved.id()) ? moved : p);
    Ride ride = withPins(next);
    Pin was = pins.stream().filter(p -> p.id().equals(moved.id())).findFirst().orElseThrow();
    int at = pace().indexOf(was.frame());
    if (at < 0 || was.frame() == moved.frame()) {
      return ride;
    }
    Key key = pace().keys().get(at);
    Curve without = pace().withoutKeys(key.frame());
    return ride.withPace(without.withKey(new Key(moved.frame(), key.value(), key.tangent())));
  }

  @Override
  public Ride stampsRetimed(DoubleUnaryOperator map) {
    return pins.isEmpty() ? this : withPins(pins.stream().map(p -> p.retimed(map)).toList());
  }
}
