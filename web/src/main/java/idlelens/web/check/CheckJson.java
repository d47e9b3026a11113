package idlelens.web.check;

import idlelens.core.check.CameraChecks;
import idlelens.core.check.DeadStretch;
import idlelens.core.check.InView;
import idlelens.core.check.Judder;
import idlelens.core.check.Misaligned;
import idlelens.core.check.OpenAtSeam;
import idlelens.core.check.Period;
import idlelens.core.check.Seam;
import idlelens.core.check.Sharpness;
import idlelens.core.check.Streaks;
import idlelens.core.clearance.Clearance;
import idlelens.core.scene.Node;
import idlelens.core.scene.Shot;
import idlelens.core.time.FrameRange;
import idlelens.core.time.FrameRate;
import idlelens.exchange.json.JsonPlace;
import idlelens.web.shot.ShotService;
import java.util.List;
import java.util.Optional;
import java.util.function.IntPredicate;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/**
 * Checks as JSON; columns have one number for each frame of the range, null where there is none or
 * it has no end.
 */
final class CheckJson {
  private CheckJson() {}

  static ObjectNode of(long revision, Shot shot, CameraChecks checks, double readable) {
    ObjectNode out = JsonNodeFactory.instance.objectNode();
    out.put("revision", revision);
    out.put("in", checks.range().in()).put("out", checks.range().out());
    for (FrameRange each : checks.lookedAt().stretches()) {
      stretch(out, "lookedAt", each.in(), each.out());
    }
    column(out, "metresPerSecond", checks.speed().metresPerSecond());
    column(out, "degreesPerSecond", checks.speed().degreesPerSecond());
    column(out, "near", checks.speed().near());
    column(out, "subject", checks.speed().subject());
    column(out, "far", checks.speed().far());
    column(out, "streak", checks.speed().streak());
    clearance(out.putObject("clearance"), checks);
    judder(out, checks.judder());
    for (DeadStretch each : checks.dead()) {
      stretch(out, "dead", each.from(), each.to());
    }
    for (Misaligned each : checks.misaligned()) {
      ObjectNode to = out.withArrayProperty("misaligned").addObject().put("frame", each.frame());
      each.keyed().forEach(to.putArray("keyed")::add);
      each.missing().forEach(to.putArray("missing")::add);
      to.put("near", each.near());
    }
    seam(out.putObject("seam"), checks.seam());
    for (OpenAtSeam each : checks.open()) {
      ObjectNode to = out.withArrayProperty("open").addObject().put("node", each.nodeId());
      seam(to.putObject("seam"), each.seam());
      each.period().ifPresent(p -> to.put("period", p));
      each.would().ifPresent(p -> to.put("would", p));
      rateOf(shot, each).ifPresent(rate -> to.put("rate", rate.toString()));
    }
    checks.inView().ifPresent(view -> inView(out.putObject("inView"), checks, view, readable));
    checks.sharpness().ifPresent(sharpness -> sharpness(out.putObject("sharpness"), sharpness));
    return out;
  }

  private static void judder(ObjectNode out, List<Judder> judder) {
    for (Judder each : judder) {
      stretch(out, "judder", each.from(), each.to())
          .put("seconds", each.seconds())
          .put("least", each.least());
    }
  }

  static ObjectNode of(ShotService.Revised now, Streaks streaks) {
    ObjectNode out = JsonNodeFactory.instance.objectNode();
    out.put("revision", now.revision()).put("in", now.shot().header().range().in());
    column(out, "metres", streaks.metres());
    column(out, "widths", streaks.widths());
    column(out, "streak", streaks.streak());
    judder(out, streaks.judder());
    return out;
  }

  private static void sharpness(ObjectNode out, Sharpness sharpness) {
    column(out, "metres", sharpness.metres());
    column(out, "nearM", sharpness.nearM());
    column(out, "farM", sharpness.farM());
    column(out, "blur", sharpness.blur());
    column(out, "streak", sharpness.streak());
    for (Sharpness.Soft each : sharpness.soft()) {
      ObjectNode to = stretch(out, "soft", each.from(), each.to());
      to.put("worst", each.worst()).put("how", JsonPlace.word(each.how()));
      if (each.how() != Sharpness.How.BEHIND) {
        to.put("focusM", each.focusM()).put("moreM", each.moreM());
      }
      each.fStop().ifPresent(stop -> to.put("fStop", stop));
    }
  }

