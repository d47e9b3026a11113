package idlelens.web.shot;

import idlelens.core.check.Lengthening;
import idlelens.core.edit.Edit;
import idlelens.core.rule.RefusedException;
import idlelens.core.rule.Require;
import idlelens.core.scene.Node;
import idlelens.core.scene.Shot;
import idlelens.exchange.format.FormatException;
import idlelens.exchange.json.EditJson;
import idlelens.exchange.json.JsonPlace;
import idlelens.web.account.AccountUser;
import idlelens.web.production.ProductionRepository;
import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import org.springdoc.core.annotations.ParameterObject;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter;

/** Shots by API: documents, edits, undo, motion. */
@RestController
@Tag(name = "Shots")
class ShotController {
  private final ShotService shots;
  private final ShotRepository repository;
  private final ProductionRepository productions;
  private final ShotOctets octets;
  private final ShotEvents events;
  private final OutcomeAnswer answers;

  ShotController(
      ShotService shots,
      ShotRepository repository,
      ProductionRepository productions,
      ShotOctets octets,
      ShotEvents events,
      OutcomeAnswer answers) {
    this.shots = shots;
    this.repository = repository;
    this.productions = productions;
    this.octets = octets;
    this.events = events;
    this.answers = answers;
  }

  @GetMapping("/api/shots")
  @Operation(summary = "All shots of the account's productions")
  List<ShotRepository.Listed> list(@AuthenticationPrincipal AccountUser account) {
    List<ShotRepository.Listed> all = new ArrayList<>();
    productions.of(account.id()).forEach(p -> all.addAll(repository.of(p.id())));
    return all;
  }

  @PostMapping("/api/productions/{production}/shots")
  @ResponseStatus(HttpStatus.CREATED)
  @Operation(
      summary = "Adds a shot",
      description = "Body: name, rate (\"24\", \"24000/1001\"), in, out, aspect, handles.")
  Map<String, Object> add(
      @AuthenticationPrincipal AccountUser account,
      @PathVariable long production,
      @RequestBody byte[] body)
      throws FormatException {
    productions.require(account.id(), production);
    Shot shot = NewShot.with(EditJson.readHeader(JsonPlace.parse(body)));
    return Map.of("id", shots.add(production, shot), "revision", 1);
  }

  @GetMapping(value = "/api/shots/{id}", produces = MediaType.APPLICATION_JSON_VALUE)
  @Operation(
      summary = "The document of a shot",
      description =
          "As it is, or as it was at a revision. Which one is in the headers ETag and"
              + " Idle-Lens-Revision.")
  ResponseEntity<byte[]> document(
      @AuthenticationPrincipal AccountUser account,
      @PathVariable long id,
      @RequestParam(required = false) Long revision) {
    productions.requireShot(account.id(), id);
    LiveShot shot = revision == null ? shots.live(id) : shots.past(id, revision);
    return ResponseEntity.ok()
        .header("Idle-Lens-Revision", Long.toString(shot.revision()))
        .eTag("\"" + shot.revision() + "\"")
        .body(shot.text());
  }

  @PostMapping(value = "/api/shots/{id}/edits")
  @Operation(
      summary = "Changes a shot",
      description =
          "Body: revision (the one seen), edits (a list), provisional (true to compute only). The"
              + " answer is JSON, or octets with the new motion where the caller accepts"
              + " application/octet-stream; these hold the curves of the nodes named in curves"
              + " too.")
  ResponseEntity<byte[]> edit(
      @AuthenticationPrincipal AccountUser account,
      @PathVariable long id,
      @RequestHeader(name = OutcomeAnswer.WINDOW, required = false) String window,
      @RequestHeader(name = HttpHeaders.ACCEPT, defaultValue = "*/*") String accept,
      @ParameterObject DrawnCurves drawn,
      @RequestBody byte[] body)
      throws FormatException {
    productions.requireShot(account.id(), id);
    JsonPlace place = JsonPlace.parse(body).only("revision", "edits", "provisional");
    List<Edit> edits = EditJson.readAsked(place.get("edits"));
    if (edits.isEmpty()) {
      throw new RefusedException("edits", "empty", "at least one edit");
    }
    long seen = (long) Require.within(place.get("revision").number(), 0, 1e15, "revision");
    EditOutcome outcome =
        place.flag("provisional", false)
            ? shots.show(id, edits)
            : shots.edit(id, seen, edits, new ShotService.Asker(account.id(), window));
    return answers.of(outcome, accept, drawn);
  }

