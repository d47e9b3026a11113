package idlelens.core.part;

import idlelens.core.rule.Require;
import idlelens.core.time.FrameRate;
import java.util.function.DoubleUnaryOperator;

/**
 * Focus goes to a mark.
 *
 * @param id unique among the pulls of its lens
 * @param frame when it leaves where it is
 * @param frames how many it takes; 0 for a jump
 * @param markId the mark it goes to
 * @param ease how it gets going and comes to rest
 * @param hunt what it does when it has come there
 */
public record Pull(String id, double frame, double frames, String markId, Ease ease, Hunt hunt)
    implements Stamp {
  /** The most frames that a pull may take. */
  public static final double LONGEST = 1e5;

  public Pull {
    Stamp.checkId(id);
    Require.within(frame, -1e7, 1e7, "pull.frame");
    Require.within(frames, 0, LONGEST, "pull.frames");
    Require.present(markId, "pull.mark");
    Require.present(ease, "pull.ease");
    Require.present(hunt, "pull.hunt");
  }

  /** A pull with a third of its frames to get going and a third to come to rest. */
  public static Pull of(String id, double frame, double frames, String markId) {
    return new Pull(id, frame, frames, markId, Ease.thirds(frames), Hunt.NONE);
  }

  public Pull at(double newFrame) {
    return new Pull(id, newFrame, frames, markId, ease, hunt);
  }

  /**
   * How much of its way it has gone: 0 before it begins, 1 when it has come to its mark, about 1
   * while it hunts.
   */
  public double share(double at, FrameRate rate) {
    double gone = at - frame;
    if (gone < 0) {
      return 0;
    }
    return gone < frames ? ease.share(gone, frames) : 1 + hunt.at(rate.seconds(gone - frames));
  }

  /** Whether at a frame it has come to its mark for good. */
  public boolean isOver(double at, FrameRate rate) {
    double since = at - frame - frames;
    return since >= 0 && rate.seconds(since) >= hunt.seconds();
  }

  @Override
  public Pull retimed(DoubleUnaryOperator map) {
    double from = map.applyAsDouble(frame);
    double to = map.applyAsDouble(frame + frames);
    double lasts = Math.min(LONGEST, Math.max(0, to - from));
    return new Pull(id, from, lasts, markId, ease, hunt);
  }

  Pull lasting(double factor) {
    return new Pull(id, frame, frames, markId, ease.lasting(factor), hunt);
  }
}
