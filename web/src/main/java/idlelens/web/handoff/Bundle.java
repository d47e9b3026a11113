package idlelens.web.handoff;

import idlelens.core.cut.Program;
import idlelens.core.rule.RefusedException;
import idlelens.core.scene.Shot;
import idlelens.core.time.FrameRange;
import idlelens.exchange.format.ContentHash;
import idlelens.exchange.formats.SceneFormats;
import idlelens.exchange.json.JsonPlace;
import idlelens.exchange.outgoing.HandOff;
import idlelens.exchange.profile.ReceiverProfile;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import org.springframework.stereotype.Component;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/** Files of a shot: one, or several in a zip with a manifest that says what each is. */
@Component
class Bundle {
  /** Formats that hold no scene. */
  private static final Set<String> LISTS = Set.of("otio", "edl", "report", "anchors");

  private static final int MOST_FORMATS = 12;

  private final FileWriting writing;

  Bundle(FileWriting writing) {
    this.writing = writing;
  }

  /** One file; a format with room for one camera only takes the first. */
  WrittenFile one(Shot shot, Wish wish, ReceiverProfile profile, String format) {
    if (format.equals("json")) {
      return writing.shot(shot);
    }
    return one(wish, wish.of(shot, profile), format);
  }

  private WrittenFile one(Wish wish, HandOff handOff, String format) {
    return LISTS.contains(format)
        ? writing.list(wish, handOff, format)
        : writing.scene(handOff, format).file();
  }

  /** All files in a zip. */
  WrittenFile zip(Shot shot, Wish wish, ReceiverProfile profile, List<String> formats) {
    if (formats == null || formats.isEmpty() || formats.size() > MOST_FORMATS) {
      throw new RefusedException("format", formats, "1 to " + MOST_FORMATS + " formats");
    }
    List<WrittenFile> written = new ArrayList<>();
    for (String format : formats.stream().distinct().toList()) {
      written.addAll(all(shot, wish, profile, format));
    }
    List<WrittenFile> files = named(written);
    String name = FileWriting.plain(shot.header().name()) + ".zip";
    byte[] octets = zipped(files, manifest(shot, wish, files));
    List<String> notes = files.stream().flatMap(f -> f.notes().stream()).distinct().toList();
    Optional<String> told =
        files.stream()
            .flatMap(f -> f.told().stream())
            .filter(t -> !t.startsWith("Good"))
            .findFirst();
    return new WrittenFile(
        name,
        "zip",
        "application/zip",
        octets,
        notes,
        Optional.of(profile.name()),
        told.or(() -> files.stream().flatMap(f -> f.told().stream()).findFirst()));
  }

  /** A format that holds one camera a file gives one for each, over the frames it is seen. */
  private List<WrittenFile> all(Shot shot, Wish wish, ReceiverProfile profile, String format) {
    if (format.equals("json")) {
      return List.of(writing.shot(shot));
    }
    HandOff handOff = wish.of(shot, profile);
    if (format.equals("plates")) {
      return writing.plates(handOff);
    }
    boolean one = format.equals("anchors") || isOneCamera(format);
    if (!one || handOff.cameras().size() == 1) {
      return List.of(one(wish, handOff, format));
    }
    List<WrittenFile> files = new ArrayList<>();
    for (String camera : handOff.cameras()) {
      FrameRange frames = seen(wish.program(shot), camera, handOff.frames());
      files.add(one(wish, handOff.only(camera, frames), format));
    }
    return files;
  }

  private static boolean isOneCamera(String format) {
    return !LISTS.contains(format) && !SceneFormats.writing(format).holds().nodes();
  }

  /** From where a camera is first seen to where it is last. */
  private static FrameRange seen(Optional<Program> program, String camera, FrameRange all) {
    if (program.isEmpty()) {
      return all;
    }
    List<FrameRange> stretches =
        program.get().stretches(all).stream()
            .filter(s -> s.camera().equals(camera))
            .map(Program.Stretch::frames)
            .toList();
    return stretches.isEmpty()
        ? all
        : new FrameRange(stretches.get(0).in(), stretches.get(stretches.size() - 1).out());
  }

  /** Cameras of one name give files of one name: then the second gets a number. */
  private static List<WrittenFile> named(List<WrittenFile> files) {
    Set<String> taken = new HashSet<>();
    List<WrittenFile> named = new ArrayList<>();
    for (WrittenFile file : files) {
      String name = file.name();
      int dot = name.lastIndexOf('.');
      for (int i = 2; !taken.add(name.toLowerCase(Locale.ROOT)); i++) {
        name = file.name().substring(0, dot) + " " + i + file.name().substring(dot);
      }
      named.add(file.withName(name));
    }
    return named;
  }

  private static byte[] manifest(Shot shot, Wish wish, List<WrittenFile> files) {
    ObjectNode out = JsonNodeFactory.instance.objectNode();
    out.put("shot", shot.header().name()).put("rate", shot.header().rate().toString());
    out.put("profile", wish.profile());
    ArrayNode all = out.putArray("files");
    for (WrittenFile file : files) {
      ObjectNode one = all.addObject();
      one.put("name", file.name()).put("format", file.format());
      one.put("octets", file.octets().length).put("sha256", ContentHash.of(file.octets()));
      file.told().ifPresent(told -> one.put("check", told));
      ArrayNode notes = one.putArray("notes");
      file.notes().forEach(notes::add);
    }
    return JsonPlace.mapper().writerWithDefaultPrettyPrinter().writeValueAsBytes(out);
  }

  private static byte[] zipped(List<WrittenFile> files, byte[] manifest) {
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    try (ZipOutputStream zip = new ZipOutputStream(out, StandardCharsets.UTF_8)) {
      put(zip, "manifest.json", manifest);
      for (WrittenFile file : files) {
        put(zip, file.name(), file.octets());
      }
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
    return out.toByteArray();
  }

  private static void put(ZipOutputStream zip, String name, byte[] octets) throws IOException {
    ZipEntry entry = new ZipEntry(name);
    entry.setTime(0);
    zip.putNextEntry(entry);
    zip.write(octets);
    zip.closeEntry();
  }
}
