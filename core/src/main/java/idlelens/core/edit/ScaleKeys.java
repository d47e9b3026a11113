package idlelens.core.edit;

import idlelens.core.curve.Key;
import idlelens.core.curve.Tangent;
import idlelens.core.retime.Landing;
import idlelens.core.rule.Require;
import idlelens.core.scene.Shot;

/**
 * Scales keys in time and in value about a point; handles set by hand are scaled with them. A
 * negative factor of value turns them over.
 *
 * @param picks the keys
 * @param aboutFrame the frame that stays
 * @param aboutValue the value that stays
 * @param inTime factor of time, above 0
 * @param inValue factor of value
 * @param landing what happens to keys that are already where others arrive
 */
public record ScaleKeys(
    Picks picks,
    double aboutFrame,
    double aboutValue,
    double inTime,
    double inValue,
    Landing landing)
    implements Edit {
  public ScaleKeys {
    Require.within(aboutFrame, -1e7, 1e7, "aboutFrame");
    Require.finite(aboutValue, "aboutValue");
    Require.within(inTime, 1e-3, 1e3, "inTime");
    Require.within(inValue, -1e3, 1e3, "inValue");
    Require.present(landing, "landing");
  }

  @Override
  public Shot apply(Shot shot) {
    return picks.move(shot, this::scaled, landing);
  }

  private Key scaled(Key key) {
    return new Key(
        aboutFrame + (key.frame() - aboutFrame) * inTime,
        aboutValue + (key.value() - aboutValue) * inValue,
        scaled(key.tangent()));
  }

  private Tangent scaled(Tangent tangent) {
    if (tangent instanceof Tangent.Reached reached) {
      return new Tangent.Reached(reached.in().times(inTime, inValue), reached.leaving());
    }
    return tangent instanceof Tangent.Free free
        ? free.withIn(free.in().times(inTime, inValue)).withOut(free.out().times(inTime, inValue))
        : tangent;
  }

  @Override
  public Footprint footprint(Shot shot) {
    return picks.footprint(shot).done();
  }

  @Override
  public String summary() {
    return "Scale " + picks.words();
  }
}
