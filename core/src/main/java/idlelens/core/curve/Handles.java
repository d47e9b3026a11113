package idlelens.core.curve;

import java.util.List;

/**
 * The handles of keys that stand in a list in order of frame, and these keys with other handles.
 */
final class Handles {
  private Handles() {}

  /**
   * The tangent of key {@code i} as one set by hand that leaves the curve as it is, with handles as
   * they are before they are cut to fit their segment. At the ends of the curve the missing side
   * mirrors the other.
   */
  static Tangent.Free at(List<Key> keys, int i) {
    Tangent.Free given = keys.get(i).tangent() instanceof Tangent.Free free ? free : null;
    if (keys.size() == 1) {
      return given != null ? given : Tangent.Free.sloped(0);
    }
    Slopes slopes = new Slopes(keys);
    boolean last = i == keys.size() - 1;
    Tangent.Handle in = i == 0 ? null : Segment.reaching(keys, slopes, i);
    Tangent.Handle out = last ? null : leaving(keys, slopes, i);
    return new Tangent.Free(
        in != null ? in : given != null ? given.in() : out,
        out != null ? out : given != null ? given.out() : in,
        given == null || given.joined(),
        given != null && given.ownLength());
  }

  private static Tangent.Handle leaving(List<Key> keys, Slopes slopes, int i) {
    return keys.get(i).tangent().leavesBending()
        ? Segment.leaving(keys, slopes, i)
        : Segment.of(keys, slopes, i).out();
  }

  /** Key {@code i} left by that handle; a free tangent is made of its own for it. */
  static Key leftBy(List<Key> keys, int i, Tangent.Handle out) {
    Tangent.Free free = at(keys, i);
    Tangent.Handle in = i == 0 ? out : free.in();
    boolean joined = free.joined() && in.isLineWith(out);
    return keys.get(i).withTangent(new Tangent.Free(in, out, joined, true));
  }

  /** Key {@code i} reached by that handle, and left as before. */
  static Key reachedBy(List<Key> keys, int i, Tangent.Handle in) {
    Key key = keys.get(i);
    if (!key.tangent().leavesBending()) {
      return key.withTangent(new Tangent.Reached(in, key.tangent().plain()));
    }
    Tangent.Free free = at(keys, i);
    Tangent.Handle out = i == keys.size() - 1 ? in : free.out();
    boolean joined = free.joined() && in.isLineWith(out);
    return key.withTangent(new Tangent.Free(in, out, joined, true));
  }

  /** Key {@code i} with a tangent that no longer depends on its neighbours. */
  static Key frozen(List<Key> keys, int i) {
    Key key = keys.get(i);
    if (key.tangent().leavesBending()) {
      return key.withTangent(at(keys, i).withOwnLength(true));
    }
    boolean bends = i > 0 && keys.get(i - 1).tangent().leavesBending();
    return bends ? reachedBy(keys, i, at(keys, i).in()) : key;
  }
}
