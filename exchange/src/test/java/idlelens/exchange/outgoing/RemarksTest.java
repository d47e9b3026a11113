package idlelens.exchange.outgoing;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;

class RemarksTest {
  @Test
  void whatIsSaidOfSeveral_isSaidOnce_whereItWasSaidFirst() {
    List<String> notes =
        List.of("Two: stays", "frames 1 to 2 go out", "One: goes", "Three: stays", "Two: stays");
    assertThat(Remarks.gathered(notes))
        .containsExactly("Two and Three: stays", "frames 1 to 2 go out", "One: goes");
  }

  @Test
  void ofMany_threeAreNamed() {
    List<String> four = IntStream.rangeClosed(1, 4).mapToObj(i -> i + ": stays").toList();
    assertThat(Remarks.gathered(four)).containsExactly("1, 2, 3 and 4: stays");
    List<String> many = IntStream.rangeClosed(1, 2000).mapToObj(i -> i + ": stays").toList();
    assertThat(Remarks.gathered(many)).containsExactly("1, 2, 3 and 1997 more: stays");
  }

  @Test
  void aNameWithAColon_isKeptWhole() {
    assertThat(Remarks.gathered(List.of("Quay: east: stays", "Lamp: stays")))
        .containsExactly("Quay: east and Lamp: stays");
    assertThat(Remarks.gathered(List.of())).isEmpty();
  }
}
