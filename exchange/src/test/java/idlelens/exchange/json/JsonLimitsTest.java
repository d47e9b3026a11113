package idlelens.exchange.json;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import idlelens.exchange.format.FormatException;
import java.nio.charset.StandardCharsets;
import org.junit.jupiter.api.Test;

class JsonLimitsTest {
  private static byte[] octets(String text) {
    return text.getBytes(StandardCharsets.UTF_8);
  }

  @Test
  void values_areCounted_structuresAsSeveral() throws Exception {
    String numbers = "[" + "1,".repeat(1_900) + "1]";
    assertThat(JsonPlace.parse(octets(numbers), JsonLimits.SMALL).size()).isEqualTo(1_901);
    String objects = "[" + "{},".repeat(1_900) + "{}]";
    assertThatThrownBy(() -> JsonPlace.parse(octets(objects), JsonLimits.SMALL))
        .isInstanceOf(FormatException.class)
        .hasMessage("file is more than 2000 values; allowed: at most 65536 octets and 2000 values");
    String fields = "{" + "\"a\":1,".repeat(2_100) + "\"b\":1}";
    assertThatThrownBy(() -> JsonPlace.parse(octets(fields), JsonLimits.SMALL))
        .hasMessageContaining("more than 2000 values");
  }

  @Test
  void octets_areCountedFirst() {
    assertThatThrownBy(() -> JsonPlace.parse(new byte[70_000], JsonLimits.SMALL))
        .hasMessageStartingWith("file is 70000 octets");
  }

  @Test
  void whatStandsBehindTheValue_andHalfCharacters_areRefused() throws Exception {
    assertThatThrownBy(() -> JsonPlace.parse(octets("{} {}")))
        .hasMessageContaining("line 1, column 4 is not JSON ('");
    JsonPlace half = JsonPlace.parse(octets("{\"name\":\"a\\ud83d\"}"));
    assertThatThrownBy(() -> half.get("name").text())
        .hasMessage("name is with half a character; allowed: whole characters");
    assertThat(JsonPlace.parse(octets("{\"name\":\"\\ud83d\\ude00\"}")).get("name").text())
        .hasSize(2);
  }
}
