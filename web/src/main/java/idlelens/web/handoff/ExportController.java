package idlelens.web.handoff;

import idlelens.core.scene.Shot;
import idlelens.exchange.outgoing.HandOff;
import idlelens.web.access.Needs;
import idlelens.web.access.Right;
import idlelens.web.shot.Asker;
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
import tools.jackson.databind.node.ObjectNode;

/** Writes shots as files, and checks them. */
@RestController
@Tag(name = "Hand-off")
class ExportController {
  private static final String USUAL_PROFILE = "Y-up metres";

  private final ShotService shots;
  private final ProfileRepository profiles;
  private final HandoffRepository handoffs;
  private final FileWriting files;
  private final Works works;

  ExportController(
      ShotService shots,
      ProfileRepository profiles,
      HandoffRepository handoffs,
      FileWriting files,
      Works works) {
    this.shots = shots;
    this.profiles = profiles;
    this.handoffs = handoffs;
    this.files = files;
    this.works = works;
  }

  @GetMapping("/api/shots/{id}/export/{format}")
  @Needs(Right.READ_SHOT)
  @Operation(
      summary = "Writes a shot as a file",
      description =
          "format: glb, usda, dae, opentrackio, csv or json (the whole shot). camera: one or more"
              + " ids, all if none is named. profile: the name of a receiver profile. from and to:"
              + " frames; or frames: range, handles for the range with its handles, or two frames"
              + " as 1001-1144. company: set (pieces as triangles), nulls or carriers.")
  CompletableFuture<ResponseEntity<byte[]>> export(
      Asker asker,
      @PathVariable long id,
      @PathVariable String format,
      @RequestParam(required = false) List<String> camera,
      @RequestParam(defaultValue = USUAL_PROFILE) String profile,
      @RequestParam(required = false) String frames,
      @RequestParam(required = false) Integer from,
      @RequestParam(required = false) Integer to,
      @RequestParam(defaultValue = "set") String company,
      HttpServletRequest request) {
    if (request.getMethod().equals("HEAD")) { // asks only whether it may; leaves no trace
      return CompletableFuture.completedFuture(ResponseEntity.ok().build());
    }
    Wish wish = new Wish(camera, profile, frames, from, to, company);
    return works.takeLong(
        new Works.Order(asker.request(), asker.accountId(), "an export"),
        () -> write(asker, id, format, wish));
  }

  private ResponseEntity<byte[]> write(Asker asker, long id, String format, Wish wish) {
    Work.tell("writing", 0.1);
    ShotService.Revised current = shots.current(id);
    WrittenFile file =
        format.equals("json")
            ? files.shot(current.shot())
            : files.scene(handOff(id, current.shot(), wish), format).file();
    Work.seal();
    handoffs.addOut(id, current.revision(), file, asker.accountId());
    return answer(file);
  }

  private HandOff handOff(long id, Shot shot, Wish wish) {
    return wish.of(shot, profiles.named(shots.productionOf(id), wish.profile()));
  }

  private static ResponseEntity<byte[]> answer(WrittenFile file) {
    return ResponseEntity.ok()
        .contentType(MediaType.parseMediaType(file.mediaType()))
        .header(
            HttpHeaders.CONTENT_DISPOSITION,
            ContentDisposition.attachment()
                .filename(file.name(), StandardCharsets.UTF_8)
                .build()
                .toString())
        .body(file.octets());
  }

  @GetMapping("/api/shots/{id}/transfer/{format}")
  @Needs(Right.READ_SHOT)
  @Operation(
      summary = "What would come back of a file, held against the shot on every frame",
      description =
          "As for an export; nothing goes out. Of each camera and frame: the largest and the mean"
              + " distance of test points in pixels, place in mm, turn in minutes of arc, view in"
              + " degrees.")
  CompletableFuture<ObjectNode> transfer(
      Asker asker,
      @PathVariable long id,
      @PathVariable String format,
      @RequestParam(required = false) List<String> camera,
      @RequestParam(defaultValue = USUAL_PROFILE) String profile,
      @RequestParam(required = false) String frames,
      @RequestParam(required = false) Integer from,
      @RequestParam(required = false) Integer to,
      @RequestParam(defaultValue = "set") String company) {
    Wish wish = new Wish(camera, profile, frames, from, to, company);
    return works.takeLong(
        new Works.Order(asker.request(), asker.accountId(), "a transfer check"),
        () -> {
          Work.tell("writing and reading back", 0.2);
          HandOff handOff = handOff(id, shots.current(id).shot(), wish);
          return TransferJson.write(files.scene(handOff, format));
        });
  }

  @GetMapping("/api/shots/{id}/handoffs")
  @Needs(Right.READ_SHOT)
  @Operation(summary = "What went out of a shot and what came in")
  List<HandoffRepository.Entry> list(@PathVariable long id) {
    return handoffs.of(id);
  }
}
