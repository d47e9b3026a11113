package idlelens.web.shot;

import static org.assertj.core.api.Assertions.assertThat;

import idlelens.exchange.json.JsonPlace;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

class OctetBundleTest {

  @Test
  void pack_headsOfAnyLength_keepTheColumnsOnFourBytes() {
    for (String name : new String[] {"", "a", "ab", "abc", "ä"}) {
      OctetBundle bundle = new OctetBundle();
      bundle.head().put("name", name);
      bundle.add(bundle.head(), "first", new double[] {1.5, Double.POSITIVE_INFINITY}, 1);
      bundle.add(bundle.head(), "second", new int[] {7, -1});
      bundle.add(bundle.head(), "third", new double[] {2}, 180);
      ByteBuffer in = ByteBuffer.wrap(bundle.pack()).order(ByteOrder.LITTLE_ENDIAN);
      assertThat(in.getInt()).isEqualTo(0x314F4C49);
      byte[] head = new byte[in.getInt()];
      assertThat(head.length % 4).isZero();
      in.get(head);
      JsonNode json = JsonPlace.mapper().readTree(head);
      assertThat(json.get("name").stringValue()).isEqualTo(name);
      assertThat(json.get("second").get("at").intValue()).isEqualTo(2);
      assertThat(json.get("third").get("n").intValue()).isEqualTo(1);
      assertThat(in.getFloat()).isEqualTo(1.5f);
      assertThat(in.getFloat()).isInfinite();
      assertThat(in.getInt()).isEqualTo(7);
      assertThat(in.getInt()).isEqualTo(-1);
      assertThat(in.getFloat()).isEqualTo(360f);
      assertThat(in.hasRemaining()).isFalse();
    }
  }
}
