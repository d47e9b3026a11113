package idlelens.core.curve;

import idlelens.core.rule.RefusedException;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collection;
import java.util.List;
import java.util.NavigableSet;
import java.util.TreeSet;

/** Puts a key on a curve without changing the curve anywhere. */
public final class KeyInsertion {
  /** Keys on either side of a segment's ends on which the slopes there depend, and the ends. */
  private static final int NEIGHBOURS = 3;

  private KeyInsertion() {}

  /**
   * The curve with a key at a frame. Between keys the segment is cut in two by de Casteljau's
   * construction; outside them the edge is held or run on by the new key, and a cycle is unrolled
   * by whole rounds. Where there is a key already, nothing is done.
   *
   * @param frame where the key is to stand
   * @param usual tangent of a key on a curve that had none
   * @throws RefusedException if a cycle jumps where its rounds meet, or if the curve cycles on the
   *     other side only, where the key would change its round
   */
  public static Curve insert(Curve curve, double frame, Tangent.Kind usual) {
    if (curve.indexOf(frame) >= 0) {
      return curve;
    }
    List<Key> keys = curve.keys();
    if (keys.size() < 2) {
      return still(curve, frame, usual);
    }
    if (frame < keys.get(0).frame()) {
      refuseOtherCycle(curve.before(), curve.after(), frame);
      return before(curve, frame);
    }
    if (frame > keys.get(keys.size() - 1).frame()) {
      refuseOtherCycle(curve.after(), curve.before(), frame);
      return after(curve, frame);
    }
    return between(curve, frame);
  }

  /**
   * The same for many frames, in time that grows with their number and that of the keys: a key
   * between two others changes nothing beyond these, so each is put into a short piece of the
   * curve.
   *
   * @param frames in any order
   */
  public static Curve insertAll(Curve curve, Collection<Double> frames, Tangent.Kind usual) {
    TreeSet<Double> left = new TreeSet<>(frames);
    Curve ready = curve;
    while (ready.keys().size() < 2 && !left.isEmpty()) {
      ready = insert(ready, left.pollFirst(), usual);
    }
    if (left.isEmpty()) {
      return ready;
    }
    if (left.first() < ready.keys().get(0).frame()) { // then the others stand between keys
      ready = insert(ready, left.pollFirst(), usual);
    }
    while (!left.isEmpty()) {
      double last = ready.keys().get(ready.keys().size() - 1).frame();
      NavigableSet<Double> inside = left.headSet(last, true);
      ready = allBetween(ready, inside, usual);
      inside.clear();
      if (!ready.after().cycles()) {
        return allAfter(ready, left, usual);
      }
      if (!left.isEmpty()) { // every time the curve gets at least twice as long
        ready = insert(ready, left.pollFirst(), usual);
      }
    }
    return ready;
  }

  /** Keys behind the last, going outwards: each depends on the few before it. */
  private static Curve allAfter(Curve curve, Collection<Double> frames, Tangent.Kind usual) {
    if (frames.isEmpty()) {
      return curve;
    }
    List<Key> keys = new ArrayList<>(curve.keys());
    for (double frame : frames) {
      List<Key> end = keys.subList(Math.max(0, keys.size() - NEIGHBOURS), keys.size());
      List<Key> longer = insert(curve.withKeys(List.copyOf(end)), frame, usual).keys();
      end.clear();
      keys.addAll(longer);
    }
    return curve.withKeys(keys);
  }

  private static Curve allBetween(Curve curve, Collection<Double> frames, Tangent.Kind usual) {
    Key[] keys = curve.keys().toArray(Key[]::new);
    List<Key> done = new ArrayList<>(keys.length + frames.size());
    int next = 0;
    for (double frame : frames) {
      while (next < keys.length && keys[next].frame() < frame + Key.SAME_FRAME) {
        done.add(keys[next++]);
      }
      if (!done.get(done.size() - 1).isAt(frame)) {
        int from = Math.max(0, done.size() - NEIGHBOURS);
        List<Key> piece = new ArrayList<>(done.subList(from, done.size()));
        int ahead = Math.min(keys.length, next + NEIGHBOURS);
        piece.addAll(Arrays.asList(keys).subList(next, ahead));
        List<Key> cut = insert(curve.withKeys(piece), frame, usual).keys();
        int here = done.size() - from;
        done.subList(from, done.size()).clear();
        done.addAll(cut.subList(0, here + 1));
        keys[next] = cut.get(here + 1);
      }
    }
    done.addAll(Arrays.asList(keys).subList(next, keys.length));
    return curve.withKeys(done);
  }

