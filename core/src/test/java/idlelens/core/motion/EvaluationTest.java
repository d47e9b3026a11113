package idlelens.core.motion;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import idlelens.core.edit.Keying;
import idlelens.core.edit.SetHidden;
import idlelens.core.edit.SetValues;
import idlelens.core.edit.Sets;
import idlelens.core.geometry.RigidPose;
import idlelens.core.geometry.Turns;
import idlelens.core.part.Path;
import idlelens.core.scene.Hidden;
import idlelens.core.scene.Node;
import idlelens.core.scene.Shot;
import idlelens.core.time.SampleGrid;
import java.util.Map;
import org.joml.Matrix4d;
import org.joml.Quaterniond;
import org.joml.Vector3d;
import org.junit.jupiter.api.Test;

class EvaluationTest {
  private static final Shot RIG = Sets.rig();

  private static Matrix4d local(Node node, double frame) {
    double[] v = Path.POSE.stream().mapToDouble(c -> node.chain().curve(c).at(frame)).toArray();
    return new Matrix4d()
        .translate(v[0], v[1], v[2])
        .rotateY(Math.toRadians(v[3]))
        .rotateX(Math.toRadians(v[4]))
        .rotateZ(Math.toRadians(v[5]));
  }

  @Test
  void world_underTwoNulls_isTheProductOfTheMatrices() {
    Evaluation motion = Evaluation.of(RIG);
    for (int i = 0; i < motion.grid().count(); i++) {
      double frame = motion.grid().frame(i);
      Matrix4d expected =
          local(RIG.node("base"), frame)
              .mul(local(RIG.node("arm"), frame))
              .mul(local(RIG.node("cam"), frame));
      RigidPose pose = motion.pose("cam", i);
      Vector3d place = expected.getTranslation(new Vector3d());
      assertThat(pose.place().distance(place)).isLessThan(1e-12);
      Quaterniond turn = expected.getUnnormalizedRotation(new Quaterniond());
      assertThat(Turns.angleBetween(pose.turn(), turn.normalize())).isLessThan(1e-9);
    }
  }

  @Test
  void quaternions_areContinuousInSign() {
    Shot spinning = new SetValues("base", 1, Map.of(Path.PAN, 0.0), Keying.TOUCHED).apply(RIG);
    spinning = new SetValues("base", 50, Map.of(Path.PAN, 1500.0), Keying.TOUCHED).apply(spinning);
    PoseTrack track = Evaluation.of(spinning).of("cam").world();
    for (int i = 1; i < track.x().length; i++) {
      assertThat(track.turn(i).dot(track.turn(i - 1))).isPositive();
    }
  }

  @Test
  void focus_followed_isTheDistanceAlongTheAxisPlusOffset() {
    Evaluation motion = Evaluation.of(RIG);
    LensTrack lens = motion.of("cam").lens().orElseThrow();
    for (int i = 0; i < motion.grid().count(); i += 7) {
      RigidPose camera = motion.pose("cam", i);
      Vector3d to = motion.pose("crate", i).place().sub(camera.place());
      double along = to.dot(camera.forward()) + 0.1;
      double expected = Math.max(along, lens.focalMm()[i] / 1000 + 0.005);
      assertThat(lens.focusM()[i]).isCloseTo(expected, within(1e-12));
    }
  }

  @Test
  void evaluate_afterAnEdit_keepsTheTracksItDidNotTouch() {
    Evaluation before = Evaluation.of(RIG);
    Shot after = new SetValues("cam", 25, Map.of(Path.X, 3.0), Keying.TOUCHED).apply(RIG);
    Evaluation now = Evaluation.of(after, before.grid(), before);
    assertThat(now.of("arm").world()).isSameAs(before.of("arm").world());
    assertThat(now.of("cam").world()).isNotSameAs(before.of("cam").world());
    assertThat(now.of("cam").values(Path.TILT)).isSameAs(before.of("cam").values(Path.TILT));
    assertThat(now.shares("crate", before)).isTrue();
    assertThat(now.shares("cam", before)).isFalse();
    Evaluation alone = Evaluation.of(after);
    for (int i = 0; i < now.grid().count(); i++) {
      assertThat(now.pose("cam", i)).isEqualTo(alone.pose("cam", i));
    }
  }

  @Test
  void evaluate_aCarrierChanged_movesAllItCarries() {
    Evaluation before = Evaluation.of(RIG);
    Shot after = new SetValues("base", 1, Map.of(Path.X, 9.0), Keying.STILL).apply(RIG);
    Evaluation now = Evaluation.of(after, before.grid(), before);
    assertThat(now.pose("cam", 3).x() - before.pose("cam", 3).x()).isCloseTo(7, within(1e-12));
    Shot hidden = new SetHidden("cam", Hidden.IN_SIGHT).apply(RIG);
    assertThat(Evaluation.of(hidden, before.grid(), before).of("cam").world())
        .isSameAs(before.of("cam").world());
  }

  @Test
  void still_nodes_haveOneSampleForAll() {
    Evaluation motion = Evaluation.of(RIG);
    assertThat(motion.of("crate").world().isStill()).isTrue();
    assertThat(motion.of("crate").world().pose(40)).isEqualTo(motion.pose("crate", 0));
  }

  @Test
  void grid_ofHalfFrames_agreesWithWholeOnes() {
    Evaluation whole = Evaluation.of(RIG, new SampleGrid(1, 50, 1), null);
    Evaluation half = Evaluation.of(RIG, new SampleGrid(1, 99, 2), null);
    assertThat(half.pose("cam", 20).place().distance(whole.pose("cam", 10).place()))
        .isLessThan(1e-15);
  }
}
