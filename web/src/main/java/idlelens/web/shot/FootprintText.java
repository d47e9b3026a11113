package idlelens.web.shot;

import idlelens.core.edit.Footprint;
import idlelens.core.edit.Place;
import java.util.LinkedHashSet;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/**
 * A footprint as it is stored: a place a line, with {@code +} before those that change and {@code
 * ?} before those relied on. Edits stored before footprints were kept another way: they are taken
 * to have changed everything.
 */
final class FootprintText {
  private static final String CHANGES = "+";
  private static final String RELIES_ON = "?";

  private FootprintText() {}

  static String write(Footprint footprint) {
    return Stream.concat(
            footprint.changes().stream().map(p -> CHANGES + p.text()),
            footprint.reliesOn().stream().map(p -> RELIES_ON + p.text()))
        .sorted()
        .collect(Collectors.joining("\n"));
  }

  static Footprint read(String text) {
    Set<Place> changes = new LinkedHashSet<>();
    Set<Place> reliesOn = new LinkedHashSet<>();
    for (String line : text.split("\n")) {
      if (line.startsWith(CHANGES)) {
        changes.add(new Place(line.substring(1)));
      } else if (line.startsWith(RELIES_ON)) {
        reliesOn.add(new Place(line.substring(1)));
      } else if (!line.isEmpty()) {
        return Footprint.ALL;
      }
    }
    return new Footprint(changes, reliesOn);
  }
}
