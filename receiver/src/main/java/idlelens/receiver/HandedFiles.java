package idlelens.receiver;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Collections;
import java.util.Locale;
import java.util.Optional;
import java.util.TreeMap;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import java.util.zip.ZipEntry;
import java.util.zip.ZipFile;

/** The files of a hand-off by name: of a zip, a folder, or one file alone. */
final class HandedFiles {
  private static final long MOST_BYTES = 1L << 30;
  private static final int MOST_FILES = 5000;

  /** What JSON takes in a text only by its number. */
  private static final Pattern UNSAFE = Pattern.compile("[\"\\\\\\p{Cntrl}]");

  private final TreeMap<String, byte[]> files = new TreeMap<>();
  private long bytes;

  private HandedFiles() {}

  /**
   * @throws IOException if it cannot be read, or holds more than a hand-off does
   */
  static HandedFiles of(Path handedOff) throws IOException {
    HandedFiles all = new HandedFiles();
    if (Files.isDirectory(handedOff)) {
      all.addFolder(handedOff);
    } else if (handedOff.toString().toLowerCase(Locale.ROOT).endsWith(".zip")) {
      all.addZip(handedOff);
    } else {
      all.addFile(handedOff.getFileName().toString(), handedOff);
    }
    return all;
  }

  private void addFolder(Path folder) throws IOException {
    try (Stream<Path> paths = Files.walk(folder)) {
      for (Path file : (Iterable<Path>) paths.filter(Files::isRegularFile)::iterator) {
        addFile(folder.relativize(file).toString().replace('\\', '/'), file);
      }
    } catch (UncheckedIOException e) {
      throw e.getCause();
    }
  }

  private void addFile(String name, Path file) throws IOException {
    try (InputStream in = Files.newInputStream(file)) {
      add(name, in);
    }
  }

  private void addZip(Path file) throws IOException {
    try (ZipFile zip = new ZipFile(file.toFile(), StandardCharsets.UTF_8)) {
      for (ZipEntry entry : Collections.list(zip.entries())) {
        if (!entry.isDirectory()) {
          add(entry.getName(), zip.getInputStream(entry));
        }
      }
    }
  }

  /** Reads one octet more than is allowed at most. */
  private void add(String name, InputStream in) throws IOException {
    byte[] octets = in.readNBytes((int) (MOST_BYTES - bytes + 1));
    bytes += octets.length;
    if (bytes > MOST_BYTES || files.size() >= MOST_FILES) {
      throw new IOException(
          name + " is one too many; allowed: " + MOST_FILES + " files of 1 GB together");
    }
    files.put(name, octets);
  }

  Optional<byte[]> find(String name) {
    return Optional.ofNullable(files.get(name));
  }

  /** Their names as a list of JSON. */
  String names() {
    return files.keySet().stream()
        .map(name -> '"' + safe(name) + '"')
        .collect(Collectors.joining(",", "[", "]"));
  }

  private static String safe(String name) {
    return UNSAFE
        .matcher(name)
        .replaceAll(at -> String.format("\\\\u%04x", (int) at.group().charAt(0)));
  }
}
