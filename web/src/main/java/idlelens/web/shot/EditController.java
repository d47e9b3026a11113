package idlelens.web.shot;

import idlelens.core.edit.Edit;
import idlelens.core.edit.EditCost;
import idlelens.core.rule.RefusedException;
import idlelens.core.rule.Require;
import idlelens.exchange.format.FormatException;
import idlelens.exchange.json.EditJson;
import idlelens.exchange.json.JsonLimits;
import idlelens.exchange.json.JsonPlace;
import idlelens.web.access.Needs;
import idlelens.web.access.Right;
import idlelens.web.problem.StoredException;
import idlelens.web.request.RequestId;
import idlelens.web.work.Works;
import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import java.util.List;
import java.util.concurrent.Callable;
import java.util.concurrent.CompletableFuture;
import java.util.function.Function;
import org.springdoc.core.annotations.ParameterObject;
import org.springframework.http.HttpHeaders;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RestController;

/**
 * Changes of shots by API. Every one may carry the header {@value RequestId#HEADER}; sent again
 * with the same id it is not made again.
 */
@RestController
@Tag(name = "Edits")
class EditController {
  private static final int SMALL_BODY = 64 << 10;

  private static final int LONGEST_NAME = 120;

  private final ShotService shots;
  private final HistoryRepository history;
  private final OutcomeAnswer answers;
  private final Works works;

  EditController(ShotService shots, HistoryRepository history, OutcomeAnswer answers, Works works) {
    this.shots = shots;
    this.history = history;
    this.answers = answers;
    this.works = works;
  }

  /**
   * What a caller asks for: edits on a revision, with what they are called, stored or only shown.
   */
  private record Asked(long seen, List<Edit> edits, String as, boolean provisional) {
    static Asked read(byte[] body) throws FormatException {
      JsonPlace place = JsonPlace.parse(body, JsonLimits.EDITS);
      place.only("revision", "edits", "as", "provisional");
      List<Edit> edits = EditJson.readAsked(place.get("edits"));
      if (edits.isEmpty()) {
        throw new RefusedException("edits", "empty", "at least one edit");
      }
      long seen = (long) Require.within(place.get("revision").number(), 0, 1e15, "revision");
      String as = place.text("as", "");
      Require.within(as.length(), 0, LONGEST_NAME, "as.length");
      return new Asked(seen, edits, as, place.flag("provisional", false));
    }
  }

  @PostMapping("/api/shots/{id}/edits")
  @Needs(Right.CHANGE_SHOT)
  @Operation(
      summary = "Changes a shot",
      description =
          "Body: revision (the one seen), edits (a list), as (what they are called in the history,"
              + " if not by themselves), provisional (true to compute only). The"
              + " answer is JSON, or octets with the new motion where the caller accepts"
              + " application/octet-stream; these hold the curves of the nodes named in curves"
              + " too.")
  CompletableFuture<ResponseEntity<byte[]>> edit(
      Asker asker,
      @PathVariable long id,
      @RequestHeader(name = HttpHeaders.ACCEPT, defaultValue = "*/*") String accept,
      @ParameterObject DrawnCurves drawn,
      @RequestBody byte[] body)
      throws FormatException {
    Asked small = body.length <= SMALL_BODY ? Asked.read(body) : null; // the lane need not wait
    CompletableFuture<EditOutcome> made =
        works.change(
            id,
            new Works.Order(asker.request(), asker.accountId(), "an edit"),
            () -> {
              Asked asked = small != null ? small : Asked.read(body);
              EditCost cost = EditCost.of(shots.likely(id).shot(), asked.edits());
              cost.requireBearable();
              return new Works.Costed<>(cost.takesLong(), () -> outcome(id, asked, asker));
            });
    return works.answer(made, answer(accept, drawn));
  }

  private EditOutcome outcome(long id, Asked asked, Asker asker) {
    return asked.provisional()
        ? shots.show(id, asked.edits(), asker)
        : shots.edit(id, asked.seen(), asked.edits(), asked.as(), asker);
  }

