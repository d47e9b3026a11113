package idlelens.web.access;

import idlelens.core.rule.RefusedException;
import java.util.Arrays;
import java.util.Locale;

/** What a member of a production may do; each may also do what those before it may. */
public enum Role {
  /** Reads, and takes files out. */
  VIEWER,
  /** Makes and changes shots. */
  ARTIST,
  /** Deletes shots, and says who belongs to the production. */
  OWNER;

  /** As it is stored and sent. */
  public String word() {
    return name().toLowerCase(Locale.ROOT);
  }

  /** With its article. */
  String words() {
    return (this == VIEWER ? "a " : "an ") + word();
  }

  public boolean includes(Role asked) {
    return compareTo(asked) >= 0;
  }

  /** The role of that word. */
  public static Role of(String word) {
    return Arrays.stream(values())
        .filter(r -> r.word().equals(word))
        .findFirst()
        .orElseThrow(
            () -> new RefusedException("role", "'" + word + "'", "viewer, artist or owner"));
  }
}
