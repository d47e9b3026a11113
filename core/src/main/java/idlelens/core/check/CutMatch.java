package idlelens.core.check;

import idlelens.core.cut.Cut;
import idlelens.core.lens.Sight;
import idlelens.core.motion.Evaluation;
import idlelens.core.rule.RefusedException;
import idlelens.core.scene.Shot;
import java.util.List;

/**
 * How the picture moves on both sides of a cut: what stands still in the middle of it, in focus,
 * passes in picture widths a frame, to the right and upwards.
 *
 * @param frame of the cut
 * @param from the camera that is seen until then
 * @param to the one that is seen from then on
 * @param before from the last frame of the one to the frame of the cut
 * @param after from that frame to the next one, seen by the other
 */
public record CutMatch(int frame, String from, String to, Flow before, Flow after) {

  /** A way in the picture, in its widths a frame. */
  public record Flow(double right, double up) {
    public double length() {
      return Math.hypot(right, up);
    }

    public Flow minus(Flow other) {
      return new Flow(right - other.right, up - other.up);
    }
  }

  /** The cameras before and after a cut of a shot's program. */
  public static List<String> cameras(Shot shot, int frame) {
    List<Cut> cuts = shot.program().cuts();
    int at = 0;
    while (at < cuts.size() && cuts.get(at).frame() != frame) {
      at++;
    }
    if (at == 0 || at == cuts.size()) {
      throw new RefusedException("frame", frame, "the frame of a cut from one camera to another");
    }
    return List.of(cuts.get(at - 1).camera(), cuts.get(at).camera());
  }

  /** The same of a cut of a shot's program. */
  public static CutMatch of(Shot shot, int frame) {
    String from = cameras(shot, frame).get(0);
    String to = cameras(shot, frame).get(1);
    Evaluation motion = Evaluation.at(shot, frame);
    return new CutMatch(
        frame, from, to, flow(motion, from, frame, frame - 1), flow(motion, to, frame, frame));
  }

  /** How far the picture is from going on over the cut, in widths a frame. */
  public double mismatch() {
    return before.minus(after).length();
  }

  /** How what is in focus at the cut, in the middle of the picture, passes from a frame on. */
  private static Flow flow(Evaluation motion, String camera, int cut, int frame) {
    Sight before = new Views(motion.moment(frame), camera).at(0);
    Sight after = new Views(motion.moment(frame + 1.0), camera).at(0);
    return flow(before, after, motion.moment(cut).of(camera).lens().orElseThrow().focusM()[0]);
  }

  /** How what stands so far away in the middle of one view has passed in another. */
  public static Flow flow(Sight before, Sight after, double metres) {
    double[] at = after.inPicture(after.seen(before.world(0, 0, metres)));
    return new Flow(at[0], at[1]);
  }
}
