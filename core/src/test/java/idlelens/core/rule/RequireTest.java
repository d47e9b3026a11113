package idlelens.core.rule;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class RequireTest {

  @ParameterizedTest
  @ValueSource(doubles = {Double.NaN, Double.POSITIVE_INFINITY, Double.NEGATIVE_INFINITY})
  void numbersThatAreNone_areRefusedEverywhere(double value) {
    assertThatThrownBy(() -> Require.finite(value, "a")).isInstanceOf(RefusedException.class);
    assertThatThrownBy(() -> Require.within(value, 0, 1, "a")).isInstanceOf(RefusedException.class);
    assertThatThrownBy(() -> Require.positive(value, "a")).isInstanceOf(RefusedException.class);
  }

  @Test
  void edges_areAllowed_zeroIsNotPositive() {
    assertThat(Require.within(1.0, 0, 1, "a")).isEqualTo(1);
    assertThat(Require.within(7, 7, 7, "a")).isEqualTo(7);
    assertThatThrownBy(() -> Require.positive(0, "a"))
        .hasMessage("a is 0.0; allowed: greater than 0");
    assertThatThrownBy(() -> Require.within(8, 1, 7, "a")).hasMessage("a is 8; allowed: 1 to 7");
    assertThatThrownBy(() -> Require.present(null, "a"))
        .hasMessage("a is missing; allowed: a value");
  }

  @Test
  void refusal_seenFromOutside_namesBothPlaces() {
    RefusedException inner = new RefusedException("frame", 12, "less");
    assertThat(inner.inside("keys[3]")).hasMessage("keys[3].frame is 12; allowed: less");
    assertThat(new RefusedException("", 1, "2").inside("here").where()).isEqualTo("here");
  }

  @Test
  void names_areCountedByCharacters_andTrimmed() {
    String smileys = "\uD83D\uDE00".repeat(12);
    assertThat(Require.name("  " + smileys + " ", 12, "name")).isEqualTo(smileys);
    assertThat(Require.name("Käpt’n Ottoline – née Möwe", 60, "name")).hasSize(26);
    assertThatThrownBy(() -> Require.name(smileys + "x", 12, "name"))
        .hasMessageContaining("1 to 12 characters");
  }

  @ParameterizedTest
  @ValueSource(
      strings = {
        "a\u0000b",
        "a\nb",
        "half\uD83D",
        "\uDE00half",
        "turned\u202Eback",
        "in\u2066side",
        "line\u2028end",
        "\u200B",
        "\u2060\u200D",
        "\u3164",
        "\u2800",
        "\u0301",
        ""
      })
  void namesThatAreNone_areRefused(String name) {
    assertThatThrownBy(() -> Require.name(name, 80, "name"))
        .isInstanceOf(RefusedException.class)
        .hasMessageStartingWith("name is ");
  }
}
