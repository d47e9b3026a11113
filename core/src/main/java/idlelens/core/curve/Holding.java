package idlelens.core.curve;

import idlelens.core.rule.RefusedException;
import java.util.ArrayList;
import java.util.List;

/** Keeps a curve still from a key to a later frame, and as it was everywhere else. */
public final class Holding {
  private final Curve curve;
  private final List<Key> old;
  private final Key[] changed;

  /** Which keys are reached level, since the curve is held until them. */
  private final boolean[] level;

  private final List<Key> added = new ArrayList<>();

  private Holding(Curve curve) {
    this.curve = curve;
    this.old = curve.keys();
    this.changed = old.toArray(Key[]::new);
    this.level = new boolean[changed.length];
  }

  /**
   * The curve with a key at each frame that has the value of the key before it. That key is left
   * level, with a broken tangent where it was reached with another slope; the key after the frame
   * is reached and left with the slopes it had, so that the moves before and behind do not change.
   *
   * @param frames in increasing order
   * @throws RefusedException if a frame is not after a key of the curve
   */
  public static Curve until(Curve curve, List<Double> frames) {
    Holding holding = new Holding(curve);
    frames.forEach(holding::until);
    return holding.done();
  }

  private void until(double frame) {
    int at = curve.indexOf(frame);
    int before = (at >= 0 ? at : curve.keysUntil(frame)) - 1;
    if (before < 0) {
      throw new RefusedException("frame", frame, "a frame after a key of the channel");
    }
    double value = changed[before].value();
    Tangent leaving = old.get(before).tangent();
    if (leaving.leavesBending()) {
      changed[before] = changed[before].withTangent(leftLevel(before));
    }
    if (at >= 0) {
      Tangent own = old.get(at).tangent();
      Tangent next = own.leavesBending() ? Tangent.Kind.SETTLE : own.plain();
      changed[at] = new Key(old.get(at).frame(), value, next);
      level[at] = true;
      keepAfter(at);
    } else {
      Tangent next = leaving.leavesBending() ? Tangent.Kind.SETTLE : leaving.plain();
      added.add(new Key(frame, value, next));
      keepAfter(before);
    }
  }

  private Tangent.Free leftLevel(int i) {
    Tangent.Handle in = inOf(i);
    return new Tangent.Free(in, new Tangent.Handle(in.frames(), 0), in.value() == 0, true);
  }

  /** How a key is reached; level where nothing comes before it. */
  private Tangent.Handle inOf(int i) {
    return level[i] || i == 0 ? new Tangent.Handle(1, 0) : Handles.at(old, i).in();
  }

  /** The key behind, with the slopes it had: they must not follow its new neighbour. */
  private void keepAfter(int i) {
    boolean there = i + 1 < old.size();
    if (there && old.get(i + 1).tangent() instanceof Tangent.Kind kind) {
      if (kind == Tangent.Kind.SETTLE || kind == Tangent.Kind.FLOW) {
        changed[i + 1] = changed[i + 1].withTangent(Handles.at(old, i + 1));
      }
    }
  }

  private Curve done() {
    List<Key> keys = new ArrayList<>(old.size() + added.size());
    int next = 0;
    for (Key key : changed) {
      while (next < added.size() && added.get(next).frame() < key.frame()) {
        keys.add(added.get(next++));
      }
      keys.add(key);
    }
    keys.addAll(added.subList(next, added.size()));
    return curve.withKeys(keys);
  }
}
