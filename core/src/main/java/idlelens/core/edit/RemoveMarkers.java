package idlelens.core.edit;

import idlelens.core.rule.RefusedException;
import idlelens.core.scene.Shot;
import java.util.List;

/** Takes markers away. */
public record RemoveMarkers(List<String> ids) implements Edit {
  public RemoveMarkers {
    ids = List.copyOf(ids);
  }

  @Override
  public Shot apply(Shot shot) {
    for (String id : ids) {
      if (shot.markers().stream().noneMatch(m -> m.id().equals(id))) {
        throw new RefusedException("marker", "'" + id + "'", "the id of a marker of this shot");
      }
    }
    return shot.withMarkers(shot.markers().stream().filter(m -> !ids.contains(m.id())).toList());
  }

  @Override
  public Footprint footprint(Shot shot) {
    Footprint.Builder places = Footprint.of(shot);
    ids.forEach(id -> places.changes(Place.marker(id)));
    return places.done();
  }

  @Override
  public String summary() {
    return ids.size() == 1 ? "Remove a marker" : "Remove " + ids.size() + " markers";
  }
}
