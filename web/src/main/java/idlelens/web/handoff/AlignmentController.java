package idlelens.web.handoff;

import idlelens.core.edit.Edit;
import idlelens.core.take.Alignment;
import idlelens.exchange.transfer.IncomingCheck;
import idlelens.web.access.Needs;
import idlelens.web.access.Right;
import idlelens.web.shot.Asker;
import idlelens.web.shot.ShotService;
import idlelens.web.work.Works;
import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import java.util.List;
import java.util.Map;
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
  private final ShotService shots;
  private final Works works;

  AlignmentController(ShotService shots, Works works) {
    this.shots = shots;
    this.works = works;
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
        () -> json(IncomingCheck.of(shots.current(id).shot(), camera, other)));
  }

  private static ObjectNode json(IncomingCheck check) {
    Alignment found = check.words().exact();
    ObjectNode out = JsonNodeFactory.instance.objectNode();
    out.put("offsetFrames", found.offsetFrames()).put("size", found.size());
    ArrayNode turn = out.putArray("turn");
    turn.add(found.turn().x).add(found.turn().y).add(found.turn().z).add(found.turn().w);
    ArrayNode sentences = out.putArray("sentences");
    check.words().sentences().forEach(sentences::add);
    out.put("firstFrame", check.shot().header().range().in());
    column(out.putArray("beforePx"), check.apartPx(check.asItIs()));
    column(out.putArray("afterPx"), check.apartPx(check.mended()));
    return out;
  }

  private static void column(ArrayNode out, double[] values) {
    for (double value : values) {
      out.add(value);
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
          ShotService.Revised seen = shots.current(id);
          List<Edit> edits = IncomingCheck.of(seen.shot(), camera, other).edits();
          return Map.of("revision", shots.apply(id, seen.revision(), edits, asker).revision());
        });
  }
}
