package idlelens.core.motion;

import idlelens.core.geometry.Turns;
import idlelens.core.lens.Framing;
import idlelens.core.part.FrameUp;
import idlelens.core.part.Lens;
import idlelens.core.part.Parameter;
import java.util.List;
import org.joml.Quaterniond;
import org.joml.Vector3d;

/**
 * A camera that keeps a subject at its place in the picture. Its roll stays what it is; within 5°
 * of the vertical, and where no tilt would do, that fades to the shortest turn. Nothing depends on
 * earlier frames.
 *
 * @param frameUp its settings
 * @param values weight, place in the picture and size
 * @param subject what is kept
 * @param gates what of the sensor the picture uses
 * @param zooms whether it may change the focal length
 */
record Framed(FrameUp frameUp, PartTrack values, KeptSubject subject, Gates gates, boolean zooms)
    implements Stage {
  private static final double FADE_FROM_VERTICAL_RAD = Math.toRadians(5);
  private static final double NEAREST_M = 1e-9;
  private static final double PERCENT = 100;

  @Override
  public Flow apply(Flow before) {
    PoseTrack pose = before.pose();
    double[] focalMm = zooms ? zoomed(before) : before.focalMm();
    PoseTrack track = PoseTrack.empty(pose.grid(), isStill(before));
    for (int i = 0; i < track.x().length; i++) {
      frame(pose, i, focalMm[focalMm.length == 1 ? 0 : i], track);
      track.continueSign(i);
    }
    return new Flow(track, focalMm, before.focusM());
  }

  @Override
  public boolean touchesLens() {
    return true;
  }

  private double[] zoomed(Flow before) {
    double[] given = before.focalMm();
    PoseTrack pose = before.pose();
    double[] out = new double[isStill(before) ? 1 : pose.grid().count()];
    for (int i = 0; i < out.length; i++) {
      Subject.Ball ball = subject.at(i);
      double distance = ball.centre().sub(place(pose, i), new Vector3d()).length();
      out[i] = zoomed(i, given[given.length == 1 ? 0 : i], weight(pose, i), ball, distance);
    }
    return out;
  }

  private boolean isStill(Flow before) {
    return before.pose().isStill()
        && values.isStill()
        && frameUp.body().window().isOpen()
        && before.focalMm().length == 1
        && gates.isStill()
        && subject.isStill();
  }

  private static Vector3d place(PoseTrack before, int i) {
    int b = before.index(i);
    return new Vector3d(before.x()[b], before.y()[b], before.z()[b]);
  }

  private double weight(PoseTrack before, int i) {
    double window = frameUp.body().window().at(before.grid().frame(i));
    return values.value(Parameter.WEIGHT, i) * window;
  }

  /** The focal length that it leaves, zoomed as far as its weight says. */
  private double zoomed(int i, double given, double weight, Subject.Ball ball, double distance) {
    if (weight <= 0 || distance < NEAREST_M) {
      return given;
    }
    double wanted = framing(i).nearestFocalMm(gates.at(i), distance, radius(ball), size(i));
    return Lens.FOCAL.clamp(given + weight * (wanted - given));
  }

  private Framing framing(int i) {
    return new Framing(
        values.value(FrameUp.ACROSS, i) / PERCENT, values.value(FrameUp.UP, i) / PERCENT);
  }

  private double size(int i) {
    return values.value(FrameUp.SIZE, i) / PERCENT;
  }

  /** What has no size is taken for something small. */
  private static double radius(Subject.Ball ball) {
    return Math.max(NEAREST_M, ball.radius());
  }

  private void frame(PoseTrack before, int i, double focal, PoseTrack to) {
    Vector3d place = place(before, i);
    Quaterniond turn = before.turn(i);
    double weight = weight(before, i);
    Subject.Ball ball = subject.at(i);
    Vector3d way = ball.centre().sub(place, new Vector3d());
    double distance = way.length();
    if (weight > 0 && distance >= NEAREST_M) {
      double up = gates.at(i).tanUp(focal);
      Vector3d own = framing(i).direction(gates.at(i), focal);
      turn = weighted(turn, towards(turn, own, way), weight);
      if (frameUp.way() == FrameUp.Way.DOLLY) {
        double wanted = Framing.distanceM(own, radius(ball), size(i), up);
        place.fma(weight * (1 - wanted / distance), way);
      }
    }
    to.x()[i] = place.x;
    to.y()[i] = place.y;
    to.z()[i] = place.z;
    to.qx()[i] = turn.x;
    to.qy()[i] = turn.y;
    to.qz()[i] = turn.z;
    to.qw()[i] = turn.w;
  }

  /** The turn that has the subject in its place. */
  private static Quaterniond towards(Quaterniond turn, Vector3d own, Vector3d way) {
    Vector3d now = own.rotate(turn, new Vector3d());
    Quaterniond shortest = new Quaterniond().rotateTo(now, way).mul(turn).normalize();
    double fromVertical = Math.atan2(Math.hypot(way.x, way.z), Math.abs(way.y));
    double u = Math.min(1, fromVertical / FADE_FROM_VERTICAL_RAD);
    double share = u * u * (3 - 2 * u);
    double roll = Turns.panTiltRoll(turn)[2];
    return Framing.turned(own, way, roll)
        .map(level -> share >= 1 ? level : shortest.slerp(level, share))
        .orElse(shortest);
  }

  private static Quaterniond weighted(Quaterniond from, Quaterniond to, double weight) {
    return weight >= 1 ? to : new Quaterniond(from).slerp(to, weight).normalize();
  }

  @Override
  public boolean sameAs(Stage other) {
    return other instanceof Framed that
        && subject.sameAs(that.subject)
        && values.shares(that.values)
        && gates.sameAs(that.gates)
        && zooms == that.zooms
        && settings(frameUp).equals(settings(that.frameUp));
  }

  private static Object settings(FrameUp all) {
    return List.of(all.targets(), all.way(), all.radiusM(), all.body().window());
  }
}
