package idlelens.web.account;

import jakarta.servlet.http.HttpServletRequest;
import java.util.List;

/** What is given to everybody. */
final class PublicPaths {
  /** Files that ship with the application. */
  static final List<String> FILES =
      List.of("/css/**", "/js/**", "/fonts/**", "/vendor/**", "/webjars/**", "/favicon.svg");

  /** The log-in page, what says whether the service is well, and what says what went wrong. */
  static final List<String> PAGES = List.of("/login", "/api/health", "/error");

  private PublicPaths() {}

  static boolean isFile(HttpServletRequest request) {
    String path = request.getRequestURI();
    return FILES.stream().anyMatch(f -> path.startsWith(f.replace("**", "")));
  }
}