  @PostMapping("/api/shots/{id}/undo")
  @Operation(summary = "Takes the last edit back")
  ResponseEntity<byte[]> undo(
      @AuthenticationPrincipal AccountUser account,
      @PathVariable long id,
      @RequestHeader(name = OutcomeAnswer.WINDOW, required = false) String window,
      @RequestHeader(name = HttpHeaders.ACCEPT, defaultValue = "*/*") String accept,
      @ParameterObject DrawnCurves drawn) {
    productions.requireShot(account.id(), id);
    return answers.of(shots.undo(id, new ShotService.Asker(account.id(), window)), accept, drawn);
  }

  @PostMapping("/api/shots/{id}/redo")
  @Operation(summary = "Does again what was taken back last")
  ResponseEntity<byte[]> redo(
      @AuthenticationPrincipal AccountUser account,
      @PathVariable long id,
      @RequestHeader(name = OutcomeAnswer.WINDOW, required = false) String window,
      @RequestHeader(name = HttpHeaders.ACCEPT, defaultValue = "*/*") String accept,
      @ParameterObject DrawnCurves drawn) {
    productions.requireShot(account.id(), id);
    return answers.of(shots.redo(id, new ShotService.Asker(account.id(), window)), accept, drawn);
  }

  @GetMapping("/api/shots/{id}/changes")
  @Operation(
      summary = "What changed since a revision",
      description =
          "The same answer that the edit itself would have got, for a window that has the shot at"
              + " that revision.")
  ResponseEntity<byte[]> changes(
      @AuthenticationPrincipal AccountUser account,
      @PathVariable long id,
      @RequestParam long since,
      @RequestHeader(name = HttpHeaders.ACCEPT, defaultValue = "*/*") String accept,
      @ParameterObject DrawnCurves drawn) {
    productions.requireShot(account.id(), id);
    return answers.of(shots.since(id, since), accept, drawn);
  }

  @GetMapping("/api/shots/{id}/lengthening")
  @Operation(
      summary = "What becomes of a shot that is made longer",
      description =
          "How many keys, windows and markers move, are stretched or stay when time is put in at a"
              + " frame, or at the end if none is given.")
  Lengthening lengthening(
      @AuthenticationPrincipal AccountUser account,
      @PathVariable long id,
      @RequestParam(required = false) Double at) {
    productions.requireShot(account.id(), id);
    OptionalDouble frame = at == null ? OptionalDouble.empty() : OptionalDouble.of(at);
    return Lengthening.of(shots.live(id).shot(), frame);
  }

  private static ResponseEntity<byte[]> json(byte[] body) {
    return ResponseEntity.ok().contentType(MediaType.APPLICATION_JSON).body(body);
  }

