package idlelens.core.edit;

import idlelens.core.geometry.Turns;
import idlelens.core.rule.Require;
import idlelens.core.scene.Channel;
import idlelens.core.scene.Channels;
import idlelens.core.scene.Shot;
import java.util.EnumMap;
import java.util.Map;
import java.util.Set;
import org.joml.Vector3d;

/**
 * Drives a node from inside, as an operator moves a camera. Truck goes to the level right, pedestal
 * up the own space's vertical, dolly along the direction of view; then pan, tilt and roll turn it.
 *
 * @param truckM metres to the right
 * @param pedestalM metres up
 * @param dollyM metres forward
 * @param pan degrees to the left
 * @param tilt degrees up
 * @param roll degrees counter-clockwise seen from behind
 */
public record Operate(
    String id,
    double frame,
    double truckM,
    double pedestalM,
    double dollyM,
    double pan,
    double tilt,
    double roll,
    Keying keying)
    implements Edit {
  public Operate {
    Require.finite(frame, "frame");
    Require.within(truckM, -1e4, 1e4, "truck");
    Require.within(pedestalM, -1e4, 1e4, "pedestal");
    Require.within(dollyM, -1e4, 1e4, "dolly");
    Require.within(pan, -3600, 3600, "pan");
    Require.within(tilt, -3600, 3600, "tilt");
    Require.within(roll, -3600, 3600, "roll");
    Require.present(keying, "keying");
  }

  @Override
  public Shot apply(Shot shot) {
    Channels channels = shot.node(id).channels();
    EnumMap<Channel, Double> now = new EnumMap<>(Channel.class);
    Channel.POSE.forEach(c -> now.put(c, channels.get(c).at(frame)));
    double heading = Math.toRadians(now.get(Channel.PAN));
    double pitch = Math.toRadians(now.get(Channel.TILT));
    Vector3d move =
        new Vector3d(truckM, 0, 0)
            .rotate(Turns.quaternion(heading, 0, 0))
            .add(0, pedestalM, 0)
            .add(new Vector3d(0, 0, -dollyM).rotate(Turns.quaternion(heading, pitch, 0)));
    EnumMap<Channel, Double> next = new EnumMap<>(Channel.class);
    change(next, now, Channel.X, move.x);
    change(next, now, Channel.Y, move.y);
    change(next, now, Channel.Z, move.z);
    change(next, now, Channel.PAN, pan);
    change(next, now, Channel.TILT, tilt);
    change(next, now, Channel.ROLL, roll);
    return next.isEmpty() ? shot : Keyed.write(shot, id, frame, next, keying);
  }

  private static void change(
      Map<Channel, Double> next, Map<Channel, Double> now, Channel channel, double by) {
    if (by != 0) {
      next.put(channel, now.get(channel) + by);
    }
  }

  @Override
  public Set<String> touches() {
    return Keyed.touches(id, Channel.POSE);
  }

  @Override
  public String summary() {
    return "Operate";
  }
}
