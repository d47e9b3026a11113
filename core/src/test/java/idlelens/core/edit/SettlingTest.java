package idlelens.core.edit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import idlelens.core.check.Calm;
import idlelens.core.curve.Curve;
import idlelens.core.geometry.RigidPose;
import idlelens.core.geometry.Turns;
import idlelens.core.motion.Evaluation;
import idlelens.core.part.Chain;
import idlelens.core.part.HandOver;
import idlelens.core.part.Part;
import idlelens.core.part.Path;
import idlelens.core.part.Recorded;
import idlelens.core.part.Shake;
import idlelens.core.part.ShakeWay;
import idlelens.core.scene.Node;
import idlelens.core.scene.Shot;
import idlelens.core.shake.Recording;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;

/** Handed over from a carrier that shakes. */
class SettlingTest {
  /** The rig with an arm that shakes under the camera, as far as a factor says. */
  private static Shot shaking(double far) {
    Shot rig = Sets.rig();
    Node arm = rig.node("arm");
    List<Part> parts = new ArrayList<>(arm.chain().parts());
    parts.add(Shake.of("shake-x", ShakeWay.Handheld.USUAL, 3, 1));
    Chain chain =
        new Chain(parts)
            .with(new Path("shake-x", "x"), Curve.still(30 * far))
            .with(new Path("shake-x", "pan"), Curve.still(6 * far));
    return rig.withNode(arm.withChain(chain));
  }

  /** The rig with an arm that a recording puts 30 cm aside, times a factor. */
  private static Shot replaying(double far) {
    Shot rig = Sets.rig();
    double[] aside = {30, 30};
    List<Optional<double[]>> channels = new ArrayList<>(List.of(Optional.of(aside)));
    while (channels.size() < Recording.CHANNELS) {
      channels.add(Optional.empty());
    }
    Recorded part = Recorded.of("recorded-aside", "Aside", new Recording(0.1, channels), 1);
    Part scaled =
        part.withBody(part.body().withCurves(part.curves().with(Recorded.PLACE, Curve.still(far))));
    return new AddPart("arm", scaled).apply(rig);
  }

  private static RigidPose cam(Shot shot, double frame) {
    return Evaluation.at(shot, frame).pose("cam", 0);
  }

  private static double apart(RigidPose a, RigidPose b) {
    return a.place().distance(b.place()) + Turns.angleBetween(a.turn(), b.turn());
  }

  @Test
  void settling_itGoesOnFromItsPlace_andComesToTheCleanPath() {
    for (String to : List.of("", "other")) {
      Shot handed = new HandOverTo("cam", 21, to, Meeting.SETTLING, 10).apply(shaking(1));
      Shot clean = new HandOverTo("cam", 21, to, Meeting.JOINED).apply(shaking(0));
      Shot kept = new HandOverTo("cam", 21, to, Meeting.JOINED).apply(shaking(1));
      assertThat(apart(cam(handed, 21), cam(shaking(1), 21))).as("no jump").isLessThan(1e-9);
      assertThat(apart(cam(handed, 20), cam(shaking(1), 20))).isLessThan(1e-12);
      for (double frame : new double[] {31, 31.5, 45}) {
        assertThat(apart(cam(handed, frame), cam(clean, frame))).isLessThan(1e-9);
        assertThat(apart(cam(kept, frame), cam(clean, frame))).isGreaterThan(0.01);
      }
      double half = apart(cam(handed, 26), cam(clean, 26));
      assertThat(half).isBetween(1e-4, apart(cam(handed, 21), cam(clean, 21)));
    }
  }

  @Test
  void recordings_shakeToo() {
    Shot handed = new HandOverTo("cam", 21, "", Meeting.SETTLING, 10).apply(replaying(1));
    Shot clean = new HandOverTo("cam", 21, "", Meeting.JOINED).apply(replaying(0));
    assertThat(apart(cam(handed, 21), cam(clean, 21))).isGreaterThan(0.2);
    assertThat(apart(cam(handed, 31), cam(clean, 31))).isLessThan(1e-9);
    assertThat(Calm.next(replaying(1), "arm", 5).placeM()).isGreaterThan(0.2);
  }

  @Test
  void nextHandOver_goesOnFromWhereItStandsOnTheWay() {
    Shot shot = new HandOverTo("cam", 21, "", Meeting.SETTLING, 10).apply(shaking(1));
    RigidPose before = cam(shot, 25.5);
    Shot again = new HandOverTo("cam", 25.5, "other", Meeting.JOINED).apply(shot);
    assertThat(apart(cam(again, 25.5), before)).isLessThan(1e-9);
  }

  @Test
  void calmFrame_isTheNextAtWhichTheOffsetIsNearlyNone_orTheCalmestThatThereIs() {
    Shot shot = shaking(0.2);
    Calm calm = Calm.next(shot, "arm", 5);
    RigidPose shaken = Evaluation.at(shot, calm.frame()).pose("arm", 0);
    RigidPose clean = Evaluation.at(shaking(0), calm.frame()).pose("arm", 0);
    assertThat(shaken.place().distance(clean.place())).isEqualTo(calm.placeM());
    for (int frame = 5; frame < calm.frame(); frame++) {
      double off =
          apart(
              Evaluation.at(shot, frame).pose("arm", 0),
              Evaluation.at(shaking(0), frame).pose("arm", 0));
      assertThat(off).isGreaterThan(0.0008);
    }
    assertThat(Calm.next(shaking(0), "arm", 7).frame()).isEqualTo(7);
    assertThatThrownBy(() -> Calm.next(shot, "arm", 51)).hasMessage("from is 51; allowed: 1 to 50");
  }

  @Test
  void fixedPoses_doNotSettle() {
    assertThatThrownBy(() -> new HandOver("h", 5, "", Optional.of(RigidPose.IDENTITY), 3))
        .hasMessageContaining("handOver.settle is 3.0; allowed: 0 where");
  }
}
