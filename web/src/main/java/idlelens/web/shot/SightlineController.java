package idlelens.web.shot;

import idlelens.core.check.Sightline;
import idlelens.core.scene.Shot;
import idlelens.exchange.json.JsonPlace;
import idlelens.web.access.Needs;
import idlelens.web.access.Right;
import idlelens.web.work.Works;
import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import java.util.concurrent.CompletableFuture;
import org.joml.Vector3d;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/** What is seen at a place of the picture, by API. */
@RestController
@Tag(name = "Motion")
class SightlineController {
  private final ShotService shots;
  private final AssetRepository assets;
  private final Works works;

  SightlineController(ShotService shots, AssetRepository assets, Works works) {
    this.shots = shots;
    this.assets = assets;
    this.works = works;
  }

  @GetMapping(value = "/api/shots/{id}/sightline", produces = MediaType.APPLICATION_JSON_VALUE)
  @Needs(Right.READ_SHOT)
  @Operation(
      summary = "The first surface at a place of a camera's picture",
      description =
          "x: picture widths from the middle to the right, -0.5 to 0.5; y: picture widths upwards."
              + " Among all triangles that the picture shows: distance along the camera's axis (m),"
              + " node, its name, place in the world, point in the node's own space. Without a"
              + " surface, an empty object.")
  CompletableFuture<ResponseEntity<byte[]>> sightline(
      Asker asker,
      @PathVariable long id,
      @RequestParam String camera,
      @RequestParam double frame,
      @RequestParam double x,
      @RequestParam double y) {
    return works.takeLong(
        new Works.Order(asker.request(), asker.accountId(), "a look at a place of the picture"),
        () -> {
          Shot shot = shots.live(id).shot();
          ObjectNode out = JsonNodeFactory.instance.objectNode();
          Sightline.of(shot, camera, frame, x, y, assets::meshOf)
              .ifPresent(line -> write(line, shot, out));
          return ResponseEntity.ok()
              .contentType(MediaType.APPLICATION_JSON)
              .body(JsonPlace.mapper().writeValueAsBytes(out));
        });
  }

  private static void write(Sightline line, Shot shot, ObjectNode out) {
    out.put("distance", line.distanceM()).put("node", line.nodeId());
    out.put("name", shot.node(line.nodeId()).name());
    numbers(line.place(), out.putArray("place"));
    numbers(line.point(), out.putArray("point"));
  }

  private static void numbers(Vector3d of, ArrayNode to) {
    to.add(of.x).add(of.y).add(of.z);
  }
}
