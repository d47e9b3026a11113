package idlelens.core.curve;

/**
 * Reads a curve and remembers the last segment, so that reading frames in order costs no search.
 * The answer never depends on what was read before. Not for more than one thread.
 */
public final class CurvePlayer {
  private final Curve curve;
  private final Spans spans;
  private int span;

  CurvePlayer(Curve curve) {
    this.curve = curve;
    this.spans = curve.spans();
  }

  /** The value at a frame. */
  public double at(double frame) {
    if (spans == null) {
      return curve.isKeyed() ? curve.keys().get(0).value() : curve.rest();
    }
    if (frame < spans.first()) {
      return beyond(frame, curve.before(), spans.first(), false);
    }
    if (frame > spans.last()) {
      return beyond(frame, curve.after(), spans.last(), true);
    }
    return inside(frame);
  }

  /** Fills {@code out} with the values at {@code first}, {@code first + step} and so on. */
  public void fill(double first, double step, double[] out) {
    for (int i = 0; i < out.length; i++) {
      out[i] = at(first + i * step);
    }
  }

  /**
   * First derivative, in value a frame. At a key, that of the segment after it; where a held
   * segment jumps, 0.
   */
  public double slope(double frame) {
    if (spans == null) {
      return 0;
    }
    Beyond behaviour = behaviourAt(frame);
    if (behaviour == Beyond.HOLD) {
      return 0;
    }
    if (behaviour == Beyond.RUN_ON) {
      return spans.edgeSlope(frame > spans.last());
    }
    double within = behaviour == null ? frame : wrap(frame);
    span = spans.find(within, span);
    return spans.slope(span, within);
  }

  /** Second derivative, in value a frame and frame. */
  public double bend(double frame) {
    Beyond behaviour = spans == null ? Beyond.HOLD : behaviourAt(frame);
    if (behaviour == Beyond.HOLD || behaviour == Beyond.RUN_ON) {
      return 0;
    }
    double within = behaviour == null ? frame : wrap(frame);
    span = spans.find(within, span);
    return spans.bend(span, within);
  }

  /** What the curve does at a frame outside its keys; null between them. */
  private Beyond behaviourAt(double frame) {
    if (frame < spans.first()) {
      return curve.before();
    }
    return frame > spans.last() ? curve.after() : null;
  }

  private double inside(double frame) {
    span = spans.find(frame, span);
    return spans.value(span, frame);
  }

  private double beyond(double frame, Beyond behaviour, double edge, boolean end) {
    return switch (behaviour) {
      case HOLD -> edgeValue(end);
      case RUN_ON -> edgeValue(end) + spans.edgeSlope(end) * (frame - edge);
      case CYCLE -> inside(wrap(frame));
      case CYCLE_AND_CARRY ->
          inside(wrap(frame)) + rounds(frame) * (edgeValue(true) - edgeValue(false));
    };
  }

  private double edgeValue(boolean end) {
    return curve.keys().get(end ? curve.keys().size() - 1 : 0).value();
  }

  private double rounds(double frame) {
    return Math.floor((frame - spans.first()) / (spans.last() - spans.first()));
  }

  private double wrap(double frame) {
    double period = spans.last() - spans.first();
    double inside = frame - rounds(frame) * period;
    return Math.max(spans.first(), Math.min(spans.last(), inside));
  }
}
