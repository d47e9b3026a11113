package idlelens.web.shot;

import idlelens.core.motion.Evaluation;
import idlelens.core.scene.Shot;
import idlelens.core.scene.ShotHeader;
import idlelens.core.time.SampleGrid;
import idlelens.exchange.json.ShotText;

/**
 * A shot at a revision, with its motion and its text. Both are made when they are first asked for,
 * from those of the revision before where there are any.
 */
final class LiveShot {
  private final long revision;
  private final Shot shot;
  private final Evaluation lender;
  private final ShotText textLender;
  private Evaluation motion;
  private ShotText text;

  private LiveShot(long revision, Shot shot, Evaluation lender, ShotText textLender) {
    this.revision = revision;
    this.shot = shot;
    this.lender = lender;
    this.textLender = textLender;
  }

  /** A shot of which nothing is known yet. */
  LiveShot(long revision, Shot shot) {
    this(revision, shot, null, null);
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

  /**
   * The motion at the moments of another state's samples, counted from the first frame of both. At
   * one rate these are the frames themselves, and the motion is as {@link #motion()} gives it.
   */
  Evaluation alongside(LiveShot other) {
    ShotHeader mine = shot.header();
    ShotHeader theirs = other.shot.header();
    if (mine.rate().equals(theirs.rate())) {
      return motion();
    }
    double ratio = mine.rate().framesPerSecond() / theirs.rate().framesPerSecond();
    SampleGrid moments = grid(other.shot).moments(theirs.range().in(), mine.range().in(), ratio);
    return Evaluation.of(shot, moments, null);
  }

  /** The document as it is stored and sent. */
  synchronized byte[] text() {
    if (text == null) {
      text = textLender == null ? ShotText.of(shot) : textLender.next(shot);
    }
    return text.octets();
  }

  static SampleGrid grid(Shot shot) {
    return SampleGrid.over(shot.header().range(), shot.header().handles());
  }

  /**
   * Another state of this shot. Motion and text that this one has by now are lent on, for all that
   * is equal in both.
   */
  synchronized LiveShot next(long newRevision, Shot changed) {
    return new LiveShot(newRevision, changed.reusing(shot), motion(), text);
  }
}
