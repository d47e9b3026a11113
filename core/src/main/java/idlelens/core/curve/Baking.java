package idlelens.core.curve;

import idlelens.core.time.FrameSpan;
import java.util.ArrayList;
import java.util.List;

/** A curve with keys at given frames, smooth through each, in place of its own between them. */
public final class Baking {
  private Baking() {}

  /**
   * @param frames in increasing order; what lies before the first and behind the last stays as it
   *     is, and so does the slope with which the curve goes on there
   * @param seen the frames on which it shall be so; a cycle is written out over them
   */
  public static Curve of(Curve curve, List<Double> frames, FrameSpan seen) {
    double from = frames.get(0);
    double to = frames.get(frames.size() - 1);
    if (curve.keys().size() < 2) {
      return level(curve, frames);
    }
    FrameSpan both = new FrameSpan(Math.min(from, seen.from()), Math.max(to, seen.to()));
    Curve written = Unrolled.over(curve, both);
    Curve cut = KeyInsertion.insertAll(written, List.of(from, to), Tangent.Kind.FLOW);
    int first = cut.indexOf(from);
    int last = cut.indexOf(to);
    if (first == last) {
      return curve.withKeys(cut.keys());
    }
    CurvePlayer player = curve.player();
    List<Key> keys = new ArrayList<>(cut.keys().subList(0, first));
    for (double frame : frames) {
      keys.add(new Key(frame, player.at(frame), Tangent.Kind.FLOW));
    }
    int end = keys.size() - 1;
    keys.addAll(cut.keys().subList(last + 1, cut.keys().size()));
    // a jump is written an instant early, so the cut may show there what comes an instant later
    Key leaving = leaving(cut, first, frames.get(1) - from);
    Key reaching = reaching(cut, last, to - frames.get(frames.size() - 2));
    keys.set(first, leaving.withValue(keys.get(first).value()));
    keys.set(end, reaching.withValue(last(curve, to, keys.get(end).value(), reaching.value())));
    return curve.withKeys(keys);
  }

  /**
   * The value of the last key: what is shown on its frame, or, where a jump stands there but for
   * rounding, what goes on from there.
   */
  private static double last(Curve curve, double to, double shown, double cut) {
    double behind = curve.at(to + Key.SAME_FRAME);
    return Math.abs(cut - behind) < Math.abs(shown - behind) ? cut : shown;
  }

  private static Curve level(Curve curve, List<Double> frames) {
    double value = curve.keys().get(0).value();
    return curve.withKeys(frames.stream().map(f -> new Key(f, value, Tangent.Kind.FLOW)).toList());
  }

  /** The first key: reached as before, left with the slope that the curve has there. */
  private static Key leaving(Curve cut, int i, double width) {
    Segment after = cut.segment(i);
    Tangent.Handle out = new Tangent.Handle(width / 3, after.slopeAt(0) * width / 3);
    return Handles.leftBy(cut.keys(), i, out);
  }

  /** The last key: left as before, reached with the slope that the curve has there. */
  private static Key reaching(Curve cut, int i, double width) {
    Segment before = cut.segment(i - 1);
    Tangent.Handle in = new Tangent.Handle(width / 3, before.slopeAt(1) * width / 3);
    return Handles.reachedBy(cut.keys(), i, in);
  }
}
