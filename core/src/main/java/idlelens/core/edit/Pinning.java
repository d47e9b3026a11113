package idlelens.core.edit;

import idlelens.core.curve.Beyond;
import idlelens.core.curve.Curve;
import idlelens.core.curve.Key;
import idlelens.core.curve.KeyInsertion;
import idlelens.core.curve.Tangent;
import idlelens.core.motion.Riding;
import idlelens.core.part.Pin;
import idlelens.core.part.Ride;
import idlelens.core.rail.Anchor;
import idlelens.core.rail.RailCurve;
import idlelens.core.rule.RefusedException;
import idlelens.core.time.FrameRate;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;

/** Puts pins into a ride and takes them out, its motion as it is. */
final class Pinning {
  private static final String WORD = "pin-";
  private static final double SAME = 1e-9;

  private final Ride ride;
  private final RailCurve curve;
  private final double[] bounds;

  Pinning(Ride ride, RailCurve curve) {
    this.ride = ride;
    this.curve = curve;
    this.bounds = new Riding(ride, curve, FrameRate.of(24)).bounds();
  }

  /** With a pin at an anchor; the pace is what it was, told in the stretches that there are now. */
  private Ride divided(int anchor, Pin pin) {
    double distance = curve.distanceOf(anchor);
    int index = 0;
    while (index < ride.pins().size()
        && curve.rail().index(ride.pins().get(index).anchorId()) < anchor) {
      index++;
    }
    double size = bounds[index + 1] - bounds[index];
    double share = size > 0 ? (distance - bounds[index]) / size : 1;
    double low = Ride.STRETCH * index;
    double high = low + Ride.STRETCH;
    PaceMap map =
        share >= 1 - SAME
            ? new PaceMap(new double[] {low, high}, new double[] {low, high})
            : share <= SAME
                ? new PaceMap(
                    new double[] {low, high},
                    new double[] {low + Ride.STRETCH, high + Ride.STRETCH})
                : new PaceMap(
                    new double[] {low, low + Ride.STRETCH * share, high},
                    new double[] {low, high, high + Ride.STRETCH});
    List<Pin> pins = new ArrayList<>(ride.pins());
    pins.add(index, pin);
    return ride.withPace(map.of(ride.evaluated().get(Ride.PACE))).withPins(pins);
  }

  /**
   * With a pin at an anchor. What reached it at another frame before reaches it at the pin's.
   *
   * @param frame when it is to be reached
   */
  Ride at(int anchor, double frame) {
    refuseRounds();
    Pin pin = new Pin(freeId(), frame, curve.rail().anchors().get(anchor).id());
    Ride divided = divided(anchor, pin);
    double want = Ride.paceOf(divided.pins().indexOf(pin));
    Curve pace = divided.pace();
    if (Math.abs(pace.at(frame) - want) < 1e-6) {
      Curve cut = KeyInsertion.insert(pace, frame, Tangent.Kind.SETTLE);
      int at = cut.indexOf(frame);
      return divided.withPace(cut.withKeyAt(at, cut.keys().get(at).withValue(want)));
    }
    Tangent tangent = Tangent.Kind.SETTLE;
    double nearest = Double.NaN;
    for (Key key : pace.keys()) {
      boolean nearer =
          Double.isNaN(nearest) || Math.abs(key.frame() - frame) < Math.abs(nearest - frame);
      if (Math.abs(key.value() - want) < SAME && nearer) {
        nearest = key.frame();
        tangent = key.tangent();
      }
    }
    Curve without = Double.isNaN(nearest) ? pace : pace.withoutKeys(nearest);
    return divided.withPace(without.withKey(new Key(frame, want, tangent)));
  }

