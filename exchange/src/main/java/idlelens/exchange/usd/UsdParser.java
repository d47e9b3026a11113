package idlelens.exchange.usd;

import idlelens.exchange.format.FormatException;
import idlelens.exchange.format.Growing;
import idlelens.exchange.format.ReadBudget;
import idlelens.exchange.scenefile.Unread;
import java.nio.charset.StandardCharsets;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;

/** Prims, properties and metadata of a layer. */
final class UsdParser {
  private static final int MOST_PRIMS = 100_000;
  private static final Set<String> SPECIFIERS = Set.of("def", "over", "class");
  private static final Set<String> ELSEWHERE =
      Set.of("references", "payload", "inherits", "specializes", "variantSets", "subLayers");

  private final UsdText text;
  private final ReadBudget budget;
  private final Set<String> notes = new LinkedHashSet<>();
  private int prims;

  private UsdParser(byte[] octets, ReadBudget budget) {
    this.text = new UsdText(octets);
    this.budget = budget;
  }

  /** A layer: its root prim holds what stands in its head. */
  record Layer(UsdPrim root, Set<String> notes) {}

  static Layer parse(byte[] octets, ReadBudget budget) throws FormatException {
    UsdParser parser = new UsdParser(octets, budget);
    String head = new String(octets, 0, Math.min(16, octets.length), StandardCharsets.UTF_8);
    if (!head.contains("#usda ")) {
      throw new FormatException("line 1", octets.length == 0 ? "empty" : "no head", "#usda 1.0");
    }
    UsdPrim root = new UsdPrim("", "", null);
    parser.metadata(root);
    while (!parser.text.atEnd()) {
      parser.prims(root);
    }
    return new Layer(root, parser.notes);
  }

  /** A prim at the root with all in it. */
  private void prims(UsdPrim root) throws FormatException {
    String specifier = text.word();
    if (!SPECIFIERS.contains(specifier)) {
      throw text.refusal("def, over or class");
    }
    Deque<UsdPrim> open = new ArrayDeque<>();
    open.push(prim(specifier, root));
    while (!open.isEmpty()) {
      UsdPrim prim = open.peek();
      if (text.take('}')) {
        open.pop();
        continue;
      }
      String first = text.word();
      if (SPECIFIERS.contains(first)) {
        open.push(prim(first, prim));
      } else {
        item(prim, first);
      }
    }
  }

  /** A prim up to where its brackets open. */
  private UsdPrim prim(String specifier, UsdPrim parent) throws FormatException {
    String type = text.isString() ? "" : text.word();
    if (!text.isString()) {
      throw text.refusal("the name of a prim in quotes");
    }
    UsdPrim prim = new UsdPrim(type, text.string(), parent);
    if (++prims > MOST_PRIMS || prim.depth() > Unread.DEEPEST) {
      throw text.refusal("at most " + MOST_PRIMS + " prims, at most " + Unread.DEEPEST + " deep");
    }
    metadata(prim);
    text.need('{');
    if (specifier.equals("def")) {
      parent.children.add(prim);
    } else {
      notes.add(prim.path() + ": '" + specifier + "' is left out");
    }
    return prim;
  }

  private void item(UsdPrim prim, String first) throws FormatException {
    if (first.equals("variantSet")) {
      notes.add(prim.path() + ": variants are left out");
      text.skipValue();
      text.need('=');
      text.skipValue();
    } else if (first.equals("reorder")) {
      text.word();
      text.need('=');
      text.skipValue();
    } else {
      property(prim, first);
    }
  }

  /** {@code custom uniform double3 xformOp:translate = (1, 2, 3) ( ... )}, in parts. */
  private void property(UsdPrim prim, String first) throws FormatException {
    List<String> words = new ArrayList<>(List.of(first));
    while (text.peek() != '=' && text.peek() != '}' && text.peek() != 0) {
      if (text.take('[')) {
        text.need(']');
        continue;
      }
      String word = text.word();
      if (word.isEmpty() || SPECIFIERS.contains(words.get(0)) || words.size() > 6) {
        break;
      }
      words.add(word);
      if (isComplete(words)) {
        break;
      }
    }
    if (words.size() < 2) {
      throw text.refusal("a property: its type, its name and a value");
    }
    String name = words.get(words.size() - 1);
    boolean relation = words.contains("rel");
    if (text.take('=')) {
      value(prim, name, relation);
    }
    if (text.peek() == '(') {
      attributes(prim, name);
    }
  }

  /** A property that is only declared ends with its name: the next line begins with a type. */
  private boolean isComplete(List<String> words) {
    int named = 2;
    for (String word : words) {
      boolean modifier =
          word.equals("custom")
              || word.equals("uniform")
              || word.equals("varying")
              || word.equals("prepend")
              || word.equals("append")
              || word.equals("delete")
              || word.equals("add");
      named += modifier ? 1 : 0;
    }
    return words.size() >= named;
  }

  private void value(UsdPrim prim, String name, boolean relation) throws FormatException {
    if (relation || name.endsWith(".connect")) {
      text.skipValue();
    } else if (name.endsWith(".timeSamples")) {
      String base = name.substring(0, name.length() - ".timeSamples".length());
      samples(prim, base);
    } else {
      prim.defaults.put(name, value());
    }
  }

