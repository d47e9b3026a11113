package idlelens.web.handoff;

import java.util.List;
import java.util.Optional;

/**
 * A file as it goes out.
 *
 * @param format short name of its format
 * @param profile for whom, if for anybody
 * @param told what came of its check, in a sentence, if it was checked
 */
public record WrittenFile(
    String name,
    String format,
    String mediaType,
    byte[] octets,
    List<String> notes,
    Optional<String> profile,
    Optional<String> told) {
  WrittenFile withName(String newName) {
    return new WrittenFile(newName, format, mediaType, octets, notes, profile, told);
  }
}
