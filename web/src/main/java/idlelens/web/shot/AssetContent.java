package idlelens.web.shot;

import idlelens.core.rule.RefusedException;
import idlelens.core.set.Still;
import idlelens.exchange.format.ContentHash;
import idlelens.exchange.format.FormatException;
import idlelens.exchange.mesh.MeshOctets;
import idlelens.web.picture.PictureFile;
import org.springframework.http.MediaType;

/** What may be kept as an asset: triangles, or a picture for a card. */
final class AssetContent {
  private static final PictureFile.Limits PICTURES =
      new PictureFile.Limits(
          16 << 20, Still.MOST_PIXELS, MediaType.IMAGE_PNG, MediaType.IMAGE_JPEG);

  private AssetContent() {}

  /**
   * @throws RefusedException if it is neither triangles nor a picture, or not those of its hash
   */
  static void check(String hash, byte[] content) {
    if (!ContentHash.of(content).equals(hash)) {
      throw new RefusedException("assets." + hash, "other content", "content of that hash");
    }
    if (!MeshOctets.isMesh(content)) {
      picture(content, hash);
      return;
    }
    try {
      MeshOctets.read(content);
    } catch (FormatException e) {
      throw new RefusedException(
          "assets." + hash + "." + e.where(), e.found(), e.allowed() + " (triangles)");
    }
  }

  /**
   * A picture, read to its end.
   *
   * @throws RefusedException with its name if it is none
   */
  static PictureFile picture(byte[] content, String name) {
    try {
      return PictureFile.whole(content, PICTURES);
    } catch (RefusedException e) {
      throw e.inside(name);
    }
  }
}
