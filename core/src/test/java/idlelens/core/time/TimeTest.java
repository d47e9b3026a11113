package idlelens.core.time;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.api.Test;

class TimeTest {

  @Test
  void frameRate_asFraction_staysExact() {
    FrameRate rate = FrameRate.parse("23.976");
    assertThat(rate).isEqualTo(new FrameRate(24000, 1001));
    // 24,000 frames at 24000/1001 last 1,001 seconds to the last bit
    assertThat(rate.seconds(24_000)).isEqualTo(1001);
    assertThat(rate.timecodeBase()).isEqualTo(24);
    assertThat(rate.label()).isEqualTo("23.976 fps");
  }

  @Test
  void frameRate_nonsense_isRefused() {
    assertThatThrownBy(() -> FrameRate.parse("fast"))
        .hasMessage("rate is 'fast'; allowed: 24, 25, 23.976 or 24000/1001");
    assertThatThrownBy(() -> FrameRate.parse("500")).hasMessage("rate is 500.0; allowed: 1 to 240");
  }

  @Test
  void frameRange_includesBothEnds() {
    assertThat(new FrameRange(1001, 1144).length()).isEqualTo(144);
    assertThatThrownBy(() -> new FrameRange(10, 9))
        .hasMessage("range.out is 9; allowed: 10 to 20009");
  }

  @Test
  void sampleGrid_overRangeAndHandles_startsBeforeTheShot() {
    SampleGrid grid = SampleGrid.over(new FrameRange(1001, 1010), 8);
    assertThat(grid.frame(0)).isEqualTo(993);
    assertThat(grid.last()).isEqualTo(1018);
    assertThat(new SampleGrid(0, 9, 4).frame(3)).isCloseTo(0.75, within(0.0));
  }
}
