package idlelens.web.handoff;

import idlelens.core.check.PictureOffset;
import idlelens.core.edit.Edit;
import idlelens.core.edit.Keep;
import idlelens.core.geometry.RigidPose;
import idlelens.core.geometry.Turns;
import idlelens.core.lens.Gate;
import idlelens.core.lens.Sight;
import idlelens.core.motion.Evaluation;
import idlelens.core.motion.LensTrack;
import idlelens.core.rule.RefusedException;
import idlelens.core.scene.Shot;
import idlelens.core.take.Alignment;
import idlelens.core.take.AlignmentWords;
import idlelens.core.take.Take;
import idlelens.core.time.FrameRange;
import idlelens.core.time.SampleGrid;
import idlelens.exchange.incoming.CameraMotion;
import idlelens.exchange.incoming.Fitting;
import idlelens.web.access.Needs;
import idlelens.web.access.Right;
import idlelens.web.shot.Asker;
import idlelens.web.shot.ShotService;
import idlelens.web.work.Works;
import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.CompletableFuture;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/** Holds a camera that came in against one of the shot, and puts right what lies between them. */
@RestController
@RequestMapping("/api/shots/{id}/alignment")
@Tag(name = "Hand-off")
class AlignmentController {
  private static final double WIDTH_PX = 1920;

  private final ShotService shots;
  private final Works works;

  AlignmentController(ShotService shots, Works works) {
    this.shots = shots;
    this.works = works;
  }

  /** Two cameras, and what lies between them. */
  private record Held(
      Shot shot, String camera, String other, Take one, Take two, AlignmentWords words) {
    static Held of(Shot shot, String camera, String other) {
      if (camera.equals(other)) {
        throw new RefusedException("other", "'" + other + "', the same", "another camera");
      }
      Take one = take(shot, camera, shot.header().range());
      Take two = take(shot, other, shot.header().range());
      return new Held(shot, camera, other, one, two, AlignmentWords.of(Alignment.of(one, two)));
    }

    static Take take(Shot shot, String camera, FrameRange frames) {
      Gate gate = shot.camera(camera).lens().lens().gate(shot.header().aspect());
      return CameraMotion.of(shot, camera, frames, gate);
    }

    /** The other's motion as it would be on this side. */
    Take mended() {
      double rate = two.rateHz();
      int count = two.length();
      double[][] columns = new double[Take.COLUMNS.size()][count];
      double[] near = new double[3];
      for (int i = 0; i < count; i++) {
        double at = (i + words.exact().offsetFrames()) / rate;
        RigidPose pose = words.exact().undone(two.pose(at));
        near = Turns.panTiltRoll(pose.turn(), near);
        columns[0][i] = pose.x();
        columns[1][i] = pose.y();
        columns[2][i] = pose.z();
        for (int c = 0; c < 3; c++) {
          columns[3 + c][i] = Math.toDegrees(near[c]);
        }
        columns[Take.FOCAL][i] = two.lens(Take.FOCAL, at).orElseThrow();
        columns[Take.FOCUS][i] = two.lens(Take.FOCUS, at).orElseThrow() / words.exact().size();
      }
      List<Optional<double[]>> all = new ArrayList<>();
      for (double[] column : columns) {
        all.add(Optional.of(column));
      }
      return new Take(rate, all);
    }
  }

  @GetMapping
  @Needs(Right.READ_SHOT)
  @Operation(
      summary = "What lies between two cameras that should be one",
      description =
          "The best offset in frames, a turn, a factor of size, each in words; and how far apart"
              + " they see the same points, as they are and as they would be, in pixels of a"
              + " picture 1920 wide.")
  CompletableFuture<ObjectNode> look(
      Asker asker, @PathVariable long id, @RequestParam String camera, @RequestParam String other) {
    return works.takeLong(
        new Works.Order(asker.request(), asker.accountId(), "an incoming check"),
        () -> json(Held.of(shots.current(id).shot(), camera, other)));
  }

  private static ObjectNode json(Held held) {
    Alignment found = held.words().exact();
    ObjectNode out = JsonNodeFactory.instance.objectNode();
    out.put("offsetFrames", found.offsetFrames()).put("size", found.size());
    ArrayNode turn = out.putArray("turn");
    turn.add(found.turn().x).add(found.turn().y).add(found.turn().z).add(found.turn().w);
    ArrayNode sentences = out.putArray("sentences");
    held.words().sentences().forEach(sentences::add);
    out.put("firstFrame", held.shot().header().range().in());
    column(out.putArray("beforePx"), held, held.two());
    column(out.putArray("afterPx"), held, held.mended());
    return out;
  }

  private static void column(ArrayNode out, Held held, Take other) {
    Shot shot = held.shot();
    FrameRange range = shot.header().range();
    Evaluation motion =
        Evaluation.ofSome(shot, SampleGrid.over(range, 0), shot.reachedFrom(held.camera()));
    LensTrack lens = motion.of(held.camera()).lens().orElseThrow();
    Gate gate = shot.camera(held.other()).lens().lens().gate(shot.header().aspect());
    for (int i = 0; i < range.length(); i++) {
      int l = lens.index(i);
      double at = i / other.rateHz();
      double focal = other.lens(Take.FOCAL, at).orElseThrow();
      Sight one =
          Sight.of(motion.pose(held.camera(), i), lens.horizontalRad()[l], lens.verticalRad()[l]);
      Sight two = Sight.of(other.pose(at), gate.horizontalRad(focal), gate.verticalRad(focal));
      out.add(PictureOffset.of(one, two, lens.focusM()[l], WIDTH_PX).mostPx());
    }
  }

  @PostMapping
  @Needs(Right.CHANGE_SHOT)
  @Operation(summary = "Puts right what lies between two cameras: the other gets new keys")
  CompletableFuture<Map<String, Object>> mend(
      Asker asker, @PathVariable long id, @RequestParam String camera, @RequestParam String other) {
    return works.takeLong(
        new Works.Order(asker.request(), asker.accountId(), "an incoming check"),
        () -> {
          Shot shot = shots.current(id).shot();
          Held held = Held.of(shot, camera, other);
          Fitting fitting = new Fitting(Keep.EVERY_FRAME, 1, Fitting.Carriers.AS_IT_IS);
          List<Edit> edits =
              fitting.edits(shot, other, held.mended(), shot.header().range().in(), "none");
          return Map.of("revision", shots.apply(id, edits, asker).revision());
        });
  }
}
