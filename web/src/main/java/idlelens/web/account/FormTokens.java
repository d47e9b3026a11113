package idlelens.web.account;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import org.springframework.security.web.csrf.CookieCsrfTokenRepository;
import org.springframework.security.web.csrf.CsrfToken;
import org.springframework.security.web.csrf.CsrfTokenRepository;
import org.springframework.security.web.csrf.HttpSessionCsrfTokenRepository;

/**
 * The token that proves that a form is ours: kept with the log-in where there is one, and in a
 * cookie before, so that whoever only looks at the log-in page makes no session.
 */
final class FormTokens implements CsrfTokenRepository {
  private final CsrfTokenRepository inSession = new HttpSessionCsrfTokenRepository();
  private final CsrfTokenRepository inCookie;

  FormTokens() {
    CookieCsrfTokenRepository cookie = new CookieCsrfTokenRepository();
    cookie.setCookieName("IDLELENSFORM");
    cookie.setCookieCustomizer(c -> c.httpOnly(true).sameSite("Strict"));
    cookie.setHeaderName("X-CSRF-TOKEN"); // the same name in both, for the pages
    this.inCookie = cookie;
  }

  private CsrfTokenRepository of(HttpServletRequest request) {
    return request.getSession(false) == null ? inCookie : inSession;
  }

  @Override
  public CsrfToken generateToken(HttpServletRequest request) {
    return of(request).generateToken(request);
  }

  @Override
  public void saveToken(CsrfToken token, HttpServletRequest request, HttpServletResponse response) {
    of(request).saveToken(token, request, response);
  }

  @Override
  public CsrfToken loadToken(HttpServletRequest request) {
    return of(request).loadToken(request);
  }
}
