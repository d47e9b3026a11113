package idlelens.web.handoff;

import idlelens.core.rule.RefusedException;
import idlelens.core.scene.Node;
import idlelens.core.scene.Shot;
import idlelens.core.time.FrameRange;
import idlelens.exchange.outgoing.HandOff;
import idlelens.exchange.profile.ReceiverProfile;
import java.util.List;
import java.util.Locale;

/**
 * What somebody asks to be written.
 *
 * @param cameras ids, or null for all
 * @param profile the name of a receiver profile
 * @param frames range, handles, or two frames; null for what the profile says
 * @param from first frame, or null
 * @param to last frame, or null
 * @param company set, nulls or carriers
 */
record Wish(
    List<String> cameras, String profile, String frames, Integer from, Integer to, String company) {

  /** What is asked for, of a shot as it is now. */
  HandOff of(Shot shot, ReceiverProfile receiver) {
    List<String> ids =
        cameras == null || cameras.isEmpty()
            ? shot.cameras().stream().map(Node::id).toList()
            : cameras;
    return new HandOff(shot, frames(shot, receiver), ids, along(), receiver);
  }

  private FrameRange frames(Shot shot, ReceiverProfile receiver) {
    FrameRange usual =
        frames == null ? HandOff.framesOf(shot, receiver) : SentFrames.of(frames, shot.header());
    return new FrameRange(from == null ? usual.in() : from, to == null ? usual.out() : to);
  }

  private HandOff.Company along() {
    for (HandOff.Company each : HandOff.Company.values()) {
      if (each.name().toLowerCase(Locale.ROOT).equals(company)) {
        return each;
      }
    }
    throw new RefusedException("company", "'" + company + "'", "set, nulls or carriers");
  }
}
