package idlelens.core.check;

import idlelens.core.geometry.Turns;
import idlelens.core.motion.Evaluation;
import idlelens.core.motion.LensTrack;
import idlelens.core.motion.NodeMotion;
import idlelens.core.motion.PoseTrack;
import java.util.Optional;
import java.util.stream.Stream;

/**
 * How a node's motion differs between two states of a shot, on the frames that both have; or, where
 * one is sampled at the moments of the other's frames, on all of these.
 *
 * @param place largest distance, in metres
 * @param turn largest angle, in degrees
 * @param view largest difference of the field of view, across or up, in degrees: another sensor,
 *     squeeze, picture or focal length shows here
 * @param focal largest difference of focal length, in millimetres; absent where there is no lens
 * @param focus largest difference of focus distance, in metres
 * @param stop largest difference of f-number
 */
public record Difference(
    Peak place,
    Peak turn,
    Optional<Peak> view,
    Optional<Peak> focal,
    Optional<Peak> focus,
    Optional<Peak> stop) {

  private static final double ROUNDING = 1e-7;

  /** The largest amount and the frame where it is. */
  public record Peak(double amount, double frame) {}

  /** Whether anything differs by more than rounding. */
  public boolean isAny() {
    return Stream.of(Optional.of(place), Optional.of(turn), view, focal, focus, stop)
        .flatMap(Optional::stream)
        .anyMatch(p -> p.amount() > ROUNDING);
  }

  /** An amount at a sample of one state and the sample of the other at the same frame. */
  private interface Measure {
    double at(int a, int b);
  }

  /**
   * @param a one state, one sample a frame, with at least one frame in common; or as many samples
   *     as the other, at the same moments
   * @param b another, one sample a frame; its frames are those told
   * @param nodeId a node of both
   */
  public static Difference between(Evaluation a, Evaluation b, String nodeId) {
    NodeMotion mine = a.of(nodeId);
    NodeMotion theirs = b.of(nodeId);
    PoseTrack p = mine.world();
    PoseTrack q = theirs.world();
    Peak place = peak(a, b, (i, k) -> p.pose(i).place().distance(q.pose(k).place()));
    Peak turn = peak(a, b, (i, k) -> Math.toDegrees(Turns.angleBetween(p.turn(i), q.turn(k))));
    if (mine.lens().isEmpty() || theirs.lens().isEmpty()) {
      return new Difference(
          place, turn, Optional.empty(), Optional.empty(), Optional.empty(), Optional.empty());
    }
    LensTrack l = mine.lens().get();
    LensTrack m = theirs.lens().get();
    return new Difference(
        place,
        turn,
        Optional.of(view(a, b, l, m)),
        Optional.of(lens(a, b, l, m, l.focalMm(), m.focalMm())),
        Optional.of(lens(a, b, l, m, l.focusM(), m.focusM())),
        Optional.of(lens(a, b, l, m, l.fStop(), m.fStop())));
  }

  private static Peak lens(
      Evaluation a, Evaluation b, LensTrack l, LensTrack m, double[] mine, double[] theirs) {
    return peak(a, b, (i, k) -> Math.abs(mine[l.index(i)] - theirs[m.index(k)]));
  }

  private static Peak view(Evaluation a, Evaluation b, LensTrack l, LensTrack m) {
    Peak across = lens(a, b, l, m, l.horizontalRad(), m.horizontalRad());
    Peak up = lens(a, b, l, m, l.verticalRad(), m.verticalRad());
    Peak larger = across.amount() >= up.amount() ? across : up;
    return new Peak(Math.toDegrees(larger.amount()), larger.frame());
  }

  private static Peak peak(Evaluation a, Evaluation b, Measure measure) {
    boolean byFrame = a.grid().stepsPerFrame() == b.grid().stepsPerFrame();
    int ahead = byFrame ? (int) Math.rint(b.grid().first() - a.grid().first()) : 0;
    int from = Math.max(0, -ahead);
    int to = Math.min(b.grid().count(), a.grid().count() - ahead);
    Peak peak = new Peak(0, b.grid().frame(from));
    for (int k = from; k < to; k++) {
      double amount = measure.at(k + ahead, k);
      if (amount > peak.amount()) {
        peak = new Peak(amount, b.grid().frame(k));
      }
    }
    return peak;
  }
}
