package idlelens.core.cut;

import idlelens.core.rule.Require;

/**
 * From this frame on a camera is seen.
 *
 * @param camera its id
 */
public record Cut(int frame, String camera) {
  private static final double FARTHEST = 1e7;

  public Cut {
    Require.within((double) frame, -FARTHEST, FARTHEST, "cut.frame");
    Require.present(camera, "cut.camera");
  }
}