  @GetMapping("/api/shots/{id}/samples")
  @Operation(
      summary = "The motion of a camera, or of several nodes",
      description =
          "JSON gives one row of columns per node over from..to at every step (a whole number of"
              + " frames, or 1/2 to 1/16). Octets, where accepted, give range and handles, one"
              + " sample a frame, of the nodes named (all if none is), with the curves of those in"
              + " curves, and their speed and acceleration if slopes is true. A revision gives"
              + " the motion as it was then; with alongside, at the moments of the frames of that"
              + " revision.")
  ResponseEntity<byte[]> samples(
      @AuthenticationPrincipal AccountUser account,
      @PathVariable long id,
      @RequestParam(required = false) String camera,
      @RequestParam(required = false) List<String> nodes,
      @RequestParam(required = false) Double from,
      @RequestParam(required = false) Double to,
      @RequestParam(defaultValue = "1") double step,
      @RequestParam(required = false) Long revision,
      @RequestParam(required = false) Long alongside,
      @ParameterObject DrawnCurves drawn,
      @RequestHeader(name = HttpHeaders.ACCEPT, defaultValue = "*/*") String accept) {
    productions.requireShot(account.id(), id);
    LiveShot shot = revision == null ? shots.live(id) : shots.past(id, revision);
    List<String> ids = new ArrayList<>(nodes == null ? List.of() : nodes);
    if (camera != null) {
      ids.add(shot.shot().camera(camera).id());
    }
    if (ids.isEmpty()) {
      shot.shot().nodes().forEach(n -> ids.add(n.id()));
    }
    ids.forEach(shot.shot()::node);
    if (OutcomeAnswer.wantsOctets(accept)) {
      return ResponseEntity.ok()
          .contentType(MediaType.APPLICATION_OCTET_STREAM)
          .body(
              octets.samples(
                  shot, alongside == null ? shot : shots.past(id, alongside), ids, drawn));
    }
    return json(SampleTable.write(shot, ids, from, to, step));
  }

  @GetMapping(value = "/api/shots/{id}/meshes", produces = MediaType.APPLICATION_OCTET_STREAM_VALUE)
  @Operation(summary = "The triangles of the pieces named, or of all, as octets")
  byte[] meshes(
      @AuthenticationPrincipal AccountUser account,
      @PathVariable long id,
      @RequestParam(required = false) List<String> nodes) {
    productions.requireShot(account.id(), id);
    LiveShot shot = shots.live(id);
    List<Node.Piece> pieces =
        EditOutcome.pieces(shot.shot()).stream()
            .filter(p -> nodes == null || nodes.contains(p.id()))
            .toList();
    return octets.meshes(shot, pieces);
  }

  @GetMapping("/api/shots/{id}/events")
  @Operation(summary = "Server-sent events: revision, people")
  SseEmitter events(
      @AuthenticationPrincipal AccountUser account,
      @PathVariable long id,
      @RequestParam(defaultValue = "") String window) {
    productions.requireShot(account.id(), id);
    return events.listen(id, window, shots.live(id).revision());
  }

  @DeleteMapping("/api/shots/{id}/events")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  @Operation(summary = "Says that a window no longer listens")
  void leave(
      @AuthenticationPrincipal AccountUser account,
      @PathVariable long id,
      @RequestParam String window) {
    productions.requireShot(account.id(), id);
    events.leave(id, window);
  }

  @PostMapping("/api/shots/{id}/duplicate")
  @ResponseStatus(HttpStatus.CREATED)
  @Operation(summary = "Copies a shot: {\"name\": ...}")
  Map<String, Object> duplicate(
      @AuthenticationPrincipal AccountUser account, @PathVariable long id, @RequestBody byte[] body)
      throws FormatException {
    long production = productions.requireShot(account.id(), id);
    Shot shot = shots.live(id).shot();
    String name = JsonPlace.parse(body).only("name").get("name").text();
    long copy = shots.add(production, shot.withHeader(shot.header().withName(name)));
    return Map.of("id", copy, "revision", 1);
  }

  @DeleteMapping("/api/shots/{id}")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  @Operation(summary = "Deletes a shot; it can be put back")
  void delete(@AuthenticationPrincipal AccountUser account, @PathVariable long id) {
    productions.requireShot(account.id(), id);
    repository.delete(id);
  }

  @PostMapping("/api/shots/{id}/restore")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  @Operation(summary = "Puts a deleted shot back")
  void restore(@AuthenticationPrincipal AccountUser account, @PathVariable long id) {
    productions.require(account.id(), repository.productionOf(id));
    repository.undelete(id);
  }
}
