package idlelens.exchange;

import idlelens.exchange.json.JsonPlace;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Random;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/** Files with a few things wrong: octets changed, cut, doubled, and values of JSON replaced. */
final class Mutations {
  private static final int BINARY_HEAD = 20;
  private static final List<JsonNode> ODD =
      List.of(
          number(0),
          number(-1),
          number(1),
          number(2),
          number(5126),
          number(1e-300),
          number(1e300),
          number(2_000_000_000),
          number(9_007_199_254_740_993.0),
          number(0.5),
          JsonNodeFactory.instance.nullNode(),
          JsonNodeFactory.instance.booleanNode(true),
          JsonNodeFactory.instance.stringNode(""),
          JsonNodeFactory.instance.stringNode("\ud83d"),
          JsonNodeFactory.instance.stringNode("a\u0000b"),
          JsonNodeFactory.instance.stringNode("STEP"),
          JsonNodeFactory.instance.arrayNode(),
          JsonNodeFactory.instance.objectNode());

  private static final Pattern WORD =
      Pattern.compile("[A-Za-z_:.-]+|[-+.\\deE]+|[{}()\\[\\]<>\"#=,/]");
  private static final List<String> ODD_WORDS =
      List.of(
          "",
          "0",
          "-1",
          "1",
          "3",
          "1e-300",
          "1e300",
          "nan",
          "inf",
          "2000000000",
          "-0.5",
          "0.1",
          "x",
          "{",
          "}",
          "(",
          ")",
          "[",
          "]",
          "<",
          ">",
          "\"",
          ",",
          "#",
          "/",
          "=",
          "&amp;",
          "\n",
          "STEP",
          "BEZIER",
          "xformOp:scale",
          "!invert!",
          "translate",
          "Z_UP",
          "list",
          "double");

  private final Random random;

  Mutations(long seed) {
    this.random = new Random(seed);
  }

  private static JsonNode number(double value) {
    return JsonNodeFactory.instance.numberNode(value);
  }

  /** A text with one to three values of its JSON replaced, dropped or doubled; or its octets. */
  byte[] ofJson(byte[] text) {
    if (random.nextInt(4) == 0) {
      return ofOctets(text);
    }
    JsonNode root = JsonPlace.mapper().readTree(text);
    for (int i = 0; i <= random.nextInt(3); i++) {
      change(root);
    }
    return JsonPlace.mapper().writeValueAsBytes(root);
  }

  /** A binary glTF file with its JSON changed, or its octets. */
  byte[] ofGlb(byte[] file) {
    ByteBuffer in = ByteBuffer.wrap(file).order(ByteOrder.LITTLE_ENDIAN);
    int length = in.getInt(12);
    if (random.nextInt(4) == 0) {
      return ofOctets(file);
    }
    byte[] json = ofJson(Arrays.copyOfRange(file, BINARY_HEAD, BINARY_HEAD + length));
    byte[] rest = Arrays.copyOfRange(file, BINARY_HEAD + length, file.length);
    int padded = (json.length + 3) / 4 * 4;
    ByteBuffer out =
        ByteBuffer.allocate(BINARY_HEAD + padded + rest.length).order(ByteOrder.LITTLE_ENDIAN);
    out.put(file, 0, 8).putInt(out.capacity()).putInt(padded).put(file, 16, 4).put(json);
    while (out.position() < BINARY_HEAD + padded) {
      out.put((byte) ' ');
    }
    return out.put(rest).array();
  }

  /** Any file with some octets changed, its end cut off, or a piece of it doubled. */
  byte[] ofOctets(byte[] file) {
    byte[] changed = file.clone();
    switch (random.nextInt(3)) {
      case 0:
        for (int i = 0; i <= random.nextInt(4); i++) {
          changed[random.nextInt(changed.length)] = (byte) random.nextInt(256);
        }
        return changed;
      case 1:
        return Arrays.copyOf(changed, random.nextInt(changed.length));
      default:
        int at = random.nextInt(changed.length);
        byte[] longer = Arrays.copyOf(changed, changed.length + 16);
        System.arraycopy(
            changed, at, longer, Math.min(at + 16, longer.length), changed.length - at);
        return longer;
    }
  }

  /**
   * A text with one to three of its words or numbers replaced, dropped or doubled; or its octets.
   */
  byte[] ofText(byte[] file) {
    if (random.nextInt(4) == 0) {
      return ofOctets(file);
    }
    String text = new String(file, StandardCharsets.ISO_8859_1);
    for (int i = 0; i <= random.nextInt(3); i++) {
      Matcher words = WORD.matcher(text);
      int count = (int) words.results().count();
      words.reset();
      for (int k = random.nextInt(Math.max(1, count)); k >= 0 && words.find(); k--) {
        // stops at the chosen one
      }
      if (count > 0) {
        String odd = ODD_WORDS.get(random.nextInt(ODD_WORDS.size()));
        String by = random.nextInt(5) == 0 ? words.group() + " " + words.group() : odd;
        text = text.substring(0, words.start()) + by + text.substring(words.end());
      }
    }
    return text.getBytes(StandardCharsets.ISO_8859_1);
  }

  private void change(JsonNode root) {
    List<JsonNode> holders = new ArrayList<>();
    collect(root, holders);
    if (holders.isEmpty()) {
      return; // the changes before have left nothing
    }
    JsonNode holder = holders.get(random.nextInt(holders.size()));
    JsonNode odd = ODD.get(random.nextInt(ODD.size())).deepCopy();
    if (holder instanceof ObjectNode object) {
      List<String> names = new ArrayList<>(object.propertyNames());
      String name = names.get(random.nextInt(names.size()));
      if (random.nextInt(5) == 0) {
        object.remove(name);
      } else {
        object.set(name, odd);
      }
    } else {
      ArrayNode array = (ArrayNode) holder;
      int at = random.nextInt(array.size());
      if (random.nextInt(5) == 0) {
        array.add(array.get(at).deepCopy());
      } else {
        array.set(at, odd);
      }
    }
  }

  private static void collect(JsonNode node, List<JsonNode> holders) {
    if (node.isContainer() && node.size() > 0) {
      holders.add(node);
      node.forEach(child -> collect(child, holders));
    }
  }

  static byte[] text(String text) {
    return text.getBytes(StandardCharsets.UTF_8);
  }
}
