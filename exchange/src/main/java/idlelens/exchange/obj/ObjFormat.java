package idlelens.exchange.obj;

import idlelens.exchange.format.FormatException;
import idlelens.exchange.scenefile.FormatFacts;
import idlelens.exchange.scenefile.ReadOnly;
import idlelens.exchange.scenefile.SceneFile;
import idlelens.exchange.scenefile.Upload;
import java.util.List;

/** Wavefront pieces. */
public final class ObjFormat implements ReadOnly {
  private static final FormatFacts FACTS =
      new FormatFacts("obj", "Wavefront", List.of("obj"), "model/obj", ReadOnly.NOTHING);

  @Override
  public FormatFacts facts() {
    return FACTS;
  }

  @Override
  public SceneFile read(Upload upload) throws FormatException {
    return ObjReader.read(upload);
  }
}
