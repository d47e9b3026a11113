package idlelens.core.edit;

import idlelens.core.curve.Curve;
import idlelens.core.curve.Key;
import idlelens.core.curve.Tangent;
import idlelens.core.rule.RefusedException;
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
    return picks.change(shot, HoldUntil::held);
  }

  private static Curve held(Curve curve, KeyPick pick) {
    Curve next = curve;
    for (double frame : pick.frames()) {
      Key before = null;
      for (Key key : next.keys()) {
        if (key.frame() < frame && !key.isAt(frame)) {
          before = key;
        }
      }
      if (before == null) {
        throw new RefusedException("frame", frame, "a frame after a key of the channel");
      }
      int from = next.indexOf(before.frame());
      if (next.keys().get(from).tangent() instanceof Tangent.Free) {
        next = next.withKeyAt(from, before.withTangent(Tangent.Kind.SETTLE));
      }
      next = next.withKey(new Key(frame, before.value(), Tangent.Kind.SETTLE));
    }
    return next;
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
