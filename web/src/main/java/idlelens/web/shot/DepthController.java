package idlelens.web.shot;

import idlelens.core.check.Depths;
import idlelens.web.access.Needs;
import idlelens.web.access.Right;
import idlelens.web.wire.Pieces;
import idlelens.web.work.Works;
import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import java.util.Set;
import java.util.concurrent.CompletableFuture;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import tools.jackson.databind.node.ArrayNode;

/** How far off what a camera sees is, by API. */
@RestController
@Tag(name = "Motion")
class DepthController {
  /** More than these cannot be told apart on one scale. */
  private static final int MOST = 200;

  private final ShotService shots;
  private final Works works;

  DepthController(ShotService shots, Works works) {
    this.shots = shots;
    this.works = works;
  }

  @GetMapping(value = "/api/shots/{id}/depths", produces = MediaType.APPLICATION_OCTET_STREAM_VALUE)
  @Needs(Right.READ_SHOT)
  @Operation(
      summary = "How far along a camera's axis the pieces in its picture are",
      description =
          "Octets: for each piece that is in the picture at some frame of range and handles, metres"
              + " to the middle of its box, one sample a frame; NaN where it is not in the picture."
              + " 200 pieces at most; more says how many are left out.")
  CompletableFuture<ResponseEntity<Pieces>> depths(
      Asker asker, @PathVariable long id, @RequestParam String camera) {
    return works.takeLong(
        new Works.Order(asker.request(), asker.accountId(), "distances"),
        () -> {
          LiveShot shot = shots.live(id);
          Set<String> hidden = shot.shot().hiddenInPictures();
          shot.shot().camera(camera);
          Depths depths =
              Depths.of(shot.motion(), camera, node -> !hidden.contains(node.id()), MOST);
          return ResponseEntity.ok()
              .contentType(MediaType.APPLICATION_OCTET_STREAM)
              .body(octets(shot, camera, depths).inPieces());
        });
  }

  private static OctetBundle octets(LiveShot shot, String camera, Depths depths) {
    OctetBundle bundle = new OctetBundle();
    bundle.head().put("revision", shot.revision()).put("camera", camera);
    bundle.head().put("more", depths.more());
    ArrayNode nodes = bundle.head().putArray("nodes");
    for (Depths.OfPiece piece : depths.pieces()) {
      bundle.add(nodes.addObject().put("id", piece.id()), "metres", piece.metres(), 1);
    }
    return bundle;
  }
}
