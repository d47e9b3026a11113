package idlelens.exchange.cuts;

import idlelens.exchange.json.JsonPlace;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/** OpenTimelineIO: a timeline of one track, a clip for each stretch of a camera. */
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
