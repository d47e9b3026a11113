package idlelens.receiver;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Optional;
import java.util.TreeMap;
import java.util.stream.Stream;
import java.util.zip.ZipEntry;
import java.util.zip.ZipInputStream;

/** The files of a hand-off by name: of a zip, a folder, or one file alone. */
final class HandedFiles {
  private static final long MOST_BYTES = 1L << 30;
  private static final int MOST_FILES = 5000;

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
    } else if (handedOff.toString().toLowerCase().endsWith(".zip")) {
      try (InputStream in = Files.newInputStream(handedOff)) {
        all.addZip(in);
      }
    } else {
      all.add(handedOff.getFileName().toString(), Files.readAllBytes(handedOff));
    }
    return all;
  }

  private void addFolder(Path folder) throws IOException {
    try (Stream<Path> paths = Files.walk(folder)) {
      for (Path file : paths.filter(Files::isRegularFile).toList()) {
        String name = folder.relativize(file).toString().replace('\\', '/');
        add(name, Files.readAllBytes(file));
      }
    } catch (UncheckedIOException e) {
      throw e.getCause();
    }
  }

  private void addZip(InputStream in) throws IOException {
    try (ZipInputStream zip = new ZipInputStream(in, StandardCharsets.UTF_8)) {
      for (ZipEntry entry = zip.getNextEntry(); entry != null; entry = zip.getNextEntry()) {
        byte[] octets = zip.readNBytes((int) Math.min(Integer.MAX_VALUE, MOST_BYTES - bytes + 1));
        add(entry.getName(), octets);
      }
    }
  }

  private void add(String name, byte[] octets) throws IOException {
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
    StringBuilder out = new StringBuilder("[");
    for (String name : files.keySet()) {
      String safe = name.replace("\\", "\\\\").replace("\"", "\\\"");
      out.append(out.length() > 1 ? "," : "").append('"').append(safe).append('"');
    }
    return out.append("]").toString();
  }
}
