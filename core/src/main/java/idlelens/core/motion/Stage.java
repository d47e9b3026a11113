package idlelens.core.motion;

import idlelens.core.geometry.RigidPose;
import idlelens.core.part.Aim;
import idlelens.core.part.Keys;
import idlelens.core.part.Move;
import idlelens.core.part.Parameter;
import idlelens.core.part.Target;
import idlelens.core.part.Window;
import idlelens.core.time.SampleGrid;
import java.util.List;
import org.joml.Quaterniond;
import org.joml.Vector3d;

/** One step of the chain: from the flow before it to the flow after it. Pure. */
sealed interface Stage permits Stage.Posing, Framed, Shaken, Smoothed, RunningIn {

  /**
   * The flow after this stage.
   *
   * @param before the flow before it; the first stage of a chain ignores its pose
   */
  Flow apply(Flow before);

  /** Whether it reads or changes what the lens is set to. */
  boolean touchesLens();

  /** Whether this stage and another would make the same of the same track. */
  boolean sameAs(Stage other);

  /** A stage that knows nothing of lenses. */
  sealed interface Posing extends Stage permits Posed, Moved, Held, Carried, Aimed {
    /** The track after this stage, from the one before it. */
    PoseTrack apply(PoseTrack before);

    @Override
    default Flow apply(Flow before) {
      return before.with(apply(before.pose()));
    }

    @Override
    default boolean touchesLens() {
      return false;
    }
  }

  /** The node's own pose from its six numbers. */
  record Posed(PartTrack keys) implements Posing {
    static final double RAD = Math.PI / 180;

    @Override
    public PoseTrack apply(PoseTrack before) {
      PoseTrack track = PoseTrack.empty(keys.grid(), keys.isStill());
      double[] x = keys.values(Keys.X);
      double[] y = keys.values(Keys.Y);
      double[] z = keys.values(Keys.Z);
      double[] pan = keys.values(Keys.PAN);
      double[] tilt = keys.values(Keys.TILT);
      double[] roll = keys.values(Keys.ROLL);
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
    static void turn(PoseTrack to, int i, double pan, double tilt, double roll) {
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
      return other instanceof Posed that && keys.shares(that.keys);
    }
  }

  /**
   * The node's own pose from its six numbers, with what moves add to them.
   *
   * @param keys its keyed numbers
   * @param moves what adds to them, with their weights and pivots, in any order
   */
  record Moved(PartTrack keys, List<Adding> moves) implements Posing {
    /**
     * A move of the node.
     *
     * @param move its settings
     * @param moving what it adds
     * @param weight its weights
     * @param space where the node's own space lies
     * @param pivot pose of the node that its pivot is on, or null for a place or none
     */
    record Adding(Move move, Moving moving, PartTrack weight, Space space, PoseTrack pivot) {
      boolean sameAs(Adding other) {
        return settings(move).equals(settings(other.move))
            && weight.shares(other.weight)
            && (!move.way().hasPivot() || space.sameAs(other.space) && pivot == other.pivot);
      }

      private static Object settings(Move move) {
        return List.of(
            move.way(),
            move.amount(),
            move.ease(),
            move.after(),
            move.rounds(),
            move.pivot(),
            move.body().window());
      }

      void add(SampleGrid grid, int sample, double[] keyed, double[] numbers) {
        double share = weight.value(Parameter.WEIGHT, sample);
        moving.add(grid.frame(sample), share, pivotAt(sample), keyed, numbers);
      }

      private Vector3d pivotAt(int sample) {
        if (!move.way().hasPivot()) {
          return null;
        }
        Vector3d world = move.pivot().inWorld(node -> pivot.pose(sample));
        return space.at(sample).inverse().apply(world);
      }
    }

    /** The keyed numbers with all that is added to them. */
    void numbers(int sample, double[] keyed, double[] out) {
      System.arraycopy(keyed, 0, out, 0, Moving.NUMBERS);
      for (Adding each : moves) {
        each.add(keys.grid(), sample, keyed, out);
      }
    }

    @Override
    public PoseTrack apply(PoseTrack before) {
      SampleGrid grid = keys.grid();
      PoseTrack track = PoseTrack.empty(grid, false);
      double[] keyed = new double[Moving.NUMBERS];
      double[] numbers = new double[Moving.NUMBERS];
      for (int i = 0; i < grid.count(); i++) {
        keys.pose(i, keyed);
        numbers(i, keyed, numbers);
        track.x()[i] = numbers[0];
        track.y()[i] = numbers[1];
        track.z()[i] = numbers[2];
        Posed.turn(
            track,
            i,
            numbers[3] * Posed.RAD / 2,
            numbers[4] * Posed.RAD / 2,
            numbers[5] * Posed.RAD / 2);
        track.continueSign(i);
      }
      return track;
    }

    @Override
    public boolean sameAs(Stage other) {
      if (!(other instanceof Moved that)
          || !keys.shares(that.keys)
          || moves.size() != that.moves.size()) {
        return false;
      }
      for (int i = 0; i < moves.size(); i++) {
        if (!moves.get(i).sameAs(that.moves.get(i))) {
          return false;
        }
      }
      return true;
    }
  }

  /** The node's own pose while its keys are switched off: one pose for all samples. */
  record Held(SampleGrid grid, RigidPose pose) implements Posing {
    @Override
    public PoseTrack apply(PoseTrack before) {
      return PoseTrack.still(grid, pose);
    }

    @Override
    public boolean sameAs(Stage other) {
      return equals(other);
    }
  }