  /** Stretches are those of one round, and their ends those of what is keyed. */
  private void refuseRounds() {
    Curve pace = ride.pace();
    double whole = Ride.STRETCH * (ride.pins().size() + 1);
    boolean leaves = pace.keys().stream().anyMatch(k -> k.value() < 0 || k.value() > whole);
    if (curve.rail().closed() && leaves) {
      throw new RefusedException("pace", "more than one round", "one round, to be pinned");
    }
    for (Beyond each : List.of(pace.before(), pace.after())) {
      if (pace.isKeyed() && (each == Beyond.RUN_ON || each == Beyond.CYCLE_AND_CARRY)) {
        throw new RefusedException(
            "pace", "going on outside its keys", "hold or cycle there, to be pinned");
      }
    }
  }

  private String freeId() {
    Set<String> taken = new HashSet<>(ride.pins().stream().map(Pin::id).toList());
    int number = 1;
    while (taken.contains(WORD + number)) {
      number++;
    }
    return WORD + number;
  }

  /** Without a pin; two stretches become one. */
  Ride without(String pinId) {
    List<Pin> pins = new ArrayList<>(ride.pins());
    int index = pins.stream().map(Pin::id).toList().indexOf(pinId);
    pins.remove(index);
    double first = bounds[index + 1] - bounds[index];
    double both = bounds[index + 2] - bounds[index];
    double share = both > 0 ? first / both : 0.5;
    double low = Ride.STRETCH * index;
    PaceMap map =
        new PaceMap(
            new double[] {low, low + Ride.STRETCH, low + 2 * Ride.STRETCH},
            new double[] {low, low + Ride.STRETCH * share, low + Ride.STRETCH});
    Curve bound = ride.evaluated().get(Ride.PACE);
    return ride.withPace(map.of(bound)).withPins(pins);
  }

  /**
   * With a pin where the rail ends now, so that what is added to it is not ridden. Where the ride
   * reaches the end, the pin stands at that frame; else behind all frames that are computed.
   *
   * @param after the last frame that is computed
   */
  Ride atEnd(double after) {
    List<Anchor> anchors = curve.rail().anchors();
    String anchor = anchors.get(anchors.size() - 1).id();
    if (ride.pins().stream().anyMatch(p -> p.anchorId().equals(anchor))) {
      return ride;
    }
    double end = Ride.STRETCH * (ride.pins().size() + 1);
    Curve pace = ride.evaluated().get(Ride.PACE);
    double reached = firstAt(pace, end, after);
    Curve held = Double.isNaN(reached) ? heldFrom(pace, after) : stopped(pace, reached, end);
    double frame = reached;
    if (Double.isNaN(reached)) {
      frame = held.keys().get(held.keys().size() - 1).frame() + 1;
      held = held.withKey(new Key(frame, end, Tangent.Kind.HOLD));
    }
    List<Pin> pins = new ArrayList<>(ride.pins());
    pins.add(new Pin(freeId(), frame, anchor));
    return ride.withPace(held.withBeyond(held.before(), Beyond.HOLD)).withPins(pins);
  }

  /**
   * The same with a pin where the rail begins now; see {@link #atEnd}.
   *
   * @param before the first frame that is computed
   */
  Ride atStart(double before) {
    String anchor = curve.rail().anchors().get(0).id();
    if (ride.pins().stream().anyMatch(p -> p.anchorId().equals(anchor))) {
      return ride;
    }
    double whole = Ride.STRETCH * (ride.pins().size() + 1);
    PaceMap later =
        new PaceMap(new double[] {0, whole}, new double[] {Ride.STRETCH, whole + Ride.STRETCH});
    Curve pace = later.of(ride.evaluated().get(Ride.PACE));
    double first = pace.isKeyed() ? pace.keys().get(0).frame() : before;
    double frame = first;
    if (!pace.isKeyed() || Math.abs(pace.keys().get(0).value() - Ride.STRETCH) > SAME) {
      double held = Math.min(first, before);
      frame = held - 1;
      pace =
          KeyInsertion.insert(pace, held, Tangent.Kind.SETTLE)
              .withKey(new Key(frame, Ride.STRETCH, Tangent.Kind.HOLD));
    }
    List<Pin> pins = new ArrayList<>(ride.pins());
    pins.add(0, new Pin(freeId(), frame, anchor));
    return ride.withPace(pace.withBeyond(Beyond.HOLD, pace.after())).withPins(pins);
  }

