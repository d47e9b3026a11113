package idlelens.core.curve;

import idlelens.core.rule.RefusedException;
import idlelens.core.rule.Require;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Objects;
import java.util.stream.IntStream;

/**
 * One channel over time: no keys (the rest value always), one key (its value always), or more.
 * Immutable; the form in which it is evaluated is made once, when it is first read.
 */
public final class Curve {
  /** The most keys a curve may have. */
  public static final int MOST_KEYS = 100_000;

  private final double rest;
  private final List<Key> keys;
  private final Beyond before;
  private final Beyond after;
  private volatile Spans spans;

  /**
   * @param rest value while there are no keys
   * @param keys in increasing order of frame, none nearer than 1e-6 of a frame to the next
   * @param before behaviour before the first key
   * @param after behaviour after the last key
   */
  public Curve(double rest, List<Key> keys, Beyond before, Beyond after) {
    this.rest = Require.within(rest, -1e12, 1e12, "rest");
    this.keys = List.copyOf(keys);
    this.before = Require.present(before, "before");
    this.after = Require.present(after, "after");
    Require.within(keys.size(), 0, MOST_KEYS, "keys.count");
    for (int i = 1; i < this.keys.size(); i++) {
      double earlier = this.keys.get(i - 1).frame();
      double frame = this.keys.get(i).frame();
      if (!(frame - earlier >= Key.SAME_FRAME * (1 - 1e-3))) {
        throw new RefusedException(
            "keys[" + i + "].frame",
            frame,
            (frame > earlier ? "at least 1e-6 of a frame after" : "greater than")
                + (" keys[" + (i - 1) + "].frame (" + earlier + ")"));
      }
    }
  }

  public Curve(double rest, List<Key> keys) {
    this(rest, keys, Beyond.HOLD, Beyond.HOLD);
  }

  /** A channel without keys. */
  public static Curve still(double rest) {
    return new Curve(rest, List.of());
  }

  public double rest() {
    return rest;
  }

  public List<Key> keys() {
    return keys;
  }

  public Beyond before() {
    return before;
  }

  public Beyond after() {
    return after;
  }

  public boolean isKeyed() {
    return !keys.isEmpty();
  }

  /** Whether the curve has the same value at every frame. */
  public boolean isConstant() {
    return keys.stream().allMatch(k -> k.value() == keys.get(0).value() && isFlat(k.tangent()));
  }

  private static boolean isFlat(Tangent tangent) {
    if (tangent instanceof Tangent.Reached reached) {
      return reached.in().value() == 0;
    }
    return !(tangent instanceof Tangent.Free free)
        || (free.in().value() == 0 && free.out().value() == 0);
  }

  /** The value at a frame. To read many frames in order, use {@link #player()}. */
  public double at(double frame) {
    int last = keys.size() - 1;
    boolean between = last > 0 && frame >= keys.get(0).frame() && frame <= keys.get(last).frame();
    if (spans == null && between) { // one value is not worth all segments
      return Spans.at(keys, segmentAt(frame), frame);
    }
    return player().at(frame);
  }

  /** A reader of this curve that remembers where it was; one for each thread. */
  public CurvePlayer player() {
    return new CurvePlayer(this);
  }

  /**
   * The form for reading; null with fewer than two keys. Made twice by two threads, it is equal.
   */
  Spans spans() {
    Spans made = spans;
    if (made == null && keys.size() > 1) {
      made = Spans.of(this);
      spans = made;
    }
    return made;
  }

  /** The stretch between key {@code i} and the next, as it is evaluated. */
  public Segment segment(int i) {
    Require.within(i, 0, keys.size() - 2, "segment");
    return Segment.of(keys, new Slopes(keys), i);
  }

  /** The stretch that holds a frame between the first and the last key. */
  public Segment stretchOver(double frame) {
    return segment(segmentAt(frame));
  }

  /** All stretches, as {@link #segment}. */
  public List<Segment> segments() {
    Slopes slopes = new Slopes(keys);
    return IntStream.range(0, Math.max(0, keys.size() - 1))
        .mapToObj(i -> Segment.of(keys, slopes, i))
        .toList();
  }

  /** The stretch that holds a frame between the first and the last key. */
  int segmentAt(double frame) {
    return Math.max(0, Math.min(keys.size() - 2, after(frame) - 1));
  }

  /**
   * The tangent of key {@code i} as one set by hand that leaves the curve as it is, with handles as
   * they are before they are cut to fit their segment. At the ends of the curve the missing side
   * mirrors the other.
   */
  public Tangent.Free handles(int i) {
    return Handles.at(keys, i);
  }

