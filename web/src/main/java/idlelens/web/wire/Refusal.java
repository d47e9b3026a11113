package idlelens.web.wire;

import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;

/** What is refused before anybody looks at it, as a problem. */
enum Refusal {
  HOST(421, "Not here", "This service does not answer to that name; see IDLE_LENS_HOSTS"),
  TOO_LARGE(413, "Too large", "The body is too large; allowed here: at most %d bytes"),
  TOO_MANY(
      429, "Too many at once", "Too many bodies are on their way from this address; try again"),
  TOO_SLOW(408, "Too slow", "The body did not arrive in time; nothing of it was done");

  private final int status;
  private final String title;
  private final String detail;

  Refusal(int status, String title, String detail) {
    this.status = status;
    this.title = title;
    this.detail = detail;
  }

  void write(HttpServletResponse response, Object... values) {
    response.setStatus(status);
    response.setHeader("Connection", "close");
    response.setContentType("application/problem+json");
    String text =
        "{\"status\":"
            + status
            + ",\"title\":\""
            + title
            + "\",\"detail\":\""
            + detail.formatted(values)
            + "\"}";
    try {
      response.getOutputStream().write(text.getBytes(StandardCharsets.UTF_8));
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }
}
