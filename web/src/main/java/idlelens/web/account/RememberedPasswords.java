package idlelens.web.account;

import java.nio.charset.StandardCharsets;
import java.security.GeneralSecurityException;
import java.security.MessageDigest;
import java.security.SecureRandom;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import javax.crypto.Mac;
import javax.crypto.spec.SecretKeySpec;
import org.springframework.stereotype.Component;

/**
 * Passwords that were found right a while ago, so that a script which sends its password with every
 * call has it checked once. Kept in memory only, as HMAC-SHA-256 under a key that ends with the
 * process, and bound to the stored hash: another password ends it at once.
 */
@Component
final class RememberedPasswords {
  private static final String ALGORITHM = "HmacSHA256";
  private static final Duration KEPT = Duration.ofMinutes(5);
  private static final int MOST = 10_000;

  private final byte[] key = new byte[32];
  private final Clock clock;
  private final Map<Long, Known> known = new ConcurrentHashMap<>();

  RememberedPasswords(Clock clock) {
    this.clock = clock;
    new SecureRandom().nextBytes(key);
  }

  private record Known(byte[] mark, Instant until) {}

  boolean knows(AccountUser account, String password) {
    Known found = known.get(account.id());
    return found != null
        && found.until().isAfter(clock.instant())
        && MessageDigest.isEqual(found.mark(), mark(account, password));
  }

  void remember(AccountUser account, String password) {
    if (known.size() >= MOST) {
      known.clear();
    }
    known.put(account.id(), new Known(mark(account, password), clock.instant().plus(KEPT)));
  }

  private byte[] mark(AccountUser account, String password) {
    try {
      Mac mac = Mac.getInstance(ALGORITHM);
      mac.init(new SecretKeySpec(key, ALGORITHM));
      mac.update(account.passwordHash().getBytes(StandardCharsets.UTF_8));
      return mac.doFinal(password.getBytes(StandardCharsets.UTF_8));
    } catch (GeneralSecurityException e) {
      throw new IllegalStateException("Every Java has " + ALGORITHM, e);
    }
  }
}