  /** {@code W(t) = S(t) * L(t)}: what the carriers make of the own pose. */
  record Carried(Space space) implements Posing {
    @Override
    public PoseTrack apply(PoseTrack own) {
      PoseTrack track = PoseTrack.empty(own.grid(), own.isStill() && space.isStill());
      int end = track.x().length;
      for (int k = space.stretches().size() - 1; k >= 0; k--) {
        Space.Stretch stretch = space.stretches().get(k);
        carry(stretch, own, track, stretch.first(), end);
        end = Math.min(end, stretch.first());
      }
      for (int i = 1; i < track.x().length; i++) {
        track.continueSign(i);
      }
      return track;
    }

    private void carry(Space.Stretch stretch, PoseTrack own, PoseTrack to, int first, int end) {
      RigidPose offset = stretch.standing().pose();
      boolean settles = !stretch.standing().isStill();
      PoseTrack carrier =
          stretch.carrier() == null
              ? PoseTrack.still(space.grid(), RigidPose.IDENTITY)
              : stretch.carrier();
      Quaterniond turn = new Quaterniond();
      Quaterniond inner = new Quaterniond();
      Vector3d place = new Vector3d();
      Quaterniond offsetTurn = offset.turn();
      for (int i = first; i < end; i++) {
        if (settles) {
          offset = stretch.standing().at(space.grid().frame(i));
          offsetTurn = offset.turn();
        }
        int o = own.index(i);
        int c = carrier.index(i);
        turn.set(carrier.qx()[c], carrier.qy()[c], carrier.qz()[c], carrier.qw()[c]);
        place
            .set(own.x()[o], own.y()[o], own.z()[o])
            .rotate(offsetTurn)
            .add(offset.x(), offset.y(), offset.z())
            .rotate(turn);
        to.x()[i] = place.x + carrier.x()[c];
        to.y()[i] = place.y + carrier.y()[c];
        to.z()[i] = place.z + carrier.z()[c];
        inner.set(own.qx()[o], own.qy()[o], own.qz()[o], own.qw()[o]);
        turn.mul(offsetTurn).mul(inner);
        to.qx()[i] = turn.x;
        to.qy()[i] = turn.y;
        to.qz()[i] = turn.z;
        to.qw()[i] = turn.w;
      }
    }

    @Override
    public boolean sameAs(Stage other) {
      return other instanceof Carried that && space.sameAs(that.space);
    }
  }

  /**
   * One of the node's sides looks at a target.
   *
   * @param aim its settings
   * @param values weight and blend
   * @param first pose of the node the first target is on, or null where it is a place
   * @param second the same for the second target
   */
  record Aimed(Aim aim, PartTrack values, PoseTrack first, PoseTrack second) implements Posing {

    @Override
    public PoseTrack apply(PoseTrack before) {
      if (isWithout()) {
        return before;
      }
      Aiming aiming = new Aiming(aim.side(), aim.roll());
      Window window = aim.body().window();
      PoseTrack track = PoseTrack.turning(before, isStill(before));
      for (int i = 0; i < track.qx().length; i++) {
        int b = before.index(i);
        aiming.pose().set(before.qx()[b], before.qy()[b], before.qz()[b], before.qw()[b]);
        towards(aim.target(), first, before, i, aiming.first());
        if (aim.second().isPresent()) {
          towards(aim.second().get(), second, before, i, aiming.second());
        }
        double weight = value(Parameter.WEIGHT, i) * window.at(before.grid().frame(i));
        Quaterniond turned = aiming.turned(blend(i), weight);
        track.qx()[i] = turned.x;
        track.qy()[i] = turned.y;
        track.qz()[i] = turned.z;
        track.qw()[i] = turned.w;
        track.continueSign(i);
      }
      return track;
    }

    private double value(Parameter parameter, int i) {
      return values.value(parameter, i);
    }

    private double blend(int i) {
      return aim.second().isPresent() ? value(Aim.BLEND, i) : 0;
    }

    /** Whether it never takes effect, so that the track before it stays what it is. */
    private boolean isWithout() {
      double[] weight = values.values(Parameter.WEIGHT);
      return weight.length == 1 && weight[0] == 0;
    }

    private boolean isStill(PoseTrack before) {
      return before.isStill()
          && values.isStill()
          && aim.body().window().isOpen()
          && (first == null || first.isStill())
          && (second == null || second.isStill());
    }

    /** The way from the node to a target. */
    private static void towards(
        Target target, PoseTrack on, PoseTrack from, int sample, Vector3d out) {
      if (target instanceof Target.OfNode node) {
        int t = on.index(sample);
        out.set(node.x(), node.y(), node.z());
        rotate(out, on.qx()[t], on.qy()[t], on.qz()[t], on.qw()[t]);
        out.add(on.x()[t], on.y()[t], on.z()[t]);
      } else if (target instanceof Target.Place place) {
        out.set(place.x(), place.y(), place.z());
      }
      int f = from.index(sample);
      out.sub(from.x()[f], from.y()[f], from.z()[f]);
    }

    /** Turns a vector by a unit quaternion: {@code v + 2w (q x v) + 2 q x (q x v)}. */
    private static void rotate(Vector3d v, double qx, double qy, double qz, double qw) {
      double tx = 2 * (qy * v.z - qz * v.y);
      double ty = 2 * (qz * v.x - qx * v.z);
      double tz = 2 * (qx * v.y - qy * v.x);
      v.add(qw * tx + qy * tz - qz * ty, qw * ty + qz * tx - qx * tz, qw * tz + qx * ty - qy * tx);
    }

    @Override
    public boolean sameAs(Stage other) {
      return other instanceof Aimed that
          && first == that.first
          && second == that.second
          && values.shares(that.values)
          && settings(aim).equals(settings(that.aim));
    }

    private static Object settings(Aim aim) {
      return List.of(
          aim.side(), aim.roll(), aim.targets(), aim.second().isPresent(), aim.body().window());
    }
  }
}
