package idlelens.core.edit;

import idlelens.core.lens.Gate;
import idlelens.core.motion.Evaluation;
import idlelens.core.part.Lens;
import idlelens.core.part.Path;
import idlelens.core.rule.Require;
import idlelens.core.scene.Node;
import idlelens.core.scene.Shot;
import java.util.List;
import java.util.Map;

/**
 * Sets the focal length that gives a field of view.
 *
 * @param side which field of view
 * @param degrees the full angle
 */
public record SetFieldOfView(String id, double frame, Side side, double degrees, Keying keying)
    implements Edit {

  /** Which way a field of view is measured. */
  public enum Side {
    HORIZONTAL,
    VERTICAL
  }

  public SetFieldOfView {
    Require.finite(frame, "frame");
    Require.present(side, "side");
    Require.within(degrees, 0.01, 179, side == Side.HORIZONTAL ? "hfov" : "vfov");
    Require.present(keying, "keying");
  }

  @Override
  public Shot apply(Shot shot) {
    Node.Camera camera = shot.perspective(id);
    Gate gate = Evaluation.at(shot, frame).of(camera.id()).lens().orElseThrow().gate(0);
    double angle = Math.toRadians(degrees);
    double focal =
        side == Side.HORIZONTAL ? gate.focalMmOfHorizontal(angle) : gate.focalMmOfVertical(angle);
    return Keyed.write(shot, id, frame, Map.of(Path.FOCAL, focal), keying);
  }

  @Override
  public Footprint footprint(Shot shot) {
    return Keyed.footprint(shot, id, List.of(Path.FOCAL), keying)
        .reliesOnLens(id)
        .reliesOn(Place.settings(id, Lens.ID), Place.header("aspect"))
        .done();
  }

  @Override
  public String summary() {
    return "Set the field of view";
  }
}
