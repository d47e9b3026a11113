package idlelens.web.account;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import org.springframework.security.core.AuthenticationException;
import org.springframework.security.web.AuthenticationEntryPoint;

/**
 * Tells a caller of the API that log-in is missing, as a problem. It does not ask browsers for a
 * password, since a browser would then send it with every request, also forged ones.
 */
final class ApiEntryPoint implements AuthenticationEntryPoint {
  @Override
  public void commence(
      HttpServletRequest request, HttpServletResponse response, AuthenticationException e)
      throws IOException {
    response.setStatus(401);
    response.setContentType("application/problem+json");
    response
        .getWriter()
        .write(
            "{\"status\":401,\"title\":\"Log-in needed\",\"detail\":\"Log in on the page, or send"
                + " HTTP Basic with name and password\"}");
  }
}
