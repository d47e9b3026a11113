package idlelens.exchange.collada;

import idlelens.exchange.format.FormatException;
import idlelens.exchange.format.ReadBudget;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** Everything of a document that has an id, and its sources of numbers. */
final class Sources {
  private final Map<String, Element> byId = new HashMap<>();
  private final Map<Element, Source> known = new HashMap<>();
  private final ReadBudget budget;

  /** Numbers, or words, with so many for each place. */
  record Source(double[] numbers, List<String> words, int stride) {
    int count() {
      return stride == 0 ? 0 : numbers.length / stride;
    }
  }

  Sources(Element root, ReadBudget budget) throws FormatException {
    this.budget = budget;
    index(root);
  }

  private void index(Element element) throws FormatException {
    String id = element.attribute("id");
    if (!id.isEmpty() && byId.putIfAbsent(id, element) != null) {
      throw element.refusal("a second '" + id + "'", "ids that are there once");
    }
    for (Element child : element.children()) {
      index(child);
    }
  }

  Optional<Element> find(String id) {
    return Optional.ofNullable(byId.get(id));
  }

  /** What an address within the document points to. */
  Element resolve(Element from, String attribute, String kind) throws FormatException {
    String address = from.attribute(attribute);
    Element found = address.startsWith("#") ? byId.get(address.substring(1)) : null;
    if (found == null || !found.name().equals(kind)) {
      throw from.refusal(
          attribute + " '" + address + "'", "'#' and the id of a <" + kind + "> of this document");
    }
    return found;
  }

  /** The source of an input. */
  Source of(Element input) throws FormatException {
    Element source = resolve(input, "source", "source");
    Source found = known.get(source);
    if (found == null) {
      found = read(source);
      known.put(source, found);
    }
    return found;
  }

  private Source read(Element source) throws FormatException {
    Optional<Element> names = source.find("Name_array").or(() -> source.find("IDREF_array"));
    if (names.isPresent()) {
      String text = names.get().text();
      List<String> words = text.isEmpty() ? List.of() : List.of(text.split("\\s+"));
      return new Source(new double[0], words, 1);
    }
    Element array = source.need("float_array");
    double[] numbers = array.numbers();
    budget.take(ReadBudget.Thing.NUMBERS, numbers.length, array.place());
    requireCount(array, numbers.length);
    int stride = 1;
    Optional<Element> accessor = source.find("technique_common", "accessor");
    if (accessor.isPresent() && !accessor.get().attribute("stride").isEmpty()) {
      stride = whole(accessor.get(), "stride", 1, 16);
    }
    return new Source(numbers, List.of(), stride);
  }

  private static void requireCount(Element array, int found) throws FormatException {
    if (!array.attribute("count").isEmpty()) {
      int count = whole(array, "count", 0, Integer.MAX_VALUE);
      if (count != found) {
        throw array.refusal("count " + count, found + ", the numbers there are");
      }
    }
  }

  /** A whole number of an attribute. */
  static int whole(Element element, String attribute, int least, int most) throws FormatException {
    String text = element.attribute(attribute);
    try {
      int value = Integer.parseInt(text.strip());
      if (value >= least && value <= most) {
        return value;
      }
    } catch (NumberFormatException e) {
      // said below
    }
    throw element.refusal(
        attribute + " '" + text + "'", "a whole number from " + least + " to " + most);
  }
}
