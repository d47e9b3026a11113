package idlelens.exchange.json;

import idlelens.core.rule.RefusedException;
import idlelens.exchange.format.FormatException;

/** A rule broken inside a file, told with its place in the file. */
final class Refusals {
  private Refusals() {}

  static FormatException inside(String path, RefusedException e) {
    return new FormatException(
        path.isEmpty() ? e.where() : path + "." + e.where(), e.found(), e.allowed());
  }
}
