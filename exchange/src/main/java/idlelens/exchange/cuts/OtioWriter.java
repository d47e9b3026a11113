package idlelens.exchange.cuts;

import idlelens.exchange.json.JsonPlace;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/**
 * OpenTimelineIO: a timeline of one track, a clip for each stretch of a camera, and before one that
 * fades in the transition.
 */
public final class OtioWriter {
  private OtioWriter() {}

  public static byte[] write(CutList cuts) {
    ObjectNode out = schema("Timeline.1");
    out.put("name", cuts.name());
    out.set("global_start_time", time(cuts.first(), cuts));
    ObjectNode stack = schema("Stack.1");
    stack.put("name", "tracks");
    out.set("tracks", stack);
    ObjectNode track = schema("Track.1");
    track.put("name", "Program").put("kind", "Video");
    stack.putArray("children").add(track);
    var clips = track.putArray("children");
    for (CutList.Event event : cuts.events()) {
      if (event.dissolve() > 0 && !clips.isEmpty()) {
        clips.add(dissolve(event, cuts));
      }
      ObjectNode clip = schema("Clip.2");
      clip.put("name", event.camera());
      clip.set("source_range", range(event.frames().in(), event.frames().length(), cuts));
      ObjectNode missing = schema("MissingReference.1");
      missing.put("name", event.camera());
      clip.putObject("media_references").set("DEFAULT_MEDIA", missing);
      clip.put("active_media_reference_key", "DEFAULT_MEDIA");
      clips.add(clip);
    }
    return JsonPlace.mapper().writerWithDefaultPrettyPrinter().writeValueAsBytes(out);
  }

  /** It begins with the clip that comes, into which it lasts. */
  private static ObjectNode dissolve(CutList.Event event, CutList cuts) {
    ObjectNode transition = schema("Transition.1");
    transition.put("name", "Dissolve").put("transition_type", "SMPTE_Dissolve");
    transition.set("in_offset", time(0, cuts));
    transition.set("out_offset", time(event.dissolve(), cuts));
    return transition;
  }

  private static ObjectNode schema(String name) {
    return JsonNodeFactory.instance.objectNode().put("OTIO_SCHEMA", name);
  }

  private static ObjectNode time(double frames, CutList cuts) {
    return schema("RationalTime.1").put("rate", cuts.rate().framesPerSecond()).put("value", frames);
  }

  private static ObjectNode range(int from, int length, CutList cuts) {
    ObjectNode range = schema("TimeRange.1");
    range.set("start_time", time(from, cuts));
    range.set("duration", time(length, cuts));
    return range;
  }
}
