package idlelens.web.health;

import static org.assertj.core.api.Assertions.assertThat;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.when;

import idlelens.web.database.DatabaseState;
import java.time.Instant;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.boot.availability.ApplicationAvailability;
import org.springframework.boot.availability.ReadinessState;
import org.springframework.http.ResponseEntity;

/** What is told of application and database, in each state that they can be in. */
class HealthControllerTest {
  private final Heartbeat heartbeat = mock(Heartbeat.class);
  private final ApplicationAvailability availability = mock(ApplicationAvailability.class);
  private DatabaseState database = state(DatabaseState.State.UP, false);
  private final HealthController controller =
      new HealthController(() -> database, heartbeat, availability);

  private static DatabaseState state(DatabaseState.State state, boolean diskFull) {
    return new DatabaseState(state, Instant.EPOCH, 0, "", diskFull);
  }

  @BeforeEach
  void allIsWell() {
    when(heartbeat.answers()).thenReturn(true);
    when(availability.getReadinessState()).thenReturn(ReadinessState.ACCEPTING_TRAFFIC);
  }

  private void expect(int status, String word) {
    ResponseEntity<HealthController.Health> answer = controller.health();
    assertThat(answer.getStatusCode().value()).isEqualTo(status);
    assertThat(answer.getBody().status()).isEqualTo(word);
    assertThat(answer.getBody().detail().isEmpty()).isEqualTo(status == 200);
  }

  @Test
  void up_onlyOnceAllIsPrepared() {
    expect(200, "up");
    when(availability.getReadinessState()).thenReturn(ReadinessState.REFUSING_TRAFFIC);
    expect(503, "starting"); // the demo account may not be there yet
  }

  @Test
  void databaseGoneStartingOrFull_isTrouble() {
    database = state(DatabaseState.State.UP, true);
    expect(503, "trouble");
    database = state(DatabaseState.State.STARTING, false);
    expect(503, "trouble");
    database = state(DatabaseState.State.UP, false);
    when(heartbeat.answers()).thenReturn(false);
    expect(503, "trouble");
  }
}
