package idlelens.core.edit;

import idlelens.core.curve.Curve;
import idlelens.core.curve.Key;
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
    Curve changed = dragged(curve, i, side, handle, alone);
    return shot.withNode(node.withChain(node.chain().with(path, changed)));
  }

  /**
   * The curve with a handle of key {@code i} where it was dragged, seen on the curve as it is
   * drawn. A key that is left straight or held stays so when the handle by which it is reached is
   * dragged.
   */
  static Curve dragged(Curve curve, int i, Side side, Tangent.Handle handle, boolean alone) {
    Key key = curve.keys().get(i);
    boolean in = side == Side.IN;
    Curve drawn = curve.asDrawn(in ? i - 1 : i);
    Tangent turned =
        in && !key.tangent().leavesBending()
            ? new Tangent.Reached(handle, key.tangent().plain())
            : turned(drawn.handles(i), side, handle, alone);
    return drawn.withKeyAt(i, key.withTangent(turned)).givingWay(i, in);
  }

  /** A tangent with one handle where it was dragged. */
  private static Tangent.Free turned(
      Tangent.Free now, Side side, Tangent.Handle handle, boolean alone) {
    boolean joined = now.joined() && !alone;
    if (side == Side.IN) {
      Tangent.Handle out = joined ? inLine(now.out(), handle) : now.out();
      return new Tangent.Free(handle, out, joined, now.ownLength());
    }
    Tangent.Handle in = joined ? inLine(now.in(), handle) : now.in();
    return new Tangent.Free(in, handle, joined, now.ownLength());
  }

  /**
   * The other handle of a joined tangent: as long in time. One dragged straight up takes it along
   * straight down, and one pushed into its key has no direction to give.
   */
  private static Tangent.Handle inLine(Tangent.Handle other, Tangent.Handle dragged) {
    if (dragged.frames() > 0) {
      return other.sloped(dragged.slope());
    }
    return dragged.value() == 0 ? other : new Tangent.Handle(0, dragged.value());
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
