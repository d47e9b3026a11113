package idlelens.exchange.usd;

import idlelens.exchange.scenefile.Channel;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** A prim with its properties and what is below it. */
final class UsdPrim {
  private static final int NAMES_SAID = 12;
  private static final int LETTERS_SAID = 60;

  private final String type;
  private final String name;

  /** Whether it is to be seen, with what stands below it; over time 1 for so and 0 for not. */
  static final String VISIBILITY = "visibility";

  /** What it is set to where it is not to be seen. */
  static final String INVISIBLE = "invisible";

  private final UsdPrim parent;
  private final int depth;
  final List<UsdPrim> children = new ArrayList<>();
  final Map<String, UsdValue> defaults = new LinkedHashMap<>();
  final Map<String, UsdValue.Samples> samples = new LinkedHashMap<>();
  final Map<String, String> metadata = new LinkedHashMap<>();
  final Map<String, String> interpolation = new LinkedHashMap<>();

  UsdPrim(String type, String name, UsdPrim parent) {
    this.type = type;
    this.name = name;
    this.parent = parent;
    this.depth = parent == null ? 0 : parent.depth + 1;
  }

  String type() {
    return type;
  }

  String name() {
    return name;
  }

  /** Where it stands, for messages: the last few names of its path, and of long names the start. */
  String path() {
    StringBuilder path = new StringBuilder();
    UsdPrim at = this;
    for (int i = 0; i < NAMES_SAID && at.parent != null; i++, at = at.parent) {
      path.insert(0, '/' + shortened(at.name));
    }
    if (at.parent != null) {
      path.insert(0, "/...");
    }
    return path.isEmpty() ? "/" : path.toString();
  }

  private static String shortened(String name) {
    return name.length() <= LETTERS_SAID ? name : name.substring(0, LETTERS_SAID) + "...";
  }

  int depth() {
    return depth;
  }

  Optional<double[]> numbers(String property) {
    return defaults.get(property) instanceof UsdValue.Numbers n
        ? Optional.of(n.values())
        : Optional.empty();
  }

  /** When it is to be seen. */
  Channel seen() {
    UsdValue.Samples over = samples.get(VISIBILITY);
    return over == null
        ? Channel.still(path(), words(VISIBILITY).contains(INVISIBLE) ? 0 : 1)
        : new Channel(over.times(), over.values(), Channel.Between.STEP, 1, path());
  }

  List<String> words(String property) {
    return defaults.get(property) instanceof UsdValue.Words w ? w.words() : List.of();
  }
}