  /** As it is up to an anchor, at which the rail is going to end; pins behind that go. */
  Ride endingAt(int anchor) {
    String id = curve.rail().anchors().get(anchor).id();
    Ride next = ride;
    for (Pin pin : ride.pins()) {
      if (curve.rail().index(pin.anchorId()) > anchor) {
        next = new Pinning(next, curve).without(pin.id());
      }
    }
    if (next.pins().stream().anyMatch(p -> p.anchorId().equals(id))) {
      return next;
    }
    Ride divided = new Pinning(next, curve).divided(anchor, new Pin(freeId(), 1e6, id));
    return divided.withPins(next.pins());
  }

  /** The pace on the rail run through the other way, where it has no pins. */
  static Curve mirrored(Curve pace) {
    List<Key> keys = new ArrayList<>();
    for (Key key : pace.keys()) {
      keys.add(new Key(key.frame(), Ride.STRETCH - key.value(), mirrored(key.tangent())));
    }
    return pace.withKeys(keys).withRest(Ride.STRETCH - pace.rest());
  }

  private static Tangent mirrored(Tangent tangent) {
    if (tangent instanceof Tangent.Free free) {
      return new Tangent.Free(
          free.in().times(1, -1), free.out().times(1, -1), free.joined(), free.ownLength());
    }
    return tangent instanceof Tangent.Reached reached
        ? new Tangent.Reached(reached.in().times(1, -1), reached.leaving())
        : tangent;
  }

  /** The first frame at which a pace is reached, or NaN. */
  private static double firstAt(Curve pace, double end, double after) {
    for (Key key : pace.keys()) {
      if (key.value() >= end - SAME) {
        int at = pace.indexOf(key.frame());
        return at == 0 ? key.frame() : crossing(pace, at - 1, end);
      }
    }
    return !pace.isKeyed() && pace.rest() >= end - SAME ? after - 1 : Double.NaN;
  }

  private static double crossing(Curve pace, int segment, double value) {
    double low = pace.keys().get(segment).frame();
    double high = pace.keys().get(segment + 1).frame();
    if (pace.keys().get(segment + 1).value() <= value + SAME) {
      return high;
    }
    for (int i = 0; i < 80; i++) {
      double middle = (low + high) / 2;
      if (pace.at(middle) < value) {
        low = middle;
      } else {
        high = middle;
      }
    }
    return high;
  }

  /** It stays at the end from where it gets there. */
  private static Curve stopped(Curve pace, double frame, double end) {
    Curve cut = KeyInsertion.insert(pace, frame, Tangent.Kind.SETTLE);
    int at = cut.indexOf(frame);
    List<Key> keys = new ArrayList<>(cut.keys().subList(0, at));
    keys.add(left(cut, at).withValue(end));
    for (Key key : cut.keys().subList(at + 1, cut.keys().size())) {
      if (key.value() < end) { // it comes back
        keys.add(key);
      }
    }
    return cut.withKeys(keys);
  }

  /** As it is up to a frame, and held there. */
  private static Curve heldFrom(Curve pace, double frame) {
    double last = pace.isKeyed() ? pace.keys().get(pace.keys().size() - 1).frame() : frame;
    Curve cut = KeyInsertion.insert(pace, Math.max(last, frame), Tangent.Kind.SETTLE);
    int i = cut.keys().size() - 1;
    return cut.withKeyAt(i, left(cut, i));
  }

  /** A key reached as it is, and held from there. */
  private static Key left(Curve cut, int i) {
    Tangent.Handle in = i == 0 ? new Tangent.Handle(1, 0) : cut.handles(i).in();
    return cut.keys().get(i).withTangent(new Tangent.Reached(in, Tangent.Kind.HOLD));
  }
}
