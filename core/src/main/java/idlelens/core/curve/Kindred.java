package idlelens.core.curve;

import java.util.ArrayList;
import java.util.Collections;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;

/**
 * Gives keys that were put on a curve the kind of their neighbours, wherever that leaves the curve
 * as it is; so that values that are set later move on smoothly, and do not stop at every key. The
 * other keys stay set by hand.
 */
public final class Kindred {
  /** Curves that are nearer to one another than this, in the unit of their values, are the same. */
  private static final double SAME = 1e-10;

  /** Keys on either side of a key on which the curve about it depends. */
  private static final int NEIGHBOURS = 4;

  private static final int LOOKS_IN_A_SEGMENT = 7;

  private final Curve before;
  private final Curve cut;
  private final List<Key> keys;

  private Kindred(Curve before, Curve cut) {
    this.before = before;
    this.cut = cut;
    this.keys = new ArrayList<>(cut.keys());
  }

  /**
   * @param before the curve before keys were put on it
   * @param cut the same curve with more keys
   */
  public static Curve of(Curve before, Curve cut) {
    if (!before.isKeyed() || cut.keys().size() == before.keys().size()) {
      return cut;
    }
    return new Kindred(before, cut).curve();
  }

  private Curve curve() {
    for (int i = 0; i < keys.size(); i++) {
      if (before.indexOf(keys.get(i).frame()) < 0 && isPlain(i)) {
        liken(i);
      }
    }
    return cut.withKeys(keys);
  }

  /** Only where a curve is level or straight can another key be like its neighbours. */
  private boolean isPlain(int i) {
    List<Key> near = keys.subList(Math.max(0, i - 1), Math.min(keys.size(), i + 2));
    return cut.withKeys(List.copyOf(near)).segments().stream().allMatch(Kindred::isLine);
  }

  private static boolean isLine(Segment s) {
    double slope = (s.v3() - s.v0()) / s.width();
    return Math.abs(s.v1() - s.v0() - slope * (s.t1() - s.t0())) < SAME
        && Math.abs(s.v3() - s.v2() - slope * (s.t3() - s.t2())) < SAME;
  }

  private void liken(int i) {
    for (Tangent.Kind kind : kinds(i)) {
      for (boolean restoring : new boolean[] {true, false}) {
        List<Key> about = about(i);
        List<Key> like = new ArrayList<>(about);
        int at = Math.min(i, NEIGHBOURS); // its place among those about it
        like.set(at, keys.get(i).withTangent(kind));
        if (restoring) {
          restore(like, at - 1);
          restore(like, at + 1);
        }
        if (isSame(cut.withKeys(List.copyOf(about)), cut.withKeys(like))) {
          Collections.copy(about, like);
          return;
        }
      }
    }
  }

  private List<Key> about(int i) {
    return keys.subList(Math.max(0, i - NEIGHBOURS), Math.min(keys.size(), i + NEIGHBOURS + 1));
  }

  /** The kinds of the nearest keys that were there before; the one on the left first. */
  private Set<Tangent.Kind> kinds(int i) {
    Set<Tangent.Kind> kinds = new LinkedHashSet<>();
    int after = before.keysUntil(keys.get(i).frame());
    for (int k : new int[] {after - 1, after}) {
      boolean isThere = k >= 0 && k < before.keys().size();
      if (isThere && before.keys().get(k).tangent() instanceof Tangent.Kind kind) {
        kinds.add(kind);
      }
    }
    return kinds;
  }

  /** Gives a key that was there before the tangent it had. */
  private void restore(List<Key> like, int i) {
    int old = i < 0 || i >= like.size() ? -1 : before.indexOf(like.get(i).frame());
    if (old >= 0) {
      like.set(i, before.keys().get(old));
    }
  }

  private static boolean isSame(Curve now, Curve other) {
    List<Key> all = now.keys();
    double first = all.get(0).frame();
    double last = all.get(all.size() - 1).frame();
    if (differ(now, other, first - 1) || differ(now, other, last + 1)) {
      return false;
    }
    for (int k = 0; k + 1 < all.size(); k++) {
      double from = all.get(k).frame();
      double step = (all.get(k + 1).frame() - from) / (LOOKS_IN_A_SEGMENT + 1);
      for (int n = 1; n <= LOOKS_IN_A_SEGMENT; n++) {
        if (differ(now, other, from + n * step)) {
          return false;
        }
      }
    }
    return true;
  }

  private static boolean differ(Curve a, Curve b, double frame) {
    return Math.abs(a.at(frame) - b.at(frame)) > SAME;
  }
}
