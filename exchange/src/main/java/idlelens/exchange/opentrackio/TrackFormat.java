package idlelens.exchange.opentrackio;

import idlelens.exchange.format.FormatException;
import idlelens.exchange.scenefile.Axes;
import idlelens.exchange.scenefile.Holds;
import idlelens.exchange.scenefile.Rest;
import idlelens.exchange.scenefile.SceneFile;
import idlelens.exchange.scenefile.SceneFormat;
import idlelens.exchange.scenefile.Upload;
import java.util.List;
import java.util.Optional;

/** OpenTrackIO, a sample on each line. */
public final class TrackFormat implements SceneFormat {
  private static final Holds HOLDS =
      new Holds(List.of(Axes.Z_UP), Optional.of(1.0), Optional.of(Rest.LEVEL), false, false, false);

  @Override
  public String id() {
    return "opentrackio";
  }

  @Override
  public String label() {
    return "OpenTrackIO, lines";
  }

  @Override
  public List<String> endings() {
    return List.of("jsonl", "opentrackio");
  }

  @Override
  public String mediaType() {
    return "application/x-ndjson";
  }

  @Override
  public Holds holds() {
    return HOLDS;
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
