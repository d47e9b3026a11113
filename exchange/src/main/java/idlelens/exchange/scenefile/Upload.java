package idlelens.exchange.scenefile;

import java.util.Map;

/**
 * What was sent.
 *
 * @param name of the file that counts
 * @param octets of it
 * @param beside what was sent along, by plain name; nothing else is ever opened
 */
public record Upload(String name, byte[] octets, Map<String, byte[]> beside) {
  /** A file alone. */
  public static Upload of(String name, byte[] octets) {
    return new Upload(name, octets, Map.of());
  }
}
