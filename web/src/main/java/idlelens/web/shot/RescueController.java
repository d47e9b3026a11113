package idlelens.web.shot;

import idlelens.web.access.Needs;
import idlelens.web.access.Right;
import idlelens.web.access.Visitor;
import idlelens.web.work.Works;
import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import java.util.List;
import java.util.concurrent.CompletableFuture;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.ResponseEntity;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RestController;

/** What can be done for a shot that cannot be read. */
@RestController
@Tag(name = "Shots")
class RescueController {
  private final Rescue rescue;
  private final Works works;

  RescueController(Rescue rescue, Works works) {
    this.rescue = rescue;
    this.works = works;
  }

  @GetMapping("/api/shots/{id}/stored")
  @Needs(Right.READ_SHOT)
  @Operation(
      summary = "What is stored of the newest revision",
      description =
          "Readable or not, as a file: the last whole document and what leads on from it, each as"
              + " text, or in base64 where it cannot be unpacked.")
  CompletableFuture<ResponseEntity<List<RevisionRepository.Stored>>> stored(
      @AuthenticationPrincipal Visitor visitor, @PathVariable long id) {
    return works.read(
        "shot " + id,
        new Works.Order(visitor.id(), "what is stored"),
        () -> {
          String name =
              ContentDisposition.attachment()
                  .filename("shot-" + id + "-as-stored.json")
                  .build()
                  .toString();
          return ResponseEntity.ok()
              .header(HttpHeaders.CONTENT_DISPOSITION, name)
              .body(rescue.stored(id));
        });
  }

  @PostMapping("/api/shots/{id}/set-back")
  @Needs(Right.CHANGE_SHOT)
  @Operation(
      summary = "Sets a shot that cannot be read back to its last readable revision",
      description = "409 if it can be read, or if no revision can.")
  CompletableFuture<Rescue.SetBack> setBack(Asker asker, @PathVariable long id) {
    return works.takeLong(
        new Works.Order(asker.request(), asker.accountId(), "setting a shot back"),
        () -> rescue.setBack(id, asker));
  }
}
