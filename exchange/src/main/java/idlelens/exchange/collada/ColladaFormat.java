package idlelens.exchange.collada;

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

/** COLLADA 1.4.1. */
public final class ColladaFormat implements SceneFormat {
  private static final FormatFacts FACTS =
      new FormatFacts(
          "dae",
          "COLLADA 1.4.1",
          List.of("dae"),
          "model/vnd.collada+xml",
          new Holds(
              List.of(Axes.Y_UP, Axes.Z_UP),
              Optional.empty(),
              Optional.of(Rest.OWN_Z),
              true,
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
    return DaeReader.read(upload.octets());
  }

  @Override
  public Written write(SceneFile scene) {
    return new Written(DaeWriter.write(scene), List.of());
  }
}
