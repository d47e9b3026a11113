package idlelens.core.edit;

import idlelens.core.curve.Curve;
import idlelens.core.retime.Landing;
import idlelens.core.retime.Ramp;
import idlelens.core.retime.Retiming;
import idlelens.core.retime.TimeMap;
import idlelens.core.rule.RefusedException;
import idlelens.core.rule.Require;
import idlelens.core.scene.Channel;
import idlelens.core.scene.Marker;
import idlelens.core.scene.Node;
import idlelens.core.scene.Shot;
import idlelens.core.scene.ShotHeader;
import idlelens.core.time.FrameRange;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;

/**
 * Moves the keys of whole nodes in time.
 *
 * @param ids the nodes; none for all
 * @param map from the frame of a key to its new frame
 * @param landing what happens to keys that are already where others arrive
 * @param markers whether markers move too; hit frames of a ramp never do
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
      changed.put(node.id(), retimed(node));
    }
    Shot after = shot.withChanged(changed);
    if (markers) {
      after = after.withMarkers(after.markers().stream().map(this::moved).toList());
    }
    return range ? after.withHeader(extended(shot.header())) : after;
  }

  private Node retimed(Node node) {
    EnumMap<Channel, Curve> curves = new EnumMap<>(Channel.class);
    node.channels()
        .curves()
        .forEach(
            (channel, curve) -> {
              if (!curve.isKeyed() || node.filter().locked().contains(channel)) {
                return;
              }
              try {
                curves.put(channel, Retiming.apply(curve, map, landing));
              } catch (RefusedException e) {
                throw e.inside(node.name() + "." + channel.id());
              }
            });
    return curves.isEmpty() ? node : node.withChannels(node.channels().with(curves));
  }

  private Marker moved(Marker marker) {
    boolean mine = ids.isEmpty() || marker.nodeId().isEmpty() || ids.contains(marker.nodeId());
    boolean hit = map instanceof Ramp && marker.kind() == Marker.Kind.HIT;
    return mine && !hit ? marker.withFrame(map.at(marker.frame())) : marker;
  }

  private ShotHeader extended(ShotHeader header) {
    int out = (int) Math.rint(header.range().out() + map.growth());
    return header.withTime(
        header.rate(), new FrameRange(header.range().in(), out), header.handles());
  }

  @Override
  public Set<String> touches() {
    Set<String> touched = new HashSet<>();
    if (ids.isEmpty()) {
      touched.add("everything");
    }
    ids.forEach(id -> touched.add(id + "/*"));
    if (markers) {
      touched.add("markers");
    }
    if (range) {
      touched.add("header");
    }
    return touched;
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