  /** A key outside makes the round longer that the other side repeats. */
  private static void refuseOtherCycle(Beyond here, Beyond other, double frame) {
    if (other.cycles() && here != other) {
      throw new RefusedException(
          "frame",
          frame,
          "a frame between the keys, since the curve cycles on its other side only");
    }
  }

  private static Curve still(Curve curve, double frame, Tangent.Kind usual) {
    List<Key> flat = new ArrayList<>();
    curve.keys().forEach(k -> flat.add(flat(k)));
    return curve.withKeys(flat).withKey(new Key(frame, curve.at(frame), usual));
  }

  /** The key of a curve that is the same everywhere, with no handle that could bend it. */
  private static Key flat(Key key) {
    if (key.tangent() instanceof Tangent.Reached reached) {
      return key.withTangent(reached.leaving());
    }
    return key.tangent() instanceof Tangent.Free ? key.withTangent(Tangent.Free.sloped(0)) : key;
  }

  private static Curve between(Curve curve, double frame) {
    int i = curve.segmentAt(frame);
    List<Key> keys = new ArrayList<>(curve.keys());
    Key left = keys.get(i);
    if (!left.tangent().leavesBending()) {
      keys.set(i + 1, frozen(curve, i + 1));
      keys.add(i + 1, new Key(frame, curve.at(frame), left.tangent().plain()));
      return curve.withKeys(keys);
    }
    Segment s = curve.segment(i);
    double u = s.parameter(frame);
    double[] t = deCasteljau(s.t0(), s.t1(), s.t2(), s.t3(), u);
    double[] v = deCasteljau(s.v0(), s.v1(), s.v2(), s.v3(), u);
    Tangent.Free middle = new Tangent.Free(handle(t, v, 2), handle(t, v, 3), true, true);
    Curve cut = curve.leftBy(i, handle(t, v, 0)).reachedBy(i + 1, handle(t, v, 5));
    keys = new ArrayList<>(cut.keys());
    keys.add(i + 1, new Key(frame, v[3], middle));
    return curve.withKeys(keys);
  }

  private static Tangent.Handle handle(double[] t, double[] v, int from) {
    return new Tangent.Handle(Math.max(0, t[from + 1] - t[from]), v[from + 1] - v[from]);
  }

  /** The control points of both halves: 0 to 3 of the first, 3 to 6 of the second. */
  private static double[] deCasteljau(double p0, double p1, double p2, double p3, double u) {
    double a = p0 + (p1 - p0) * u;
    double b = p1 + (p2 - p1) * u;
    double c = p2 + (p3 - p2) * u;
    double d = a + (b - a) * u;
    double e = b + (c - b) * u;
    return new double[] {p0, a, d, d + (e - d) * u, e, c, p3};
  }

  /** A key whose tangent no longer depends on its neighbours. */
  private static Key frozen(Curve curve, int i) {
    Key key = curve.keys().get(i);
    return key.tangent().leavesBending() ? key.withTangent(curve.handles(i)) : key;
  }

  private static Curve before(Curve curve, double frame) {
    Key first = curve.keys().get(0);
    return switch (curve.before()) {
      case HOLD -> edge(curve, frame, 0, 0);
      case RUN_ON -> edge(curve, frame, 0, curve.player().slope(first.frame() - 1));
      case CYCLE, CYCLE_AND_CARRY ->
          insert(Unrolled.until(curve, frame), frame, Tangent.Kind.SETTLE);
    };
  }

  private static Curve after(Curve curve, double frame) {
    int last = curve.keys().size() - 1;
    return switch (curve.after()) {
      case HOLD -> edge(curve, frame, last, 0);
      case RUN_ON ->
          edge(curve, frame, last, curve.player().slope(curve.keys().get(last).frame() + 1));
      case CYCLE, CYCLE_AND_CARRY ->
          insert(Unrolled.until(curve, frame), frame, Tangent.Kind.SETTLE);
    };
  }

  /** A new outermost key on the line that goes out from the edge. */
  private static Curve edge(Curve curve, double frame, int at, double slope) {
    Key edge = curve.keys().get(at);
    double third = Math.abs(frame - edge.frame()) / 3;
    Tangent.Handle outward = new Tangent.Handle(third, slope * third);
    Curve turned = at == 0 ? curve.reachedBy(0, outward) : curve.leftBy(at, outward);
    List<Key> keys = new ArrayList<>(turned.keys());
    double value = edge.value() + slope * (frame - edge.frame());
    keys.add(at == 0 ? 0 : at + 1, new Key(frame, value, Tangent.Free.sloped(slope)));
    return curve.withKeys(keys);
  }
}
