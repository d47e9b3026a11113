package idlelens.core.edit;

import idlelens.core.rule.RefusedException;
import idlelens.core.scene.Shot;
import java.util.List;
import java.util.Set;

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
  public Set<String> touches() {
    return Set.of("markers");
  }

  @Override
  public String summary() {
    return ids.size() == 1 ? "Remove a marker" : "Remove " + ids.size() + " markers";
  }
}
