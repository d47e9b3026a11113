package idlelens.exchange.csv;

import idlelens.exchange.format.FormatException;
import idlelens.exchange.format.ReadBudget;
import idlelens.exchange.json.JsonPlace;
import idlelens.exchange.scenefile.Axes;
import idlelens.exchange.scenefile.Channel;
import idlelens.exchange.scenefile.Content;
import idlelens.exchange.scenefile.Conventions;
import idlelens.exchange.scenefile.FileClock;
import idlelens.exchange.scenefile.FileNode;
import idlelens.exchange.scenefile.Lane;
import idlelens.exchange.scenefile.LensNumber;
import idlelens.exchange.scenefile.Op;
import idlelens.exchange.scenefile.Rest;
import idlelens.exchange.scenefile.SceneFile;
import idlelens.exchange.scenefile.ShotHint;
import idlelens.exchange.scenefile.View;
import idlelens.exchange.scenefile.Wording;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import org.apache.commons.csv.CSVParser;
import org.apache.commons.csv.CSVRecord;
import org.joml.Vector3d;

/** Reads the table of a camera, as {@link CameraTableWriter} writes it. */
final class CameraTableReader {
  private static final int MOST_ROWS = 200_000;
  private static final double USUAL_WIDTH = 36;
  private static final double USUAL_HEIGHT = 20.25;

  private final byte[] table;
  private final ReadBudget budget;
  private final List<String> notes = new ArrayList<>();
  private final Map<String, List<Double>> values = new HashMap<>();

  private CameraTableReader(byte[] table) {
    this.table = table;
    this.budget = new ReadBudget(table.length);
  }

  static SceneFile read(byte[] table) throws FormatException {
    return new CameraTableReader(table).read();
  }

  private SceneFile read() throws FormatException {
    Optional<JsonPlace> head = head();
    rows();
    double[] frames = column(CameraColumns.FRAME);
    Optional<ShotHint> hint =
        head.isPresent() && head.get().has("shot")
            ? Optional.of(ShotHint.read(head.get().get("shot")))
            : Optional.empty();
    CameraColumns columns = columns(head);
    sayGaps(frames);
    FileNode node =
        new FileNode(
            "0",
            columns.camera(),
            "table",
            -1,
            ops(columns, frames),
            false,
            List.of(camera(columns, head, frames)));
    double perSecond = hint.map(h -> h.rate().framesPerSecond()).orElse(24.0);
    return new SceneFile(
        columns.conventions(),
        columns.wording(),
        new FileClock(
            perSecond,
            frames[0],
            OptionalDouble.of(frames[frames.length - 1]),
            hint.map(ShotHint::rate),
            Optional.of((int) Math.rint(frames[0]))),
        List.of(node),
        hint,
        budget,
        notes);
  }

  private Optional<JsonPlace> head() throws FormatException {
    int end = 0;
    while (end < table.length && table[end] != '\n') {
      end++;
    }
    String line = new String(table, 0, end, StandardCharsets.UTF_8).strip();
    String bare = line.startsWith("\uFEFF") ? line.substring(1) : line;
    if (!bare.startsWith(CameraTableWriter.MARK)) {
      return Optional.empty();
    }
    byte[] json = bare.substring(CameraTableWriter.MARK.length()).getBytes(StandardCharsets.UTF_8);
    return Optional.of(new JsonPlace(JsonPlace.parse(json).node(), "line 1"));
  }

  private void rows() throws FormatException {
    try (CSVParser rows = CsvTable.open(table, CameraColumns.ALL)) {
      List<String> head = head(rows.getHeaderMap().keySet());
      head.forEach(c -> values.put(c, new ArrayList<>()));
      for (CSVRecord row : rows) {
        long line = rows.getCurrentLineNumber();
        budget.take(ReadBudget.Thing.NUMBERS, head.size(), "line " + line);
        for (String column : head) {
          values.get(column).add(CsvTable.number(row, column, line));
        }
        requireNext(line);
      }
    } catch (IOException | IllegalArgumentException | UncheckedIOException e) {
      throw CsvTable.noTable();
    }
    if (values.get(CameraColumns.FRAME).isEmpty()) {
      throw new FormatException("rows", "none", "at least one");
    }
  }

  private static List<String> head(Set<String> found) throws FormatException {
    List<String> head = new ArrayList<>();
    for (String name : found) {
      String column = name.toLowerCase(Locale.ROOT);
      if (!CameraColumns.ALL.contains(column)) {
        throw new FormatException(
            "the head, column", "'" + name + "'", String.join(", ", CameraColumns.ALL));
      }
      head.add(column);
    }
    for (String needed : List.of(CameraColumns.FRAME, "x", "y", "z")) {
      if (!head.contains(needed)) {
        throw new FormatException("the head", "without " + needed, "frame, x, y, z and more");
      }
    }
    return head;
  }

  private void requireNext(long line) throws FormatException {
    List<Double> frames = values.get(CameraColumns.FRAME);
    int n = frames.size();
    double frame = frames.get(n - 1);
    if (n > MOST_ROWS || !(Math.abs(frame) <= 1e7)) {
      throw new FormatException(
          "line " + line + ", frame", frame, "at most " + MOST_ROWS + " rows, to frame 1e7");
    }
    if (n > 1 && !(frame > frames.get(n - 2))) {
      throw new FormatException(
          "line " + line + ", frame",
          frame,
          "greater than the frame before (" + frames.get(n - 2) + ")");
    }
  }

