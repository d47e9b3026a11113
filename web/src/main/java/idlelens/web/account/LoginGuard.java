package idlelens.web.account;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import org.springframework.stereotype.Component;

/**
 * Slows guesses of passwords and then locks them out: whoever guesses from one address at one
 * account, from one address at many, or at one account from many. While it is locked, the right
 * password is refused like a wrong one; log-ins that stand are not touched.
 */
@Component
final class LoginGuard {
  /** Wrong guesses after which the next have to wait, and for how long they count. */
  private enum Rule {
    ADDRESS_AT_ACCOUNT(5),
    ADDRESS(40),
    ACCOUNT(60);

    private final int free;

    Rule(int free) {
      this.free = free;
    }
  }

  private static final Duration FIRST_WAIT = Duration.ofSeconds(2);
  private static final Duration LONGEST_WAIT = Duration.ofMinutes(15);
  private static final Duration FORGOTTEN = Duration.ofMinutes(30);
  private static final int LONGEST_NAME = 130;
  private static final int MOST_KEPT = 20_000;

  private final Clock clock;
  private final Map<String, Wrong> wrong =
      new LinkedHashMap<>(16, 0.75f, true) {
        private static final long serialVersionUID = 1L;

        @Override
        protected boolean removeEldestEntry(Map.Entry<String, Wrong> eldest) {
          return size() > MOST_KEPT;
        }
      };

  LoginGuard(Clock clock) {
    this.clock = clock;
  }

  /** Wrong guesses in a row, and until when no more are taken. */
  private record Wrong(int count, Instant last, Instant until) {}

  /** How long the next guess has to wait; empty if it is taken now. */
  synchronized Optional<Duration> wait(String name, String address) {
    Instant now = clock.instant();
    Duration longest = Duration.ZERO;
    for (Rule rule : Rule.values()) {
      Wrong known = wrong.get(key(rule, name, address));
      if (known != null && known.until().isAfter(now)) {
        Duration here = Duration.between(now, known.until());
        longest = here.compareTo(longest) > 0 ? here : longest;
      }
    }
    return longest.isZero() ? Optional.empty() : Optional.of(longest);
  }

  synchronized void failed(String name, String address) {
    Instant now = clock.instant();
    for (Rule rule : Rule.values()) {
      wrong.merge(
          key(rule, name, address),
          new Wrong(1, now, now),
          (known, first) -> again(rule, known, now));
    }
  }

  private static Wrong again(Rule rule, Wrong known, Instant now) {
    if (known.last().plus(FORGOTTEN).isBefore(now)) {
      return new Wrong(1, now, now);
    }
    int count = known.count() + 1;
    return new Wrong(count, now, now.plus(waitAfter(count - rule.free)));
  }

  /** 2 s after the first too many, and twice as long after each further one. */
  private static Duration waitAfter(int tooMany) {
    if (tooMany < 0) {
      return Duration.ZERO;
    }
    long seconds = FIRST_WAIT.toSeconds() << Math.min(tooMany, 20);
    return seconds > LONGEST_WAIT.toSeconds() ? LONGEST_WAIT : Duration.ofSeconds(seconds);
  }

  /**
   * The right password: what was guessed before at this account from here is forgiven, and one of
   * the wrong ones from here at all.
   */
  synchronized void succeeded(String name, String address) {
    wrong.remove(key(Rule.ADDRESS_AT_ACCOUNT, name, address));
    wrong.computeIfPresent(
        key(Rule.ADDRESS, name, address),
        (key, w) -> w.count() <= 1 ? null : new Wrong(w.count() - 1, w.last(), w.until()));
  }

  private static String key(Rule rule, String asked, String address) {
    // nobody has a longer name, and what is kept must not grow with what is sent
    String name = asked.length() > LONGEST_NAME ? asked.substring(0, LONGEST_NAME) : asked;
    return switch (rule) {
      case ADDRESS_AT_ACCOUNT -> "both " + address + " " + name;
      case ADDRESS -> "address " + address;
      case ACCOUNT -> "account " + name;
    };
  }
}
