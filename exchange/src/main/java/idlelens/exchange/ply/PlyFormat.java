package idlelens.exchange.ply;

import idlelens.exchange.format.FormatException;
import idlelens.exchange.scenefile.FormatFacts;
import idlelens.exchange.scenefile.ReadOnly;
import idlelens.exchange.scenefile.SceneFile;
import idlelens.exchange.scenefile.Upload;
import java.util.List;

/** Polygon files: text, and binary of either order of octets. */
public final class PlyFormat implements ReadOnly {
  private static final FormatFacts FACTS =
      new FormatFacts("ply", "Polygon file", List.of("ply"), "application/x-ply", ReadOnly.NOTHING);

  @Override
  public FormatFacts facts() {
    return FACTS;
  }

  @Override
  public SceneFile read(Upload upload) throws FormatException {
    return PlyReader.read(upload);
  }
}
