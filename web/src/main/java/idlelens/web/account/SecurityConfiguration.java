package idlelens.web.account;

import jakarta.servlet.http.HttpServletRequest;
import java.time.Clock;
import java.util.Map;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.http.HttpHeaders;
import org.springframework.security.config.Customizer;
import org.springframework.security.config.annotation.web.builders.HttpSecurity;
import org.springframework.security.core.userdetails.UserDetailsService;
import org.springframework.security.core.userdetails.UsernameNotFoundException;
import org.springframework.security.crypto.bcrypt.BCryptPasswordEncoder;
import org.springframework.security.crypto.password.DelegatingPasswordEncoder;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.security.web.SecurityFilterChain;
import org.springframework.security.web.header.writers.ReferrerPolicyHeaderWriter.ReferrerPolicy;
import org.springframework.security.web.util.matcher.RequestMatcher;

/** Log-in for pages, log-in or HTTP Basic for the API, and strict headers for all. */
@Configuration
class SecurityConfiguration {
  private static final String CONTENT_POLICY =
      "default-src 'none'; script-src 'self'; style-src 'self'; img-src 'self' data: blob:;"
          + " font-src 'self'; connect-src 'self'; worker-src 'self'; manifest-src 'self';"
          + " base-uri 'none'; form-action 'self'; frame-ancestors 'none'";

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
  UserDetailsService accounts(AccountRepository accounts) {
    return name ->
        accounts.find(name).orElseThrow(() -> new UsernameNotFoundException("no such account"));
  }

  @Bean
  SecurityFilterChain security(HttpSecurity http) throws Exception {
    RequestMatcher api = request -> request.getRequestURI().startsWith("/api/");
    http.authorizeHttpRequests(
        requests ->
            requests
                .requestMatchers(
                    "/login",
                    "/api/health",
                    "/css/**",
                    "/js/**",
                    "/fonts/**",
                    "/vendor/**",
                    "/webjars/**",
                    "/favicon.svg",
                    "/error")
                .permitAll()
                .anyRequest()
                .authenticated());
    http.formLogin(
        login ->
            login.loginPage("/login").defaultSuccessUrl("/", false).failureUrl("/login?error"));
    http.logout(logout -> logout.logoutSuccessUrl("/login?out"));
    http.httpBasic(basic -> basic.authenticationEntryPoint(new ApiEntryPoint()));
    http.csrf(csrf -> csrf.ignoringRequestMatchers(SecurityConfiguration::isBasic));
    http.exceptionHandling(
        errors -> errors.defaultAuthenticationEntryPointFor(new ApiEntryPoint(), api));
    http.headers(
        headers ->
            headers
                .contentSecurityPolicy(policy -> policy.policyDirectives(CONTENT_POLICY))
                .referrerPolicy(policy -> policy.policy(ReferrerPolicy.SAME_ORIGIN))
                .permissionsPolicyHeader(
                    policy -> policy.policy("camera=(), microphone=(), geolocation=()"))
                .contentTypeOptions(Customizer.withDefaults())
                .frameOptions(frame -> frame.deny()));
    return http.build();
  }

  /** A request that proves itself by its own header cannot be forged by another site. */
  private static boolean isBasic(HttpServletRequest request) {
    String header = request.getHeader(HttpHeaders.AUTHORIZATION);
    return header != null && header.regionMatches(true, 0, "Basic ", 0, 6);
  }
}
