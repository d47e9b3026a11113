package idlelens.exchange.incoming;

import idlelens.core.curve.Curve;
import idlelens.core.curve.Key;
import idlelens.core.curve.Tangent;
import idlelens.core.part.Lens;
import idlelens.core.part.Parameter;
import idlelens.core.time.FrameRange;
import idlelens.exchange.format.FormatException;
import idlelens.exchange.json.JsonPlace;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** Lens values in the extras of a camera: one number, or a list with one for each frame. */
final class LensSamples {
  /** How far the stated focal length may lie from that of the field of view, relatively. */
  private static final double SAME_FOCAL = 1e-6;

  private final JsonPlace extras;
  private final int firstFrame;

  LensSamples(JsonPlace extras, int firstFrame) {
    this.extras = extras;
    this.firstFrame = firstFrame;
  }

  Optional<Curve> curve(String field, Parameter parameter) throws FormatException {
    if (!extras.has(field)) {
      return Optional.empty();
    }
    JsonPlace place = extras.get(field);
    if (place.node().isNumber()) {
      return Optional.of(Curve.still(parameter.check(place.number())));
    }
    List<Key> keys = new ArrayList<>();
    for (JsonPlace each : place.list(FrameRange.LONGEST)) {
      double value = parameter.check(each.number());
      keys.add(new Key(firstFrame + keys.size(), value, Tangent.Kind.STRAIGHT));
    }
    return keys.isEmpty() ? Optional.empty() : Optional.of(new Curve(keys.get(0).value(), keys));
  }

  /**
   * The stated focal lengths, which are exact, if they are those of the field of view; otherwise
   * another program changed the field of view, and that counts.
   */
  Curve sameFocal(Curve fromView) throws FormatException {
    Optional<Curve> stated = curve("focalMm", Lens.FOCAL);
    return stated.isPresent() ? sameAs(stated.get(), fromView) : fromView;
  }

  /** What was stated, if it is what a file shows; otherwise that. */
  static Curve sameAs(Curve stated, Curve fromView) {
    if (stated.keys().size() != fromView.keys().size()) {
      return fromView;
    }
    boolean same = near(stated.rest(), fromView.rest());
    for (int i = 0; i < fromView.keys().size(); i++) {
      same &= near(stated.keys().get(i).value(), fromView.keys().get(i).value());
    }
    return same ? stated : fromView;
  }

  private static boolean near(double a, double b) {
    return Math.abs(a - b) <= SAME_FOCAL * Math.abs(b);
  }
}
