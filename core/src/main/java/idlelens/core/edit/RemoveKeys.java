package idlelens.core.edit;

import idlelens.core.scene.Shot;

/** Removes keys. A channel left without keys keeps the last value. */
public record RemoveKeys(Picks picks) implements Edit {
  @Override
  public Shot apply(Shot shot) {
    picks.requireKeys(shot);
    return picks.change(
        shot,
        (curve, pick) ->
            curve.withoutKeys(pick.frames().stream().mapToDouble(Double::doubleValue).toArray()));
  }

  @Override
  public Footprint footprint(Shot shot) {
    return picks.footprint(shot).done();
  }

  @Override
  public String summary() {
    return "Remove " + picks.words();
  }
}
