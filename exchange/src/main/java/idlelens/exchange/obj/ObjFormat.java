package idlelens.exchange.obj;

import idlelens.exchange.format.FormatException;
import idlelens.exchange.scenefile.ReadOnly;
import idlelens.exchange.scenefile.SceneFile;
import idlelens.exchange.scenefile.Upload;
import java.util.List;

/** Wavefront pieces. */
public final class ObjFormat implements ReadOnly {
  @Override
  public String id() {
    return "obj";
  }

  @Override
  public String label() {
    return "Wavefront";
  }

  @Override
  public List<String> endings() {
    return List.of("obj");
  }

  @Override
  public String mediaType() {
    return "model/obj";
  }

  @Override
  public SceneFile read(Upload upload) throws FormatException {
    return ObjReader.read(upload);
  }
}
