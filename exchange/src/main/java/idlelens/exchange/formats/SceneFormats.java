package idlelens.exchange.formats;

import idlelens.core.rule.RefusedException;
import idlelens.exchange.collada.ColladaFormat;
import idlelens.exchange.csv.CsvFormat;
import idlelens.exchange.format.FormatException;
import idlelens.exchange.gltf.GltfFormat;
import idlelens.exchange.obj.ObjFormat;
import idlelens.exchange.opentrackio.TrackFormat;
import idlelens.exchange.ply.PlyFormat;
import idlelens.exchange.scenefile.SceneFile;
import idlelens.exchange.scenefile.SceneFormat;
import idlelens.exchange.scenefile.Upload;
import idlelens.exchange.usd.UsdFormat;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Collectors;

/** The formats that hold scenes. */
public final class SceneFormats {
  /** In the order in which they are offered. */
  public static final List<SceneFormat> ALL =
      List.of(
          new GltfFormat(),
          new UsdFormat(),
          new ColladaFormat(),
          new TrackFormat(),
          new CsvFormat(),
          new ObjFormat(),
          new PlyFormat());

  private SceneFormats() {}

  /** One that is written, by its short name. */
  public static SceneFormat writing(String id) {
    return written().stream()
        .filter(f -> f.id().equals(id))
        .findFirst()
        .orElseThrow(
            () ->
                new RefusedException(
                    "format", "'" + id + "'", ids() + ", otio, edl, report, anchors, json"));
  }

  /** Those that are written. */
  public static List<SceneFormat> written() {
    return ALL.stream().filter(SceneFormat::isWritten).toList();
  }

  private static String ids() {
    return written().stream().map(SceneFormat::id).collect(Collectors.joining(", "));
  }

  /** The format that reads files of that name, if one does. */
  public static Optional<SceneFormat> reading(String fileName) {
    String ending = ending(fileName);
    return ALL.stream().filter(f -> f.endings().contains(ending)).findFirst();
  }

  /** All endings that are read. */
  public static List<String> endings() {
    return ALL.stream().flatMap(f -> f.endings().stream()).toList();
  }

  /** The letters behind the last dot of a name, in lower case. */
  public static String ending(String name) {
    return name.substring(name.lastIndexOf('.') + 1).toLowerCase(Locale.ROOT);
  }

  /**
   * Reads a file by its name.
   *
   * @throws FormatException with the place; also for a name that no format has, with those to use
   */
  public static SceneFile read(Upload upload) throws FormatException {
    Optional<SceneFormat> format = reading(upload.name());
    if (format.isEmpty()) {
      throw new FormatException(
          "file", "'" + upload.name() + "'", "." + String.join(", .", endings()));
    }
    return format.get().read(upload);
  }
}
