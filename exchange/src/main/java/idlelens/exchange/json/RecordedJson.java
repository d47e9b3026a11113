package idlelens.exchange.json;

import idlelens.core.part.PartBody;
import idlelens.core.part.Recorded;
import idlelens.core.part.Shake;
import idlelens.core.shake.Recording;
import idlelens.exchange.format.FormatException;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import tools.jackson.databind.node.ObjectNode;

/** Recordings: a rate, and for each channel that there is its samples. */
public final class RecordedJson {
  static final List<String> FIELDS = List.of("name", "start", "loops", "fade", "rate", "samples");

  private static final double USUAL_FADE_S = 0.5;
  private static final List<String> CHANNELS = Shake.AMPLITUDES.stream().map(p -> p.id()).toList();

  private RecordedJson() {}

  static Recorded read(PartBody body, JsonPlace p) throws FormatException {
    return new Recorded(
        body,
        p.get("name").text(),
        recording(p),
        p.number("start", 0),
        p.flag("loops", false),
        p.number("fade", USUAL_FADE_S));
  }

  /** A recording from the fields {@code rate} and {@code samples} of an object. */
  public static Recording recording(JsonPlace p) throws FormatException {
    JsonPlace samples = p.get("samples").only(CHANNELS.toArray(String[]::new));
    List<Optional<double[]>> channels = new ArrayList<>();
    for (String channel : CHANNELS) {
      channels.add(
          samples.has(channel)
              ? Optional.of(TakeJson.column(samples.get(channel)))
              : Optional.empty());
    }
    return new Recording(p.get("rate").number(), channels);
  }

  static void write(Recorded part, ObjectNode out) {
    out.put("name", part.name()).put("start", part.start());
    if (part.loops()) {
      out.put("loops", true);
    }
    out.put("fade", part.fadeS());
    write(part.recording(), out);
  }

  /** A recording as the fields {@code rate} and {@code samples} of an object. */
  public static void write(Recording recording, ObjectNode out) {
    out.put("rate", recording.rateHz());
    ObjectNode samples = out.putObject("samples");
    for (int c = 0; c < CHANNELS.size(); c++) {
      int channel = c;
      recording
          .channel(c)
          .ifPresent(values -> TakeJson.write(samples.putArray(CHANNELS.get(channel)), values));
    }
  }
}
