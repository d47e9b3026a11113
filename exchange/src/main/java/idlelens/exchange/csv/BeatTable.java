package idlelens.exchange.csv;

import idlelens.core.quantity.QuantityKind;
import idlelens.core.quantity.QuantityReader;
import idlelens.core.rule.RefusedException;
import idlelens.core.scene.Marker;
import idlelens.core.scene.ShotHeader;
import idlelens.exchange.format.FormatException;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.function.Supplier;
import org.apache.commons.csv.CSVParser;
import org.apache.commons.csv.CSVRecord;

/**
 * Beats as a table with a head: a column {@code frame} (frame numbers of the shot) or {@code time}
 * (seconds or hh:mm:ss:ff since the first frame of the shot), and, if wanted, {@code name} and
 * {@code kind} (beat, hit, cue, note).
 */
public final class BeatTable {
  private static final List<String> COLUMNS = List.of("frame", "time", "name", "kind");

  private BeatTable() {}

  /**
   * The beats as markers, on whole frames.
   *
   * @param ids gives each its id
   * @throws FormatException naming the line and the column
   */
  public static List<Marker> read(byte[] table, ShotHeader header, Supplier<String> ids)
      throws FormatException {
    try (CSVParser rows = CsvTable.open(table, COLUMNS)) {
      requireColumns(rows.getHeaderMap());
      List<Marker> markers = new ArrayList<>();
      for (CSVRecord row : rows) {
        if (markers.size() == Marker.MOST) {
          throw new FormatException("rows", "more than " + Marker.MOST, "at most " + Marker.MOST);
        }
        markers.add(marker(row, rows.getCurrentLineNumber(), header, ids.get()));
      }
      if (markers.isEmpty()) {
        throw new FormatException("file", "without rows", "at least one beat below the head");
      }
      return markers;
    } catch (IOException | IllegalArgumentException | UncheckedIOException e) {
      throw CsvTable.noTable();
    }
  }

  private static void requireColumns(Map<String, Integer> head) throws FormatException {
    for (String name : head.keySet()) {
      if (!COLUMNS.contains(name.toLowerCase(Locale.ROOT))) {
        throw new FormatException("line 1, column", "'" + name + "'", "frame or time, name, kind");
      }
    }
    if (head.containsKey("frame") == head.containsKey("time")) {
      throw new FormatException("line 1", String.join(",", head.keySet()), "one of frame and time");
    }
  }

  private static Marker marker(CSVRecord row, long line, ShotHeader header, String id)
      throws FormatException {
    if (!row.isConsistent()) {
      throw new FormatException("line " + line, row.size() + " columns", "as many as the head has");
    }
    double frame =
        row.isMapped("frame")
            ? number(row, "frame", line, header)
            : header.range().in() + number(row, "time", line, header);
    String name = row.isMapped("name") ? row.get("name") : "";
    try {
      return new Marker(id, Math.rint(frame), name.isBlank() ? "beat" : name, kind(row, line), "");
    } catch (RefusedException e) {
      throw new FormatException("line " + line + ", " + e.where(), e.found(), e.allowed());
    }
  }

  /** Frames: as they stand, or of a time. */
  private static double number(CSVRecord row, String column, long line, ShotHeader header)
      throws FormatException {
    String text = row.get(column);
    boolean seconds = column.equals("time") && text.matches("[0-9.eE+-]+");
    try {
      return QuantityReader.read(seconds ? text + "s" : text, QuantityKind.FRAMES, header.rate());
    } catch (RefusedException e) {
      throw new FormatException("line " + line + ", " + column, "'" + text + "'", e.allowed());
    }
  }

  private static Marker.Kind kind(CSVRecord row, long line) throws FormatException {
    String word = row.isMapped("kind") ? row.get("kind").toUpperCase(Locale.ROOT) : "";
    if (word.isBlank()) {
      return Marker.Kind.BEAT;
    }
    return Arrays.stream(Marker.Kind.values())
        .filter(k -> k.name().equals(word))
        .findFirst()
        .orElseThrow(
            () ->
                new FormatException(
                    "line " + line + ", kind",
                    "'" + row.get("kind") + "'",
                    "beat, hit, cue, note"));
  }
}
