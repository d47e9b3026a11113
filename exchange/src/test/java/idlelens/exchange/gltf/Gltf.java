package idlelens.exchange.gltf;

import idlelens.core.scene.Shot;
import idlelens.core.set.Mesh;
import idlelens.core.time.FrameRange;
import idlelens.exchange.format.FormatException;
import idlelens.exchange.incoming.ReadSettings;
import idlelens.exchange.incoming.SceneImport;
import idlelens.exchange.incoming.SceneReading;
import idlelens.exchange.outgoing.HandOff;
import idlelens.exchange.outgoing.SceneOfShot;
import idlelens.exchange.profile.ReceiverProfile;
import idlelens.exchange.scenefile.SceneFile;
import idlelens.exchange.scenefile.SceneFormat;
import idlelens.exchange.scenefile.ShotHint;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;

/** All the way from octets to nodes, and back. */
public final class Gltf {
  private Gltf() {}

  public static SceneImport read(byte[] file, Map<String, byte[]> beside, ReadSettings settings)
      throws FormatException {
    return SceneReading.read(GltfReader.read(file, beside), settings);
  }

  public static Optional<ShotHint> hint(byte[] file) throws FormatException {
    return GltfReader.read(file, Map.of()).hint();
  }

  public static SceneFormat.Written write(
      Shot shot, List<String> cameras, boolean withSet, Function<String, Mesh> stored) {
    return write(shot, shot.header().range(), cameras, withSet, stored);
  }

  /** The file, with all that is said of it. */
  public static SceneFormat.Written write(
      Shot shot,
      FrameRange frames,
      List<String> cameras,
      boolean withSet,
      Function<String, Mesh> stored) {
    HandOff handOff =
        new HandOff(
            shot,
            frames,
            cameras,
            withSet ? HandOff.Company.SET : HandOff.Company.CARRIERS,
            ReceiverProfile.Y_UP_METRES);
    SceneFile scene = SceneOfShot.of(handOff, new GltfFormat().holds(), stored);
    SceneFormat.Written written = GltfWriter.write(scene);
    List<String> notes = new ArrayList<>(scene.notes());
    notes.addAll(written.notes());
    return new SceneFormat.Written(written.octets(), notes);
  }
}
