package idlelens.exchange.transfer;

import idlelens.core.check.PictureOffset;
import idlelens.core.check.Views;
import idlelens.core.edit.Edit;
import idlelens.core.edit.Keep;
import idlelens.core.lens.Gate;
import idlelens.core.lens.Sight;
import idlelens.core.motion.Evaluation;
import idlelens.core.motion.LensTrack;
import idlelens.core.rule.RefusedException;
import idlelens.core.scene.Shot;
import idlelens.core.take.Alignment;
import idlelens.core.take.AlignmentWords;
import idlelens.core.take.Take;
import idlelens.core.time.FrameRange;
import idlelens.core.time.SampleGrid;
import idlelens.exchange.incoming.CameraMotion;
import idlelens.exchange.incoming.Fitting;
import java.util.List;

/**
 * A camera that came in, held against one of the shot that it should be.
 *
 * @param camera id of the one of the shot
 * @param other id of the one that came in
 * @param words what lies between them
 * @param asItIs what the other does on the frames of the shot
 * @param mended what it would do on this side
 */
public record IncomingCheck(
    Shot shot, String camera, String other, AlignmentWords words, Take asItIs, Take mended) {
  /** Width of the picture in which pixels count. */
  public static final int WIDTH_PX = 1920;

  /**
   * @throws RefusedException if the two are the same, or one is no camera
   */
  public static IncomingCheck of(Shot shot, String camera, String other) {
    if (camera.equals(other)) {
      throw new RefusedException("other", "'" + other + "', the same", "another camera");
    }
    FrameRange frames = shot.header().range();
    Take one = CameraMotion.of(shot, camera, frames, gate(shot, camera));
    Take two = CameraMotion.of(shot, other, frames, gate(shot, other));
    AlignmentWords words = AlignmentWords.of(Alignment.of(one, two));
    double first = frames.in() + words.exact().offsetFrames();
    Take shifted = CameraMotion.from(shot, other, first, two.length(), gate(shot, other));
    return new IncomingCheck(shot, camera, other, words, two, words.exact().undone(shifted));
  }

  private static Gate gate(Shot shot, String camera) {
    return shot.perspective(camera).lens().gate(shot.header().aspect(), shot.header().range().in());
  }

  /** How far apart the two see the same points on each frame of the shot, in pixels at most. */
  public double[] apartPx(Take ofOther) {
    SampleGrid grid = SampleGrid.over(shot.header().range(), 0);
    Evaluation motion = Evaluation.ofSome(shot, grid, shot.reachedFrom(camera));
    Views views = new Views(motion, camera);
    LensTrack lens = motion.of(camera).lens().orElseThrow();
    Gate gate = gate(shot, other);
    double[] apart = new double[grid.count()];
    for (int i = 0; i < apart.length; i++) {
      double at = i / ofOther.rateHz();
      double focal = ofOther.lens(Take.FOCAL, at).orElseThrow();
      Sight theirs = Sight.of(ofOther.pose(at), gate, focal);
      double subject = lens.focusM()[lens.index(i)];
      apart[i] = PictureOffset.of(views.at(i), theirs, subject, WIDTH_PX).mostPx();
    }
    return apart;
  }

  /** The edits that put the other right: it gets new keys, all else of it stays. */
  public List<Edit> edits() {
    Fitting fitting = new Fitting(Keep.EVERY_FRAME, 1, Fitting.Carriers.AS_IT_IS);
    return fitting.edits(shot, other, mended, shot.header().range().in(), other);
  }
}
