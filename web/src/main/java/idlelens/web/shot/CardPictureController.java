package idlelens.web.shot;

import idlelens.exchange.format.ContentHash;
import idlelens.web.access.Needs;
import idlelens.web.access.Right;
import idlelens.web.picture.PictureFile;
import idlelens.web.work.Work;
import idlelens.web.work.Works;
import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import java.io.IOException;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.concurrent.CompletableFuture;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.multipart.MultipartFile;

/** Pictures that are shown on cards. */
@RestController
@Tag(name = "Pictures on cards")
class CardPictureController {
  private final AssetRepository assets;
  private final Works works;

  CardPictureController(AssetRepository assets, Works works) {
    this.assets = assets;
    this.works = works;
  }

  /** A picture that is kept, by the name under which an edit can put it on a card. */
  record Kept(String name, String asset, int width, int height) {}

  @PostMapping(value = "/api/shots/{id}/pictures", consumes = MediaType.MULTIPART_FORM_DATA_VALUE)
  @Needs(Right.CHANGE_SHOT)
  @ResponseStatus(HttpStatus.CREATED)
  @Operation(
      summary = "Keeps pictures for the cards of a shot's production",
      description =
          "file: one or more PNG or JPEG files, of up to 4096 pixels a side and 16 MB each. Their"
              + " ids go into the finish of a card; what no shot names is removed after a day.")
  CompletableFuture<List<Kept>> keep(
      Asker asker, @PathVariable long id, @RequestParam("file") List<MultipartFile> files) {
    return works.takeLong(
        new Works.Order(asker.request(), asker.accountId(), "pictures"),
        () -> keep(asker.productionId(), files));
  }

  private List<Kept> keep(long productionId, List<MultipartFile> files) throws IOException {
    List<Kept> kept = new ArrayList<>();
    Map<String, byte[]> contents = new LinkedHashMap<>();
    for (MultipartFile file : files) {
      Work.tell("reading", (double) kept.size() / files.size());
      byte[] content = file.getBytes();
      String name = Objects.requireNonNullElse(file.getOriginalFilename(), "file");
      String hash = ContentHash.of(content);
      PictureFile picture = AssetContent.picture(content, name);
      contents.put(hash, content);
      kept.add(new Kept(name, hash, picture.widthPx(), picture.heightPx()));
    }
    assets.put(productionId, contents);
    return kept;
  }

  @GetMapping("/api/shots/{id}/pictures/{asset}")
  @Needs(Right.READ_SHOT)
  @Operation(summary = "A picture that is shown on a card")
  CompletableFuture<ResponseEntity<byte[]>> picture(
      Asker asker, @PathVariable long id, @PathVariable String asset) {
    return works.read(
        "picture " + asset,
        new Works.Order(asker.accountId(), "a picture"),
        () -> {
          byte[] content = assets.picture(asker.productionId(), asset);
          return ResponseEntity.ok()
              .header(HttpHeaders.CACHE_CONTROL, "private, max-age=31536000, immutable")
              .contentType(PictureFile.typeOf(content))
              .body(content);
        });
  }
}
