package idlelens.exchange.gltf;

import idlelens.exchange.format.FormatException;
import idlelens.exchange.scenefile.Axes;
import idlelens.exchange.scenefile.Holds;
import idlelens.exchange.scenefile.Rest;
import idlelens.exchange.scenefile.SceneFile;
import idlelens.exchange.scenefile.SceneFormat;
import idlelens.exchange.scenefile.Upload;
import java.util.List;
import java.util.Optional;

/** glTF 2.0: read as text or binary, written as binary. */
public final class GltfFormat implements SceneFormat {
  private static final Holds HOLDS =
      new Holds(List.of(Axes.Y_UP), Optional.of(1.0), Optional.of(Rest.OWN_Z), true, true, true);

  @Override
  public String id() {
    return "glb";
  }

  @Override
  public String label() {
    return "glTF 2.0, binary";
  }

  @Override
  public List<String> endings() {
    return List.of("glb", "gltf");
  }

  @Override
  public String mediaType() {
    return "model/gltf-binary";
  }

  @Override
  public Holds holds() {
    return HOLDS;
  }

  @Override
  public SceneFile read(Upload upload) throws FormatException {
    return GltfReader.read(upload.octets(), upload.beside());
  }

  @Override
  public Written write(SceneFile scene) {
    return GltfWriter.write(scene);
  }
}