  private double[] column(String name) {
    return values.get(name).stream().mapToDouble(Double::doubleValue).toArray();
  }

  private CameraColumns columns(Optional<JsonPlace> head) throws FormatException {
    if (head.isPresent()) {
      return CameraColumns.read(head.get().get("columns"));
    }
    notes.add("nothing says how the numbers are to be taken: metres, +Y up, pan, tilt and roll");
    return new CameraColumns(
        "Camera",
        new Conventions(Axes.Y_UP, 1, Rest.OWN_Z),
        Wording.OURS,
        USUAL_WIDTH / USUAL_HEIGHT,
        USUAL_WIDTH,
        USUAL_HEIGHT);
  }

  private void sayGaps(double[] frames) {
    List<String> gaps = new ArrayList<>();
    for (int i = 1; i < frames.length; i++) {
      if (frames[i] - frames[i - 1] > 1 + 1e-9) {
        gaps.add(frames[i - 1] + " to " + frames[i]);
      }
    }
    if (!gaps.isEmpty()) {
      notes.add(
          (gaps.size() == 1 ? "1 gap" : gaps.size() + " gaps")
              + " between frames gone through straight: "
              + String.join(", ", gaps.subList(0, Math.min(5, gaps.size()))));
    }
  }

  private Channel channel(String name, double[] frames, double plus) throws FormatException {
    double[] own = column(name);
    for (int i = 0; i < own.length; i++) {
      own[i] += plus;
    }
    boolean still = own.length == 1;
    return (still
            ? Channel.still("column " + name, own)
            : new Channel(frames, own, Channel.Between.LINEAR, 1, "column " + name))
        .checked();
  }

  private List<Op> ops(CameraColumns columns, double[] frames) throws FormatException {
    double[] origin = columns.origin();
    List<Op> ops = new ArrayList<>();
    ops.add(
        new Op.Place(
            Lane.of(channel("x", frames, -origin[0])),
            Lane.of(channel("y", frames, -origin[1])),
            Lane.of(channel("z", frames, 0))));
    var order = columns.wording().order();
    List<Vector3d> about = order.about(columns.conventions().axes());
    for (int i = 0; i < about.size(); i++) {
      String name = order.columns().get(order.column(i));
      if (!values.containsKey(name)) {
        throw new FormatException(
            "the head", "without " + name, String.join(", ", columns.columns()));
      }
      ops.add(new Op.Spin(about.get(i), Lane.of(channel(name, frames, 0))));
    }
    return ops;
  }

  private Content camera(CameraColumns columns, Optional<JsonPlace> head, double[] frames)
      throws FormatException {
    return new Content.Camera(
        "table",
        view(columns, frames),
        OptionalDouble.of(columns.aspect()),
        lane(CameraColumns.F_STOP, frames, 1),
        lane(CameraColumns.FOCUS, frames, 1 / columns.conventions().metresPerUnit()),
        head);
  }

  private Optional<Lane> lane(String name, double[] frames, double factor) throws FormatException {
    return values.containsKey(name)
        ? Optional.of(Lane.of(channel(name, frames, 0).times(factor)))
        : Optional.empty();
  }

  /** By the number that the table says is meant; else by what there is. */
  private View view(CameraColumns columns, double[] frames) throws FormatException {
    LensNumber lens = columns.wording().lens();
    if (lens == LensNumber.ZOOM && values.containsKey(CameraColumns.ZOOM)) {
      return new View.Across(Lane.of(fromZoom(columns, frames)));
    }
    Optional<Lane> across = lane(CameraColumns.ACROSS, frames, Math.toRadians(1));
    if (lens == LensNumber.HORIZONTAL_ANGLE && across.isPresent()) {
      return new View.Across(across.get());
    }
    Optional<Lane> up = lane(CameraColumns.UP, frames, Math.toRadians(1));
    if (lens == LensNumber.VERTICAL_ANGLE && up.isPresent()) {
      return new View.Upright(up.get());
    }
    Optional<Lane> focal = lane(CameraColumns.FOCAL, frames, 1);
    if (focal.isPresent()) {
      return new View.Focal(
          focal.get(),
          Lane.still("sensor", columns.widthMm()),
          Lane.still("sensor", columns.heightMm()));
    }
    if (up.isPresent()) {
      return new View.Upright(up.get());
    }
    return new View.Across(
        across.orElseThrow(
            () -> new FormatException("the head", "without a lens", "focal_mm or vfov_deg")));
  }

  private Channel fromZoom(CameraColumns columns, double[] frames) throws FormatException {
    Channel zoom = channel(CameraColumns.ZOOM, frames, 0);
    double[] angles = zoom.values().clone();
    for (int i = 0; i < angles.length; i++) {
      angles[i] = 2 * Math.atan(columns.wording().picture().widthPx() / (2 * angles[i]));
    }
    return new Channel(zoom.times(), angles, zoom.between(), 1, zoom.path());
  }
}
