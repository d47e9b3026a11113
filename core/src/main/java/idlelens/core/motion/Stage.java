package idlelens.core.motion;

import idlelens.core.geometry.RigidPose;
import idlelens.core.scene.Channel;
import idlelens.core.time.SampleGrid;
import org.joml.Quaterniond;
import org.joml.Vector3d;

/** One step of the chain: from the track before it to the track after it. Pure. */
public sealed interface Stage {

  /**
   * The track after this stage.
   *
   * @param before the track before it; the first stage of a chain ignores it
   */
  PoseTrack apply(PoseTrack before);

  /** Whether this stage and another would make the same of the same track. */
  boolean sameAs(Stage other);

  /** The node's own pose from its six keyed channels. */
  record Keys(ChannelTrack channels) implements Stage {
    private static final double RAD = Math.PI / 180;

    @Override
    public PoseTrack apply(PoseTrack before) {
      PoseTrack track = PoseTrack.empty(channels.grid(), channels.isStillPose());
      double[] x = channels.values(Channel.X);
      double[] y = channels.values(Channel.Y);
      double[] z = channels.values(Channel.Z);
      double[] pan = channels.values(Channel.PAN);
      double[] tilt = channels.values(Channel.TILT);
      double[] roll = channels.values(Channel.ROLL);
      for (int i = 0; i < track.x().length; i++) {
        track.x()[i] = at(x, i);
        track.y()[i] = at(y, i);
        track.z()[i] = at(z, i);
        turn(track, i, at(pan, i) * RAD / 2, at(tilt, i) * RAD / 2, at(roll, i) * RAD / 2);
        track.continueSign(i);
      }
      return track;
    }

    private static double at(double[] values, int i) {
      return values[values.length == 1 ? 0 : i];
    }

    /** {@code Ry Rx Rz} from half angles, written without temporary objects. */
    private static void turn(PoseTrack to, int i, double pan, double tilt, double roll) {
      double cy = Math.cos(pan);
      double sy = Math.sin(pan);
      double cx = Math.cos(tilt);
      double sx = Math.sin(tilt);
      double cz = Math.cos(roll);
      double sz = Math.sin(roll);
      to.qx()[i] = cy * sx * cz + sy * cx * sz;
      to.qy()[i] = sy * cx * cz - cy * sx * sz;
      to.qz()[i] = cy * cx * sz - sy * sx * cz;
      to.qw()[i] = cy * cx * cz + sy * sx * sz;
    }

    @Override
    public boolean sameAs(Stage other) {
      return other instanceof Keys that && channels.sharesPose(that.channels);
    }
  }

  /** The node's own pose while its keys are switched off: one pose for all samples. */
  record Held(SampleGrid grid, RigidPose pose) implements Stage {
    @Override
    public PoseTrack apply(PoseTrack before) {
      return PoseTrack.still(grid, pose);
    }

    @Override
    public boolean sameAs(Stage other) {
      return equals(other);
    }
  }

  /** {@code W(t) = S * L(t)}: the own pose in a space that stands still. */
  record Placed(RigidPose space) implements Stage {
    @Override
    public PoseTrack apply(PoseTrack own) {
      return new Carried(PoseTrack.still(own.grid(), space), RigidPose.IDENTITY).apply(own);
    }

    @Override
    public boolean sameAs(Stage other) {
      return equals(other);
    }
  }

  /** {@code W(t) = Q(t) * offset * L(t)}: what the carrier makes of the own pose. */
  record Carried(PoseTrack carrier, RigidPose offset) implements Stage {
    @Override
    public PoseTrack apply(PoseTrack own) {
      PoseTrack track = PoseTrack.empty(own.grid(), own.isStill() && carrier.isStill());
      Quaterniond turn = new Quaterniond();
      Quaterniond inner = new Quaterniond();
      Vector3d place = new Vector3d();
      Quaterniond offsetTurn = offset.turn();
      for (int i = 0; i < track.x().length; i++) {
        int o = own.index(i);
        int c = carrier.index(i);
        turn.set(carrier.qx()[c], carrier.qy()[c], carrier.qz()[c], carrier.qw()[c]);
        place
            .set(own.x()[o], own.y()[o], own.z()[o])
            .rotate(offsetTurn)
            .add(offset.x(), offset.y(), offset.z())
            .rotate(turn);
        track.x()[i] = place.x + carrier.x()[c];
        track.y()[i] = place.y + carrier.y()[c];
        track.z()[i] = place.z + carrier.z()[c];
        inner.set(own.qx()[o], own.qy()[o], own.qz()[o], own.qw()[o]);
        turn.mul(offsetTurn).mul(inner);
        track.qx()[i] = turn.x;
        track.qy()[i] = turn.y;
        track.qz()[i] = turn.z;
        track.qw()[i] = turn.w;
        track.continueSign(i);
      }
      return track;
    }

    @Override
    public boolean sameAs(Stage other) {
      return other instanceof Carried that && carrier == that.carrier && offset.equals(that.offset);
    }
  }
}
