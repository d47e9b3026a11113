package idlelens.core.time;

import static org.assertj.core.api.Assertions.assertThat;

import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import org.junit.jupiter.api.Test;

class RatioTest {
  @Property(tries = 500)
  void of_anyQuotientOfSmallNumbers_findsIt_andDividesEvenly(
      @ForAll @IntRange(min = 1, max = 30_000) int over,
      @ForAll @IntRange(min = 1, max = 30_000) int under,
      @ForAll @IntRange(min = -5000, max = 5000) int times) {
    Ratio ratio = Ratio.of((double) over / under);
    assertThat(ratio.over() * under).isEqualTo((double) over * ratio.under());
    assertThat(ratio.times((double) times * under)).isEqualTo((double) times * over);
  }

  @Test
  void of_aNumberThatIsNoQuotient_isThatNumber() {
    assertThat(Ratio.of(Math.PI).times(2)).isEqualTo(2 * Math.PI);
    assertThat(Ratio.of(0.55).times(100)).isEqualTo(55);
  }

  @Test
  void onFrame_isThereOnlyWithinABillionth() {
    assertThat(Ratio.onFrame(24.9999999999)).isEqualTo(25);
    assertThat(Ratio.onFrame(24.99999999)).isEqualTo(24.99999999);
  }
}
