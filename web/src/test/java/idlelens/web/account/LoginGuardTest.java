package idlelens.web.account;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.time.ZoneOffset;
import org.junit.jupiter.api.Test;

class LoginGuardTest {
  private static final String HERE = "10.0.0.7";

  private Instant now = Instant.parse("2030-01-01T08:00:00Z");
  private final LoginGuard guard =
      new LoginGuard(
          new Clock() {
            @Override
            public ZoneOffset getZone() {
              return ZoneOffset.UTC;
            }

            @Override
            public Clock withZone(ZoneId zone) {
              return this;
            }

            @Override
            public Instant instant() {
              return now;
            }
          });

  private void fail(int times, String name, String address) {
    for (int i = 0; i < times; i++) {
      guard.failed(name, address);
    }
  }

  @Test
  void fewWrongOnes_areForgiven_thenEachDoublesTheWait() {
    fail(4, "keeper", HERE);
    assertThat(guard.wait("keeper", HERE)).isEmpty();
    fail(1, "keeper", HERE);
    assertThat(guard.wait("keeper", HERE)).contains(Duration.ofSeconds(2));
    now = now.plusSeconds(2);
    assertThat(guard.wait("keeper", HERE)).isEmpty();
    fail(1, "keeper", HERE);
    assertThat(guard.wait("keeper", HERE)).contains(Duration.ofSeconds(4));
    fail(20, "keeper", HERE);
    assertThat(guard.wait("keeper", HERE)).contains(Duration.ofMinutes(15));
  }

  @Test
  void aGuesserElsewhere_doesNotLockTheOwnerOut_unlessManyDo() {
    fail(30, "keeper", "10.9.9.9");
    assertThat(guard.wait("keeper", "10.9.9.9")).isPresent();
    assertThat(guard.wait("keeper", HERE)).isEmpty();
    for (int i = 0; i < 31; i++) {
      fail(1, "keeper", "10.8.8." + i);
    }
    assertThat(guard.wait("keeper", HERE)).isPresent();
  }

  @Test
  void oneAddressAtManyAccounts_isSlowedToo() {
    for (int i = 0; i < 41; i++) {
      fail(1, "account " + i, HERE);
    }
    assertThat(guard.wait("yet another", HERE)).isPresent();
    assertThat(guard.wait("yet another", "10.0.0.8")).isEmpty();
  }

  @Test
  void rightPassword_startsAnew_andSoDoesHalfAnHour() {
    fail(4, "keeper", HERE);
    guard.succeeded("keeper", HERE);
    fail(4, "keeper", HERE);
    assertThat(guard.wait("keeper", HERE)).isEmpty();
    now = now.plus(Duration.ofMinutes(31));
    fail(4, "keeper", HERE);
    assertThat(guard.wait("keeper", HERE)).isEmpty();
  }

  @Test
  void nameWithoutEnd_isNotKeptAsItIs() {
    String endless = "k".repeat(16_000);
    fail(6, endless + "1", HERE);
    assertThat(guard.wait(endless + "2", HERE)).isPresent(); // the same from what is kept of it
  }
}
