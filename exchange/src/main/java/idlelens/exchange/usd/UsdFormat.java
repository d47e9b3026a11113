package idlelens.exchange.usd;

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

/** OpenUSD text. */
public final class UsdFormat implements SceneFormat {
  private static final FormatFacts FACTS =
      new FormatFacts(
          "usda",
          "OpenUSD text",
          List.of("usda"),
          "model/vnd.usda",
          new Holds(
              List.of(Axes.Y_UP, Axes.Z_UP),
              Optional.empty(),
              Optional.of(Rest.OWN_Z),
              true,
              false,
              false,
              true,
              true));

  @Override
  public FormatFacts facts() {
    return FACTS;
  }

  @Override
  public SceneFile read(Upload upload) throws FormatException {
    return UsdReader.read(upload.octets());
  }

  @Override
  public Written write(SceneFile scene) {
    return new Written(UsdWriter.write(scene), List.of());
  }
}
