package idlelens.web.wire;

import jakarta.servlet.http.HttpServletRequest;
import java.util.Arrays;
import java.util.regex.Pattern;

/** How long a body may be, by where it goes to: most calls carry a name and a number. */
enum BodyLimits {
  EDITS("/api/shots/\\d+/edits", 16L << 20),
  BEATS("/api/shots/\\d+/beats", 1L << 20),
  PICTURE("/api/shots/\\d+/picture", 400_000),
  FILES("/api/productions/\\d+/imports(/preview)?", 80L << 20),
  PICTURES("/api/shots/\\d+/pictures", 80L << 20),
  RECORDINGS("/api/productions/\\d+/recordings/[^/]+", 16L << 20),
  NAMES("/api/play-order", 1L << 20),
  OTHER(".*", 64L << 10);

  /** What somebody who shows neither a session nor a password may send. */
  private static final long MOST_OF_STRANGERS = FormFields.MOST_BYTES;

  private final Pattern path;
  private final long mostBytes;

  BodyLimits(String path, long mostBytes) {
    this.path = Pattern.compile(path);
    this.mostBytes = mostBytes;
  }

  static long mostBytes(HttpServletRequest request) {
    boolean stranger =
        request.getHeader("Authorization") == null && request.getSession(false) == null;
    long most =
        Arrays.stream(values())
            .filter(l -> l.path.matcher(request.getRequestURI()).matches())
            .findFirst()
            .orElseThrow()
            .mostBytes;
    return stranger ? Math.min(most, MOST_OF_STRANGERS) : most;
  }
}
