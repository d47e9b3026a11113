package idlelens.web.shot;

import idlelens.core.check.CutMatch;
import idlelens.core.cut.Program;
import idlelens.core.rule.Require;
import idlelens.core.scene.Shot;
import idlelens.core.scene.ShotHeader;
import idlelens.core.time.FrameRange;
import idlelens.exchange.cuts.CutList;
import idlelens.exchange.cuts.CutTable;
import idlelens.exchange.json.JsonPlace;
import idlelens.web.access.Needs;
import idlelens.web.access.Right;
import idlelens.web.access.Visitor;
import idlelens.web.work.Works;
import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.concurrent.CompletableFuture;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/**
 * What comes out of the program: the cut list, the frames that each camera is needed for, and how
 * the picture moves at a cut.
 */
@RestController
@Tag(name = "Cuts")
class ProgramController {
  private static final MediaType CSV = new MediaType("text", "csv", StandardCharsets.UTF_8);

  private final ShotService shots;
  private final Works works;

  ProgramController(ShotService shots, Works works) {
    this.shots = shots;
    this.works = works;
  }

  @GetMapping(value = "/api/shots/{id}/program", produces = MediaType.APPLICATION_JSON_VALUE)
  @Needs(Right.READ_SHOT)
  @Operation(
      summary = "The program of a shot",
      description =
          "What is seen, one camera after another, with first and last frame and how many frames it"
              + " fades in over; and for each camera the frames it is needed for, with dissolves and"
              + " so many frames of handles before and behind.")
  CompletableFuture<ResponseEntity<byte[]>> program(
      @AuthenticationPrincipal Visitor visitor,
      @PathVariable long id,
      @RequestParam(defaultValue = "0") int handles) {
    Require.within(handles, 0, ShotHeader.MOST_HANDLES, "handles");
    return works.read(
        "shot " + id,
        new Works.Order(visitor.id(), "the program"),
        () -> {
          LiveShot live = shots.live(id);
          byte[] text = JsonPlace.mapper().writeValueAsBytes(json(live, handles));
          return ResponseEntity.ok().contentType(MediaType.APPLICATION_JSON).body(text);
        });
  }

  @GetMapping(value = "/api/shots/{id}/program.csv", produces = "text/csv")
  @Needs(Right.READ_SHOT)
  @Operation(
      summary = "The cut list of a shot as a table",
      description =
          "A row for each camera that is seen: number, camera, first and last frame,"
              + " frames, and over how many frames it fades in.")
  CompletableFuture<ResponseEntity<byte[]>> table(
      @AuthenticationPrincipal Visitor visitor, @PathVariable long id) {
    return works.read(
        "shot " + id,
        new Works.Order(visitor.id(), "the cut list"),
        () -> {
          byte[] text = CutTable.write(cuts(shots.live(id).shot()));
          return ResponseEntity.ok().contentType(CSV).body(text);
        });
  }

  @GetMapping(value = "/api/shots/{id}/cut-match", produces = MediaType.APPLICATION_JSON_VALUE)
  @Needs(Right.READ_SHOT)
  @Operation(
      summary = "How the picture moves on both sides of a cut",
      description =
          "What is in focus in the middle passes by so many picture widths a frame, to the right"
              + " and upwards, before the cut and after it, and by how much these differ.")
  CompletableFuture<ResponseEntity<byte[]>> match(
      @AuthenticationPrincipal Visitor visitor, @PathVariable long id, @RequestParam int frame) {
    return works.read(
        "shot " + id,
        new Works.Order(visitor.id(), "the match of a cut"),
        () -> {
          CutMatch match = CutMatch.of(shots.live(id).shot(), frame);
          ObjectNode out = JsonNodeFactory.instance.objectNode().put("frame", frame);
          out.put("from", match.from()).put("to", match.to()).put("mismatch", match.mismatch());
          out.putArray("before").add(match.before().right()).add(match.before().up());
          out.putArray("after").add(match.after().right()).add(match.after().up());
          byte[] text = JsonPlace.mapper().writeValueAsBytes(out);
          return ResponseEntity.ok().contentType(MediaType.APPLICATION_JSON).body(text);
        });
  }

  private static ObjectNode json(LiveShot live, int handles) {
    Shot shot = live.shot();
    Program program = shot.program();
    FrameRange range = shot.header().range();
    ObjectNode out = JsonNodeFactory.instance.objectNode().put("revision", live.revision());
    ArrayNode seen = out.putArray("shots");
    for (CutList.Event event : cuts(shot).events()) {
      seen.addObject()
          .put("camera", event.id())
          .put("name", event.camera())
          .put("in", event.frames().in())
          .put("out", event.frames().out())
          .put("dissolve", event.dissolve());
    }
    ArrayNode cameras = out.putArray("cameras");
    for (String camera : program.cameras()) {
      List<FrameRange> needed = program.needed(camera, range, handles);
      ObjectNode of = cameras.addObject().put("camera", camera);
      ArrayNode frames = of.put("name", shot.node(camera).name()).putArray("needed");
      needed.forEach(each -> frames.addArray().add(each.in()).add(each.out()));
    }
    return out;
  }

  private static CutList cuts(Shot shot) {
    return CutList.of(shot, shot.program(), shot.header().range());
  }
}
