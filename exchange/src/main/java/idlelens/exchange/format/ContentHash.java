package idlelens.exchange.format;

import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.HexFormat;

/** The name under which octets are stored. */
public final class ContentHash {
  private ContentHash() {}

  /** Their SHA-256 in hexadecimal. */
  public static String of(byte[] octets) {
    try {
      return HexFormat.of().formatHex(MessageDigest.getInstance("SHA-256").digest(octets));
    } catch (NoSuchAlgorithmException e) {
      throw new IllegalStateException("every Java has SHA-256", e);
    }
  }
}
