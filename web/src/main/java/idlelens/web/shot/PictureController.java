package idlelens.web.shot;

import idlelens.core.rule.Require;
import idlelens.web.access.Needs;
import idlelens.web.access.Right;
import idlelens.web.picture.PictureFile;
import idlelens.web.problem.NotFoundException;
import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** The first picture of a shot through its lens, as a window drew it. */
@RestController
@Tag(name = "Shots")
class PictureController {
  private static final PictureFile.Limits LIMITS =
      new PictureFile.Limits(200_000, 640, MediaType.IMAGE_JPEG);

  private final PictureRepository pictures;
  private final ShotRepository shots;

  PictureController(PictureRepository pictures, ShotRepository shots) {
    this.pictures = pictures;
    this.shots = shots;
  }

  @PutMapping(value = "/api/shots/{id}/picture", consumes = MediaType.IMAGE_JPEG_VALUE)
  @Needs(Right.CHANGE_SHOT)
  @ResponseStatus(HttpStatus.NO_CONTENT)
  @Operation(
      summary = "Keeps the first picture of a shot, for its card",
      description = "A JPEG of up to 640 pixels a side and 200,000 octets, with its revision.")
  void put(@PathVariable long id, @RequestParam long revision, @RequestBody byte[] content) {
    Require.within((double) revision, 1, shots.revision(id), "revision");
    PictureFile.head(content, LIMITS);
    pictures.put(id, revision, content);
  }

  @GetMapping(value = "/api/shots/{id}/picture", produces = MediaType.IMAGE_JPEG_VALUE)
  @Needs(Right.READ_SHOT)
  @Operation(summary = "The first picture of a shot, if a window has drawn it")
  ResponseEntity<byte[]> get(@PathVariable long id) {
    byte[] content =
        pictures.content(id).orElseThrow(() -> new NotFoundException("Picture of shot " + id));
    return ResponseEntity.ok()
        .header(HttpHeaders.CACHE_CONTROL, "private, max-age=31536000, immutable")
        .contentType(MediaType.IMAGE_JPEG)
        .body(content);
  }
}