  /** The rate at which the pictures on a card would come back with the loop, if they do not. */
  private static Optional<FrameRate> rateOf(Shot shot, OpenAtSeam open) {
    boolean plays =
        open.seam().looks().stream().anyMatch(l -> l.name().equals(Seam.OfLook.PICTURES));
    return plays && shot.node(open.nodeId()) instanceof Node.Piece piece
        ? piece
            .finish()
            .pictures()
            .flatMap(p -> p.closing(shot.header().range(), shot.header().rate()))
        : Optional.empty();
  }

  private static ObjectNode stretch(ObjectNode out, String name, int from, int to) {
    return out.withArrayProperty(name).addObject().put("from", from).put("to", to);
  }

  private static void clearance(ObjectNode out, CameraChecks checks) {
    Clearance clearance = checks.clearance();
    int in = checks.range().in();
    column(out, "camera", clearance.cameraM());
    column(out, "plane", clearance.planeM());
    ArrayNode nearest = out.putArray("nearest");
    for (String id : clearance.nearest()) {
      nearest.add(id);
    }
    out.put("farthest", Clearance.FARTHEST_M);
    stretches(out, "cuts", in, clearance.planeM().length, i -> clearance.planeM()[i] == 0);
    stretches(out, "passes", in, clearance.passes().length, i -> clearance.passes()[i]);
  }

  /** Stretches of frames that meet a condition. */
  private static void stretches(ObjectNode out, String name, int in, int count, IntPredicate is) {
    for (int i = 0; i < count; i++) {
      int from = i;
      while (i < count && is.test(i)) {
        i++;
      }
      if (i > from) {
        stretch(out, name, in + from, in + i - 1);
      }
    }
  }

  private static void seam(ObjectNode out, Seam seam) {
    out.put("closes", seam.closes(CameraChecks.CLOSED));
    out.put("placeM", seam.placeM()).put("turnDeg", seam.turnDeg());
    out.put("speedM", seam.speedM()).put("turnSpeedDeg", seam.turnSpeedDeg());
    out.put("comesBack", seam.comesBack(CameraChecks.CLOSED));
    for (Seam.OfLook look : seam.looks()) {
      out.withArrayProperty("looks")
          .addObject()
          .put("name", look.name())
          .put("off", look.off())
          .put("speed", look.speed());
    }
    seam.lens()
        .ifPresent(
            lens ->
                out.putObject("lens")
                    .put("focalMm", lens.focalMm())
                    .put("focusM", lens.focusM())
                    .put("stop", lens.stop())
                    .put("widths", lens.widths()));
  }

  private static void inView(ObjectNode out, CameraChecks checks, InView view, double readable) {
    ArrayNode states = out.putArray("states");
    for (InView.State state : view.states()) {
      states.add(JsonPlace.word(state));
    }
    column(out, "heights", view.heights());
    column(out, "covered", view.covered());
    ArrayNode happenings = out.putArray("happenings");
    for (InView.Happening each : view.happenings(checks.range().in(), readable)) {
      happenings.addObject().put("event", JsonPlace.word(each.event())).put("frame", each.frame());
    }
  }

  private static void column(ObjectNode out, String name, double[] values) {
    ArrayNode to = out.putArray(name);
    for (double value : values) {
      if (Double.isFinite(value)) {
        to.add((float) value);
      } else {
        to.addNull();
      }
    }
  }

  static ObjectNode of(List<Period> periods) {
    ObjectNode out = JsonNodeFactory.instance.objectNode();
    ArrayNode all = out.putArray("periods");
    for (Period each : periods) {
      ObjectNode to = all.addObject().put("frames", each.frames()).put("out", each.out());
      to.put("repeat", each.repeatId()).put("steps", each.steps()).put("widths", each.widths());
      each.open().forEach(to.putArray("open")::add);
    }
    return out;
  }
}
