package idlelens.core.part;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.OptionalDouble;
import org.junit.jupiter.api.Test;

class WindowTest {
  private static Window between(double from, double to, double fadeIn, double fadeOut) {
    return new Window(OptionalDouble.of(from), OptionalDouble.of(to), fadeIn, fadeOut);
  }

  @Test
  void edges_countAsInside_alsoWhereTheyAreOffByARounding() {
    Window window = between(1049 + 5e-10, 1060 - 5e-10, 0, 0);
    assertThat(window.at(1049)).isEqualTo(1);
    assertThat(window.at(1060)).isEqualTo(1);
    assertThat(window.at(1048.999)).isZero();
    assertThat(window.at(1060.001)).isZero();
  }

  @Test
  void fades_areSmoothFromTheEdgeInwards() {
    Window window = between(1000, 1100, 20, 10);
    assertThat(window.at(1000)).isZero();
    assertThat(window.at(1010)).isCloseTo(0.5, within(1e-12));
    assertThat(window.at(1020)).isEqualTo(1);
    assertThat(window.at(1095)).isCloseTo(0.5, within(1e-12));
    assertThat(window.at(1100)).isZero();
  }

  @Test
  void openEnds_meanAlways() {
    assertThat(Window.OPEN.at(-1e9)).isEqualTo(1);
    assertThat(Window.OPEN.at(1e9)).isEqualTo(1);
  }
}
