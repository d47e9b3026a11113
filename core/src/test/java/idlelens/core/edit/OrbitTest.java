package idlelens.core.edit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import idlelens.core.geometry.RigidPose;
import idlelens.core.motion.Evaluation;
import idlelens.core.scene.Shot;
import java.util.List;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.DoubleRange;
import org.joml.Quaterniond;
import org.joml.Vector3d;
import org.junit.jupiter.api.Test;

class OrbitTest {
  private static final Shot RIG = Sets.rig();
  private static final Vector3d ABOUT = new Vector3d(1, 0.5, -9);

  private static RigidPose pose(Shot shot, String id) {
    return Evaluation.at(shot, 25).pose(id, 0);
  }

  private static Shot orbited(String id, double across, double up) {
    return new Orbit(id, 25, ABOUT.x, ABOUT.y, ABOUT.z, across, up, Keying.WHOLE_POSE).apply(RIG);
  }

  /** The point as the node sees it. */
  private static Vector3d seen(RigidPose pose) {
    Vector3d to = new Vector3d(ABOUT).sub(pose.place());
    return to.rotate(new Quaterniond(pose.turn()).conjugate());
  }

  @Property(tries = 100)
  void thePoint_isSeenWhereItWas_asFarAway(
      @ForAll @DoubleRange(min = -400, max = 400) double across,
      @ForAll @DoubleRange(min = -200, max = 200) double up) {
    for (String id : List.of("cam", "arm")) {
      RigidPose before = pose(RIG, id);
      RigidPose after = pose(orbited(id, across, up), id);
      assertThat(seen(after).distance(seen(before))).isLessThan(1e-8);
    }
  }

  @Test
  void across_goesAroundTheVertical() {
    RigidPose before = pose(RIG, "cam");
    RigidPose after = pose(orbited("cam", 90, 0), "cam");
    assertThat(after.y()).isCloseTo(before.y(), within(1e-9));
    // counter-clockwise from above: +x goes to -z
    assertThat(after.z() - ABOUT.z).isCloseTo(-(before.x() - ABOUT.x), within(1e-9));
    assertThat(after.x() - ABOUT.x).isCloseTo(before.z() - ABOUT.z, within(1e-9));
  }

  @Test
  void up_lifts_andEndsShortOfStraightAbove() {
    Vector3d arm = pose(RIG, "cam").place().sub(ABOUT, new Vector3d());
    double elevation = Math.toDegrees(Math.atan2(arm.y, Math.hypot(arm.x, arm.z)));
    for (double up : new double[] {10, -10, 170, -170}) {
      Vector3d now = pose(orbited("cam", 0, up), "cam").place().sub(ABOUT, new Vector3d());
      double is = Math.toDegrees(Math.atan2(now.y, Math.hypot(now.x, now.z)));
      double expected = Math.max(-89, Math.min(89, elevation + up));
      assertThat(is).as("up %s", up).isCloseTo(expected, within(1e-6));
    }
  }

  @Test
  void straightAboveThePoint_thereIsNoWayUp_onlyAround() {
    RigidPose crate = pose(RIG, "crate");
    Shot above =
        new Orbit("crate", 25, crate.x(), crate.y() - 3, crate.z(), 40, 25, Keying.STILL)
            .apply(RIG);
    assertThat(pose(above, "crate").place().distance(crate.place())).isLessThan(1e-9);
    assertThat(above).isNotEqualTo(RIG);
  }
}
