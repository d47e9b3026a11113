package idlelens.web.health;

import idlelens.web.access.Needs;
import idlelens.web.access.Right;
import idlelens.web.database.DatabaseState;
import idlelens.web.database.DatabaseWatch;
import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import java.time.Instant;
import org.springframework.boot.availability.ApplicationAvailability;
import org.springframework.boot.availability.ReadinessState;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RestController;

/** Says how application and database are. */
@RestController
@Tag(name = "Health")
class HealthController {
  private final DatabaseWatch watch;
  private final Heartbeat heartbeat;
  private final ApplicationAvailability availability;

  HealthController(DatabaseWatch watch, Heartbeat heartbeat, ApplicationAvailability availability) {
    this.watch = watch;
    this.heartbeat = heartbeat;
    this.availability = availability;
  }

  /**
   * How all is.
   *
   * @param status up, starting, or trouble
   * @param detail a sentence, unless it is up
   */
  record Health(String status, String detail, Database database) {}

  /** How the database is. */
  record Database(String state, Instant since, int tries, boolean diskFull) {}

  @GetMapping("/api/health")
  @Needs(Right.ANYONE)
  @Operation(
      summary = "Answers 200 while application and database do, else 503 with what is wrong",
      description = "Asks nobody: what it tells was found out by itself within the last second.")
  ResponseEntity<Health> health() {
    DatabaseState state = watch.state();
    boolean answers = state.state() == DatabaseState.State.UP && heartbeat.answers();
    String word = answers ? "up" : "down";
    Database database =
        new Database(
            state.state() == DatabaseState.State.STARTING ? "starting" : word,
            state.since(),
            state.tries(),
            state.diskFull());
    if (!answers || state.diskFull()) {
      return ResponseEntity.status(503).body(new Health("trouble", state.words(), database));
    }
    if (availability.getReadinessState() != ReadinessState.ACCEPTING_TRAFFIC) {
      return ResponseEntity.status(503)
          .body(new Health("starting", "Idle Lens is starting, or ending", database));
    }
    return ResponseEntity.ok(new Health("up", "", database));
  }
}
