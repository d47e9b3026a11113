package idlelens.web.shot;

import idlelens.core.scene.Node;
import idlelens.core.set.Shape;
import idlelens.core.set.Still;
import java.util.ArrayList;
import java.util.List;

/**
 * That a node needs an asset.
 *
 * @param hash the asset
 * @param triangles whether it has to be triangles; if not, a picture
 * @param node who needs it
 */
record AssetUse(String hash, boolean triangles, Node node) {

  /** All that nodes need. */
  static List<AssetUse> of(Iterable<Node> nodes) {
    List<AssetUse> all = new ArrayList<>();
    for (Node node : nodes) {
      if (node instanceof Node.Piece piece && piece.shape() instanceof Shape.Imported imported) {
        all.add(new AssetUse(imported.asset(), true, node));
      }
      node.pictures().stream()
          .flatMap(pictures -> pictures.stills().stream())
          .map(Still::asset)
          .distinct()
          .forEach(asset -> all.add(new AssetUse(asset, false, node)));
    }
    return all;
  }

  /** Where it says so, for a refusal. */
  String place() {
    String pictures = node instanceof Node.Camera ? ".backplate" : ".finish";
    return node.name() + (triangles ? ".shape.asset" : pictures + ".pictures.asset");
  }

  /** What may stand there. */
  String allowed() {
    return (triangles ? "triangles" : "a picture") + " of this production";
  }
}
