package idlelens.web.request;

import idlelens.core.rule.RefusedException;
import jakarta.servlet.http.HttpServletRequest;
import java.util.regex.Pattern;

/**
 * The id that a caller gives a change. Sent again with the same id, the change is not made again:
 * the answer is that of the first time.
 *
 * @param text 8 to 64 letters, digits and dashes; null if the caller gave none
 */
public record RequestId(String text) {
  /** The header that holds it. */
  public static final String HEADER = "Idle-Lens-Request";

  private static final Pattern ALLOWED = Pattern.compile("[A-Za-z0-9-]{8,64}");

  public RequestId {
    if (text != null && !ALLOWED.matcher(text).matches()) {
      throw new RefusedException(
          HEADER,
          "'" + text + "'",
          "8 to 64 letters, digits and dashes, a new one for each change");
    }
  }

  public static RequestId of(HttpServletRequest request) {
    return new RequestId(request.getHeader(HEADER));
  }

  public boolean isGiven() {
    return text != null;
  }
}
