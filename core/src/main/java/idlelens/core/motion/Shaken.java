package idlelens.core.motion;

import idlelens.core.part.Lens;
import idlelens.core.part.Parameter;
import idlelens.core.part.Shake;
import idlelens.core.part.Window;
import org.joml.Quaterniond;
import org.joml.Vector3d;

/**
 * A layer of shake: {@code W' = W * T(offset) * R(pan, tilt, roll)}, in the node's own space, and
 * more or less focal length and focus.
 *
 * @param offsets what it adds, before its weight
 * @param values its weight, among others
 * @param window the frames at which it takes effect
 * @param lens whether it reaches a lens
 */
record Shaken(Offsets offsets, PartTrack values, Window window, boolean lens) implements Stage {
  private static final double CENTIMETRES = 0.01;
  private static final int PLACE = 0;
  private static final int TURN = 3;
  private static final int FOCAL = 6;
  private static final int FOCUS = 7;

  @Override
  public Flow apply(Flow before) {
    double[] share = shares();
    if (share.length == 1 && share[0] == 0) {
      return before;
    }
    return new Flow(
        posed(before.pose(), share),
        lens ? set(before.focalMm(), offsets.channel(FOCAL), share, Lens.FOCAL) : before.focalMm(),
        lens ? set(before.focusM(), offsets.channel(FOCUS), share, null) : before.focusM());
  }

  @Override
  public boolean touchesLens() {
    return lens;
  }

  /** How much of it takes effect: one number for all samples or one for each. */
  double[] shares() {
    double[] weight = values.values(Parameter.WEIGHT);
    if (window.isOpen()) {
      return weight;
    }
    double[] out = new double[values.grid().count()];
    for (int i = 0; i < out.length; i++) {
      out[i] = weight[weight.length == 1 ? 0 : i] * window.at(values.grid().frame(i));
    }
    return out;
  }

  private PoseTrack posed(PoseTrack before, double[] share) {
    double[][] all = new double[Shake.POSE_CHANNELS][];
    boolean any = false;
    for (int c = 0; c < all.length; c++) {
      all[c] = offsets.channel(c);
      any |= all[c] != null;
    }
    if (!any) {
      return before;
    }
    PoseTrack track = PoseTrack.empty(before.grid(), false);
    Vector3d place = new Vector3d();
    Quaterniond turn = new Quaterniond();
    Quaterniond own = new Quaterniond();
    for (int i = 0; i < track.x().length; i++) {
      int b = before.index(i);
      double some = share[share.length == 1 ? 0 : i];
      turn.set(before.qx()[b], before.qy()[b], before.qz()[b], before.qw()[b]);
      place.set(at(all, PLACE, i), at(all, PLACE + 1, i), at(all, PLACE + 2, i));
      place.mul(some * CENTIMETRES).rotate(turn);
      track.x()[i] = before.x()[b] + place.x;
      track.y()[i] = before.y()[b] + place.y;
      track.z()[i] = before.z()[b] + place.z;
      double half = some * Stage.Posed.RAD / 2;
      Stage.Posed.turn(
          track,
          i,
          half * at(all, TURN, i),
          half * at(all, TURN + 1, i),
          half * at(all, TURN + 2, i));
      turn.mul(own.set(track.qx()[i], track.qy()[i], track.qz()[i], track.qw()[i]));
      track.qx()[i] = turn.x;
      track.qy()[i] = turn.y;
      track.qz()[i] = turn.z;
      track.qw()[i] = turn.w;
      track.continueSign(i);
    }
    return track;
  }

  private static double at(double[][] all, int channel, int i) {
    return all[channel] == null ? 0 : all[channel][i];
  }

  /** Numbers of a lens with offsets, within the range of what they are. */
  private static double[] set(double[] before, double[] offsets, double[] share, Parameter of) {
    if (offsets == null) {
      return before;
    }
    double[] out = new double[offsets.length];
    for (int i = 0; i < out.length; i++) {
      double some = share[share.length == 1 ? 0 : i];
      out[i] = before[before.length == 1 ? 0 : i] + some * offsets[i];
      out[i] = of == null ? out[i] : of.clamp(out[i]);
    }
    return out;
  }

  @Override
  public boolean sameAs(Stage other) {
    return other instanceof Shaken that
        && values.shares(that.values)
        && lens == that.lens
        && window.equals(that.window)
        && offsets.sameAs(that.offsets);
  }
}
