package idlelens.exchange.incoming;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import idlelens.core.geometry.Turns;
import idlelens.core.time.FrameRate;
import idlelens.exchange.scenefile.Channel;
import idlelens.exchange.scenefile.FileClock;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import org.joml.Quaterniond;
import org.junit.jupiter.api.Test;

class ChannelTest {

  private static Channel sampler(Channel.Between mode, double[] times, double... values) {
    int each = mode == Channel.Between.HERMITE ? 3 : 1;
    return new Channel(times, values, mode, values.length / times.length / each, "test");
  }

  @Test
  void linear_beforeBetweenAndAfter() {
    Channel s = sampler(Channel.Between.LINEAR, new double[] {1, 3}, 10, 20);
    assertThat(s.at(0, 0)).isEqualTo(10);
    assertThat(s.at(1.5, 0)).isCloseTo(12.5, within(1e-15));
    assertThat(s.at(9, 0)).isEqualTo(20);
  }

  @Test
  void step_hasTheNewValueOnTheKey() {
    Channel s = sampler(Channel.Between.STEP, new double[] {0, 1, 2}, 5, 6, 7);
    assertThat(s.at(0.999, 0)).isEqualTo(5);
    assertThat(s.at(1, 0)).isEqualTo(6);
    assertThat(s.at(2, 0)).isEqualTo(7);
  }

  @Test
  void cubic_throughItsKeysWithItsSlopes() {
    Channel s = sampler(Channel.Between.HERMITE, new double[] {0, 2}, 0, 1, 4, -3, 5, 0);
    assertThat(s.at(0, 0)).isEqualTo(1);
    assertThat(s.at(2, 0)).isEqualTo(5);
    double h = 1e-6;
    assertThat((s.at(h, 0) - s.at(0, 0)) / h).isCloseTo(4, within(1e-4));
    assertThat((s.at(2, 0) - s.at(2 - h, 0)) / h).isCloseTo(-3, within(1e-4));
  }

  @Test
  void turns_goTheShortWay() {
    Quaterniond from = Turns.quaternion(Math.toRadians(-10), 0, 0);
    Quaterniond to = Turns.quaternion(Math.toRadians(30), 0, 0).mul(-1); // same turn, other sign
    Channel s =
        sampler(
            Channel.Between.LINEAR,
            new double[] {0, 1},
            from.x,
            from.y,
            from.z,
            from.w,
            to.x,
            to.y,
            to.z,
            to.w);
    Quaterniond middle = Turns.quaternion(Math.toRadians(10), 0, 0);
    assertThat(Turns.angleBetween(s.turnAt(0.5), middle)).isLessThan(1e-9);
  }

  @Property
  void clock_timesThatFloatsHaveShaken_areOnTheirFrames(
      @ForAll @IntRange(min = 0, max = 20_000) int frame) {
    FrameClock clock = new FrameClock(new FrameRate(24000, 1001), 1001, FileClock.SECONDS);
    double shaken = (float) clock.time(1001 + frame);
    assertThat(clock.frame(shaken)).isEqualTo(1001.0 + frame);
  }

  @Test
  void clock_timesBetweenFrames_stayBetween() {
    FrameClock clock = new FrameClock(FrameRate.of(24), 1, FileClock.SECONDS);
    assertThat(clock.frame(0.52)).isCloseTo(1 + 12.48, within(1e-9));
  }
}
