package idlelens.web.shot;

import idlelens.core.motion.Evaluation;
import idlelens.core.motion.LensTrack;
import idlelens.core.motion.NodeMotion;
import idlelens.core.motion.PoseTrack;
import idlelens.core.rule.RefusedException;
import idlelens.core.rule.Require;
import idlelens.core.scene.Shot;
import idlelens.core.time.FrameRange;
import idlelens.core.time.SampleGrid;
import idlelens.exchange.json.JsonPlace;
import idlelens.web.wire.Pieces;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.Iterator;
import java.util.List;
import java.util.Set;
import java.util.concurrent.CompletableFuture;
import java.util.function.IntToDoubleFunction;

/**
 * Motion as JSON columns: metres, unit quaternions, millimetres, degrees. The motion is computed
 * first; the text is made while it is sent, some thousand numbers at a time.
 */
final class SampleTable implements Pieces {
  /** The most samples of one answer: those of the nodes asked for and of all that they read. */
  static final long MOST_SAMPLES = 600_000;

  private static final int MOST_STEPS = 16;
  private static final int IN_A_PIECE = 2048;

  private static final long OCTETS_OF_A_NUMBER = 20;

  private final Window window;
  private final long numbers;
  private final Iterator<Column> columns;
  private final CompletableFuture<Void> ended = new CompletableFuture<>();
  private Column column;
  private int at;

  private SampleTable(Window window, List<Column> columns) {
    this.window = window;
    this.numbers = (long) columns.size() * window.grid().count() / window.every();
    this.columns = columns.iterator();
  }

  /**
   * What is asked for.
   *
   * @param grid the samples that are computed
   * @param every of which every so many is written
   */
  record Window(SampleGrid grid, int every) {
    /**
     * @param from first frame, or null for the shot's
     * @param to last frame, or null for the shot's
     * @param step frames between samples: a whole number, or 1/k with k to 16
     */
    static Window of(Shot shot, Double from, Double to, double step) {
      FrameRange range = shot.header().range();
      double first = Require.within(from == null ? range.in() : from, -1e6, 1e6, "from");
      double last = Require.within(to == null ? range.out() : to, first, first + 20_000, "to");
      int perFrame = step < 1 ? (int) Math.rint(1 / Require.positive(step, "step")) : 1;
      int every = step < 1 ? 1 : (int) step;
      boolean fits = step < 1 ? Math.abs(step * perFrame - 1) < 1e-6 : step == every;
      if (!fits || perFrame > MOST_STEPS) {
        throw new RefusedException("step", step, "a whole number of frames, or 1/2 to 1/16");
      }
      int count = (int) Math.floor((last - first) * perFrame + 1e-9) + 1;
      return new Window(new SampleGrid(first, count, perFrame), every);
    }
  }

  /** A column with what stands before it: the end of what was before, and its name. */
  private record Column(String lead, IntToDoubleFunction value) {}

  static SampleTable of(LiveShot live, List<String> nodeIds, Window window) {
    Set<String> read = new HashSet<>();
    nodeIds.forEach(id -> read.addAll(live.shot().reachedFrom(id)));
    long samples = (long) window.grid().count() * read.size();
    if (samples > MOST_SAMPLES) {
      throw new RefusedException(
          "samples",
          samples + " (" + read.size() + " nodes with all they read)",
          "at most " + MOST_SAMPLES + " in one answer; ask for fewer frames or nodes at once");
    }
    Evaluation motion = Evaluation.ofSome(live.shot(), window.grid(), read);
    return new SampleTable(window, columns(live, motion, nodeIds));
  }

  private static List<Column> columns(LiveShot live, Evaluation motion, List<String> nodeIds) {
    List<Column> all = new ArrayList<>();
    String lead = "{\"revision\":" + live.revision() + ",\"frame\":[";
    all.add(new Column(lead, motion.grid()::frame));
    lead = "],\"nodes\":[{";
    for (String id : nodeIds) {
      NodeMotion node = motion.of(id);
      String name = live.shot().node(id).name();
      addPose(all, lead + "\"id\":" + quoted(id) + ",\"name\":" + quoted(name) + ",", node.world());
      node.lens().ifPresent(lens -> addLens(all, lens));
      lead = "]},{";
    }
    return all;
  }

  private static String quoted(String text) {
    return JsonPlace.mapper().writeValueAsString(text);
  }

  private static void addPose(List<Column> all, String lead, PoseTrack pose) {
    all.add(new Column(lead + "\"x\":[", i -> pose.x()[pose.index(i)]));
    add(all, "y", i -> pose.y()[pose.index(i)]);
    add(all, "z", i -> pose.z()[pose.index(i)]);
    add(all, "qx", i -> pose.qx()[pose.index(i)]);
    add(all, "qy", i -> pose.qy()[pose.index(i)]);
    add(all, "qz", i -> pose.qz()[pose.index(i)]);
    add(all, "qw", i -> pose.qw()[pose.index(i)]);
  }

  private static void addLens(List<Column> all, LensTrack lens) {
    add(all, "focalMm", i -> lens.focalMm()[lens.index(i)]);
    add(all, "fStop", i -> lens.fStop()[lens.index(i)]);
    add(all, "focusM", i -> lens.focusM()[lens.index(i)]);
    add(all, "nearM", i -> lens.nearM()[lens.index(i)]);
    add(all, "farM", i -> lens.farM()[lens.index(i)]);
    add(all, "hyperfocalM", i -> lens.hyperfocalM()[lens.index(i)]);
    add(all, "hfovDeg", i -> Math.toDegrees(lens.horizontalRad()[lens.index(i)]));
    add(all, "vfovDeg", i -> Math.toDegrees(lens.verticalRad()[lens.index(i)]));
    if (lens.isOrthographic()) {
      add(all, "widthM", i -> lens.widthM()[lens.index(i)]);
    }
  }

  private static void add(List<Column> all, String name, IntToDoubleFunction value) {
    all.add(new Column("],\"" + name + "\":[", value));
  }

  @Override
  public long octets() {
    return numbers * OCTETS_OF_A_NUMBER;
  }

  /** Ends when the table is sent, or nobody wants it any more: then its motion is let go of. */
  CompletableFuture<Void> ended() {
    return ended;
  }

  @Override
  public void end() {
    ended.complete(null);
  }

  @Override
  public byte[] next() {
    StringBuilder out = new StringBuilder();
    boolean over = column == null || at >= window.grid().count();
    if (over && !columns.hasNext()) {
      return column == null ? null : theEnd();
    }
    if (over) {
      column = columns.next();
      at = 0;
      out.append(column.lead());
    }
    for (int n = 0; n < IN_A_PIECE && at < window.grid().count(); n++) {
      append(out, column.value().applyAsDouble(at), at > 0);
      at += window.every();
    }
    return out.toString().getBytes(StandardCharsets.US_ASCII);
  }

  private byte[] theEnd() {
    column = null;
    return "]}]}".getBytes(StandardCharsets.US_ASCII);
  }

  /** A number; what is infinite is null, since JSON has no infinity. */
  private static void append(StringBuilder out, double number, boolean more) {
    if (more) {
      out.append(',');
    }
    if (Double.isFinite(number)) {
      out.append(number);
    } else {
      out.append("null");
    }
  }
}
