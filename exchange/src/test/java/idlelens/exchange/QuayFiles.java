package idlelens.exchange;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;

/** The files in the test resources. */
public final class QuayFiles {
  private QuayFiles() {}

  public static byte[] bytes(String name) {
    try (InputStream in = QuayFiles.class.getResourceAsStream("/quay/" + name)) {
      return in.readAllBytes();
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  /** Rows of a truth table: frame, 16 numbers of the camera's matrix by rows, vertical degrees. */
  public static List<double[]> truth(String name) {
    List<double[]> rows = new ArrayList<>();
    for (String line : new String(bytes(name), StandardCharsets.UTF_8).split("\\R")) {
      if (!line.isBlank() && !line.startsWith("#") && !line.startsWith("frame")) {
        String[] cells = line.split(",");
        double[] row = new double[cells.length];
        for (int i = 0; i < cells.length; i++) {
          row[i] = Double.parseDouble(cells[i]);
        }
        rows.add(row);
      }
    }
    return rows;
  }
}
