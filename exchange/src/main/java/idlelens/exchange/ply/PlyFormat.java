package idlelens.exchange.ply;

import idlelens.exchange.format.FormatException;
import idlelens.exchange.scenefile.ReadOnly;
import idlelens.exchange.scenefile.SceneFile;
import idlelens.exchange.scenefile.Upload;
import java.util.List;

/** Polygon files: text, and binary of either order of octets. */
public final class PlyFormat implements ReadOnly {
  @Override
  public String id() {
    return "ply";
  }

  @Override
  public String label() {
    return "Polygon file";
  }

  @Override
  public List<String> endings() {
    return List.of("ply");
  }

  @Override
  public String mediaType() {
    return "application/x-ply";
  }

  @Override
  public SceneFile read(Upload upload) throws FormatException {
    return PlyReader.read(upload);
  }
}
