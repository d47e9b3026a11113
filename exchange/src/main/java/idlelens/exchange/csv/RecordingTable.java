package idlelens.exchange.csv;

import idlelens.core.rule.RefusedException;
import idlelens.core.shake.Recording;
import idlelens.exchange.format.FormatException;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import org.apache.commons.csv.CSVParser;
import org.apache.commons.csv.CSVRecord;

/**
 * A recording as a table with a head: {@code seconds}, at even steps, and one column or more of
 * {@code x_cm, y_cm, z_cm, pan_deg, tilt_deg, roll_deg, focal_mm, focus_m}.
 */
public final class RecordingTable {
  private static final String SECONDS = "seconds";
  private static final List<String> CHANNELS =
      List.of("x_cm", "y_cm", "z_cm", "pan_deg", "tilt_deg", "roll_deg", "focal_mm", "focus_m");
  private static final List<String> COLUMNS =
      Stream.concat(Stream.of(SECONDS), CHANNELS.stream()).toList();

  /** A step may differ from the mean one by this part of it, for what rounding takes. */
  private static final double UNEVEN = 0.02;

  private RecordingTable() {}

  /**
   * @throws FormatException naming the line and the column
   */
  public static Recording read(byte[] table) throws FormatException {
    try (CSVParser rows = CsvTable.open(table, COLUMNS)) {
      List<String> channels = channels(rows.getHeaderMap());
      List<double[]> all = new ArrayList<>();
      List<Double> seconds = new ArrayList<>();
      for (CSVRecord row : rows) {
        long line = rows.getCurrentLineNumber();
        if (all.size() == Recording.MOST_SAMPLES) {
          String most = "at most " + Recording.MOST_SAMPLES;
          throw new FormatException("rows", "more than " + Recording.MOST_SAMPLES, most);
        }
        seconds.add(CsvTable.number(row, SECONDS, line));
        all.add(numbers(row, channels, line));
      }
      return recording(channels, all, rate(seconds));
    } catch (IOException | IllegalArgumentException | UncheckedIOException e) {
      throw CsvTable.noTable();
    }
  }

  private static List<String> channels(Map<String, Integer> head) throws FormatException {
    List<String> found = new ArrayList<>();
    for (String name : head.keySet()) {
      String column = name.toLowerCase(Locale.ROOT);
      if (!COLUMNS.contains(column)) {
        throw new FormatException("line 1, column", "'" + name + "'", String.join(", ", COLUMNS));
      }
      if (!column.equals(SECONDS)) {
        found.add(column);
      }
    }
    if (found.size() == head.size() || found.isEmpty()) {
      throw new FormatException(
          "line 1", String.join(",", head.keySet()), "seconds and at least one channel");
    }
    return found;
  }

  private static double[] numbers(CSVRecord row, List<String> channels, long line)
      throws FormatException {
    double[] out = new double[channels.size()];
    for (int c = 0; c < out.length; c++) {
      out[c] = CsvTable.number(row, channels.get(c), line);
    }
    return out;
  }

  /** Samples a second; the steps must be even. */
  private static double rate(List<Double> seconds) throws FormatException {
    int n = seconds.size();
    if (n < 2) {
      throw new FormatException("rows", n, "at least two samples");
    }
    double step = (seconds.get(n - 1) - seconds.get(0)) / (n - 1);
    for (int i = 1; i < n; i++) {
      double is = seconds.get(i) - seconds.get(i - 1);
      if (!(step > 0 && Math.abs(is - step) <= UNEVEN * step)) {
        throw new FormatException(
            "row " + (i + 1) + ", seconds",
            seconds.get(i),
            "even steps, of " + step + " s as all together are");
      }
    }
    return 1 / step;
  }

  private static Recording recording(List<String> channels, List<double[]> rows, double rate)
      throws FormatException {
    List<Optional<double[]>> columns = new ArrayList<>();
    for (String channel : CHANNELS) {
      int at = channels.indexOf(channel);
      columns.add(
          at < 0
              ? Optional.empty()
              : Optional.of(rows.stream().mapToDouble(row -> row[at]).toArray()));
    }
    try {
      return new Recording(rate, columns);
    } catch (RefusedException e) {
      throw new FormatException(e.where(), e.found(), e.allowed());
    }
  }

  /** A recording as it is read. */
  public static String write(Recording recording) {
    List<Integer> has = new ArrayList<>();
    StringBuilder out = new StringBuilder(SECONDS);
    for (int c = 0; c < CHANNELS.size(); c++) {
      if (recording.has(c)) {
        has.add(c);
        out.append(',').append(CHANNELS.get(c));
      }
    }
    double[][] columns = new double[CHANNELS.size()][];
    Arrays.setAll(columns, c -> recording.channel(c).orElse(null));
    for (int i = 0; i < recording.length(); i++) {
      out.append('\n').append(i / recording.rateHz());
      for (int c : has) {
        out.append(',').append(columns[c][i]);
      }
    }
    return out.append('\n').toString();
  }
}
