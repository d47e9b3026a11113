package idlelens.core.edit;

import idlelens.core.curve.Curve;
import idlelens.core.part.Chain;
import idlelens.core.part.Path;
import idlelens.core.retime.Landing;
import idlelens.core.retime.Ramp;
import idlelens.core.retime.Retiming;
import idlelens.core.retime.TimeMap;
import idlelens.core.rule.RefusedException;
import idlelens.core.rule.Require;
import idlelens.core.scene.Marker;
import idlelens.core.scene.Node;
import idlelens.core.scene.Shot;
import idlelens.core.scene.ShotHeader;
import idlelens.core.time.FrameRange;
import idlelens.core.time.FrameSpan;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/**
 * Moves the keys of whole nodes in time.
 *
 * @param ids the nodes; none for all
 * @param map from the frame of a key to its new frame
 * @param landing what happens to keys that are already where others arrive
 * @param markers whether markers move too, and with all nodes the cuts of the program. Hits stay
 *     where they are under a ramp that keeps the length; under one that does not, they stay with
 *     the pose under them
 * @param range whether the shot's last frame moves with what is there
 */
public record Retime(List<String> ids, TimeMap map, Landing landing, boolean markers, boolean range)
    implements Edit {
  public Retime {
    ids = List.copyOf(ids);
    Require.present(map, "map");
    Require.present(landing, "landing");
  }

  @Override
  public Shot apply(Shot shot) {
    Map<String, Node> changed = new HashMap<>();
    List<Node> nodes = ids.isEmpty() ? shot.nodes() : ids.stream().map(shot::node).toList();
    for (Node node : nodes) {
      changed.put(node.id(), retimed(node, shot.header().seen()));
    }
    Shot after = shot.withChanged(changed);
    if (markers) {
      after = after.withMarkers(after.markers().stream().map(this::moved).toList());
      after = ids.isEmpty() ? after.withProgram(after.program().retimed(map::at)) : after;
    }
    return range ? after.withHeader(extended(shot.header())) : after;
  }

  private Node retimed(Node node, FrameSpan seen) {
    Chain chain = node.chain();
    Map<Path, Curve> curves = new LinkedHashMap<>();
    for (Path path : chain.paths()) {
      Curve curve = chain.curve(path);
      if (curve.isKeyed() && !node.takesKeys().locked().contains(path)) {
        try {
          curves.put(path, Retiming.apply(curve, map, landing, seen));
        } catch (RefusedException e) {
          throw e.inside(node.name() + "." + path);
        }
      }
    }
    Chain moved = chain.with(curves).mapped(part -> part.stampsRetimed(map::at));
    Node inTime = node.stampsRetimed(map::at);
    return moved.equals(chain) ? inTime : inTime.withChain(moved);
  }

  private Marker moved(Marker marker) {
    boolean mine = ids.isEmpty() || marker.nodeId().isEmpty() || ids.contains(marker.nodeId());
    boolean hit = map instanceof Ramp ramp && ramp.keepLength() && marker.kind() == Marker.Kind.HIT;
    return mine && !hit ? marker.withFrame(map.at(marker.frame())) : marker;
  }

  private ShotHeader extended(ShotHeader header) {
    int out = (int) Math.rint(map.at(header.range().out()));
    return header.withTime(
        header.rate(), new FrameRange(header.range().in(), out), header.handles());
  }

  @Override
  public Footprint footprint(Shot shot) {
    Footprint.Builder places = Footprint.of(shot);
    for (Node node : ids.isEmpty() ? shot.nodes() : ids.stream().map(shot::node).toList()) {
      places.changesChain(node.id());
      if (node instanceof Node.Piece piece && piece.finish().pictures().isPresent()) {
        places.changes(Place.look(node.id()));
      }
    }
    if (ids.isEmpty()) {
      places.reliesOn(Place.ORDER);
    }
    if (markers) {
      places.changes(Place.MARKERS);
      if (ids.isEmpty()) {
        places.changes(Place.PROGRAM);
      }
    }
    if (range) {
      places.changes(Place.header("range"));
    }
    return places.done();
  }

  @Override
  public String summary() {
    if (map instanceof TimeMap.Stretch) {
      return "Stretch in time";
    }
    if (map instanceof TimeMap.Ripple ripple) {
      return ripple.by() < 0 ? "Ripple earlier" : "Ripple later";
    }
    return map instanceof Ramp ? "Ramp the speed" : "Shift in time";
  }
}
