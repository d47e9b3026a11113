package idlelens.exchange.csv;

import idlelens.exchange.format.FormatException;
import idlelens.exchange.scenefile.Axes;
import idlelens.exchange.scenefile.FormatFacts;
import idlelens.exchange.scenefile.Holds;
import idlelens.exchange.scenefile.SceneFile;
import idlelens.exchange.scenefile.SceneFormat;
import idlelens.exchange.scenefile.Upload;
import java.util.List;
import java.util.Optional;

/** A camera as a table, in whatever axes, unit and angles a receiver wants. */
public final class CsvFormat implements SceneFormat {
  private static final FormatFacts FACTS =
      new FormatFacts(
          "csv",
          "Table, CSV",
          List.of("csv"),
          "text/csv;charset=UTF-8",
          new Holds(
              List.of(Axes.values()),
              Optional.empty(),
              Optional.empty(),
              false,
              false,
              false,
              false,
              false));

  @Override
  public FormatFacts facts() {
    return FACTS;
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
