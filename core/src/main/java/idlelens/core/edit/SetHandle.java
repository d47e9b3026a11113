package idlelens.core.edit;

import idlelens.core.curve.Curve;
import idlelens.core.curve.Tangent;
import idlelens.core.part.Path;
import idlelens.core.rule.RefusedException;
import idlelens.core.rule.Require;
import idlelens.core.scene.Node;
import idlelens.core.scene.Shot;
import java.util.List;

/**
 * Drags a handle of a key, which becomes free by it. The other handle of a joined tangent turns
 * along and keeps its length.
 *
 * @param frame the frame of the key
 * @param side which handle
 * @param handle where it is dragged to, seen from the key
 * @param alone whether only this side turns, which breaks the tangent
 */
public record SetHandle(
    String id, Path path, double frame, Side side, Tangent.Handle handle, boolean alone)
    implements Edit {

  /** Before or after the key. */
  public enum Side {
    IN,
    OUT
  }

  public SetHandle {
    Require.present(id, "id");
    Require.present(path, "channel");
    Require.finite(frame, "frame");
    Require.present(side, "side");
    Require.present(handle, "handle");
  }

  @Override
  public Shot apply(Shot shot) {
    Node node = shot.node(id);
    Curve curve = node.chain().curve(path);
    int i = curve.indexOf(frame);
    if (i < 0) {
      throw new RefusedException(
          node.name() + "." + path, "without a key at frame " + frame, "one of its keys");
    }
    Tangent.Free turned = turned(curve.handles(i), side, handle, alone);
    Curve changed = curve.withKeyAt(i, curve.keys().get(i).withTangent(turned));
    return shot.withNode(node.withChain(node.chain().with(path, changed)));
  }

  /** A tangent with one handle where it was dragged. */
  static Tangent.Free turned(Tangent.Free now, Side side, Tangent.Handle handle, boolean alone) {
    boolean joined = now.joined() && !alone;
    if (side == Side.IN) {
      Tangent.Handle out = joined ? now.out().sloped(handle.slope()) : now.out();
      return new Tangent.Free(handle, out, joined, now.ownLength());
    }
    Tangent.Handle in = joined ? now.in().sloped(handle.slope()) : now.in();
    return new Tangent.Free(in, handle, joined, now.ownLength());
  }

  @Override
  public Footprint footprint(Shot shot) {
    return Footprint.of(shot).changes(id, List.of(path)).done();
  }

  @Override
  public String summary() {
    return "Drag a tangent";
  }
}