  /**
   * The same curve with the handles of a stretch written as they are drawn: where together they are
   * longer than the stretch, both are cut.
   *
   * @param i index of the stretch; one that is not there changes nothing
   */
  public Curve asDrawn(int i) {
    if (i < 0 || i + 1 >= keys.size() || !keys.get(i).tangent().leavesBending()) {
      return this;
    }
    Segment s = segment(i);
    boolean cut = s.isCut(handles(i).out(), handles(i + 1).in());
    return cut ? leftBy(i, s.out()).reachedBy(i + 1, s.in()) : this;
  }

  /**
   * The curve with a handle of key {@code i} as long as it is written: the handle at the other end
   * of its stretch is cut to give way, and itself where it is longer than the stretch.
   *
   * @param in whether the handle by which the key is reached is meant, not the one by which it is
   *     left
   */
  public Curve givingWay(int i, boolean in) {
    int stretch = in ? i - 1 : i;
    if (stretch < 0 || stretch + 1 >= keys.size() || !keys.get(stretch).tangent().leavesBending()) {
      return this;
    }
    Tangent.Handle left = handles(stretch).out();
    Tangent.Handle right = handles(stretch + 1).in();
    Segment s = segment(stretch);
    if (!s.isCut(left, right)) {
      return this;
    }
    Tangent.Handle mine = shortened(in ? right : left, s.width());
    Tangent.Handle other = shortened(in ? left : right, s.width() - mine.frames());
    return leftBy(stretch, in ? other : mine).reachedBy(stretch + 1, in ? mine : other);
  }

  private static Tangent.Handle shortened(Tangent.Handle handle, double most) {
    double part = handle.frames() > most ? most / handle.frames() : 1;
    return handle.times(part, part);
  }

  /** With key {@code i} left by that handle; a free one is made of its tangent for it. */
  Curve leftBy(int i, Tangent.Handle out) {
    return withKeyAt(i, Handles.leftBy(keys, i, out));
  }

  /** With key {@code i} reached by that handle, and left as before. */
  Curve reachedBy(int i, Tangent.Handle in) {
    return withKeyAt(i, Handles.reachedBy(keys, i, in));
  }

  /** Index of the key at that frame (within 1e-6 of a frame), or -1. */
  public int indexOf(double frame) {
    int at = after(frame - Key.SAME_FRAME);
    return at < keys.size() && keys.get(at).frame() < frame + Key.SAME_FRAME ? at : -1;
  }

  /** How many keys stand at a frame or before it. */
  public int keysUntil(double frame) {
    return after(frame);
  }

  /** Index of the first key later than a frame; the number of keys if there is none. */
  private int after(double frame) {
    int low = 0;
    int high = keys.size();
    while (low < high) {
      int middle = (low + high) >>> 1;
      if (keys.get(middle).frame() > frame) {
        high = middle;
      } else {
        low = middle + 1;
      }
    }
    return low;
  }

  /** This curve with the key at an index changed. */
  public Curve withKeyAt(int index, Key key) {
    List<Key> next = new ArrayList<>(keys);
    next.set(index, key);
    return withKeys(next);
  }

  /** The same behaviour with other keys. */
  public Curve withKeys(List<Key> newKeys) {
    return new Curve(rest, newKeys, before, after);
  }

  public Curve withRest(double newRest) {
    return new Curve(newRest, keys, before, after);
  }

  public Curve withBeyond(Beyond newBefore, Beyond newAfter) {
    return new Curve(rest, keys, newBefore, newAfter);
  }

  /** This curve with that key set, in place of one at the same frame if there is one. */
  public Curve withKey(Key key) {
    List<Key> next = new ArrayList<>(keys);
    int same = indexOf(key.frame());
    if (same >= 0) {
      next.set(same, key.withFrame(keys.get(same).frame()));
    } else {
      next.add(after(key.frame()), key);
    }
    return withKeys(next);
  }

  /**
   * This curve without its keys at those frames. Where no key is left, the rest value is that of
   * the last one taken.
   */
  public Curve withoutKeys(double... frames) {
    List<Key> next =
        keys.stream().filter(k -> Arrays.stream(frames).noneMatch(f -> k.isAt(f))).toList();
    if (next.isEmpty() && isKeyed()) {
      return new Curve(keys.get(keys.size() - 1).value(), next, before, after);
    }
    return withKeys(next);
  }

  @Override
  public boolean equals(Object other) {
    return other instanceof Curve that
        && Double.compare(rest, that.rest) == 0
        && keys.equals(that.keys)
        && before == that.before
        && after == that.after;
  }

  @Override
  public int hashCode() {
    return Objects.hash(rest, keys, before, after);
  }

  @Override
  public String toString() {
    return "Curve[rest=" + rest + ", keys=" + keys + ", " + before + ".." + after + "]";
  }
}
