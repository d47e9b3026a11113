package idlelens.exchange.incoming;

import org.joml.Matrix3d;

/**
 * What the rigid poses above a node do not hold of their sizes: the file's transform is the rigid
 * one times this.
 *
 * @param still at the first frame, and always where {@code frames} is null
 * @param frames one for each frame of the motion, or null
 */
record Leftover(Matrix3d still, Matrix3d[] frames) {
  static final Leftover NONE = new Leftover(new Matrix3d(), null);

  static Leftover still(Matrix3d map) {
    return new Leftover(Sizes.cleaned(map), null);
  }

  /** The frames given, or one for all if they are the same. */
  static Leftover of(Matrix3d[] frames) {
    double size = Math.max(1e-300, Sizes.distance(frames[0], new Matrix3d().zero()));
    for (Matrix3d frame : frames) {
      if (Sizes.distance(frame, frames[0]) > Sizes.ROUNDING * size) {
        return new Leftover(frames[0], frames);
      }
    }
    return still(frames[0]);
  }

  boolean moves() {
    return frames != null;
  }

  Matrix3d at(int frame) {
    return moves() ? frames[frame] : still;
  }

  /** The frame at which most is left of a body. */
  int largest() {
    int best = 0;
    for (int i = 1; moves() && i < frames.length; i++) {
      boolean larger = Math.abs(at(i).determinant()) > 2 * Math.abs(at(best).determinant());
      best = larger ? i : best;
    }
    return best;
  }
}
