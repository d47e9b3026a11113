package idlelens.core.motion;

import idlelens.core.geometry.Turns;
import idlelens.core.lens.Framing;
import idlelens.core.lens.Gate;
import idlelens.core.part.FrameUp;
import idlelens.core.part.Parameter;
import idlelens.core.part.Target;
import java.util.Arrays;
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
 * @param subject pose of the node that the subject is on, or null for a place
 * @param gate what of the sensor the picture uses
 * @param focalMm focal length, on every sample or one for all
 */
record Framed(FrameUp frameUp, PartTrack values, PoseTrack subject, Gate gate, double[] focalMm)
    implements Stage {
  private static final double FADE_FROM_VERTICAL_RAD = Math.toRadians(5);
  private static final double NEAREST_M = 1e-9;
  private static final double PERCENT = 100;

  @Override
  public PoseTrack apply(PoseTrack before) {
    boolean still =
        before.isStill()
            && values.isStill()
            && frameUp.body().window().isOpen()
            && focalMm.length == 1
            && (subject == null || subject.isStill());
    PoseTrack track = PoseTrack.empty(before.grid(), still);
    for (int i = 0; i < track.x().length; i++) {
      frame(before, i, track);
      track.continueSign(i);
    }
    return track;
  }

  private void frame(PoseTrack before, int i, PoseTrack to) {
    int b = before.index(i);
    Vector3d place = new Vector3d(before.x()[b], before.y()[b], before.z()[b]);
    Quaterniond turn = before.turn(i);
    double window = frameUp.body().window().at(before.grid().frame(i));
    double weight = values.value(Parameter.WEIGHT, i) * window;
    Vector3d way = subjectAt(i).sub(place);
    double distance = way.length();
    if (weight > 0 && distance >= NEAREST_M) {
      double focal = focalMm[focalMm.length == 1 ? 0 : i];
      double across = Math.tan(gate.horizontalRad(focal) / 2);
      double up = Math.tan(gate.verticalRad(focal) / 2);
      Vector3d own =
          new Framing(
                  values.value(FrameUp.ACROSS, i) / PERCENT, values.value(FrameUp.UP, i) / PERCENT)
              .direction(across, up);
      turn = weighted(turn, towards(turn, own, way), weight);
      if (frameUp.way() == FrameUp.Way.DOLLY) {
        double size = values.value(FrameUp.SIZE, i) / PERCENT;
        double wanted = Framing.distanceM(own, frameUp.radiusM(), size, up);
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

  private Vector3d subjectAt(int sample) {
    return frameUp.target() instanceof Target.Place place
        ? new Vector3d(place.x(), place.y(), place.z())
        : ((Target.OfNode) frameUp.target()).in(subject.pose(sample));
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
        && subject == that.subject
        && values.shares(that.values)
        && gate.equals(that.gate)
        && Arrays.equals(focalMm, that.focalMm)
        && settings(frameUp).equals(settings(that.frameUp));
  }

  private static Object settings(FrameUp all) {
    return List.of(all.target(), all.way(), all.radiusM(), all.body().window());
  }
}
