package idlelens.web.handoff;

import idlelens.core.scene.Shot;
import idlelens.exchange.profile.ReceiverProfile;
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
import java.util.Objects;
import java.util.concurrent.CompletableFuture;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.ModelAttribute;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import tools.jackson.databind.node.ObjectNode;

/** Writes shots as files, and checks them. */
@RestController
@RequestMapping("/api/shots/{id}")
@Tag(name = "Hand-off")
class ExportController {
  private final ShotService shots;
  private final ProfileRepository profiles;
  private final HandoffRepository handoffs;
  private final FileWriting files;
  private final Bundle bundle;
  private final Works works;

  ExportController(
      ShotService shots,
      ProfileRepository profiles,
      HandoffRepository handoffs,
      FileWriting files,
      Bundle bundle,
      Works works) {
    this.shots = shots;
    this.profiles = profiles;
    this.handoffs = handoffs;
    this.files = files;
    this.bundle = bundle;
    this.works = works;
  }

  /**
   * What is asked for.
   *
   * @param camera ids, or none for all
   * @param profile the name of a receiver profile
   * @param frames range, handles, or two frames as 1001-1144
   * @param company set, nulls or carriers
   * @param program cuts, as 1001:a-cam,1048:b-cam:10, which fades in over 10 frames
   * @param joined whether one camera goes out that is where the program is
   */
  record Asked(
      List<String> camera,
      String profile,
      String frames,
      Integer from,
      Integer to,
      String company,
      String program,
      Boolean joined) {
    Wish wish() {
      return new Wish(
          camera,
          Objects.requireNonNullElse(profile, ReceiverProfile.Y_UP_METRES.name()),
          frames,
          from,
          to,
          Objects.requireNonNullElse(company, "set"),
          program,
          joined != null && joined);
    }
  }

  /** Writes the file that is asked for. */
  private interface Writing {
    WrittenFile of(Shot shot, Wish wish, ReceiverProfile profile);
  }

  @GetMapping("/export/{format}")
  @Needs(Right.READ_SHOT)
  @Operation(
      summary = "Writes a shot as a file",
      description =
          "format: glb, usda, dae, opentrackio, csv, otio, edl, report (HTML for print), anchors"
              + " (where pieces stand in the picture) or json (the whole shot).")
  CompletableFuture<ResponseEntity<byte[]>> export(
      Asker asker,
      @PathVariable long id,
      @PathVariable String format,
      @ModelAttribute Asked asked,
      HttpServletRequest request) {
    return written(
        asker,
        id,
        asked.wish(),
        request,
        (shot, wish, profile) -> bundle.one(shot, wish, profile, format));
  }

  @GetMapping("/export/zip")
  @Needs(Right.READ_SHOT)
  @Operation(
      summary = "Writes a shot as several files in a zip, with a manifest",
      description = "format: as many as wanted; the rest as for one file.")
  CompletableFuture<ResponseEntity<byte[]>> zip(
      Asker asker,
      @PathVariable long id,
      @RequestParam List<String> format,
      @ModelAttribute Asked asked,
      HttpServletRequest request) {
    return written(
        asker,
        id,
        asked.wish(),
        request,
        (shot, wish, profile) -> bundle.zip(shot, wish, profile, format));
  }

  private CompletableFuture<ResponseEntity<byte[]>> written(
      Asker asker, long id, Wish wish, HttpServletRequest request, Writing writing) {
    if (request.getMethod().equals("HEAD")) { // asks only whether it may; leaves no trace
      return CompletableFuture.completedFuture(ResponseEntity.ok().build());
    }
    return works.takeLong(
        new Works.Order(asker.request(), asker.accountId(), "an export"),
        () -> {
          Work.tell("writing", 0.1);
          ShotService.Revised current = shots.current(id);
          WrittenFile file = writing.of(current.shot(), wish, profile(id, wish));
          Work.seal();
          handoffs.addOut(id, current.revision(), file, asker.accountId());
          return answer(file);
        });
  }

  private ReceiverProfile profile(long id, Wish wish) {
    return profiles.named(shots.productionOf(id), wish.profile());
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

  @GetMapping("/transfer/{format}")
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
      @ModelAttribute Asked asked) {
    Wish wish = asked.wish();
    return works.takeLong(
        new Works.Order(asker.request(), asker.accountId(), "a transfer check"),
        () -> {
          Work.tell("writing and reading back", 0.2);
          Shot shot = shots.current(id).shot();
          return TransferJson.write(files.scene(wish.of(shot, profile(id, wish)), format));
        });
  }

  @GetMapping("/handoffs")
  @Needs(Right.READ_SHOT)
  @Operation(summary = "What went out of a shot and what came in")
  List<HandoffRepository.Entry> list(@PathVariable long id) {
    return handoffs.of(id);
  }
}
