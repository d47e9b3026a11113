package idlelens.web.handoff;

import idlelens.core.rule.RefusedException;
import idlelens.core.rule.Require;
import idlelens.exchange.formats.SceneFormats;
import idlelens.exchange.scenefile.Upload;
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
import org.springframework.web.bind.annotation.ModelAttribute;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.multipart.MultipartFile;
import tools.jackson.databind.node.ObjectNode;

/** Takes files in. */
@RestController
@RequestMapping("/api/productions/{production}/imports")
@Tag(name = "Hand-off")
class ImportController {
  /** As long as the table of hand-offs keeps it. */
  private static final int MOST_NAME = 200;

  private final ImportService imports;
  private final PreviewService previews;
  private final Works works;

  ImportController(ImportService imports, PreviewService previews, Works works) {
    this.imports = imports;
    this.previews = previews;
    this.works = works;
  }

  @PostMapping(consumes = MediaType.MULTIPART_FORM_DATA_VALUE)
  @Needs(Right.CHANGE_PRODUCTION)
  @ResponseStatus(HttpStatus.CREATED)
  @Operation(
      summary = "Reads a file of cameras, nulls and pieces, or a whole shot",
      description =
          "file: one .glb, .gltf, .usda, .dae, .jsonl, .csv, .obj, .ply or shot .json, with the"
              + " files it names, in any order. The rest says where it goes, corrects what the file"
              + " says, and how motion is written.")
  CompletableFuture<ImportService.Imported> read(
      Asker asker, @RequestParam("file") List<MultipartFile> files, @ModelAttribute Said said) {
    return works.takeLong(
        new Works.Order(asker.request(), asker.accountId(), "an import"),
        () -> {
          Work.tell("taking the files", 0);
          return imports.read(imports.request(asker, upload(files), said));
        });
  }

  @PostMapping(path = "/preview", consumes = MediaType.MULTIPART_FORM_DATA_VALUE)
  @Needs(Right.CHANGE_PRODUCTION)
  @Operation(
      summary = "What is inside a file, and what would become of it; nothing is kept",
      description = "As for an import.")
  CompletableFuture<ObjectNode> preview(
      Asker asker, @RequestParam("file") List<MultipartFile> files, @ModelAttribute Said said) {
    return works.takeLong(
        new Works.Order(asker.request(), asker.accountId(), "a preview"),
        () -> {
          Work.tell("taking the files", 0);
          return previews.of(imports.request(asker, upload(files), said));
        });
  }

  private static Upload upload(List<MultipartFile> files) throws IOException {
    Map<String, byte[]> contents = new LinkedHashMap<>();
    for (MultipartFile file : files) {
      contents.put(plainName(file.getOriginalFilename()), file.getBytes());
    }
    String main = mainOf(contents.keySet());
    return new Upload(main, contents.get(main), contents);
  }

  /** The file that names the others, wherever it stands among them. */
  private static String mainOf(Set<String> names) {
    List<String> readable = names.stream().filter(ImportController::isRead).toList();
    if (readable.size() > 1) {
      throw new RefusedException(
          "file", String.join(" and ", readable), "one of them, with the files that it names");
    }
    if (readable.isEmpty()) {
      throw new RefusedException(
          "file",
          "'" + String.join("', '", names) + "'",
          "a ." + String.join(", .", SceneFormats.endings()) + " or .json file");
    }
    return readable.get(0);
  }

  private static boolean isRead(String name) {
    return SceneFormats.reading(name).isPresent() || SceneFormats.ending(name).equals("json");
  }

  private static String plainName(String name) {
    String text = name == null ? "" : name;
    String plain = text.substring(Math.max(text.lastIndexOf('/'), text.lastIndexOf('\\')) + 1);
    return Require.name(plain, MOST_NAME, "file name");
  }
}
