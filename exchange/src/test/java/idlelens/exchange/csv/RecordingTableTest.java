package idlelens.exchange.csv;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import idlelens.core.shake.Recording;
import idlelens.exchange.format.FormatException;
import java.nio.charset.StandardCharsets;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class RecordingTableTest {
  private static byte[] bytes(String text) {
    return text.getBytes(StandardCharsets.UTF_8);
  }

  @Test
  void table_isRead_andWhatIsWrittenIsReadAsItWas() throws FormatException {
    Recording read =
        RecordingTable.read(
            bytes("# steps\nseconds,Y_cm,tilt_deg\n0,0,0\n0.04,1.5,-2\n0.08,0,1e-1\n"));
    assertThat(read.rateHz()).isCloseTo(25, within(1e-9));
    assertThat(read.channel(1).orElseThrow()).containsExactly(0, 1.5, 0);
    assertThat(read.channel(4).orElseThrow()).containsExactly(0, -2, 0.1);
    assertThat(read.has(0)).isFalse();
    Recording again = RecordingTable.read(bytes(RecordingTable.write(read)));
    assertThat(again.channel(4).orElseThrow()).containsExactly(read.channel(4).orElseThrow());
    assertThat(again.rateHz()).isCloseTo(read.rateHz(), within(1e-6));
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "seconds,x_m;0,1;1,2|line 1, column is 'x_m'",
        "x_cm;0;1|line 1 is x_cm; allowed: seconds and",
        "seconds;0;1|at least one channel",
        "seconds,x_cm;0,1|rows is 1; allowed: at least two",
        "seconds,x_cm;0,1;0.1,2;0.5,1|row 2, seconds is 0.1; allowed: even steps",
        "seconds,x_cm;0,1;0,2|row 2, seconds is 0.0",
        "seconds,x_cm;0,1;1,NaN|line 3, x_cm is 'NaN'; allowed: a number",
        "seconds,x_cm;0,1;1|line 3 is 1 columns",
        "seconds,x_cm;0,1;1,1e9|recording.channels[0][1] is 1.0E9"
      })
  void whatIsWrong_isToldWithItsLine(String table, String says) {
    assertThatThrownBy(() -> RecordingTable.read(bytes(table.replace(';', '\n'))))
        .isInstanceOf(FormatException.class)
        .hasMessageContaining(says);
  }
}
