package idlelens.core.edit;

import idlelens.core.curve.Curve;
import idlelens.core.curve.Key;
import idlelens.core.curve.Tangent;
import idlelens.core.motion.Evaluation;
import idlelens.core.part.Path;
import idlelens.core.rule.RefusedException;
import idlelens.core.rule.Require;
import idlelens.core.scene.Node;
import idlelens.core.scene.Shot;
import java.util.LinkedHashMap;
import java.util.Map;
import org.joml.Vector3d;

/**
 * Drags the tangent of a path in space. The handles of x, y and z at a key turn together; their
 * lengths in time stay, so the timing does.
 *
 * @param frame the frame of the key
 * @param side which handle
 * @param dxM metres along the axes of the world by which the end of the handle moves
 * @param alone whether only this side turns
 */
public record TurnTangent(
    String id, double frame, SetHandle.Side side, double dxM, double dyM, double dzM, boolean alone)
    implements Edit {
  public TurnTangent {
    Require.finite(frame, "frame");
    Require.present(side, "side");
    Require.within(dxM, -1e5, 1e5, "dx");
    Require.within(dyM, -1e5, 1e5, "dy");
    Require.within(dzM, -1e5, 1e5, "dz");
  }

  @Override
  public Shot apply(Shot shot) {
    Node node = shot.node(id);
    Evaluation at = Evaluation.at(shot, frame);
    Vector3d by = OwnNumbers.keyedWay(at, id, new Vector3d(dxM, dyM, dzM));
    Map<Path, Curve> changed = new LinkedHashMap<>();
    for (Path path : Path.PLACE) {
      Curve curve = node.chain().curve(path);
      int i = curve.indexOf(frame);
      if (i >= 0 && curve.keys().size() > 1) {
        changed.put(path, turned(curve, i, by.get(Path.PLACE.indexOf(path))));
      }
    }
    if (changed.isEmpty()) {
      throw new RefusedException(
          node.name() + ".frame", frame, "a frame at which x, y or z has one of several keys");
    }
    return shot.withNode(node.withChain(node.chain().with(changed)));
  }

  private Curve turned(Curve curve, int i, double by) {
    boolean in = side == SetHandle.Side.IN;
    Curve drawn = curve.asDrawn(in ? i - 1 : i);
    Tangent.Free now = drawn.handles(i);
    Tangent.Handle old = in ? now.in() : now.out();
    double value = in ? old.value() - by : old.value() + by;
    Tangent.Handle handle = new Tangent.Handle(old.frames(), value);
    Key key = drawn.keys().get(i);
    if (!in || key.tangent().leavesBending()) {
      drawn = drawn.withKeyAt(i, key.withTangent(now.withOwnLength(true)));
    }
    return SetHandle.dragged(drawn, i, side, handle, alone);
  }

  @Override
  public Footprint footprint(Shot shot) {
    return Footprint.of(shot).changes(id, Path.PLACE).reliesOnMotion(id).done();
  }

  @Override
  public String summary() {
    return "Drag a tangent of the path";
  }
}