  private UsdValue value() throws FormatException {
    if (text.isString()) {
      return new UsdValue.Words(List.of(text.string()));
    }
    int c = text.peek();
    if (text.isNumber()) {
      return new UsdValue.Numbers(new double[] {text.number()});
    }
    if (c == '(' || c == '[') {
      return bracketed();
    }
    text.skipValue();
    return new UsdValue.Other();
  }

  private UsdValue bracketed() throws FormatException {
    UsdText.Mark start = text.mark();
    text.take(text.peek() == '(' ? '(' : '[');
    boolean words = text.isString();
    boolean other = !words && !text.isNumber() && !isBracket(text.peek());
    boolean empty = text.peek() == ']' || text.peek() == ')';
    text.back(start);
    if (words) {
      return new UsdValue.Words(words());
    }
    if (empty || other) {
      text.skipValue();
      return empty ? new UsdValue.Numbers(new double[0]) : new UsdValue.Other();
    }
    Growing numbers = new Growing();
    text.numbers(numbers);
    budget.take(ReadBudget.Thing.NUMBERS, numbers.count(), text.place());
    return new UsdValue.Numbers(numbers.toArray());
  }

  private static boolean isBracket(int c) {
    return c == '(' || c == '[';
  }

  private List<String> words() throws FormatException {
    List<String> words = new ArrayList<>();
    text.need('[');
    while (!text.take(']')) {
      if (!text.isString()) {
        throw text.refusal("a text in quotes");
      }
      words.add(text.string());
      text.take(',');
    }
    return words;
  }

  private void samples(UsdPrim prim, String name) throws FormatException {
    text.need('{');
    Growing times = new Growing();
    Growing values = new Growing();
    int each = 0;
    boolean other = false;
    while (!text.take('}')) {
      double time = text.number();
      text.need(':');
      if (name.equals(UsdPrim.VISIBILITY) && text.isString()) {
        times.add(time);
        values.add(text.string().equals(UsdPrim.INVISIBLE) ? 0 : 1);
        each = 1;
      } else if (!text.isNumber() && !isBracket(text.peek())) {
        text.skipValue();
        other = true;
      } else {
        int before = values.count();
        text.numbers(values);
        int count = values.count() - before;
        if (times.count() > 0 && count != each) {
          throw new FormatException(
              text.place(), count + " numbers", each + ", as the sample before");
        }
        each = count;
        times.add(time);
      }
      text.take(',');
    }
    budget.take(ReadBudget.Thing.NUMBERS, values.count(), text.place());
    if (other) {
      notes.add(prim.path() + "." + name + ": samples without numbers are left out");
    }
    if (times.count() > 0) {
      prim.samples.put(name, new UsdValue.Samples(times.toArray(), values.toArray(), each));
    }
  }

  /** Takes what stands behind a name in brackets. */
  private interface Entry {
    void of(String name) throws FormatException;
  }

  /** Names with what stands behind them, up to the end of the brackets; texts are passed by. */
  private void entries(Entry each) throws FormatException {
    while (!text.take(')')) {
      if (text.isString()) {
        text.string();
        continue;
      }
      String name = text.word();
      if (name.isEmpty()) {
        throw text.refusal("metadata, or ')'");
      }
      each.of(name);
    }
  }

  /** Metadata of a property: only how it is spread over a mesh is of use. */
  private void attributes(UsdPrim prim, String property) throws FormatException {
    text.need('(');
    entries(
        name -> {
          if (text.take('=')) {
            if (name.equals("interpolation") && text.isString()) {
              prim.interpolation.put(property, text.string());
            } else {
              text.skipValue();
            }
          }
        });
  }

  private void metadata(UsdPrim prim) throws FormatException {
    if (!text.take('(')) {
      return;
    }
    entries(
        first -> {
          String name = Set.of("prepend", "append", "add").contains(first) ? text.word() : first;
          if (ELSEWHERE.contains(name)) {
            notes.add(
                prim.path() + ": '" + name + "' is left out; nothing outside the file is read");
          }
          text.need('=');
          entry(prim, name);
        });
  }

  private void entry(UsdPrim prim, String name) throws FormatException {
    boolean dictionary = name.equals("customLayerData") || name.equals("customData");
    if (dictionary && text.peek() == '{') {
      dictionary(prim);
    } else if (text.isString()) {
      prim.metadata.put(name, text.string());
    } else if (text.isNumber()) {
      prim.metadata.put(name, Double.toString(text.number()));
    } else {
      text.skipValue();
    }
  }

  /** Texts of a dictionary; what else is in it is passed by. */
  private void dictionary(UsdPrim prim) throws FormatException {
    text.need('{');
    while (!text.take('}')) {
      String type = text.word();
      boolean list = text.take('[');
      if (list) {
        text.need(']');
      }
      String name = text.isString() ? text.string() : text.word();
      text.need('=');
      if (type.equals("string") && !list && text.isString()) {
        prim.metadata.put("custom:" + name, text.string());
      } else {
        text.skipValue();
      }
      text.take(',');
    }
  }
}
