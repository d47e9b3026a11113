package idlelens.web.handoff;

import idlelens.core.rule.RefusedException;
import idlelens.core.rule.Require;
import idlelens.core.time.FrameRate;
import idlelens.web.access.Needs;
import idlelens.web.access.Right;
import idlelens.web.shot.Asker;
import idlelens.web.work.Work;
import idlelens.web.work.Works;
import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import java.io.IOException;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.CompletableFuture;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.multipart.MultipartFile;

/** Takes files in. */
@RestController
@Tag(name = "Hand-off")
class ImportController {
  /** As long as the table of hand-offs keeps it. */
  private static final int MOST_NAME = 200;

  private static final Set<String> READABLE = Set.of("glb", "gltf", "json");

  private final ImportService imports;
  private final Works works;

  ImportController(ImportService imports, Works works) {
    this.imports = imports;
    this.works = works;
  }

  @PostMapping(
      value = "/api/productions/{production}/imports",
      consumes = MediaType.MULTIPART_FORM_DATA_VALUE)
  @Needs(Right.CHANGE_PRODUCTION)
  @ResponseStatus(HttpStatus.CREATED)
  @Operation(
      summary = "Reads a .glb, .gltf (with its .bin) or shot .json",
      description =
          "file: one .glb, .gltf or .json, with the files it names, in any order. shot: the shot to put the"
              + " nodes into; without it a new shot is made. rate and firstFrame: what the file"
              + " itself cannot say; without them what we wrote into it, or 24 and 1001.")
  CompletableFuture<ImportService.Imported> read(
      Asker asker,
      @RequestParam("file") List<MultipartFile> files,
      @RequestParam(required = false) Long shot,
      @RequestParam(required = false) String rate,
      @RequestParam(required = false) Integer firstFrame) {
    FrameRate given = rate == null || rate.isBlank() ? null : FrameRate.parse(rate);
    return works.takeLong(
        new Works.Order(asker.request(), asker.accountId(), "an import"),
        () -> {
          Work.tell("taking the files", 0);
          return imports.read(request(asker, files, shot, given, firstFrame));
        });
  }

  private static ImportService.Request request(
      Asker asker, List<MultipartFile> files, Long shot, FrameRate rate, Integer firstFrame)
      throws IOException {
    Map<String, byte[]> contents = new LinkedHashMap<>();
    for (MultipartFile file : files) {
      contents.put(plainName(file.getOriginalFilename()), file.getBytes());
    }
    return new ImportService.Request(
        asker, shot, mainOf(contents.keySet()), contents, rate, firstFrame);
  }

  /** The file that names the others, wherever it stands among them. */
  private static String mainOf(Set<String> names) {
    List<String> readable =
        names.stream().filter(n -> READABLE.contains(ImportService.ending(n))).toList();
    if (readable.size() > 1) {
      throw new RefusedException(
          "file", String.join(" and ", readable), "one of them, with the files that it names");
    }
    if (readable.isEmpty()) {
      throw new RefusedException(
          "file", "'" + String.join("', '", names) + "'", "a .glb, .gltf or .json file");
    }
    return readable.get(0);
  }

  private static String plainName(String name) {
    String text = name == null ? "" : name;
    String plain = text.substring(Math.max(text.lastIndexOf('/'), text.lastIndexOf('\\')) + 1);
    return Require.name(plain, MOST_NAME, "file name");
  }
}
