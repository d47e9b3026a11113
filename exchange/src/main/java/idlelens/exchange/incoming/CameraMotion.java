package idlelens.exchange.incoming;

import idlelens.core.geometry.Turns;
import idlelens.core.lens.Gate;
import idlelens.core.motion.Evaluation;
import idlelens.core.motion.LensTrack;
import idlelens.core.motion.NodeMotion;
import idlelens.core.scene.Shot;
import idlelens.core.take.Take;
import idlelens.core.time.FrameRange;
import idlelens.core.time.SampleGrid;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** What a camera does in the world, a sample a frame, as a take that others can be given. */
public final class CameraMotion {
  private CameraMotion() {}

  /**
   * @param shot with the camera
   * @param frames at least one; a take of one frame stands for two
   * @param gate of the camera that is to be given it: focal lengths are such that it sees as high
   */
  public static Take of(Shot shot, String camera, FrameRange frames, Gate gate) {
    int count = Math.max(2, frames.length());
    NodeMotion motion =
        Evaluation.ofSome(shot, new SampleGrid(frames.in(), count, 1), shot.reachedFrom(camera))
            .of(camera);
    LensTrack lens = motion.lens().orElseThrow();
    double[][] columns = new double[Take.COLUMNS.size()][count];
    double[] near = new double[3];
    for (int i = 0; i < count; i++) {
      var pose = motion.world().pose(i);
      near = Turns.panTiltRoll(pose.turn(), near);
      columns[0][i] = pose.x();
      columns[1][i] = pose.y();
      columns[2][i] = pose.z();
      for (int c = 0; c < 3; c++) {
        columns[3 + c][i] = Math.toDegrees(near[c]);
      }
      columns[Take.FOCAL][i] = gate.focalMmOfVertical(lens.verticalRad()[lens.index(i)]);
      columns[Take.FOCUS][i] = lens.focusM()[lens.index(i)];
    }
    List<Optional<double[]>> all = new ArrayList<>();
    for (double[] column : columns) {
      all.add(Optional.of(column));
    }
    return new Take(shot.header().rate().framesPerSecond(), all);
  }
}
