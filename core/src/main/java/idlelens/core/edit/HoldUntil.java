package idlelens.core.edit;

import idlelens.core.curve.Holding;
import idlelens.core.scene.Shot;

/**
 * Keeps channels still until a frame: each gets a key there with the value of its key before, so
 * that it starts to move at that frame and not earlier.
 *
 * @param picks channels with the frames at which they may start to move
 */
public record HoldUntil(Picks picks) implements Edit {
  @Override
  public Shot apply(Shot shot) {
    return picks.change(shot, (curve, pick) -> Holding.until(curve, pick.frames()));
  }

  @Override
  public Footprint footprint(Shot shot) {
    return picks.footprint(shot).done();
  }

  @Override
  public String summary() {
    return "Hold creeping channels";
  }
}
