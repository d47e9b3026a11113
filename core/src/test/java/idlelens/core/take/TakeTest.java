package idlelens.core.take;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import idlelens.core.geometry.RigidPose;
import idlelens.core.geometry.Turns;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Optional;
import java.util.function.IntFunction;
import org.joml.Quaterniond;
import org.junit.jupiter.api.Test;

class TakeTest {
  private static final double ROUNDING = 1e-7;

  private static Take of(double rateHz, int count, IntFunction<RigidPose> poses) {
    double[][] all = new double[6][count];
    for (int i = 0; i < count; i++) {
      RigidPose pose = poses.apply(i);
      double[] turn = Turns.panTiltRoll(pose.turn());
      double[] now = {pose.x(), pose.y(), pose.z(), turn[0], turn[1], turn[2]};
      for (int c = 0; c < 6; c++) {
        all[c][i] = c < 3 ? now[c] : Math.toDegrees(now[c]);
      }
    }
    List<Optional<double[]>> columns = new ArrayList<>();
    for (double[] column : all) {
      columns.add(Optional.of(column));
    }
    columns.add(Optional.empty());
    columns.add(Optional.empty());
    return new Take(rateHz, columns);
  }

  private static double degrees(Quaterniond a, Quaterniond b) {
    return Math.toDegrees(Turns.angleBetween(a, b));
  }

  /** A constant turn about a slanted axis, past the back and past the pole, and a straight way. */
  @Test
  void evenMotion_isEvenBetweenSamplesToo() {
    Quaterniond start = Turns.quaternion(3, 1.4, 0.2);
    IntFunction<RigidPose> at =
        i ->
            RigidPose.of(
                start
                    .rotateAxis(0.09 * i / 2.0, 1, 0.3, 0.2, new Quaterniond())
                    .transform(new org.joml.Vector3d())
                    .add(0.1 * i / 2.0, 2, -0.3 * i / 2.0),
                start.rotateAxis(0.09 * i / 2.0, 1, 0.3, 0.2, new Quaterniond()));
    Take take = of(50, 40, i -> at.apply(2 * i));
    for (int i = 0; i <= 78; i++) {
      RigidPose found = take.pose(i / 100.0);
      RigidPose is = at.apply(i);
      assertThat(found.place().distance(is.place())).isLessThan(ROUNDING);
      assertThat(degrees(found.turn(), is.turn())).isLessThan(1e-6);
    }
  }

  @Test
  void outside_isAsAtTheEnds() {
    Take take = of(24, 5, i -> RigidPose.of(i, 0, 0, i, 0, 0));
    assertThat(take.pose(-3)).isEqualTo(take.pose(0));
    assertThat(take.pose(99)).isEqualTo(take.pose(4 / 24.0));
    assertThat(take.seconds()).isCloseTo(4 / 24.0, within(1e-15));
    assertThat(take.pathM()).isCloseTo(4, within(1e-9));
    assertThat(take.lens(Take.FOCAL, 0)).isEmpty();
  }

  @Test
  void badNumbers_areNamed() {
    double[] two = {1, 2};
    List<Optional<double[]>> columns = new ArrayList<>(Collections.nCopies(8, Optional.of(two)));
    columns.set(4, Optional.of(new double[] {1, Double.NaN}));
    assertThatThrownBy(() -> new Take(24, columns)).hasMessageContaining("take.tilt[1] is NaN");
    columns.set(4, Optional.of(new double[] {1, 2, 3}));
    assertThatThrownBy(() -> new Take(24, columns))
        .hasMessage("take.tilt.count is 3; allowed: 2, as of x");
    columns.set(4, Optional.empty());
    assertThatThrownBy(() -> new Take(24, columns))
        .hasMessage("take.tilt is missing; allowed: a number for each sample");
    columns.set(4, Optional.of(two));
    columns.set(Take.FOCAL, Optional.of(new double[] {35, 0}));
    assertThatThrownBy(() -> new Take(24, columns)).hasMessageContaining("take.focal[1] is 0");
    assertThatThrownBy(() -> new Take(0, columns)).hasMessageContaining("take.rate is 0");
  }
}
