package idlelens.exchange.opentrackio;

import idlelens.core.rule.RefusedException;
import idlelens.core.time.FrameRate;
import idlelens.exchange.format.FormatException;
import idlelens.exchange.format.ReadBudget;
import idlelens.exchange.json.JsonLimits;
import idlelens.exchange.json.JsonPlace;
import idlelens.exchange.scenefile.Axes;
import idlelens.exchange.scenefile.Channel;
import idlelens.exchange.scenefile.Content;
import idlelens.exchange.scenefile.Conventions;
import idlelens.exchange.scenefile.FileClock;
import idlelens.exchange.scenefile.FileNode;
import idlelens.exchange.scenefile.Lane;
import idlelens.exchange.scenefile.Op;
import idlelens.exchange.scenefile.Rest;
import idlelens.exchange.scenefile.SceneFile;
import idlelens.exchange.scenefile.ShotHint;
import idlelens.exchange.scenefile.View;
import idlelens.exchange.scenefile.Wording;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import org.joml.Vector3d;

/** Reads lines of OpenTrackIO as a camera. Its transforms stand one in another. */
final class TrackSceneReader {
  private static final int MOST_LINES = 200_000;
  private static final int MOST_TRANSFORMS = 16;
  private static final int NUMBERS = 6;
  private static final double USUAL_WIDTH = 36;
  private static final double USUAL_HEIGHT = 20.25;
  private static final String[][] WAYS = {
    {"translation", "x"},
    {"translation", "y"},
    {"translation", "z"},
    {"rotation", "pan"},
    {"rotation", "tilt"},
    {"rotation", "roll"}
  };

  private final ReadBudget budget;
  private final Set<String> notes = new LinkedHashSet<>();
  private final List<JsonPlace> samples = new ArrayList<>();

  private TrackSceneReader(int octets) {
    this.budget = new ReadBudget(octets);
  }

  static SceneFile read(byte[] file) throws FormatException {
    TrackSceneReader reader = new TrackSceneReader(file.length);
    reader.parse(file);
    try {
      return reader.scene();
    } catch (RefusedException e) {
      throw new FormatException(e.where(), e.found(), e.allowed());
    }
  }

  private void parse(byte[] file) throws FormatException {
    int line = 0;
    int from = 0;
    while (from < file.length) {
      int to = from;
      while (to < file.length && file[to] != '\n') {
        to++;
      }
      line++;
      byte[] text = Arrays.copyOfRange(file, from, to);
      if (!new String(text, StandardCharsets.UTF_8).isBlank()) {
        add(text, line);
      }
      from = to + 1;
    }
    if (samples.isEmpty()) {
      throw new FormatException("lines", "none", "at least one sample of OpenTrackIO");
    }
  }

  private void add(byte[] text, int line) throws FormatException {
    if (samples.size() == MOST_LINES) {
      throw new FormatException("lines", "more than " + MOST_LINES, "at most " + MOST_LINES);
    }
    try {
      JsonPlace parsed = JsonPlace.parse(text, JsonLimits.SMALL);
      samples.add(new JsonPlace(parsed.node(), "line " + line));
    } catch (FormatException e) {
      throw new FormatException("line " + line + ", " + e.where(), e.found(), e.allowed());
    }
  }

  private SceneFile scene() throws FormatException {
    JsonPlace first = samples.get(0);
    Optional<JsonPlace> own = find(first, "custom", ShotHint.OURS);
    Optional<ShotHint> hint =
        own.isPresent() && own.get().has("shot")
            ? Optional.of(ShotHint.read(own.get().get("shot")))
            : Optional.empty();
    double[] times = times();
    Optional<FrameRate> rate = rate();
    int start = hint.map(ShotHint::first).orElse(frame(first, rate));
    FileNode node =
        new FileNode(
            "0", label(first), "lines", -1, ops(times), false, List.of(camera(own, times)));
    return new SceneFile(
        new Conventions(Axes.Z_UP, 1, Rest.LEVEL),
        Wording.OURS,
        new FileClock(
            rate.map(FrameRate::framesPerSecond).orElse(24.0),
            times[0],
            OptionalDouble.of(times[times.length - 1]),
            rate,
            Optional.of(start)),
        List.of(node),
        hint,
        budget,
        List.copyOf(notes));
  }

  private static Optional<JsonPlace> find(JsonPlace place, String... way) throws FormatException {
    JsonPlace at = place;
    for (String step : way) {
      if (!at.node().isObject() || !at.has(step)) {
        return Optional.empty();
      }
      at = at.get(step);
    }
    return Optional.of(at);
  }

  private static String label(JsonPlace first) throws FormatException {
    Optional<JsonPlace> label = find(first, "static", "camera", "label");
    return label.isPresent() ? label.get().text() : "Camera";
  }

  private Optional<FrameRate> rate() throws FormatException {
    for (JsonPlace sample : samples) {
      Optional<JsonPlace> rate = find(sample, "timing", "sampleRate");
      if (rate.isPresent()) {
        double under = rate.get().number("denom", 1);
        double over = rate.get().get("num").number();
        boolean whole = over == Math.rint(over) && under == Math.rint(under);
        Optional<FrameRate> found =
            whole ? FrameRate.find((long) over, (long) under) : Optional.empty();
        if (found.isEmpty()) {
          throw rate.get().refusal("a rate of 1 to 240 samples a second");
        }
        return found;
      }
    }
    notes.add("no line says how many samples a second there are");
    return Optional.empty();
  }

