package idlelens.exchange.usd;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** A prim with its properties and what is below it. */
final class UsdPrim {
  private final String type;
  private final String name;
  private final String path;
  private final int depth;
  final List<UsdPrim> children = new ArrayList<>();
  final Map<String, UsdValue> defaults = new LinkedHashMap<>();
  final Map<String, UsdValue.Samples> samples = new LinkedHashMap<>();
  final Map<String, String> metadata = new LinkedHashMap<>();
  final Map<String, String> interpolation = new LinkedHashMap<>();

  UsdPrim(String type, String name, UsdPrim parent) {
    this.type = type;
    this.name = name;
    this.path = parent == null ? "" : parent.path + "/" + name;
    this.depth = parent == null ? 0 : parent.depth + 1;
  }

  String type() {
    return type;
  }

  String name() {
    return name;
  }

  String path() {
    return path.isEmpty() ? "/" : path;
  }

  int depth() {
    return depth;
  }

  Optional<double[]> numbers(String property) {
    return defaults.get(property) instanceof UsdValue.Numbers n
        ? Optional.of(n.values())
        : Optional.empty();
  }

  List<String> words(String property) {
    return defaults.get(property) instanceof UsdValue.Words w ? w.words() : List.of();
  }
}
