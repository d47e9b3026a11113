package idlelens.web.handoff;

import idlelens.core.rule.RefusedException;
import idlelens.core.time.FrameRate;
import idlelens.exchange.format.FormatException;
import idlelens.web.account.AccountUser;
import idlelens.web.production.ProductionRepository;
import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import java.io.IOException;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.multipart.MultipartFile;

/** Takes files in. */
@RestController
@Tag(name = "Hand-off")
class ImportController {
  private final ImportService imports;
  private final ProductionRepository productions;

  ImportController(ImportService imports, ProductionRepository productions) {
    this.imports = imports;
    this.productions = productions;
  }

  @PostMapping(
      value = "/api/productions/{id}/imports",
      consumes = MediaType.MULTIPART_FORM_DATA_VALUE)
  @ResponseStatus(HttpStatus.CREATED)
  @Operation(
      summary = "Reads a .glb, .gltf (with its .bin) or shot .json",
      description =
          "file: one or more files, the first that is not a .bin counts. shot: the shot to put the"
              + " nodes into; without it a new shot is made. rate and firstFrame: what the file"
              + " itself cannot say; without them what we wrote into it, or 24 and 1001.")
  ImportService.Imported read(
      @AuthenticationPrincipal AccountUser account,
      @PathVariable long id,
      @RequestParam("file") List<MultipartFile> files,
      @RequestParam(required = false) Long shot,
      @RequestParam(required = false) String rate,
      @RequestParam(required = false) Integer firstFrame)
      throws IOException, FormatException {
    productions.require(account.id(), id);
    if (shot != null && productions.requireShot(account.id(), shot) != id) {
      throw new RefusedException("shot", shot, "a shot of this production");
    }
    String main = null;
    Map<String, byte[]> contents = new LinkedHashMap<>();
    for (MultipartFile file : files) {
      String name = plainName(file.getOriginalFilename());
      contents.put(name, file.getBytes());
      main = main == null && !name.toLowerCase(Locale.ROOT).endsWith(".bin") ? name : main;
    }
    if (main == null) {
      throw new RefusedException("file", "missing", "a .glb, .gltf or .json file");
    }
    FrameRate given = rate == null || rate.isBlank() ? null : FrameRate.parse(rate);
    return imports.read(
        new ImportService.Request(account.id(), id, shot, main, contents, given, firstFrame));
  }

  private static String plainName(String name) {
    String text = name == null ? "" : name;
    return text.substring(Math.max(text.lastIndexOf('/'), text.lastIndexOf('\\')) + 1);
  }
}
