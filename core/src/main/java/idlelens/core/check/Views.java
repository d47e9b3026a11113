package idlelens.core.check;

import idlelens.core.geometry.RigidPose;
import idlelens.core.lens.Sight;
import idlelens.core.motion.Evaluation;
import idlelens.core.motion.LensTrack;
import idlelens.core.motion.NodeMotion;
import idlelens.core.rule.RefusedException;

/** What a camera sees at the samples of an evaluation. */
public final class Views {
  private final NodeMotion motion;
  private final LensTrack lens;

  /**
   * @throws RefusedException if the node is no camera
   */
  public Views(Evaluation evaluation, String cameraId) {
    motion = evaluation.of(cameraId);
    lens =
        motion.lens().orElseThrow(() -> new RefusedException("camera", cameraId, "a camera's id"));
  }

  /** What it sees at a sample. */
  public Sight at(int sample) {
    return lens.sight(sample, motion.world().pose(sample));
  }

  /** Where the camera stands in the world at a sample. */
  public RigidPose pose(int sample) {
    return motion.world().pose(sample);
  }
}
