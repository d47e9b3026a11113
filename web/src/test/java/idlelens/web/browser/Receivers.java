package idlelens.web.browser;

import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.zip.ZipEntry;
import java.util.zip.ZipInputStream;

/** What a test does with a hand-off on its way to a receiver. */
final class Receivers {
  private Receivers() {}

  static void unzip(Path zip, Path folder) throws IOException {
    try (InputStream in = Files.newInputStream(zip);
        ZipInputStream entries = new ZipInputStream(in)) {
      for (ZipEntry entry = entries.getNextEntry(); entry != null; entry = entries.getNextEntry()) {
        Path file = folder.resolve(entry.getName());
        Files.createDirectories(file.getParent());
        Files.write(file, entries.readAllBytes());
      }
    }
  }
}
