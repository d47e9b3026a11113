package idlelens.exchange.csv;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import idlelens.core.scene.Marker;
import idlelens.exchange.Rigs;
import idlelens.exchange.format.FormatException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.concurrent.atomic.AtomicInteger;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class BeatTableTest {
  private static List<Marker> read(String text) throws FormatException {
    AtomicInteger count = new AtomicInteger();
    return BeatTable.read(
        text.getBytes(StandardCharsets.UTF_8),
        Rigs.everything().header(),
        () -> "b" + count.incrementAndGet());
  }

  @Test
  void read_frames_givesMarkersWithNamesAndKinds() throws Exception {
    assertThat(read("frame,name,kind\n1005,\"Door, left\",hit\n\n# a remark\n1010,,\n"))
        .containsExactly(
            new Marker("b1", 1005, "Door, left", Marker.Kind.HIT, ""),
            new Marker("b2", 1010, "beat", Marker.Kind.BEAT, ""));
  }

  @Test
  void read_times_countsFromTheFirstFrameAtTheRateOfTheShot() throws Exception {
    // 24000/1001 fps: 1 s is 23.976 frames, so frame 1024.976; one second of timecode is 24 frames
    assertThat(read("\uFEFFTime\n0\n1.0\n00:00:01:03\n"))
        .extracting(Marker::frame)
        .containsExactly(1001.0, 1025.0, 1028.0);
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "frame;when;5|line 1, column is 'when'; allowed: frame or time, name, kind",
        "name;5|line 1 is name; allowed: one of frame and time",
        "frame,time;5,5|line 1 is frame,time; allowed: one of frame and time",
        "frame|file is without rows; allowed: at least one beat",
        "frame;soon|line 2, frame is 'soon'",
        "frame,kind;5,x;|line 2, kind is 'x'; allowed: beat, hit, cue, note",
        "frame,name;5|line 2 is 1 columns; allowed: as many as the head has",
      })
  void read_wrongTable_namesLineAndColumn(String text, String message) {
    String table = text.replace("frame;when", "frame,when").replace(';', '\n');
    assertThatThrownBy(() -> read(table))
        .isInstanceOf(FormatException.class)
        .hasMessageContaining(message);
  }

  @Test
  void read_octetsThatAreNoText_isRefused() {
    byte[] octets = {'f', (byte) 0xff, (byte) 0xfe};
    assertThatThrownBy(() -> BeatTable.read(octets, Rigs.everything().header(), () -> "b"))
        .isInstanceOf(FormatException.class)
        .hasMessageContaining("not text");
  }
}
