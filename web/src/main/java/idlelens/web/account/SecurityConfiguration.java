package idlelens.web.account;

import jakarta.servlet.http.HttpServletRequest;
import java.time.Clock;
import java.util.Map;
import java.util.Set;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.http.HttpHeaders;
import org.springframework.security.config.annotation.web.builders.HttpSecurity;
import org.springframework.security.crypto.bcrypt.BCryptPasswordEncoder;
import org.springframework.security.crypto.password.DelegatingPasswordEncoder;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.security.web.SecurityFilterChain;
import org.springframework.security.web.authentication.AuthenticationFailureHandler;
import org.springframework.security.web.authentication.www.BasicAuthenticationFilter;
import org.springframework.security.web.savedrequest.CookieRequestCache;
import org.springframework.security.web.util.matcher.RequestMatcher;

/** Log-in for pages, log-in or HTTP Basic for the API. */
@Configuration
class SecurityConfiguration {
  private static final Set<String> READS = Set.of("GET", "HEAD", "OPTIONS", "TRACE");

  @Bean
  Clock clock() {
    return Clock.systemUTC();
  }

  @Bean
  PasswordEncoder passwordEncoder(@Value("${idle-lens.password-rounds}") int rounds) {
    return new DelegatingPasswordEncoder(
        "bcrypt", Map.of("bcrypt", new BCryptPasswordEncoder(rounds)));
  }

  @Bean
  SecurityFilterChain security(HttpSecurity http, PasswordLogin login, AccountRepository accounts)
      throws Exception {
    RequestMatcher api = request -> request.getRequestURI().startsWith("/api/");
    http.authenticationProvider(login);
    http.authorizeHttpRequests(
        requests ->
            requests
                .requestMatchers(PublicPaths.FILES.toArray(String[]::new))
                .permitAll()
                .requestMatchers(PublicPaths.PAGES.toArray(String[]::new))
                .permitAll()
                .anyRequest()
                .authenticated());
    http.formLogin(
        form -> form.loginPage("/login").defaultSuccessUrl("/", false).failureHandler(failed()));
    http.logout(logout -> logout.logoutSuccessUrl("/login?out"));
    http.httpBasic(basic -> basic.authenticationEntryPoint(new ApiEntryPoint()));
    http.csrf(
        csrf ->
            csrf.requireCsrfProtectionMatcher(SecurityConfiguration::canBeForged)
                .csrfTokenRepository(new FormTokens()));
    http.requestCache(cache -> cache.requestCache(pages()));
    http.exceptionHandling(
        errors -> errors.defaultAuthenticationEntryPointFor(new ApiEntryPoint(), api));
    http.addFilterBefore(new StandingLogin(accounts), BasicAuthenticationFilter.class);
    http.headers(headers -> headers.defaultsDisabled().cacheControl(cache -> {}));
    return http.build();
  }

  /** Remembers the page that somebody wanted before the log-in; in a cookie, not in a session. */
  private static CookieRequestCache pages() {
    CookieRequestCache cache = new CookieRequestCache();
    cache.setRequestMatcher(
        request ->
            request.getMethod().equals("GET") && request.getRequestURI().startsWith("/shots/"));
    return cache;
  }

  private static AuthenticationFailureHandler failed() {
    return (request, response, e) ->
        response.sendRedirect(
            e instanceof TooManyGuessesException guesses
                ? "/login?wait=" + guesses.seconds()
                : "/login?error");
  }

  /**
   * Whether another site could make a browser send this in somebody's name: it changes something,
   * and what proves it is sent along by the browser itself. Log-in, too, since it says who one is.
   */
  private static boolean canBeForged(HttpServletRequest request) {
    String header = request.getHeader(HttpHeaders.AUTHORIZATION);
    boolean basic = header != null && header.regionMatches(true, 0, "Basic ", 0, 6);
    boolean known = request.getSession(false) != null || request.getRequestURI().equals("/login");
    return !READS.contains(request.getMethod()) && known && !basic;
  }
}
