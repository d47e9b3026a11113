package idlelens.exchange.usd;

import idlelens.exchange.format.FormatException;
import idlelens.exchange.scenefile.Axes;
import idlelens.exchange.scenefile.Holds;
import idlelens.exchange.scenefile.Rest;
import idlelens.exchange.scenefile.SceneFile;
import idlelens.exchange.scenefile.SceneFormat;
import idlelens.exchange.scenefile.Upload;
import java.util.List;
import java.util.Optional;

/** OpenUSD text. */
public final class UsdFormat implements SceneFormat {
  private static final Holds HOLDS =
      new Holds(
          List.of(Axes.Y_UP, Axes.Z_UP),
          Optional.empty(),
          Optional.of(Rest.OWN_Z),
          true,
          false,
          false);

  @Override
  public String id() {
    return "usda";
  }

  @Override
  public String label() {
    return "OpenUSD text";
  }

  @Override
  public List<String> endings() {
    return List.of("usda");
  }

  @Override
  public String mediaType() {
    return "model/vnd.usda";
  }

  @Override
  public Holds holds() {
    return HOLDS;
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
