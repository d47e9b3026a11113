package idlelens.core.curve;

import java.util.List;

/** The round that a cycling curve repeats: its keys from the first to the last. */
public final class Round {
  private Round() {}

  /**
   * Where a frame stands in the round.
   *
   * @param frame the frame between the first and the last key that is shown there
   * @param lift what is added to the value of that frame, in the unit of the curve
   */
  public record Place(double frame, double lift) {}

  /** Where a frame stands: itself, unless it lies outside the keys where the curve cycles. */
  public static Place place(Curve curve, double frame) {
    List<Key> keys = curve.keys();
    if (keys.size() < 2) {
      return new Place(frame, 0);
    }
    Key first = keys.get(0);
    Key last = keys.get(keys.size() - 1);
    Beyond beyond = frame < first.frame() ? curve.before() : curve.after();
    boolean outside = frame < first.frame() || frame > last.frame();
    if (!outside || !beyond.cycles()) {
      return new Place(frame, 0);
    }
    double period = last.frame() - first.frame();
    double rounds = Math.floor((frame - first.frame()) / period);
    double lift = beyond == Beyond.CYCLE_AND_CARRY ? rounds * (last.value() - first.value()) : 0;
    double inside = frame - rounds * period;
    return new Place(Math.min(last.frame(), Math.max(first.frame(), inside)), lift);
  }

  /**
   * The curve with another value at a frame outside its keys, where it cycles: the key in the round
   * that is shown there gets it. The first and the last key are one moment of the round where it
   * closes or carries: both move, so that no jump comes in and what is carried stays.
   *
   * @param tangent of a key that is not there yet
   */
  public static Curve withValue(Curve curve, double frame, double value, Tangent tangent) {
    Place place = place(curve, frame);
    double inside = value - place.lift();
    int at = curve.indexOf(place.frame());
    if (at < 0) {
      return curve.withKey(new Key(place.frame(), inside, tangent));
    }
    Key key = curve.keys().get(at);
    Curve changed = curve.withKeyAt(at, key.withValue(inside));
    int last = curve.keys().size() - 1;
    if (at > 0 && at < last || jumps(curve, frame)) {
      return changed;
    }
    Key twin = curve.keys().get(last - at);
    return changed.withKeyAt(last - at, twin.withValue(twin.value() + inside - key.value()));
  }

  private static boolean jumps(Curve curve, double frame) {
    List<Key> keys = curve.keys();
    Beyond beyond = frame < keys.get(0).frame() ? curve.before() : curve.after();
    double rise = keys.get(keys.size() - 1).value() - keys.get(0).value();
    return beyond == Beyond.CYCLE && Math.abs(rise) > 1e-9;
  }
}
