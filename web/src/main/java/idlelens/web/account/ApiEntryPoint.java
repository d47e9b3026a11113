package idlelens.web.account;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import org.springframework.security.core.AuthenticationException;
import org.springframework.security.web.AuthenticationEntryPoint;

/**
 * Tells a caller of the API that log-in is missing or refused, as a problem. It does not ask
 * browsers for a password, since a browser would then send it with every request, also forged ones.
 */
final class ApiEntryPoint implements AuthenticationEntryPoint {
  @Override
  public void commence(
      HttpServletRequest request, HttpServletResponse response, AuthenticationException e)
      throws IOException {
    if (e instanceof TooManyGuessesException guesses) {
      response.setHeader("Retry-After", Long.toString(guesses.seconds()));
      write(response, 429, "Too many guesses", guesses.getMessage());
    } else {
      write(
          response,
          401,
          "Log-in needed",
          "Log in on the page, or send HTTP Basic with name and password");
    }
  }

  private static void write(HttpServletResponse response, int status, String title, String detail)
      throws IOException {
    response.setStatus(status);
    response.setContentType("application/problem+json");
    response
        .getWriter()
        .write(
            "{\"status\":%d,\"title\":\"%s\",\"detail\":\"%s\"}".formatted(status, title, detail));
  }
}
