package idlelens.web.shot;

import idlelens.core.motion.Evaluation;
import idlelens.core.scene.Shot;
import idlelens.core.time.SampleGrid;

/**
 * A shot at a revision, with its motion. The motion is made when it is first asked for, from that
 * of the revision before where there is one.
 */
final class LiveShot {
  private final long revision;
  private final Shot shot;
  private final Evaluation lender;
  private Evaluation motion;

  LiveShot(long revision, Shot shot, Evaluation lender) {
    this.revision = revision;
    this.shot = shot;
    this.lender = lender;
  }

  long revision() {
    return revision;
  }

  Shot shot() {
    return shot;
  }

  synchronized Evaluation motion() {
    if (motion == null) {
      motion = Evaluation.of(shot, grid(shot), lender);
    }
    return motion;
  }

  static SampleGrid grid(Shot shot) {
    return SampleGrid.over(shot.header().range(), shot.header().handles());
  }

  /** This shot after a change; the motion it has by now is lent on. */
  LiveShot next(long newRevision, Shot changed) {
    return new LiveShot(newRevision, changed, motion());
  }
}
