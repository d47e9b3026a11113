package idlelens.core.edit;

import idlelens.core.curve.Curve;
import idlelens.core.curve.Overshoots;
import idlelens.core.rule.Require;
import idlelens.core.scene.Shot;

/**
 * Turns the tangents that swing past their keys towards the level, as little as will do.
 *
 * @param picks for each channel the frames of the swings; any frame between the two keys will do.
 *     No frames: all swings of the channel
 * @param tolerance amount that may stay, in the unit of the channel
 * @param keepJoined whether joined tangents stay one line
 */
public record RemoveOvershoot(Picks picks, double tolerance, boolean keepJoined) implements Edit {
  public RemoveOvershoot {
    Require.within(tolerance, 0, 1e6, "tolerance");
  }

  @Override
  public Shot apply(Shot shot) {
    return picks.change(
        shot,
        (curve, pick) ->
            Overshoots.remove(curve, tolerance, i -> isMeant(curve, i, pick), keepJoined));
  }

  private static boolean isMeant(Curve curve, int segment, KeyPick pick) {
    double from = curve.keys().get(segment).frame();
    double to = curve.keys().get(segment + 1).frame();
    return pick.frames().isEmpty() || pick.frames().stream().anyMatch(f -> f >= from && f <= to);
  }

  @Override
  public Footprint footprint(Shot shot) {
    return picks.footprint(shot).done();
  }

  @Override
  public String summary() {
    return "Remove overshoot";
  }
}
