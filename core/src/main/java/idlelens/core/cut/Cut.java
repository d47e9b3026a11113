package idlelens.core.cut;

import idlelens.core.rule.Require;

/**
 * From this frame on a camera is seen.
 *
 * @param camera its id
 * @param dissolve over how many frames from there on it fades in over the one before; 0 for a hard
 *     cut
 */
public record Cut(int frame, String camera, int dissolve) {
  /** The longest fade, in frames. */
  public static final int LONGEST_DISSOLVE = 10_000;

  private static final double FARTHEST = 1e7;

  public Cut {
    Require.within((double) frame, -FARTHEST, FARTHEST, "cut.frame");
    Require.present(camera, "cut.camera");
    Require.within(dissolve, 0, LONGEST_DISSOLVE, "cut.dissolve");
  }

  /** A hard cut. */
  public Cut(int frame, String camera) {
    this(frame, camera, 0);
  }

  public Cut at(int newFrame) {
    return new Cut(newFrame, camera, dissolve);
  }

  public Cut to(String newCamera) {
    return new Cut(frame, newCamera, dissolve);
  }

  Cut lasting(int newDissolve) {
    return new Cut(frame, camera, newDissolve);
  }

  /** The first frame at which nothing of the one before is seen. */
  public int alone() {
    return frame + dissolve;
  }
}
