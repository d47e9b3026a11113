package idlelens.web.account;

import java.time.Duration;
import org.springframework.security.core.AuthenticationException;

/** Too many wrong passwords; the next one is not even looked at. */
final class TooManyGuessesException extends AuthenticationException {
  private static final long serialVersionUID = 1L;

  private final Duration wait;

  TooManyGuessesException(Duration wait) {
    super("Too many wrong passwords. Try again in " + words(wait));
    this.wait = wait;
  }

  private static String words(Duration wait) {
    long seconds = wait.toSeconds() + 1;
    return seconds < 90 ? seconds + " s" : (seconds + 59) / 60 + " min";
  }

  long seconds() {
    return wait.toSeconds() + 1;
  }
}
