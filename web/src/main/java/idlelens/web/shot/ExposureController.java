package idlelens.web.shot;

import idlelens.core.edit.Edit;
import idlelens.core.edit.EditCost;
import idlelens.core.exposure.Passes;
import idlelens.core.rule.Require;
import idlelens.exchange.format.FormatException;
import idlelens.exchange.json.EditJson;
import idlelens.exchange.json.JsonPlace;
import idlelens.web.access.Needs;
import idlelens.web.access.Right;
import idlelens.web.wire.Pieces;
import idlelens.web.work.Works;
import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import java.util.List;
import java.util.concurrent.CompletableFuture;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;

/** A frame in passes over iris and open shutter, by API. */
@RestController
@Tag(name = "Motion")
class ExposureController {
  private final ShotService shots;
  private final Works works;

  ExposureController(ShotService shots, Works works) {
    this.shots = shots;
    this.works = works;
  }

  /** What is asked for. */
  private record Asked(String camera, double frame, int passes, List<Edit> edits) {
    static Asked read(byte[] body) throws FormatException {
      JsonPlace place = JsonPlace.parse(body);
      place.only("camera", "frame", "passes", "edits");
      return new Asked(
          place.get("camera").text(),
          place.get("frame").number(),
          Require.within(place.get("passes").whole(), 1, Passes.MOST, "passes"),
          place.has("edits") ? EditJson.readAsked(place.get("edits")) : List.of());
    }
  }

  @PostMapping(
      value = "/api/shots/{id}/exposure",
      produces = MediaType.APPLICATION_OCTET_STREAM_VALUE)
  @Needs(Right.READ_SHOT)
  @Operation(
      summary = "A frame in passes, whose mean is the picture with depth of field and motion blur",
      description =
          "Body: camera, frame (may lie between two), passes (1 to 1024), edits (a list, made"
              + " before and not stored). Octets: from where each pass sees and what, each from"
              + " another point of the iris at another moment of the open shutter, and where"
              + " everything that moves is at that moment.")
  CompletableFuture<ResponseEntity<Pieces>> exposure(
      Asker asker, @PathVariable long id, @RequestBody byte[] body) {
    return works.takeLong(
        new Works.Order(asker.request(), asker.accountId(), "an exposure"),
        () -> {
          Asked asked = Asked.read(body);
          LiveShot shot = with(id, asked.edits(), asker);
          Pieces octets =
              ExposureOctets.of(shot, asked.camera(), asked.frame(), asked.passes()).inPieces();
          return ResponseEntity.ok().contentType(MediaType.APPLICATION_OCTET_STREAM).body(octets);
        });
  }

  private LiveShot with(long id, List<Edit> edits, Asker asker) {
    if (edits.isEmpty()) {
      return shots.live(id);
    }
    EditCost.of(shots.likely(id).shot(), edits).requireBearable();
    return shots.show(id, edits, asker).after();
  }
}
