package idlelens.web.shot;

import idlelens.core.edit.SetMarkers;
import idlelens.core.scene.Marker;
import idlelens.exchange.csv.BeatTable;
import idlelens.exchange.format.FormatException;
import idlelens.web.account.AccountUser;
import idlelens.web.production.ProductionRepository;
import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import java.util.List;
import java.util.UUID;
import org.springdoc.core.annotations.ParameterObject;
import org.springframework.http.HttpHeaders;
import org.springframework.http.ResponseEntity;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RestController;

/** Markers from a table. */
@RestController
@Tag(name = "Shots")
class MarkerController {
  private final ShotService shots;
  private final ProductionRepository productions;
  private final OutcomeAnswer answers;

  MarkerController(ShotService shots, ProductionRepository productions, OutcomeAnswer answers) {
    this.shots = shots;
    this.productions = productions;
    this.answers = answers;
  }

  @PostMapping(value = "/api/shots/{id}/beats", consumes = "text/csv")
  @Operation(
      summary = "Reads beats from CSV as markers of the shot",
      description =
          "A head with frame or time (seconds or hh:mm:ss:ff since the first frame), and if wanted"
              + " name and kind (beat, hit, cue, note). All rows are taken, or none.")
  ResponseEntity<byte[]> beats(
      @AuthenticationPrincipal AccountUser account,
      @PathVariable long id,
      @RequestHeader(name = OutcomeAnswer.WINDOW, required = false) String window,
      @RequestHeader(name = HttpHeaders.ACCEPT, defaultValue = "*/*") String accept,
      @ParameterObject DrawnCurves drawn,
      @RequestBody byte[] body)
      throws FormatException {
    productions.requireShot(account.id(), id);
    LiveShot live = shots.live(id);
    List<Marker> markers =
        BeatTable.read(body, live.shot().header(), () -> "beat-" + UUID.randomUUID());
    return answers.of(
        shots.edit(
            id,
            live.revision(),
            List.of(new SetMarkers(markers)),
            new ShotService.Asker(account.id(), window)),
        accept,
        drawn);
  }
}
