package idlelens.core.set;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import idlelens.core.rule.RefusedException;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Random;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import org.junit.jupiter.api.Test;

class PlayOrderTest {
  private static List<String> names(String... names) {
    return PlayOrder.of(List.of(names)).stream().map(PlayOrder.Placed::name).toList();
  }

  private static List<Integer> held(String... names) {
    return PlayOrder.of(List.of(names)).stream().map(PlayOrder.Placed::held).toList();
  }

  @Test
  void numbers_goByTheirValue_withAndWithoutZerosBeforeThem() {
    assertThat(names("g10.png", "g9.png", "g011.png", "G1.png"))
        .containsExactly("G1.png", "g9.png", "g10.png", "g011.png");
    assertThat(names("shot2 gull 1.png", "shot10 gull 0.png", "shot2 gull 0.png"))
        .containsExactly("shot2 gull 0.png", "shot2 gull 1.png", "shot10 gull 0.png");
  }

  @Test
  void aGapInTheNumbers_holdsThePictureBeforeIt() {
    assertThat(held("g.0001.png", "g.0002.png", "g.0005.png")).containsExactly(1, 3, 1);
    assertThat(held("g.1.png", "g.3.png", "g.5.png")).containsExactly(2, 2, 2);
  }

  @Test
  void whatIsNoRowOfNumbers_isHeldOnceEach() {
    assertThat(held("dawn.png", "dusk.png")).containsExactly(1, 1);
    assertThat(held("a1.png", "b9.png")).containsExactly(1, 1);
    assertThat(held("a1.png", "a1.png", "a5.png")).containsExactly(1, 1, 1);
    assertThat(held("a1.png", "a99999.png"))
        .as("farther than one can be held")
        .containsExactly(1, 1);
    assertThat(held("20260101120000999999.png", "20260101120001000001.png")).hasSize(2);
    assertThat(held("only 7.png")).containsExactly(1);
  }

  @Test
  void noNames_areRefused() {
    assertThatThrownBy(() -> PlayOrder.of(List.of()))
        .isInstanceOf(RefusedException.class)
        .hasMessageContaining("names.count is 0; allowed: 1 to 2000");
  }

  @Property(tries = 100)
  void theOrder_doesNotDependOnHowTheyCome(@ForAll Random random) {
    List<String> names = new ArrayList<>();
    for (int i = 0; i < 30; i++) {
      names.add("p" + random.nextInt(40) + "-" + "x".repeat(random.nextInt(2)) + random.nextInt(9));
    }
    List<PlayOrder.Placed> first = PlayOrder.of(names);
    Collections.shuffle(names, random);
    assertThat(PlayOrder.of(names)).isEqualTo(first);
  }
}
