package idlelens.core.edit;

import idlelens.core.curve.CurveFit;
import idlelens.core.curve.Key;
import idlelens.core.curve.Tangent;
import java.util.ArrayList;
import java.util.List;

/**
 * Keys for a track with a number on each frame: one on every frame, or few.
 *
 * @param keep {@link Keep#EVERY_FRAME} or {@link Keep#FITTED}
 * @param tolerance how far off few keys may be, in the unit of the numbers
 */
record DenseKeys(Keep keep, double tolerance) {
  List<Key> of(double[] frames, double[] values) {
    if (keep == Keep.FITTED) {
      return CurveFit.fit(frames, values, tolerance);
    }
    List<Key> all = new ArrayList<>(frames.length);
    for (int i = 0; i < frames.length; i++) {
      all.add(new Key(frames[i], values[i], Tangent.Kind.FLOW));
    }
    return all;
  }

  /** A key that is reached as it was, and held until the next one. */
  static Key held(Key key) {
    if (key.tangent() instanceof Tangent.Free free) {
      return key.withTangent(new Tangent.Reached(free.in(), Tangent.Kind.HOLD));
    }
    return key.tangent() instanceof Tangent.Reached reached
        ? key.withTangent(new Tangent.Reached(reached.in(), Tangent.Kind.HOLD))
        : key.withTangent(Tangent.Kind.HOLD);
  }
}
