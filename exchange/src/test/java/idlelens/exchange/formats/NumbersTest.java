package idlelens.exchange.formats;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import idlelens.exchange.format.NumberScan;
import idlelens.exchange.format.TextOut;
import java.nio.charset.StandardCharsets;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.DoubleRange;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class NumbersTest {
  private static String text(double value) {
    return new String(new TextOut().add(value).octets(), StandardCharsets.US_ASCII);
  }

  private static double read(String text) {
    byte[] octets = text.getBytes(StandardCharsets.US_ASCII);
    return new NumberScan(octets, octets.length).read(0);
  }

  @Property
  void written_numbersAreNearEnough(@ForAll @DoubleRange(min = -99, max = 99) double value) {
    assertThat(Double.parseDouble(text(value))).isCloseTo(value, within(6e-14));
  }

  @Property
  void written_largeNumbersToo(@ForAll @DoubleRange(min = -1e9, max = 1e9) double value) {
    double tolerance = Math.max(6e-11, Math.ulp(value));
    assertThat(Double.parseDouble(text(value))).isCloseTo(value, within(tolerance));
  }

  @Property
  void read_isWhatTheLongWayReads(@ForAll double value) {
    assertThat(read(Double.toString(value))).isEqualTo(value);
    String plain = new java.math.BigDecimal(value).toPlainString();
    if (plain.length() < 300) {
      assertThat(read(plain)).isEqualTo(value);
    }
  }

  @Property
  void read_shortNumbersAreExact(@ForAll long digits) {
    String text = digits / 1000 + "." + Math.abs(digits % 1000);
    assertThat(read(text)).isEqualTo(Double.parseDouble(text));
  }

  @ParameterizedTest
  @ValueSource(
      strings = {
        "0",
        "-0",
        "+5",
        ".5",
        "5.",
        "1e3",
        "1E-3",
        "-12.5e+2",
        "123456789012345",
        "1234567890123456",
        "0.1234567890123456789",
        "99999.9999999999",
        "1.5e308",
        "4.9e-324",
        "00012.500"
      })
  void read_allWaysToWriteANumber(String text) {
    assertThat(read(text)).isEqualTo(Double.parseDouble(text));
  }

  @Test
  void read_endsWhereTheNumberEnds() {
    byte[] octets = "12.5,e 1.2.3 7e 123456789012345678.5)".getBytes(StandardCharsets.US_ASCII);
    NumberScan scan = new NumberScan(octets, octets.length);
    assertThat(scan.read(0)).isEqualTo(12.5);
    assertThat(scan.at()).isEqualTo(4);
    assertThat(scan.read(5)).isNaN();
    assertThat(scan.at()).isEqualTo(5);
    assertThat(scan.read(7)).isEqualTo(1.2);
    assertThat(scan.at()).isEqualTo(10);
    assertThat(scan.read(13)).isEqualTo(7);
    assertThat(scan.at()).isEqualTo(14);
    assertThat(scan.read(16)).isEqualTo(123456789012345678.5);
    assertThat(scan.at()).isEqualTo(octets.length - 1);
  }

  @Test
  void written_wholesZerosAndSmallOnes() {
    assertThat(text(0)).isEqualTo("0");
    assertThat(text(-0.0)).isEqualTo("0");
    assertThat(text(1001)).isEqualTo("1001");
    assertThat(text(-0.5)).isEqualTo("-0.5");
    assertThat(text(1e-14)).isEqualTo("0");
    assertThat(text(0.1 + 0.2)).isEqualTo("0.3");
    assertThat(text(123456789)).isEqualTo("123456789");
    assertThat(text(99999.25)).isEqualTo("99999.25");
    assertThat(text(9.99999999999999)).isEqualTo("10");
  }

  /** Digits go out four at a time: no block of zeros is lost, before, within or behind others. */
  @ParameterizedTest
  @ValueSource(
      strings = {
        "0.1",
        "0.01",
        "0.001",
        "0.0001",
        "0.00001",
        "0.00010001",
        "0.0000000000001",
        "0.1000000000001",
        "0.0009000000009",
        "-1.0203040506079",
        "10.0000999900001",
        "99.9999999999999",
        "100.000000000001",
        "-999.999999999999",
        "1000.00000000001",
        "9999.00009999001",
        "10000.0000000001",
        "-99999.9999999999"
      })
  void written_everyDigitStandsWhereItBelongs(String text) {
    assertThat(text(Double.parseDouble(text))).isEqualTo(text);
  }

  @Test
  void textsThatAreAdded_standInOrder_andCount() {
    TextOut inner = new TextOut().add("b").add(new TextOut().add("c")).add('d');
    TextOut all = new TextOut().add("a").add(inner).add(new TextOut()).add(0.5).add("e");
    assertThat(new String(all.octets(), StandardCharsets.US_ASCII)).isEqualTo("abcd0.5e");
    assertThat(all.length()).isEqualTo(8);
    assertThat(all.octets()).hasSize(8);
  }
}
