package idlelens.core.motion;

import idlelens.core.geometry.RigidPose;
import idlelens.core.part.Ride;
import idlelens.core.rule.RefusedException;
import idlelens.core.scene.Node;
import java.util.HashMap;
import java.util.Map;

/** All rides of an evaluation, each made once. */
final class Rides {
  private final Evaluation motion;
  private final Map<String, RideTrack> tracks = new HashMap<>();

  Rides(Evaluation motion) {
    this.motion = motion;
  }

  /**
   * @param world the pose of the rail in the world
   * @param earlier rides to take over what has not changed, or null
   */
  RideTrack of(Node node, Node.Rail rail, PoseTrack world, Rides earlier) {
    String key = node.id() + " " + rail.id();
    RideTrack known = tracks.get(key);
    if (known != null) {
      return known;
    }
    Ride ride =
        node.chain()
            .ride(rail.id())
            .orElseThrow(
                () ->
                    new RefusedException(
                        node.name() + ".carrier",
                        "'" + rail.name() + "', a rail that it has no ride on",
                        "a rail that it rides"));
    RideTrack old = earlier == null ? null : earlier.tracks.get(key);
    PartTrack values =
        PartTrack.sample(ride.evaluated(), motion.grid(), old == null ? null : old.values());
    RigidPose held = motion.isOn(ride) ? null : heldAt(node, rail);
    RideTrack track =
        new RideTrack(ride, rail.rail().curve(), values, world, motion.shot().header().rate(), held)
            .made(old);
    tracks.put(key, track);
    return track;
  }

  private RigidPose heldAt(Node node, Node.Rail rail) {
    Evaluation start = motion.start();
    return start.rides().of(node, rail, start.reached(rail).world(), null).local().pose(0);
  }
}
