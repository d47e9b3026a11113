package idlelens.core.motion;

import idlelens.core.geometry.RigidPose;
import idlelens.core.part.Ride;
import idlelens.core.rail.RailCurve;
import idlelens.core.time.FrameRate;
import idlelens.core.time.SampleGrid;
import java.util.List;

/** The space that a ride makes on every sample, with what it was made from. */
final class RideTrack {
  private final Ride ride;
  private final RailCurve curve;
  private final PartTrack values;
  private final PoseTrack rail;
  private final FrameRate rate;
  private final RigidPose held;
  private PoseTrack local;
  private PoseTrack world;

  /**
   * @param rail the rail's own pose in the world
   * @param held where it stands on the rail while the ride is switched off, or null while it is on
   */
  RideTrack(
      Ride ride,
      RailCurve curve,
      PartTrack values,
      PoseTrack rail,
      FrameRate rate,
      RigidPose held) {
    this.ride = ride;
    this.curve = curve;
    this.values = values;
    this.rail = rail;
    this.rate = rate;
    this.held = held;
  }

  /** This one, or an earlier one that is made of the same, or shares its place on the rail. */
  RideTrack made(RideTrack earlier) {
    boolean sameLocal = earlier != null && sameLocal(earlier);
    if (sameLocal && earlier.rail == rail) {
      return earlier;
    }
    local = sameLocal ? earlier.local : locals();
    Space space = new Space(values.grid(), List.of(new Space.Stretch(0, rail, Standing.NOWHERE)));
    world = new Stage.Carried(space).apply(local);
    return this;
  }

  private boolean sameLocal(RideTrack other) {
    return curve.rail().equals(other.curve.rail())
        && values.shares(other.values)
        && rate.equals(other.rate)
        && settings(ride).equals(settings(other.ride))
        && (held == null ? other.held == null : held.equals(other.held));
  }

  private static Object settings(Ride ride) {
    return List.of(ride.turn(), ride.banking(), ride.lookAheadM(), ride.pins());
  }

  private PoseTrack locals() {
    SampleGrid grid = values.grid();
    if (held != null) {
      return PoseTrack.still(grid, held);
    }
    Riding riding = new Riding(ride, curve, rate);
    PoseTrack track = PoseTrack.empty(grid, values.isStill());
    for (int i = 0; i < track.x().length; i++) {
      track.set(
          i,
          riding.pose(
              grid.frame(i),
              values.value(Ride.PACE, i),
              values.value(Ride.SIDE, i),
              values.value(Ride.HEIGHT, i)));
      track.continueSign(i);
    }
    return track;
  }

  /** Its pace, and how far aside and up it is. */
  PartTrack values() {
    return values;
  }

  /** Where it is in the rail's own space. */
  PoseTrack local() {
    return local;
  }

  PoseTrack world() {
    return world;
  }
}
