package idlelens.core.edit;

import idlelens.core.curve.Curve;
import idlelens.core.curve.Key;
import idlelens.core.curve.KeyInsertion;
import idlelens.core.curve.Tangent;
import idlelens.core.curve.Unrolled;
import idlelens.core.rule.RefusedException;
import idlelens.core.rule.Require;
import idlelens.core.scene.ShotHeader;
import idlelens.core.time.FrameSpan;
import java.util.ArrayList;
import java.util.List;

/**
 * A stretch of frames that is written anew, while what is before and behind it stays as it is.
 *
 * @param from the first frame that is written
 * @param to the last one, later than the first
 * @param blend frames at either end over which it goes from what was there, where anything was
 */
public record Punch(int from, int to, int blend) {
  private static final int LONGEST = 1_000_000;
  private static final double FARTHEST = 1e7;

  public Punch {
    Require.within((double) from, -FARTHEST, FARTHEST, "from");
    Require.within(to, from + 1, from + LONGEST, "to");
    Require.within(blend, 0, LONGEST, "blend");
  }

  int count() {
    return to - from + 1;
  }

  /** Whether there is a shot before it that stays. */
  boolean isEntered(ShotHeader header) {
    return from > header.range().in();
  }

  /** Whether there is a shot behind it that stays. */
  boolean isLeft(ShotHeader header) {
    return to < header.range().out();
  }

  /** How much of what is new there is at a frame, 0 to 1. */
  double share(ShotHeader header, int frame) {
    double in = isEntered(header) ? eased(frame - from) : 1;
    double out = isLeft(header) ? eased(to - frame) : 1;
    return Math.min(in, out);
  }

  private double eased(double frames) {
    double u = blend == 0 ? 1 : Math.min(1, frames / blend);
    return u * u * u * (u * (6 * u - 15) + 10);
  }

  /** Where it meets what stays it does so with a jump, which is a cut, or goes on from it. */
  record Meets(boolean cutsIn, boolean cutsOut) {}

  /**
   * A curve with new keys in this stretch.
   *
   * @param keys on frames of the stretch, the first and the last among them
   */
  Curve into(Curve curve, List<Key> keys, ShotHeader header, Meets meets) {
    Curve kept = kept(curve, header);
    List<Key> all = new ArrayList<>();
    kept.keys().stream().filter(k -> k.frame() < from).forEach(all::add);
    if (meets.cutsIn() && !all.isEmpty()) {
      all.add(DenseKeys.held(all.remove(all.size() - 1)));
    }
    all.addAll(keys);
    List<Key> behind = kept.keys().stream().filter(k -> k.frame() > to).toList();
    if (meets.cutsOut() && !behind.isEmpty()) {
      all.add(DenseKeys.held(all.remove(all.size() - 1)));
    }
    all.addAll(behind);
    if (all.size() > Curve.MOST_KEYS) {
      throw new RefusedException("keys.count", all.size(), "at most " + Curve.MOST_KEYS);
    }
    return kept.withKeys(all);
  }

  /** The curve with keys right before and behind the stretch, so that it stays there as it is. */
  private Curve kept(Curve curve, ShotHeader header) {
    FrameSpan seen = header.seen();
    FrameSpan both = new FrameSpan(Math.min(from - 1, seen.from()), Math.max(to + 1, seen.to()));
    Curve written = curve.keys().size() < 2 ? curve : Unrolled.over(curve, both);
    List<Double> edges = new ArrayList<>();
    boolean keyedBefore = curve.isKeyed() && curve.keys().get(0).frame() < from;
    boolean keyedBehind = curve.isKeyed() && curve.keys().get(curve.keys().size() - 1).frame() > to;
    if (isEntered(header) || keyedBefore) {
      edges.add(from - 1.0);
    }
    if (isLeft(header) || keyedBehind) {
      edges.add(to + 1.0);
    }
    return edges.isEmpty() ? written : KeyInsertion.insertAll(written, edges, Tangent.Kind.SETTLE);
  }
}
