package idlelens.exchange.opentrackio;

import idlelens.exchange.format.FormatException;
import idlelens.exchange.scenefile.Axes;
import idlelens.exchange.scenefile.FormatFacts;
import idlelens.exchange.scenefile.Holds;
import idlelens.exchange.scenefile.Rest;
import idlelens.exchange.scenefile.SceneFile;
import idlelens.exchange.scenefile.SceneFormat;
import idlelens.exchange.scenefile.Upload;
import java.util.List;
import java.util.Optional;

/** OpenTrackIO, a sample on each line. */
public final class TrackFormat implements SceneFormat {
  private static final FormatFacts FACTS =
      new FormatFacts(
          "opentrackio",
          "OpenTrackIO, lines",
          List.of("jsonl", "opentrackio"),
          "application/x-ndjson",
          new Holds(
              List.of(Axes.Z_UP),
              Optional.of(1.0),
              Optional.of(Rest.LEVEL),
              false,
              false,
              false,
              false,
              false));

  @Override
  public FormatFacts facts() {
    return FACTS;
  }

  @Override
  public SceneFile read(Upload upload) throws FormatException {
    return TrackSceneReader.read(upload.octets());
  }

  @Override
  public Written write(SceneFile scene) {
    return new Written(TrackSceneWriter.write(scene), List.of());
  }
}
