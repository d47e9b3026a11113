package idlelens.exchange.csv;

import idlelens.exchange.format.FormatException;
import idlelens.exchange.format.NumberScan;
import java.io.IOException;
import java.io.StringReader;
import java.nio.ByteBuffer;
import java.nio.charset.CharacterCodingException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVParser;
import org.apache.commons.csv.CSVRecord;

/** A table of text with a head, as all of ours are read: UTF-8, {@code #} before what is a note. */
final class CsvTable {
  private static final int MOST_COMMAS = 100;
  private static final int MOST_LINES_OF_HEAD = 20;
  private static final CSVFormat FORMAT =
      CSVFormat.DEFAULT
          .builder()
          .setHeader()
          .setSkipHeaderRecord(true)
          .setIgnoreHeaderCase(true)
          .setIgnoreSurroundingSpaces(true)
          .setIgnoreEmptyLines(true)
          .setCommentMarker('#')
          .get();

  private CsvTable() {}

  /**
   * The rows of a table.
   *
   * @param columns those that it may have
   */
  static CSVParser open(byte[] table, List<String> columns) throws FormatException, IOException {
    String text = text(table);
    requireShortHead(text, columns.size());
    return CSVParser.parse(new StringReader(text), FORMAT);
  }

  /** What is said of a file that cannot be taken apart. */
  static FormatException noTable() {
    return new FormatException(
        "file", "not a table (a quote that is not closed, or a name twice in the head)", "CSV");
  }

  /** The number in a column of a row. */
  static double number(CSVRecord row, String column, long line) throws FormatException {
    if (!row.isConsistent()) {
      throw new FormatException("line " + line, row.size() + " columns", "as many as the head has");
    }
    String text = row.get(column);
    byte[] octets = text.getBytes(StandardCharsets.UTF_8);
    NumberScan scan = new NumberScan(octets, octets.length);
    double value = scan.read(0);
    if (scan.at() != octets.length || octets.length == 0 || !Double.isFinite(value)) {
      throw new FormatException("line " + line + ", " + column, "'" + text + "'", "a number");
    }
    return value;
  }

  private static String text(byte[] table) throws FormatException {
    try {
      String text = StandardCharsets.UTF_8.newDecoder().decode(ByteBuffer.wrap(table)).toString();
      return text.startsWith("\uFEFF") ? text.substring(1) : text;
    } catch (CharacterCodingException e) {
      throw new FormatException("file", "not text", "CSV in UTF-8");
    }
  }

  /** A line of many columns takes far more memory than its text, so it is not even taken apart. */
  private static void requireShortHead(String text, int columns) throws FormatException {
    long commas =
        text.lines().limit(MOST_LINES_OF_HEAD).mapToLong(CsvTable::commas).max().orElse(0);
    if (commas > MOST_COMMAS) {
      throw new FormatException("head", commas + 1 + " columns", "at most " + columns);
    }
  }

  private static long commas(String line) {
    return line.chars().filter(c -> c == ',').count();
  }
}
