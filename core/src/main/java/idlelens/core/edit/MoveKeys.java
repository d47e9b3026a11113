package idlelens.core.edit;

import idlelens.core.curve.Key;
import idlelens.core.retime.Landing;
import idlelens.core.rule.Require;
import idlelens.core.scene.Shot;

/**
 * Moves keys in time and in value. Handles set by hand go along as they are.
 *
 * @param picks the keys
 * @param by frames later; negative is earlier
 * @param byValue added to their values, in the unit of each channel
 * @param landing what happens to keys that are already where others arrive
 */
public record MoveKeys(Picks picks, double by, double byValue, Landing landing) implements Edit {
  public MoveKeys {
    Require.within(by, -1e6, 1e6, "by");
    Require.finite(byValue, "byValue");
    Require.present(landing, "landing");
  }

  @Override
  public Shot apply(Shot shot) {
    return picks.move(shot, this::moved, landing);
  }

  private Key moved(Key key) {
    return new Key(key.frame() + by, key.value() + byValue, key.tangent());
  }

  @Override
  public Footprint footprint(Shot shot) {
    return picks.footprint(shot).done();
  }

  @Override
  public String summary() {
    String how = byValue == 0 ? " in time" : by == 0 ? " in value" : " on the curve";
    return "Move " + picks.words() + how;
  }
}
