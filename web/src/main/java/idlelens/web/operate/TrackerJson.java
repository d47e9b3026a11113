package idlelens.web.operate;

import idlelens.core.scene.Node;
import idlelens.core.scene.Shot;
import idlelens.exchange.opentrackio.TrackFeed;
import idlelens.exchange.opentrackio.TrackSample;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/** What comes from a tracker, as JSON. */
final class TrackerJson {
  private static final double QUIET_S = 1;

  private TrackerJson() {}

  static ObjectNode closed() {
    return JsonNodeFactory.instance.objectNode().put("on", false);
  }

  /**
   * @param camera whose picture it is seen in
   * @param focalMm its focal length, where the tracker tells none
   */
  static ObjectNode of(Tracker tracker, Shot shot, Node.Camera camera, double focalMm) {
    ObjectNode out = JsonNodeFactory.instance.objectNode().put("on", true);
    out.put("port", tracker.port()).put("standIn", tracker.hasStandIn());
    out.put("rolling", tracker.feed().isRolling());
    var live = tracker.live();
    out.put("quiet", live.isEmpty() || tracker.quietS() > QUIET_S);
    live.ifPresent(s -> live(out, shot, camera, s, focalMm));
    out.set("told", told(tracker.feed().told()));
    return out;
  }

  private static void live(
      ObjectNode out, Shot shot, Node.Camera camera, TrackSample sample, double focalMm) {
    double focal = sample.focalMm().orElse(focalMm);
    ObjectNode live = WalkJson.live(shot, camera, sample.pose(), focal > 0 ? focal : focalMm);
    sample.focusM().ifPresent(m -> live.put("focusM", m));
    sample.rateHz().ifPresent(hz -> live.put("rate", hz));
    out.set("live", live);
  }

  static ObjectNode told(TrackFeed.Told told) {
    ObjectNode out = JsonNodeFactory.instance.objectNode();
    out.put("came", told.came()).put("kept", told.kept()).put("damaged", told.damaged());
    out.put("late", told.late()).put("twice", told.twice()).put("strays", told.strays());
    out.put("anew", told.anew()).put("beyond", told.beyond()).put("missing", told.missing());
    out.put("holes", told.holes());
    ArrayNode gaps = out.putArray("gaps");
    told.gaps().forEach(gap -> gaps.addArray().add(gap.at()).add(gap.count()));
    return out.put("lastDamage", told.lastDamage());
  }
}
