package idlelens.exchange.opentrackio;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import idlelens.core.shake.Recording;
import idlelens.exchange.format.FormatException;
import java.nio.charset.StandardCharsets;
import java.util.Locale;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class TrackLinesTest {
  private static String line(int number, double x, double y, double z, double... panTiltRoll) {
    return String.format(
        Locale.ROOT,
        "{\"transforms\":[{\"translation\":{\"x\":%s,\"y\":%s,\"z\":%s},\"rotation\":{\"pan\":%s,"
            + "\"tilt\":%s,\"roll\":%s}}],\"lens\":{\"pinholeFocalLength\":%s},\"timing\":"
            + "{\"sampleRate\":{\"num\":60,\"denom\":1},\"sequenceNumber\":%d}}\n",
        x,
        y,
        z,
        panTiltRoll[0],
        panTiltRoll[1],
        panTiltRoll[2],
        35 + number,
        number);
  }

  private static Recording read(String text) throws FormatException {
    return TrackLines.read(text.getBytes(StandardCharsets.UTF_8));
  }

  /** Z up and along +Y there: ahead is -Z here, up is +Y, and the roll is the other way about. */
  @Test
  void poses_areSeenFromTheFirst_inOurAxes() throws FormatException {
    Recording still = read(line(4, 1, 2, 3, 0, 0, 0) + line(5, 1.01, 2.02, 3.03, 10, 5, -2));
    assertThat(still.rateHz()).isEqualTo(60);
    double[] expected = {1, 3, -2, 10, 5, 2, 1};
    for (int c = 0; c < expected.length; c++) {
      assertThat(still.channel(c).orElseThrow()[0]).isEqualTo(0);
      assertThat(still.channel(c).orElseThrow()[1]).isCloseTo(expected[c], within(1e-6));
    }
    assertThat(still.has(7)).as("nobody says a focus").isFalse();
    Recording turned = read(line(1, 0, 0, 0, 90, 0, 0) + line(2, -1, 0, 0, 90, 0, 0));
    assertThat(turned.channel(2).orElseThrow()[1])
        .as("panned left, -X there is straight ahead")
        .isCloseTo(-100, within(1e-6));
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "\"sequenceNumber\":2|\"sequenceNumber\":4|line 2, timing.sequenceNumber is 4; allowed: 2",
        "\"pan\":3.0|\"pan\":\"x\"|line 2, transforms[0].rotation.pan",
        "\"z\":7.0|\"z\":1e99|line 2, transforms[0].translation.z",
        "\"num\":60|\"num\":0|sampleRate"
      })
  void whatIsWrong_isToldWithItsLine(String was, String is, String says) {
    String text = line(1, 0, 0, 0, 0, 0, 0) + line(2, 5, 6, 7, 3, 0, 0);
    assertThat(text).contains(was);
    assertThatThrownBy(() -> read(text.replace(was, is)))
        .isInstanceOf(FormatException.class)
        .hasMessageContaining(says);
  }

  @Test
  void damagedAnywhere_itIsRefusedAndNothingElse() {
    String text = line(1, 0, 0, 0, 0, 0, 0) + line(2, 5, 6, 7, 3, 0, 0);
    Random random = new Random(5);
    int refused = 0;
    for (int i = 0; i < 400; i++) {
      byte[] bytes = text.getBytes(StandardCharsets.UTF_8);
      bytes[random.nextInt(bytes.length)] = (byte) random.nextInt(256);
      try {
        TrackLines.read(bytes);
      } catch (FormatException e) {
        refused++;
      }
    }
    assertThat(refused).isGreaterThan(100);
  }
}
