package idlelens.web;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;

/** The arrows between folders of the browser's code. */
class BrowserRoomsTest {

  private static final Path ROOT = Path.of("src/main/resources/static/js");
  private static final Pattern IMPORT = Pattern.compile("from '(\\.[^']+)'");

  /** Each folder with those it may look at; the pages themselves may look at all. */
  private static final Map<String, List<String>> LOOKS_AT =
      Map.ofEntries(
          Map.entry("common", List.of()),
          Map.entry("shot", List.of("common")),
          Map.entry("solids", List.of("common", "shot")),
          Map.entry("picture", List.of("common", "shot", "solids")),
          Map.entry("plan", List.of("common", "shot", "solids")),
          Map.entry("curves", List.of("common", "shot")),
          Map.entry("panels", List.of("common", "shot")),
          Map.entry("operate", List.of("common", "shot")),
          Map.entry("checks", List.of("common", "shot", "panels")),
          Map.entry("lens", List.of("common", "shot", "panels")),
          Map.entry("handoff", List.of("common")),
          Map.entry(
              "floor",
              List.of(
                  "common", "shot", "picture", "plan", "curves", "panels", "lens", "checks",
                  "operate")));

  @Test
  void arrowsBetweenFoldersPointOneWay() throws IOException {
    List<String> wrong = new ArrayList<>();
    int arrows = 0;
    for (Path file : modules()) {
      String room = room(file);
      if (room.isEmpty()) continue;
      for (Path to : imports(file)) {
        String other = room(to);
        if (other.equals(room)) continue;
        arrows++;
        if (!LOOKS_AT.getOrDefault(room, List.of()).contains(other))
          wrong.add(ROOT.relativize(file) + " looks at " + ROOT.relativize(to));
      }
    }
    assertThat(wrong).isEmpty();
    assertThat(arrows).isGreaterThan(50);
  }

  @Test
  void everyFolderHasItsPlaceAndEveryImportIsThere() throws IOException {
    for (Path file : modules()) {
      if (!room(file).isEmpty()) assertThat(LOOKS_AT).containsKey(room(file));
      for (Path to : imports(file)) assertThat(to).exists();
    }
  }

  private static List<Path> modules() throws IOException {
    try (Stream<Path> files = Files.walk(ROOT)) {
      return files.filter(f -> f.toString().endsWith(".js")).toList();
    }
  }

  private static List<Path> imports(Path file) throws IOException {
    return IMPORT
        .matcher(Files.readString(file))
        .results()
        .map(m -> file.resolveSibling(m.group(1)).normalize())
        .toList();
  }

  private static String room(Path file) {
    Path inside = ROOT.relativize(file);
    return inside.getNameCount() > 1 ? inside.getName(0).toString() : "";
  }
}
