package idlelens.exchange.csv;

import idlelens.exchange.format.FormatException;
import idlelens.exchange.scenefile.Axes;
import idlelens.exchange.scenefile.Holds;
import idlelens.exchange.scenefile.SceneFile;
import idlelens.exchange.scenefile.SceneFormat;
import idlelens.exchange.scenefile.Upload;
import java.util.List;
import java.util.Optional;

/** A camera as a table, in whatever axes, unit and angles a receiver wants. */
public final class CsvFormat implements SceneFormat {
  private static final Holds HOLDS =
      new Holds(List.of(Axes.values()), Optional.empty(), Optional.empty(), false, false, false);

  @Override
  public String id() {
    return "csv";
  }

  @Override
  public String label() {
    return "Table, CSV";
  }

  @Override
  public List<String> endings() {
    return List.of("csv");
  }

  @Override
  public String mediaType() {
    return "text/csv;charset=UTF-8";
  }

  @Override
  public Holds holds() {
    return HOLDS;
  }

  @Override
  public SceneFile read(Upload upload) throws FormatException {
    return CameraTableReader.read(upload.octets());
  }

  @Override
  public Written write(SceneFile scene) {
    return new Written(CameraTableWriter.write(scene), List.of());
  }
}
