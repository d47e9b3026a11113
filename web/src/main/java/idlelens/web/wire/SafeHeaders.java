package idlelens.web.wire;

import jakarta.servlet.ServletException;
import java.io.IOException;
import java.util.Map;
import org.apache.catalina.connector.Request;
import org.apache.catalina.connector.Response;
import org.apache.catalina.valves.ValveBase;
import org.apache.coyote.ActionCode;

/** Headers that every answer has, also those that the server gives before any of our own code. */
final class SafeHeaders extends ValveBase {
  private static final String CONTENT_POLICY =
      "default-src 'none'; script-src 'self'; style-src 'self'; img-src 'self' data: blob:;"
          + " media-src blob:;"
          + " font-src 'self'; connect-src 'self'; worker-src 'self'; manifest-src 'self';"
          + " base-uri 'none'; form-action 'self'; frame-ancestors 'none'";

  private static final Map<String, String> HEADERS =
      Map.of(
          "Content-Security-Policy", CONTENT_POLICY,
          "X-Content-Type-Options", "nosniff",
          "X-Frame-Options", "DENY",
          "Referrer-Policy", "same-origin",
          "Permissions-Policy", "camera=(), microphone=(), geolocation=()",
          "Cross-Origin-Opener-Policy", "same-origin",
          "Cross-Origin-Resource-Policy", "same-origin");

  /**
   * An attribute of each request: run, it lets the connection be closed after the answer without
   * the rest of the body being waited for by a thread.
   */
  static final String DROP_BODY = "idlelens.drop-body";

  private static final String ONE_YEAR = "max-age=31536000";

  SafeHeaders() {
    super(true);
  }

  @Override
  public void invoke(Request request, Response response) throws IOException, ServletException {
    HEADERS.forEach(response::setHeader);
    if (request.isSecure()) {
      response.setHeader("Strict-Transport-Security", ONE_YEAR);
    }
    Runnable dropBody =
        () -> request.getCoyoteRequest().action(ActionCode.DISABLE_SWALLOW_INPUT, null);
    request.setAttribute(DROP_BODY, dropBody);
    getNext().invoke(request, response);
  }
}
