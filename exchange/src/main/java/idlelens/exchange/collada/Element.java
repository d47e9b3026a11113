package idlelens.exchange.collada;

import idlelens.exchange.format.FormatException;
import idlelens.exchange.format.Growing;
import idlelens.exchange.format.NumberScan;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** An element with its attributes, its text and what is in it. */
final class Element {
  private final String name;
  private final Map<String, String> attributes;
  private final int line;
  private final List<Element> children = new ArrayList<>();
  private final StringBuilder text = new StringBuilder();

  Element(String name, Map<String, String> attributes, int line) {
    this.name = name;
    this.attributes = attributes;
    this.line = line;
  }

  void add(Element child) {
    children.add(child);
  }

  void addText(String more) {
    text.append(more);
  }

  String name() {
    return name;
  }

  String text() {
    return text.toString().strip();
  }

  String place() {
    return "line " + line + ", <" + name + ">";
  }

  FormatException refusal(Object found, String allowed) {
    return new FormatException(place(), found, allowed);
  }

  /** An attribute; "" if it is missing. */
  String attribute(String key) {
    return attributes.getOrDefault(key, "");
  }

  List<Element> children() {
    return children;
  }

  List<Element> all(String child) {
    return children.stream().filter(c -> c.name.equals(child)).toList();
  }

  Optional<Element> find(String child) {
    return children.stream().filter(c -> c.name.equals(child)).findFirst();
  }

  /** What lies at the end of a way of names. */
  Optional<Element> find(String... way) {
    Optional<Element> at = Optional.of(this);
    for (String step : way) {
      at = at.flatMap(e -> e.find(step));
    }
    return at;
  }

  Element need(String child) throws FormatException {
    return find(child).orElseThrow(() -> refusal("without <" + child + ">", "one"));
  }

  /** The numbers of its text. */
  double[] numbers() throws FormatException {
    byte[] octets = text.toString().getBytes(StandardCharsets.UTF_8);
    NumberScan scan = new NumberScan(octets, octets.length);
    Growing all = new Growing();
    int at = 0;
    while (true) {
      while (at < octets.length && octets[at] <= ' ' && octets[at] > 0) {
        at++;
      }
      if (at == octets.length) {
        return all.toArray();
      }
      double value = scan.read(at);
      boolean ends = scan.at() == octets.length || octets[scan.at()] <= ' ';
      if (scan.at() == at || !ends || !Double.isFinite(value)) {
        throw refusal("'" + shown(octets, at) + "' at number " + all.count(), "finite numbers");
      }
      at = scan.at();
      all.add(value);
    }
  }

  private static String shown(byte[] octets, int at) {
    int to = at;
    while (to < octets.length && to - at < 20 && octets[to] > ' ') {
      to++;
    }
    return new String(octets, at, to - at, StandardCharsets.UTF_8);
  }

  /** As many numbers as are allowed, no more and no fewer. */
  double[] numbers(int count) throws FormatException {
    double[] all = numbers();
    if (all.length != count) {
      throw refusal(all.length + " numbers", count + " numbers");
    }
    return all;
  }

  double number() throws FormatException {
    return numbers(1)[0];
  }
}