  @PostMapping("/api/shots/{id}/undo")
  @Needs(Right.CHANGE_SHOT)
  @Operation(summary = "Takes the last edit back")
  CompletableFuture<ResponseEntity<byte[]>> undo(
      Asker asker,
      @PathVariable long id,
      @RequestHeader(name = HttpHeaders.ACCEPT, defaultValue = "*/*") String accept,
      @ParameterObject DrawnCurves drawn) {
    return inLane(id, asker, "undo", () -> shots.undo(id, asker), answer(accept, drawn));
  }

  @PostMapping("/api/shots/{id}/redo")
  @Needs(Right.CHANGE_SHOT)
  @Operation(summary = "Does again what was taken back last")
  CompletableFuture<ResponseEntity<byte[]>> redo(
      Asker asker,
      @PathVariable long id,
      @RequestHeader(name = HttpHeaders.ACCEPT, defaultValue = "*/*") String accept,
      @ParameterObject DrawnCurves drawn) {
    return inLane(id, asker, "redo", () -> shots.redo(id, asker), answer(accept, drawn));
  }

  @PostMapping("/api/shots/{id}/go-back")
  @Needs(Right.CHANGE_SHOT)
  @Operation(
      summary = "Makes the shot as it was at a revision",
      description = "Body: revision. What was done since stays in the history and can be had back.")
  CompletableFuture<ResponseEntity<byte[]>> goBack(
      Asker asker,
      @PathVariable long id,
      @RequestHeader(name = HttpHeaders.ACCEPT, defaultValue = "*/*") String accept,
      @ParameterObject DrawnCurves drawn,
      @RequestBody byte[] body)
      throws FormatException {
    JsonPlace place = JsonPlace.parse(body, JsonLimits.SMALL).only("revision");
    long revision = (long) Require.within(place.get("revision").number(), 1, 1e15, "revision");
    return inLane(
        id,
        asker,
        "going back",
        () -> shots.goBack(id, revision, words(id, revision), asker),
        answer(accept, drawn));
  }

  private String words(long id, long revision) {
    return history.versions(id).stream()
        .filter(v -> v.revision() == revision)
        .findFirst()
        .map(v -> "Restore version “" + v.name() + "”")
        .orElse("Go back to revision " + revision);
  }

  @PostMapping(value = "/api/shots/{id}/beats", consumes = "text/csv")
  @Needs(Right.CHANGE_SHOT)
  @Operation(
      summary = "Reads beats from CSV as markers of the shot",
      description =
          "A head with frame or time (seconds or hh:mm:ss:ff since the first frame), and if wanted"
              + " name and kind (beat, hit, cue, note). All rows are taken, or none.")
  CompletableFuture<ResponseEntity<byte[]>> beats(
      Asker asker,
      @PathVariable long id,
      @RequestHeader(name = HttpHeaders.ACCEPT, defaultValue = "*/*") String accept,
      @ParameterObject DrawnCurves drawn,
      @RequestBody byte[] body) {
    return inLane(
        id, asker, "reading beats", () -> shots.takeBeats(id, body, asker), answer(accept, drawn));
  }

  private Function<EditOutcome, ResponseEntity<byte[]>> answer(String accept, DrawnCurves drawn) {
    return outcome -> {
      try {
        return answers.of(outcome, accept, drawn);
      } catch (RuntimeException | OutOfMemoryError e) {
        if (outcome.stored()) {
          throw new StoredException(e);
        }
        throw e;
      }
    };
  }

  private CompletableFuture<ResponseEntity<byte[]>> inLane(
      long id,
      Asker asker,
      String what,
      Callable<EditOutcome> work,
      Function<EditOutcome, ResponseEntity<byte[]>> answer) {
    Works.Order order = new Works.Order(asker.request(), asker.accountId(), what);
    return works.answer(works.change(id, order, () -> new Works.Costed<>(false, work)), answer);
  }
}
