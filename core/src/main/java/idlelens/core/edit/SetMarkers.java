package idlelens.core.edit;

import idlelens.core.rule.Require;
import idlelens.core.scene.Marker;
import idlelens.core.scene.Shot;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/** Puts markers on the shot; one with a known id takes the place of that. */
public record SetMarkers(List<Marker> markers) implements Edit {
  public SetMarkers {
    markers = List.copyOf(markers);
    Require.within(markers.size(), 1, Marker.MOST, "markers.count");
  }

  @Override
  public Shot apply(Shot shot) {
    Map<String, Marker> byId = new LinkedHashMap<>();
    shot.markers().forEach(m -> byId.put(m.id(), m));
    markers.forEach(m -> byId.put(m.id(), m));
    return shot.withMarkers(new ArrayList<>(byId.values()));
  }

  @Override
  public Footprint footprint(Shot shot) {
    Footprint.Builder places = Footprint.of(shot);
    for (Marker marker : markers) {
      places.changes(Place.marker(marker.id()));
      if (!marker.nodeId().isEmpty()) {
        places.reliesOn(Place.there(marker.nodeId()));
      }
    }
    return places.done();
  }

  @Override
  public String summary() {
    return markers.size() == 1
        ? "Mark " + markers.get(0).name()
        : "Set " + markers.size() + " markers";
  }
}
