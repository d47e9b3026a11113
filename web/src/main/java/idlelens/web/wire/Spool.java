package idlelens.web.wire;

import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.nio.file.Files;
import java.nio.file.Path;

/** Octets that arrive: in memory while they are few, in a file of their own beyond that. */
final class Spool implements AutoCloseable {
  static final int MOST_IN_MEMORY = 1 << 20;

  private final ByteArrayOutputStream memory = new ByteArrayOutputStream(1024);
  private Path file;
  private OutputStream toFile;
  private long length;

  void write(byte[] from, int count) throws IOException {
    length += count;
    if (toFile == null && memory.size() + count > MOST_IN_MEMORY) {
      file = Files.createTempFile("idle-lens", ".body");
      toFile = Files.newOutputStream(file);
      memory.writeTo(toFile);
      memory.reset();
    }
    if (toFile != null) {
      toFile.write(from, 0, count);
    } else {
      memory.write(from, 0, count);
    }
  }

  long length() {
    return length;
  }

  /** From the first octet on; no more are written after this. */
  InputStream read() throws IOException {
    if (toFile == null) {
      return new ByteArrayInputStream(memory.toByteArray());
    }
    toFile.close();
    return Files.newInputStream(file);
  }

  @Override
  public void close() throws IOException {
    if (toFile != null) {
      toFile.close();
      Files.deleteIfExists(file);
    }
  }
}
