package idlelens.core.check;

import idlelens.core.rule.RefusedException;
import idlelens.core.scene.Shot;
import idlelens.core.time.FrameRange;
import java.util.List;
import java.util.stream.Stream;

/**
 * The frames in which something is looked for.
 *
 * @param stretches in order, apart from each other
 */
public record LookedAt(List<FrameRange> stretches) {
  public LookedAt {
    stretches = List.copyOf(stretches);
  }

  /** All of a range. */
  public static LookedAt all(FrameRange range) {
    return new LookedAt(List.of(range));
  }

  /**
   * The frames of a shot for which its program needs a camera, with handles, as far as they lie in
   * the range; none where it is not seen.
   *
   * @throws RefusedException if the shot has no program
   */
  public static LookedAt needed(Shot shot, String camera) {
    if (shot.program().isEmpty()) {
      throw new RefusedException("program", "none", "a program with at least one cut");
    }
    FrameRange range = shot.header().range();
    List<FrameRange> needed = shot.program().needed(camera, range, shot.header().handles());
    return new LookedAt(
        needed.stream().flatMap(each -> within(each, range.in(), range.out())).toList());
  }

  public boolean has(double frame) {
    return stretches.stream().anyMatch(each -> each.in() <= frame && frame <= each.out());
  }

  /** What of some frames is looked at. */
  Stream<FrameRange> of(int from, int to) {
    return stretches.stream().flatMap(each -> within(each, from, to));
  }

  private static Stream<FrameRange> within(FrameRange range, int from, int to) {
    int first = Math.max(from, range.in());
    int last = Math.min(to, range.out());
    return first <= last ? Stream.of(new FrameRange(first, last)) : Stream.of();
  }
}
