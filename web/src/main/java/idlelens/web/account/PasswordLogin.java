package idlelens.web.account;

import java.time.Duration;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.Semaphore;
import java.util.concurrent.TimeUnit;
import org.springframework.security.authentication.AuthenticationProvider;
import org.springframework.security.authentication.BadCredentialsException;
import org.springframework.security.authentication.UsernamePasswordAuthenticationToken;
import org.springframework.security.core.Authentication;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.security.web.authentication.WebAuthenticationDetails;
import org.springframework.stereotype.Component;

/** Logs in by name and password. Only one core at a time is busy with hashes of passwords. */
@Component
final class PasswordLogin implements AuthenticationProvider {
  private static final Duration QUEUE = Duration.ofSeconds(2);
  private static final int MOST_PASSWORD = 200;

  /** Threads of the server that may wait for a hash; all others are for those who are known. */
  private static final int MOST_WAITING = 10;

  private final AccountRepository accounts;
  private final PasswordEncoder encoder;
  private final LoginGuard guard;
  private final RememberedPasswords remembered;
  private final Semaphore hashing =
      new Semaphore(Math.max(1, Runtime.getRuntime().availableProcessors() / 2));
  private final String hashOfNobody;

  PasswordLogin(
      AccountRepository accounts,
      PasswordEncoder encoder,
      LoginGuard guard,
      RememberedPasswords remembered) {
    this.accounts = accounts;
    this.encoder = encoder;
    this.guard = guard;
    this.remembered = remembered;
    this.hashOfNobody = encoder.encode("nobody");
  }

  @Override
  public Authentication authenticate(Authentication asked) {
    String name = asked.getName();
    String password = String.valueOf(asked.getCredentials());
    String address = address(asked);
    Optional<Duration> wait = guard.wait(name, address);
    if (wait.isPresent()) {
      throw new TooManyGuessesException(wait.get());
    }
    Optional<AccountUser> account = accounts.find(name);
    if (!isRight(account, password)) {
      guard.failed(name, address);
      throw new BadCredentialsException("That name and password do not go together");
    }
    guard.succeeded(name, address);
    return token(account.orElseThrow());
  }

  private static Authentication token(AccountUser account) {
    return UsernamePasswordAuthenticationToken.authenticated(account, null, List.of());
  }

  private static String address(Authentication asked) {
    return asked.getDetails() instanceof WebAuthenticationDetails details
        ? details.getRemoteAddress()
        : "";
  }

  private boolean isRight(Optional<AccountUser> account, String password) {
    if (password.length() > MOST_PASSWORD) {
      return false;
    }
    if (account.filter(a -> remembered.knows(a, password)).isPresent()) {
      return true;
    }
    // an account that is not there takes as long as one that is
    String hash = account.map(AccountUser::passwordHash).orElse(hashOfNobody);
    boolean right = matches(password, hash) && account.isPresent();
    if (right) {
      remembered.remember(account.get(), password);
    }
    return right;
  }

  private boolean matches(String password, String hash) {
    try {
      if (hashing.getQueueLength() >= MOST_WAITING
          || !hashing.tryAcquire(QUEUE.toMillis(), TimeUnit.MILLISECONDS)) {
        throw new TooManyGuessesException(QUEUE);
      }
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
      throw new TooManyGuessesException(QUEUE);
    }
    try {
      return encoder.matches(password, hash);
    } finally {
      hashing.release();
    }
  }

  @Override
  public boolean supports(Class<?> type) {
    return UsernamePasswordAuthenticationToken.class.isAssignableFrom(type);
  }
}
