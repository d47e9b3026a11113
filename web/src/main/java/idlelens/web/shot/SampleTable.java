package idlelens.web.shot;

import idlelens.core.motion.Evaluation;
import idlelens.core.motion.LensTrack;
import idlelens.core.motion.NodeMotion;
import idlelens.core.rule.RefusedException;
import idlelens.core.rule.Require;
import idlelens.core.time.FrameRange;
import idlelens.core.time.SampleGrid;
import idlelens.exchange.json.JsonPlace;
import java.util.List;
import java.util.function.IntToDoubleFunction;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/** Motion as JSON columns: metres, unit quaternions, millimetres, degrees. */
final class SampleTable {
  private static final int MOST_STEPS = 16;

  private SampleTable() {}

  /**
   * @param from first frame, or null for the shot's
   * @param to last frame, or null for the shot's
   * @param step frames between samples: a whole number, or 1/k with k to 16
   */
  static byte[] write(LiveShot live, List<String> nodeIds, Double from, Double to, double step) {
    FrameRange range = live.shot().header().range();
    double first = Require.within(from == null ? range.in() : from, -1e6, 1e6, "from");
    double last = Require.within(to == null ? range.out() : to, first, first + 20_000, "to");
    int perFrame = step < 1 ? (int) Math.rint(1 / Require.positive(step, "step")) : 1;
    int every = step < 1 ? 1 : (int) step;
    boolean fits = step < 1 ? Math.abs(step * perFrame - 1) < 1e-6 : step == every;
    if (!fits || perFrame > MOST_STEPS) {
      throw new RefusedException("step", step, "a whole number of frames, or 1/2 to 1/16");
    }
    int count = (int) Math.floor((last - first) * perFrame + 1e-9) + 1;
    SampleGrid grid = new SampleGrid(first, count, perFrame);
    return write(live, Evaluation.of(live.shot(), grid, null), nodeIds, every);
  }

  private static byte[] write(LiveShot live, Evaluation motion, List<String> nodeIds, int every) {
    ObjectNode out = JsonNodeFactory.instance.objectNode().put("revision", live.revision());
    int count = motion.grid().count();
    column(out, "frame", count, every, motion.grid()::frame);
    ArrayNode nodes = out.putArray("nodes");
    for (String id : nodeIds) {
      NodeMotion node = motion.of(id);
      ObjectNode to = nodes.addObject().put("id", id);
      to.put("name", live.shot().node(id).name());
      column(to, "x", count, every, i -> node.world().x()[node.world().index(i)]);
      column(to, "y", count, every, i -> node.world().y()[node.world().index(i)]);
      column(to, "z", count, every, i -> node.world().z()[node.world().index(i)]);
      column(to, "qx", count, every, i -> node.world().qx()[node.world().index(i)]);
      column(to, "qy", count, every, i -> node.world().qy()[node.world().index(i)]);
      column(to, "qz", count, every, i -> node.world().qz()[node.world().index(i)]);
      column(to, "qw", count, every, i -> node.world().qw()[node.world().index(i)]);
      node.lens().ifPresent(lens -> lens(to, lens, count, every));
    }
    return JsonPlace.mapper().writeValueAsBytes(out);
  }

  private static void lens(ObjectNode to, LensTrack lens, int count, int every) {
    column(to, "focalMm", count, every, i -> lens.focalMm()[lens.index(i)]);
    column(to, "fStop", count, every, i -> lens.fStop()[lens.index(i)]);
    column(to, "focusM", count, every, i -> lens.focusM()[lens.index(i)]);
    column(to, "nearM", count, every, i -> lens.nearM()[lens.index(i)]);
    column(to, "farM", count, every, i -> lens.farM()[lens.index(i)]);
    column(to, "hyperfocalM", count, every, i -> lens.hyperfocalM()[lens.index(i)]);
    column(to, "hfovDeg", count, every, i -> Math.toDegrees(lens.horizontalRad()[lens.index(i)]));
    column(to, "vfovDeg", count, every, i -> Math.toDegrees(lens.verticalRad()[lens.index(i)]));
  }

  /** A column; what is infinite is null, since JSON has no infinity. */
  private static void column(
      ObjectNode to, String name, int count, int every, IntToDoubleFunction value) {
    ArrayNode column = to.putArray(name);
    for (int i = 0; i < count; i += every) {
      double number = value.applyAsDouble(i);
      if (Double.isFinite(number)) {
        column.add(number);
      } else {
        column.addNull();
      }
    }
  }
}