  /** The frame that a timecode counts; 0 without one. */
  private static int frame(JsonPlace sample, Optional<FrameRate> rate) throws FormatException {
    Optional<JsonPlace> code = find(sample, "timing", "timecode");
    if (code.isEmpty() || rate.isEmpty()) {
      return 0;
    }
    int base = rate.get().timecodeBase();
    double seconds =
        (code.get().get("hours").whole() * 60.0 + code.get().get("minutes").whole()) * 60
            + code.get().get("seconds").whole();
    double frame = seconds * base + code.get().get("frames").whole();
    if (!(Math.abs(frame) <= 1e7)) {
      throw code.get().refusal("a timecode of a day");
    }
    return (int) frame;
  }

  /** Numbers of the samples from the first on, or how many came before. */
  private double[] times() throws FormatException {
    double[] times = new double[samples.size()];
    double origin = 0;
    for (int i = 0; i < times.length; i++) {
      Optional<JsonPlace> number = find(samples.get(i), "timing", "sequenceNumber");
      double own = number.isPresent() ? number.get().number() : origin + i;
      origin = i == 0 ? own : origin;
      times[i] = own - origin;
      if (i > 0 && !(times[i] > times[i - 1]) || !(times[i] <= 1e7)) {
        throw new FormatException(
            samples.get(i).path() + ".timing.sequenceNumber",
            own,
            "greater than that before (" + (origin + times[Math.max(0, i - 1)]) + ")");
      }
      if (i > 0 && times[i] - times[i - 1] > 1) {
        notes.add("samples are missing between some lines; there it goes straight");
      }
    }
    return times;
  }

  private List<Op> ops(double[] times) throws FormatException {
    int count = samples.get(0).get("transforms").list(MOST_TRANSFORMS).size();
    if (count == 0) {
      throw samples.get(0).get("transforms").refusal("at least one transform");
    }
    double[][][] all = new double[count][NUMBERS][times.length];
    budget.take(ReadBudget.Thing.NUMBERS, (long) count * NUMBERS * times.length, "transforms");
    for (int i = 0; i < times.length; i++) {
      List<JsonPlace> transforms = samples.get(i).get("transforms").list(MOST_TRANSFORMS);
      if (transforms.size() != count) {
        throw samples.get(i).get("transforms").refusal(count + " transforms, as in the first line");
      }
      for (int t = 0; t < count; t++) {
        for (int n = 0; n < NUMBERS; n++) {
          all[t][n][i] = transforms.get(t).get(WAYS[n][0]).get(WAYS[n][1]).number();
        }
      }
    }
    List<Op> ops = new ArrayList<>();
    for (int t = 0; t < count; t++) {
      Lane[] lanes = new Lane[NUMBERS];
      for (int n = 0; n < NUMBERS; n++) {
        lanes[n] = lane("transforms[" + t + "]." + WAYS[n][1], times, all[t][n]);
      }
      ops.add(new Op.Place(lanes[0], lanes[1], lanes[2]));
      ops.add(new Op.Spin(new Vector3d(0, 0, 1), lanes[3]));
      ops.add(new Op.Spin(new Vector3d(1, 0, 0), lanes[4]));
      ops.add(new Op.Spin(new Vector3d(0, 1, 0), lanes[5]));
    }
    return ops;
  }

  private static Lane lane(String path, double[] times, double[] values) throws FormatException {
    Channel channel =
        values.length == 1
            ? Channel.still(path, values)
            : new Channel(times, values, Channel.Between.LINEAR, 1, path);
    return Lane.of(channel.checked());
  }

  private Content camera(Optional<JsonPlace> own, double[] times) throws FormatException {
    Optional<Lane> focal = lens("pinholeFocalLength", times);
    Optional<JsonPlace> sensor =
        find(samples.get(0), "static", "camera", "activeSensorPhysicalDimensions");
    if (focal.isEmpty()) {
      notes.add("no line says a focal length: it is 35 mm");
    }
    if (sensor.isEmpty()) {
      notes.add("no line says the size of the sensor: it is 36 x 20.25 mm");
    }
    double width = sensor.isPresent() ? positive(sensor.get().get("width")) : USUAL_WIDTH;
    double height = sensor.isPresent() ? positive(sensor.get().get("height")) : USUAL_HEIGHT;
    return new Content.Camera(
        "lines",
        new View.Focal(
            focal.orElse(Lane.still("lens", 35)),
            Lane.still("sensor", width),
            Lane.still("sensor", height)),
        OptionalDouble.empty(),
        lens("fStop", times),
        lens("focusDistance", times),
        own);
  }

  private static double positive(JsonPlace place) throws FormatException {
    double value = place.number();
    if (!(value > 0 && value <= 1000)) {
      throw place.refusal("more than 0 and at most 1000 mm");
    }
    return value;
  }

  /** A number of the lens, if every line says it and it is more than 0. */
  private Optional<Lane> lens(String name, double[] times) throws FormatException {
    double[] values = new double[times.length];
    for (int i = 0; i < values.length; i++) {
      Optional<JsonPlace> said = find(samples.get(i), "lens", name);
      if (said.isEmpty()) {
        return Optional.empty();
      }
      values[i] = said.get().number();
      if (!(values[i] > 0)) {
        throw said.get().refusal("a number greater than 0");
      }
    }
    return Optional.of(lane("lens." + name, times, values));
  }
}
