package idlelens.core.check;

import idlelens.core.curve.Curve;
import idlelens.core.part.Chain;
import idlelens.core.part.Move;
import idlelens.core.part.Part;
import idlelens.core.part.Path;
import idlelens.core.part.Window;
import idlelens.core.rule.RefusedException;
import idlelens.core.rule.Require;
import idlelens.core.scene.Node;
import idlelens.core.scene.Shot;
import idlelens.core.time.FrameRange;
import java.util.OptionalDouble;

/**
 * What becomes of a shot when time is put in at a frame, or at its end.
 *
 * @param keys keys of curves: those that move, and those that stay
 * @param curves curves that are stretched across the frame
 * @param lockedCurves curves with keys that would move but are locked, and stay
 * @param windows windows of parts: those that move, are stretched, and stay
 * @param markers markers that move, and that stay
 */
public record Lengthening(Count keys, int curves, int lockedCurves, Count windows, Count markers) {

  /** How many of a kind move, are stretched, and stay. */
  public record Count(int move, int stretch, int stay) {
    Count moving() {
      return new Count(move + 1, stretch, stay);
    }

    Count stretching() {
      return new Count(move, stretch + 1, stay);
    }

    Count staying() {
      return new Count(move, stretch, stay + 1);
    }
  }

  private static final Count NONE = new Count(0, 0, 0);
  private static final double ON_FRAME = 1e-9;

  /**
   * @param at the frame, or none for the end of the shot
   * @throws RefusedException if the frame is not within the shot and its handles
   */
  public static Lengthening of(Shot shot, OptionalDouble at) {
    requireInside(shot, at);
    Counting counting = new Counting(shot, at);
    shot.nodes().forEach(counting::count);
    shot.markers().forEach(m -> counting.markers = counting.counted(counting.markers, m.frame()));
    return new Lengthening(
        counting.keys, counting.curves, counting.locked, counting.windows, counting.markers);
  }

  /**
   * @throws RefusedException if a frame is not within the shot and its handles
   */
  public static void requireInside(Shot shot, OptionalDouble at) {
    int handles = shot.header().handles();
    FrameRange range = shot.header().range();
    at.ifPresent(f -> Require.within(f, range.in() - handles, range.out() + handles, "at"));
  }

  private static final class Counting {
    private final double from;
    private final int end;
    private final boolean atEnd;
    private Count keys = NONE;
    private Count windows = NONE;
    private Count markers = NONE;
    private int curves;
    private int locked;

    Counting(Shot shot, OptionalDouble at) {
      from = at.orElse(Double.POSITIVE_INFINITY) - ON_FRAME;
      end = shot.header().range().out();
      atEnd = at.isEmpty();
    }

    Count counted(Count count, double frame) {
      return frame >= from ? count.moving() : count.staying();
    }

    void count(Node node) {
      Chain chain = node.chain();
      for (Path path : chain.paths()) {
        count(chain.curve(path), node.takesKeys().locked().contains(path));
      }
      for (Part part : chain.parts()) {
        if (!part.body().window().isOpen()) {
          count(part.body().window(), part instanceof Move);
        }
      }
    }

    private void count(Curve curve, boolean isLocked) {
      int later = (int) curve.keys().stream().filter(k -> k.frame() >= from).count();
      int all = curve.keys().size();
      boolean moves = later > 0 && !isLocked;
      keys = new Count(keys.move + (moves ? later : 0), 0, keys.stay + all - (moves ? later : 0));
      curves += moves && later < all ? 1 : 0;
      locked += isLocked && later > 0 ? 1 : 0;
    }

    private void count(Window window, boolean isMove) {
      boolean starts = window.from().isPresent() && window.from().getAsDouble() >= from;
      boolean ends = window.to().isPresent() && window.to().getAsDouble() >= from;
      boolean withShot =
          atEnd && !isMove && window.to().isPresent() && window.to().getAsDouble() == end;
      boolean openEnd = window.to().isEmpty();
      if (starts && (ends || openEnd)) {
        windows = windows.moving();
      } else {
        windows = ends || withShot ? windows.stretching() : windows.staying();
      }
    }
  }
}
