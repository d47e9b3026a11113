package idlelens.web.shot;

import idlelens.core.check.Lengthening;
import idlelens.core.scene.Node;
import idlelens.web.access.Needs;
import idlelens.web.access.Right;
import idlelens.web.access.Visitor;
import idlelens.web.wire.Pieces;
import idlelens.web.work.Works;
import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import java.util.concurrent.Callable;
import java.util.concurrent.CompletableFuture;
import org.springdoc.core.annotations.ParameterObject;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** What is computed of shots by API: motion, triangles, and what changed of them. */
@RestController
@Tag(name = "Motion")
class SampleController {
  private final ShotService shots;
  private final ShotOctets octets;
  private final OutcomeAnswer answers;
  private final Works works;

  SampleController(ShotService shots, ShotOctets octets, OutcomeAnswer answers, Works works) {
    this.shots = shots;
    this.octets = octets;
    this.answers = answers;
    this.works = works;
  }

  @GetMapping("/api/shots/{id}/changes")
  @Needs(Right.READ_SHOT)
  @Operation(
      summary = "What changed since a revision",
      description =
          "The same answer that the edit itself would have got, for a window that has the shot at"
              + " that revision.")
  CompletableFuture<ResponseEntity<byte[]>> changes(
      @AuthenticationPrincipal Visitor visitor,
      @PathVariable long id,
      @RequestParam long since,
      @RequestHeader(name = HttpHeaders.ACCEPT, defaultValue = "*/*") String accept,
      @ParameterObject DrawnCurves drawn) {
    return read(
        id, visitor, "what changed", () -> answers.of(shots.since(id, since), accept, drawn));
  }

  @GetMapping("/api/shots/{id}/lengthening")
  @Needs(Right.READ_SHOT)
  @Operation(
      summary = "What becomes of a shot that is made longer",
      description =
          "How many keys, windows and markers move, are stretched or stay when time is put in at a"
              + " frame, or at the end if none is given.")
  CompletableFuture<Lengthening> lengthening(
      @AuthenticationPrincipal Visitor visitor,
      @PathVariable long id,
      @RequestParam(required = false) Double at) {
    OptionalDouble frame = at == null ? OptionalDouble.empty() : OptionalDouble.of(at);
    return read(id, visitor, "what moves", () -> Lengthening.of(shots.live(id).shot(), frame));
  }

  /** What is asked for of a shot's motion. */
  record Asked(
      String camera,
      List<String> nodes,
      Double from,
      Double to,
      Double step,
      Long revision,
      Long alongside) {
    /** The nodes asked for: all, if none is named. */
    List<String> ids(LiveShot shot) {
      List<String> ids = new ArrayList<>(nodes == null ? List.of() : nodes);
      if (camera != null) {
        ids.add(shot.shot().camera(camera).id());
      }
      if (ids.isEmpty()) {
        shot.shot().nodes().forEach(n -> ids.add(n.id()));
      }
      ids.forEach(shot.shot()::node);
      return ids;
    }
  }

  @GetMapping("/api/shots/{id}/samples")
  @Needs(Right.READ_SHOT)
  @Operation(
      summary = "The motion of a camera, or of several nodes",
      description =
          "JSON gives one row of columns per node over from..to at every step (a whole number of"
              + " frames, or 1/2 to 1/16). Octets, where accepted, give range and handles, one"
              + " sample a frame, of the nodes named (all if none is), with the curves of those in"
              + " curves, and their speed and acceleration if slopes is true. A revision gives"
              + " the motion as it was then; with alongside, at the moments of the frames of that"
              + " revision.")
  CompletableFuture<ResponseEntity<Pieces>> samples(
      @AuthenticationPrincipal Visitor visitor,
      @PathVariable long id,
      @ParameterObject Asked asked,
      @ParameterObject DrawnCurves drawn,
      @RequestHeader(name = HttpHeaders.ACCEPT, defaultValue = "*/*") String accept) {
    if (OutcomeAnswer.wantsOctets(accept)) {
      return read(id, visitor, "motion", () -> octets(id, asked, drawn));
    }
    return works
        .takeLong(
            new Works.Order(visitor.id(), "a table of samples"),
            () -> table(id, asked),
            SampleTable::ended) // it holds its motion until it is sent
        .thenApply(table -> answer(MediaType.APPLICATION_JSON, table));
  }

  private static ResponseEntity<Pieces> answer(MediaType type, Pieces pieces) {
    return ResponseEntity.ok().contentType(type).body(pieces);
  }

  private LiveShot at(long id, Long revision) {
    return revision == null ? shots.live(id) : shots.past(id, revision);
  }

  private ResponseEntity<Pieces> octets(long id, Asked asked, DrawnCurves drawn) {
    LiveShot shot = at(id, asked.revision());
    LiveShot alongside = asked.alongside() == null ? shot : shots.past(id, asked.alongside());
    return answer(
        MediaType.APPLICATION_OCTET_STREAM,
        octets.samples(shot, alongside, asked.ids(shot), drawn).inPieces());
  }

  private SampleTable table(long id, Asked asked) {
    LiveShot shot = at(id, asked.revision());
    SampleTable.Window window =
        SampleTable.Window.of(
            shot.shot(), asked.from(), asked.to(), asked.step() == null ? 1 : asked.step());
    return SampleTable.of(shot, asked.ids(shot), window);
  }

  @GetMapping(value = "/api/shots/{id}/meshes", produces = MediaType.APPLICATION_OCTET_STREAM_VALUE)
  @Needs(Right.READ_SHOT)
  @Operation(summary = "The triangles of the pieces named, or of all, as octets")
  CompletableFuture<ResponseEntity<Pieces>> meshes(
      @AuthenticationPrincipal Visitor visitor,
      @PathVariable long id,
      @RequestParam(required = false) List<String> nodes) {
    return read(
        id,
        visitor,
        "triangles",
        () -> {
          LiveShot shot = shots.live(id);
          List<Node.Piece> pieces =
              EditOutcome.pieces(shot.shot()).stream()
                  .filter(p -> nodes == null || nodes.contains(p.id()))
                  .toList();
          return answer(MediaType.APPLICATION_OCTET_STREAM, octets.meshes(shot, pieces).inPieces());
        });
  }

  private <T> CompletableFuture<T> read(long id, Visitor visitor, String what, Callable<T> work) {
    return works.read("shot " + id, new Works.Order(visitor.id(), what), work);
  }
}
