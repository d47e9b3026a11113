package idlelens.exchange.formats;

import static org.assertj.core.api.Assertions.assertThat;

import idlelens.core.geometry.Turns;
import idlelens.exchange.scenefile.Axes;
import idlelens.exchange.scenefile.TurnOrder;
import java.util.List;
import java.util.Random;
import org.joml.Quaterniond;
import org.joml.Vector3d;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

class TurnOrderTest {
  private static Quaterniond product(TurnOrder order, Axes axes, double[] angles) {
    Quaterniond all = new Quaterniond();
    List<Vector3d> about = order.about(axes);
    for (int i = 0; i < 3; i++) {
      all.mul(new Quaterniond().fromAxisAngleRad(about.get(i), angles[order.column(i)]));
    }
    return all;
  }

  @ParameterizedTest
  @EnumSource(TurnOrder.class)
  void angles_makeTheTurn_inAllAxes(TurnOrder order) {
    Random random = new Random(order.ordinal());
    for (Axes axes : Axes.values()) {
      for (int i = 0; i < 200; i++) {
        double[] any = random.doubles(3, -3, 3).toArray();
        Quaterniond turn = product(order, axes, any);
        double[] found = order.angles(turn, axes, new double[3]);
        assertThat(Turns.angleBetween(product(order, axes, found), turn)).isLessThan(1e-9);
      }
    }
  }

  /** Whole turns, and over both poles: the angles go on, and none leaps. */
  @ParameterizedTest
  @EnumSource(TurnOrder.class)
  void angles_overManyFrames_neverLeap(TurnOrder order) {
    for (Axes axes : Axes.values()) {
      double[] near = new double[3];
      double[] before = near;
      for (int i = 0; i <= 1500; i++) {
        double[] said = {0.01 * i, 0.3 * Math.sin(0.02 * i), -0.008 * i};
        near = order.angles(product(order, axes, said), axes, near);
        for (int c = 0; i > 0 && c < 3; c++) {
          assertThat(Math.abs(near[c] - before[c]))
              .as("%s, angle %d at %d", axes, c, i)
              .isLessThan(0.2);
        }
        before = near;
      }
      double turned = Math.abs(near[0]) + Math.abs(near[1]) + Math.abs(near[2]);
      assertThat(turned).as("whole turns are kept").isGreaterThan(12);
    }
  }
}
