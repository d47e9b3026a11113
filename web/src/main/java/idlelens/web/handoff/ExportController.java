package idlelens.web.handoff;

import idlelens.core.rule.RefusedException;
import idlelens.core.scene.Node;
import idlelens.core.scene.Shot;
import idlelens.core.time.FrameRange;
import idlelens.exchange.gltf.GltfWriter;
import idlelens.exchange.json.ShotJson;
import idlelens.web.access.Needs;
import idlelens.web.access.Right;
import idlelens.web.shot.Asker;
import idlelens.web.shot.AssetRepository;
import idlelens.web.shot.ShotService;
import idlelens.web.work.Work;
import idlelens.web.work.Works;
import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.servlet.http.HttpServletRequest;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.concurrent.CompletableFuture;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** Writes shots as files. */
@RestController
@Tag(name = "Hand-off")
class ExportController {
  private final ShotService shots;
  private final AssetRepository assets;
  private final HandoffRepository handoffs;
  private final Works works;

  ExportController(
      ShotService shots, AssetRepository assets, HandoffRepository handoffs, Works works) {
    this.shots = shots;
    this.assets = assets;
    this.handoffs = handoffs;
    this.works = works;
  }

  @GetMapping("/api/shots/{id}/export/{format}")
  @Needs(Right.READ_SHOT)
  @Operation(
      summary = "Writes a shot as a file",
      description =
          "format: glb (camera: one or more ids, all if none is named; set: whether the pieces go"
              + " along; frames: range, handles for the range with its handles, or two frames as"
              + " 1001-1144) or json (the whole shot).")
  CompletableFuture<ResponseEntity<byte[]>> export(
      Asker asker,
      @PathVariable long id,
      @PathVariable String format,
      @RequestParam(required = false) List<String> camera,
      @RequestParam(defaultValue = "true") boolean set,
      @RequestParam(defaultValue = "range") String frames,
      HttpServletRequest request) {
    if (request.getMethod().equals("HEAD")) { // asks only whether it may; leaves no trace
      return CompletableFuture.completedFuture(ResponseEntity.ok().build());
    }
    return works.takeLong(
        new Works.Order(asker.request(), asker.accountId(), "an export"),
        () -> write(asker, id, new Wish(format, camera, set, frames)));
  }

  /** What is asked for. */
  private record Wish(String format, List<String> camera, boolean set, String frames) {
    List<String> cameras(Shot shot) {
      return camera != null ? camera : shot.cameras().stream().map(Node::id).toList();
    }
  }

  private ResponseEntity<byte[]> write(Asker asker, long id, Wish wish) {
    Work.tell("writing", 0.1);
    ShotService.Revised current = shots.current(id);
    Shot shot = current.shot();
    switch (wish.format()) {
      case "glb":
        List<String> cameras = wish.cameras(shot);
        FrameRange frames = SentFrames.of(wish.frames(), shot.header());
        GltfWriter.Written written =
            GltfWriter.write(shot, frames, cameras, wish.set(), assets::mesh);
        String name =
            cameras.size() == 1
                ? shot.header().name() + " " + shot.camera(cameras.get(0)).name()
                : shot.header().name();
        return file(id, current.revision(), asker, name, "glb", written.octets(), written.notes());
      case "json":
        byte[] text = ShotJson.file(new ShotJson.Parcel(shot, assets.of(shot)));
        return file(id, current.revision(), asker, shot.header().name(), "json", text, List.of());
      default:
        throw new RefusedException("format", "'" + wish.format() + "'", "glb, json");
    }
  }

  private ResponseEntity<byte[]> file(
      long shotId,
      long revision,
      Asker asker,
      String name,
      String ending,
      byte[] content,
      List<String> notes) {
    String fileName = name.replaceAll("[^\\p{L}\\p{N}_ -]", "").strip() + "." + ending;
    Work.seal();
    handoffs.add(shotId, revision, "out", ending, fileName, notes, asker.accountId());
    return ResponseEntity.ok()
        .contentType(
            ending.equals("glb")
                ? MediaType.parseMediaType("model/gltf-binary")
                : MediaType.APPLICATION_JSON)
        .header(
            HttpHeaders.CONTENT_DISPOSITION,
            ContentDisposition.attachment()
                .filename(fileName, StandardCharsets.UTF_8)
                .build()
                .toString())
        .body(content);
  }

  @GetMapping("/api/shots/{id}/handoffs")
  @Needs(Right.READ_SHOT)
  @Operation(summary = "What went out of a shot and what came in")
  List<HandoffRepository.Entry> list(@PathVariable long id) {
    return handoffs.of(id);
  }
}
