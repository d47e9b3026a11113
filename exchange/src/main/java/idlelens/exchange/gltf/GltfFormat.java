package idlelens.exchange.gltf;

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

/** glTF 2.0: read as text or binary, written as binary. */
public final class GltfFormat implements SceneFormat {
  private static final FormatFacts FACTS =
      new FormatFacts(
          "glb",
          "glTF 2.0, binary",
          List.of("glb", "gltf"),
          "model/gltf-binary",
          new Holds(
              List.of(Axes.Y_UP),
              Optional.of(1.0),
              Optional.of(Rest.OWN_Z),
              true,
              true,
              true,
              false,
              true));

  @Override
  public FormatFacts facts() {
    return FACTS;
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
