package idlelens.core.geometry;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.DoubleRange;
import org.joml.Matrix3d;
import org.joml.Quaterniond;
import org.joml.Vector3d;
import org.junit.jupiter.api.Test;

class TurnsTest {

  @Test
  void panTiltRoll_positive_lookLeftUpAndLeanLeft() {
    // pan 90 degrees turns -Z to -X; tilt 90 degrees turns -Z to +Y
    Vector3d panned = new Vector3d(0, 0, -1).rotate(Turns.quaternion(Math.PI / 2, 0, 0));
    assertThat(panned.distance(-1, 0, 0)).isLessThan(1e-15);
    Vector3d tilted = new Vector3d(0, 0, -1).rotate(Turns.quaternion(0, Math.PI / 2, 0));
    assertThat(tilted.distance(0, 1, 0)).isLessThan(1e-15);
  }

  @Property
  void quaternion_isTheProductOfThreeMatrices(
      @ForAll @DoubleRange(min = -7, max = 7) double pan,
      @ForAll @DoubleRange(min = -7, max = 7) double tilt,
      @ForAll @DoubleRange(min = -7, max = 7) double roll) {
    double cy = Math.cos(pan);
    double sy = Math.sin(pan);
    double cx = Math.cos(tilt);
    double sx = Math.sin(tilt);
    double cz = Math.cos(roll);
    double sz = Math.sin(roll);
    Matrix3d aboutY = new Matrix3d(cy, 0, -sy, 0, 1, 0, sy, 0, cy); // by columns
    Matrix3d aboutX = new Matrix3d(1, 0, 0, 0, cx, sx, 0, -sx, cx);
    Matrix3d aboutZ = new Matrix3d(cz, sz, 0, -sz, cz, 0, 0, 0, 1);
    Matrix3d product = aboutY.mul(aboutX).mul(aboutZ);
    Matrix3d mine = new Matrix3d().set(Turns.quaternion(pan, tilt, roll));
    assertThat(mine.equals(product, 1e-14)).isTrue();
  }

  @Property
  void anglesNearThoseBefore_givesThemBack(
      @ForAll @DoubleRange(min = -20, max = 20) double pan,
      @ForAll @DoubleRange(min = -4, max = 4) double tilt,
      @ForAll @DoubleRange(min = -9, max = 9) double roll) {
    double[] angles = {pan, tilt, roll};
    Quaterniond turn = Turns.quaternion(pan, tilt, roll);
    double[] back = Turns.panTiltRoll(turn, angles);
    assertThat(Turns.angleBetween(turn, Turns.quaternion(back[0], back[1], back[2])))
        .isLessThan(1e-7);
    if (Math.abs(Math.cos(tilt)) > 1e-3) {
      assertThat(back).containsExactly(angles, within(1e-9));
    }
  }

  @Test
  void angleBetween_tinyTurn_isNotLost() {
    Quaterniond tiny = Turns.quaternion(1e-9, 0, 0);
    assertThat(Turns.angleBetween(new Quaterniond(), tiny)).isCloseTo(1e-9, within(1e-20));
  }

  @Test
  void rigidPose_timesItsInverse_isNothing() {
    RigidPose pose = RigidPose.of(3, -2, 5, 0.7, -0.3, 2);
    RigidPose nothing = pose.times(pose.inverse());
    assertThat(nothing.place().length()).isLessThan(1e-14);
    assertThat(Turns.angleBetween(nothing.turn(), new Quaterniond())).isLessThan(1e-14);
  }

  @Property(tries = 300)
  void panTiltRoll_straightUpOrDown_staysNear(
      @ForAll @DoubleRange(min = -7, max = 7) double pan,
      @ForAll @DoubleRange(min = -3, max = 3) double roll,
      @ForAll boolean up) {
    double tilt = up ? Math.PI / 2 : -Math.PI / 2;
    double[] found =
        Turns.panTiltRoll(Turns.quaternion(pan, tilt, roll), new double[] {pan, tilt, roll});
    assertThat(found[0]).isCloseTo(pan, within(1e-7));
    assertThat(found[1]).isCloseTo(tilt, within(1e-7));
    assertThat(found[2]).isCloseTo(roll, within(1e-7));
  }
}
