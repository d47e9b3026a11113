package idlelens.core.edit;

import idlelens.core.curve.Key;
import idlelens.core.retime.Landing;
import idlelens.core.rule.RefusedException;
import idlelens.core.rule.Require;
import idlelens.core.scene.Shot;
import java.util.OptionalDouble;

/**
 * Gives keys exact numbers.
 *
 * @param picks the keys; for a frame, one on each channel
 * @param frame their new frame, if it is to change; whole frames are reached with {@code Snap}
 * @param value their new value, if it is to change
 * @param snap whether frames are rounded to whole ones
 * @param landing what happens to keys that are already there
 */
public record PlaceKeys(
    Picks picks, OptionalDouble frame, OptionalDouble value, boolean snap, Landing landing)
    implements Edit {
  public PlaceKeys {
    frame.ifPresent(f -> Require.within(f, -1e7, 1e7, "frame"));
    value.ifPresent(v -> Require.finite(v, "value"));
    Require.present(landing, "landing");
    if (frame.isEmpty() && value.isEmpty() && !snap) {
      throw new RefusedException("frame", "missing", "a frame, a value, or snap");
    }
  }

  @Override
  public Shot apply(Shot shot) {
    picks.requireKeys(shot);
    return picks.move(shot, this::placed, landing);
  }

  private Key placed(Key key) {
    double to = frame.orElse(key.frame());
    return new Key(snap ? Math.floor(to + 0.5) : to, value.orElse(key.value()), key.tangent());
  }

  @Override
  public Footprint footprint(Shot shot) {
    return picks.footprint(shot).done();
  }

  @Override
  public String summary() {
    return snap ? "Snap " + picks.words() + " to frames" : "Set " + picks.words();
  }
}
