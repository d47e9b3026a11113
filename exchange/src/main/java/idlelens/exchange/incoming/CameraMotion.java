package idlelens.exchange.incoming;

import idlelens.core.lens.Gate;
import idlelens.core.motion.Evaluation;
import idlelens.core.motion.LensTrack;
import idlelens.core.motion.NodeMotion;
import idlelens.core.scene.Shot;
import idlelens.core.take.Take;
import idlelens.core.time.FrameRange;
import idlelens.core.time.SampleGrid;

/** What a camera does in the world, a sample a frame, as a take that others can be given. */
public final class CameraMotion {
  private CameraMotion() {}

  /**
   * @param shot with the camera
   * @param frames at least one; a take of one frame stands for two
   * @param gate of the camera that is to be given it: focal lengths are such that it sees as high
   */
  public static Take of(Shot shot, String camera, FrameRange frames, Gate gate) {
    return from(shot, camera, frames.in(), Math.max(2, frames.length()), gate);
  }

  /**
   * The same from a frame on, which may lie between two or outside the shot's range.
   *
   * @param count of samples, one a frame: 2 or more
   */
  public static Take from(Shot shot, String camera, double first, int count, Gate gate) {
    shot.perspective(camera);
    SampleGrid grid = new SampleGrid(first, count, 1);
    NodeMotion motion = Evaluation.ofSome(shot, grid, shot.reachedFrom(camera)).of(camera);
    LensTrack lens = motion.lens().orElseThrow();
    return Take.of(
        shot.header().rate().framesPerSecond(),
        count,
        i -> {
          int l = lens.index(i);
          double focal = gate.focalMmOfVertical(lens.verticalRad()[l]);
          return new Take.Sample(motion.world().pose(i), focal, lens.focusM()[l]);
        });
  }
}
