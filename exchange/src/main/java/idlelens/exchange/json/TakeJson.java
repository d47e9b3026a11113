package idlelens.exchange.json;

import idlelens.core.take.Take;
import idlelens.exchange.format.FormatException;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** Takes: a rate, and for each column that there is its samples. */
public final class TakeJson {
  private TakeJson() {}

  /** A take from the fields {@code rate} and {@code samples} of an object. */
  public static Take read(JsonPlace p) throws FormatException {
    JsonPlace samples = p.get("samples").only(Take.COLUMNS.toArray(String[]::new));
    List<Optional<double[]>> columns = new ArrayList<>();
    for (String name : Take.COLUMNS) {
      columns.add(samples.has(name) ? Optional.of(column(samples.get(name))) : Optional.empty());
    }
    return new Take(p.get("rate").number(), columns);
  }

  static double[] column(JsonPlace p) throws FormatException {
    return p.list(Take.MOST_SAMPLES, JsonPlace::number).stream().mapToDouble(v -> v).toArray();
  }

  /** A take as the fields {@code rate} and {@code samples} of an object. */
  public static ObjectNode write(Take take, ObjectNode out) {
    out.put("rate", take.rateHz());
    ObjectNode samples = out.putObject("samples");
    for (int c = 0; c < Take.COLUMNS.size(); c++) {
      String name = Take.COLUMNS.get(c);
      take.column(c).ifPresent(values -> write(samples.putArray(name), values));
    }
    return out;
  }

  static void write(ArrayNode column, double[] values) {
    for (double value : values) {
      column.add(value);
    }
  }
}
