package idlelens.web.shot;

import idlelens.core.scene.Shot;
import idlelens.exchange.format.FormatException;
import idlelens.exchange.json.EditJson;
import idlelens.exchange.json.JsonLimits;
import idlelens.exchange.json.JsonPlace;
import idlelens.web.access.Needs;
import idlelens.web.access.Right;
import idlelens.web.access.Visitor;
import idlelens.web.production.ProductionRepository;
import idlelens.web.request.RequestId;
import idlelens.web.request.RequestRepository;
import idlelens.web.work.Works;
import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.concurrent.CompletableFuture;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** Shots by API: which there are, their documents, new ones, copies, and those that go. */
@RestController
@Tag(name = "Shots")
class ShotController {
  private final ShotService shots;
  private final ShotRepository repository;
  private final ProductionRepository productions;
  private final RequestRepository requests;
  private final ShotEvents events;
  private final Works works;

  ShotController(
      ShotService shots,
      ShotRepository repository,
      ProductionRepository productions,
      RequestRepository requests,
      ShotEvents events,
      Works works) {
    this.shots = shots;
    this.repository = repository;
    this.productions = productions;
    this.requests = requests;
    this.events = events;
    this.works = works;
  }

  @GetMapping("/api/shots")
  @Needs(Right.ACCOUNT)
  @Operation(summary = "All shots of the account's productions")
  List<ShotRepository.Listed> list(@AuthenticationPrincipal Visitor visitor) {
    List<ShotRepository.Listed> all = new ArrayList<>();
    productions.of(visitor.id()).forEach(p -> all.addAll(repository.of(p.id())));
    return all;
  }

  @PostMapping("/api/productions/{production}/shots")
  @Needs(Right.CHANGE_PRODUCTION)
  @ResponseStatus(HttpStatus.CREATED)
  @Operation(
      summary = "Adds a shot",
      description = "Body: name, rate (\"24\", \"24000/1001\"), in, out, aspect, handles.")
  Map<String, Object> add(Asker asker, @PathVariable long production, @RequestBody byte[] body)
      throws FormatException {
    Shot shot = NewShot.with(EditJson.readHeader(JsonPlace.parse(body, JsonLimits.SMALL)));
    return added(asker, "a shot in production " + production, shot);
  }

  private Map<String, Object> added(Asker asker, String place, Shot shot) {
    return requests.once(
        asker.accountId(),
        new RequestId(asker.request()),
        place,
        () -> Map.of("id", shots.add(asker.productionId(), shot), "revision", 1));
  }

  @GetMapping(value = "/api/shots/{id}", produces = MediaType.APPLICATION_JSON_VALUE)
  @Needs(Right.READ_SHOT)
  @Operation(
      summary = "The document of a shot",
      description =
          "As it is, or as it was at a revision. Which one is in the headers ETag and"
              + " Idle-Lens-Revision.")
  CompletableFuture<ResponseEntity<byte[]>> document(
      @AuthenticationPrincipal Visitor visitor,
      @PathVariable long id,
      @RequestParam(required = false) Long revision) {
    return works.read(
        "shot " + id,
        new Works.Order(visitor.id(), "the document"),
        () -> {
          LiveShot shot = revision == null ? shots.live(id) : shots.past(id, revision);
          return ResponseEntity.ok()
              .header("Idle-Lens-Revision", Long.toString(shot.revision()))
              .eTag("\"" + shot.revision() + "\"")
              .body(shot.text());
        });
  }

  @PostMapping("/api/shots/{id}/duplicate")
  @Needs(Right.CHANGE_SHOT)
  @ResponseStatus(HttpStatus.CREATED)
  @Operation(summary = "Copies a shot: {\"name\": ...}")
  CompletableFuture<Map<String, Object>> duplicate(
      Asker asker, @PathVariable long id, @RequestBody byte[] body) throws FormatException {
    String name = JsonPlace.parse(body, JsonLimits.SMALL).only("name").get("name").text();
    return works.takeLong(
        new Works.Order(asker.request(), asker.accountId(), "a copy"),
        () -> {
          Shot shot = shots.live(id).shot();
          Shot copy = shot.withHeader(shot.header().withName(name));
          return added(asker, "a copy of shot " + id, copy);
        });
  }

  @DeleteMapping("/api/shots/{id}")
  @Needs(Right.DELETE_SHOT)
  @ResponseStatus(HttpStatus.NO_CONTENT)
  @Operation(summary = "Deletes a shot; it can be put back")
  void delete(@PathVariable long id) {
    repository.delete(id);
    events.endWhere(w -> w.shotId() == id);
  }

  @PostMapping("/api/shots/{id}/restore")
  @Needs(Right.RESTORE_SHOT)
  @ResponseStatus(HttpStatus.NO_CONTENT)
  @Operation(summary = "Puts a deleted shot back")
  void restore(@PathVariable long id) {
    repository.undelete(id);
  }
}
