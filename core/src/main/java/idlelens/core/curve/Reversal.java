package idlelens.core.curve;

import java.util.ArrayList;
import java.util.List;

/** Keys in the opposite order, so that the motion between them runs backwards. */
public final class Reversal {
  private final List<Key> keys;
  private final double about;
  private final List<Key> reversed = new ArrayList<>();

  private Reversal(List<Key> keys, double about) {
    this.keys = keys;
    this.about = about;
  }

  /**
   * The keys mirrored in time: one at frame t comes to {@code about - t}. What led from a key to
   * the next leads back. A stretch that was held until a key jumps to its value {@link Key#INSTANT}
   * after that key, so that every whole frame shows what it showed.
   *
   * @param keys in order of frame
   */
  public static List<Key> of(List<Key> keys, double about) {
    Reversal reversal = new Reversal(keys, about);
    for (int i = keys.size() - 1; i >= 0; i--) {
      reversal.add(i);
    }
    return reversal.reversed;
  }

  private void add(int i) {
    Key key = keys.get(i);
    double frame = about - key.frame();
    reversed.add(new Key(frame, key.value(), tangent(i)));
    if (i > 0 && keys.get(i - 1).tangent().leaves(Tangent.Kind.HOLD)) {
      double held = keys.get(i - 1).value();
      reversed.add(new Key(frame + instant(i), held, Tangent.Kind.HOLD));
    }
  }

  /** An instant, or less where keys stand very close. */
  private double instant(int i) {
    return Math.min(Key.INSTANT, (keys.get(i).frame() - keys.get(i - 1).frame()) / 2);
  }

  private Tangent tangent(int i) {
    Tangent old = keys.get(i).tangent();
    boolean reachedBending = i + 1 < keys.size() && old.leavesBending();
    Tangent before = i > 0 ? keys.get(i - 1).tangent() : old;
    if (!before.leavesBending()) {
      return reachedBending ? new Tangent.Reached(back(i).in(), before.plain()) : before.plain();
    }
    boolean inside = i > 0 && i + 1 < keys.size();
    boolean bothBend = old.leavesBending() && before.leavesBending();
    if (old instanceof Tangent.Kind && (bothBend || !inside && old.leavesBending())) {
      return old;
    }
    Tangent.Free free = back(i);
    return bothBend ? free : new Tangent.Free(free.out(), free.out(), false, true);
  }

  /** The handles of a key with time running backwards. */
  private Tangent.Free back(int i) {
    return Handles.at(keys, i).reversed();
  }
}
