package idlelens.core.edit;

import idlelens.core.lens.Gate;
import idlelens.core.rule.Require;
import idlelens.core.scene.Channel;
import idlelens.core.scene.Node;
import idlelens.core.scene.Shot;
import java.util.Map;
import java.util.Set;

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
    Node.Camera camera = shot.camera(id);
    Gate gate = camera.lens().gate(shot.header().aspect());
    double angle = Math.toRadians(degrees);
    double focal =
        side == Side.HORIZONTAL ? gate.focalMmOfHorizontal(angle) : gate.focalMmOfVertical(angle);
    return Keyed.write(shot, id, frame, Map.of(Channel.FOCAL, focal), keying);
  }

  @Override
  public Set<String> touches() {
    return Set.of(id + "/" + Channel.FOCAL.id(), id + "/lens", "header");
  }

  @Override
  public String summary() {
    return "Set the field of view";
  }
}
