package idlelens.core.quantity;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import idlelens.core.rule.RefusedException;
import idlelens.core.time.FrameRate;
import java.util.Locale;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class QuantityReaderTest {
  private static final FrameRate RATE = FrameRate.of(24);

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "1.2m | LENGTH | 1.2",
        "120cm | LENGTH | 1.2",
        "120 | LENGTH | 120",
        "2'8\" | LENGTH | 0.8128",
        "2ft 8in | LENGTH | 0.8128",
        "6' | LENGTH | 1.8288",
        "8\" | LENGTH | 0.2032",
        "1.2m+5cm | LENGTH | 1.25",
        "1.2m - 5 cm | LENGTH | 1.15",
        "2*(30cm+0.2) | LENGTH | 1.0",
        "1,5m | LENGTH | 1.5",
        "-3/4 | LENGTH | -0.75",
        "−2 | LENGTH | -2",
        "35mm | LENS_LENGTH | 35",
        "3.5cm | LENS_LENGTH | 35",
        "0.5turn | ANGLE | 180",
        "30deg | ANGLE | 30",
        "48f | FRAMES | 48",
        "2s | FRAMES | 48",
        "00:00:02:00 | FRAMES | 48",
        "00:01:00:12 | FRAMES | 1452",
        "1001+2s | FRAMES | 1049",
        "f/2.8 | STOP | 2.8",
        "50% | PLAIN | 0.5",
      })
  void read_numberWithUnit_givesBaseUnit(String text, QuantityKind kind, double expected) {
    assertThat(QuantityReader.read(text, kind, RATE)).isCloseTo(expected, within(1e-12));
  }

  @ParameterizedTest
  @ValueSource(
      strings = {"", "m", "1..2", "1.2 apples", "1.2m 3", "(1", "1)", "1m*2m", "2/1m", "1/0", "--"})
  void read_nonsense_isRefusedWithTheTextAndExamples(String text) {
    assertThatThrownBy(() -> QuantityReader.read(text, QuantityKind.LENGTH, RATE))
        .isInstanceOf(RefusedException.class)
        .hasMessage(
            "number is '"
                + text
                + "'; allowed: a number such as "
                + QuantityKind.LENGTH.examples());
  }

  @Test
  void read_timecodeBeyondItsRate_namesTheLargestFrame() {
    assertThatThrownBy(() -> QuantityReader.read("00:00:01:24", QuantityKind.FRAMES, RATE))
        .hasMessageContaining("frames to 23");
  }

  @Test
  void read_deepBrackets_isRefusedAndDoesNotOverflow() {
    String text = "(".repeat(60) + "1" + ")".repeat(59);
    assertThatThrownBy(() -> QuantityReader.read(text, QuantityKind.PLAIN, RATE))
        .isInstanceOf(RefusedException.class);
  }

  @Property
  void read_anyText_givesAFiniteNumberOrARefusal(@ForAll String text) {
    try {
      assertThat(QuantityReader.read(text, QuantityKind.LENGTH, RATE)).isFinite();
    } catch (RefusedException e) {
      assertThat(e.getMessage()).contains("allowed:");
    }
  }

  @Test
  void read_underAnotherLocale_isTheSame() {
    Locale before = Locale.getDefault();
    try {
      Locale.setDefault(Locale.GERMANY);
      assertThat(QuantityReader.read("1.5m", QuantityKind.LENGTH, RATE)).isEqualTo(1.5);
    } finally {
      Locale.setDefault(before);
    }
  }

  @ParameterizedTest
  @CsvSource({
    "5, cm, 0.05",
    "5+3, cm, 0.08",
    "1.2m+5, cm, 1.25",
    "(2+3)*4, mm, 0.02",
    "5.5, ft, 1.6764"
  })
  void bareNumbers_areInTheUnitAsked(String typed, String unit, double metres) {
    assertThat(QuantityReader.read(typed, QuantityKind.LENGTH, FrameRate.of(24), unit))
        .isCloseTo(metres, within(1e-12));
  }

  @Test
  void unknownUnitOfBareNumbers_isRefused() {
    assertThatThrownBy(
            () -> QuantityReader.read("5", QuantityKind.LENGTH, FrameRate.of(24), "furlong"))
        .hasMessageContaining("unit is 'furlong'");
  }
}
