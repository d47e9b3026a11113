package idlelens.web.account;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import jakarta.servlet.http.HttpSession;
import java.io.IOException;
import org.springframework.security.core.Authentication;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.web.filter.OncePerRequestFilter;

/** Ends log-ins whose account is gone or has another password by now. */
final class StandingLogin extends OncePerRequestFilter {
  private final AccountRepository accounts;

  StandingLogin(AccountRepository accounts) {
    this.accounts = accounts;
  }

  @Override
  protected boolean shouldNotFilter(HttpServletRequest request) {
    return PublicPaths.isFile(request);
  }

  @Override
  protected void doFilterInternal(
      HttpServletRequest request, HttpServletResponse response, FilterChain chain)
      throws ServletException, IOException {
    HttpSession session = request.getSession(false);
    Authentication who = SecurityContextHolder.getContext().getAuthentication();
    boolean over =
        session != null
            && who != null
            && who.getPrincipal() instanceof AccountUser user
            && !accounts.isCurrent(user);
    if (over) {
      session.invalidate();
      SecurityContextHolder.clearContext();
    }
    chain.doFilter(request, response);
  }
}
