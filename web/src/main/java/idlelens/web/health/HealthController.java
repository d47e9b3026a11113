package idlelens.web.health;

import idlelens.web.access.Needs;
import idlelens.web.access.Right;
import idlelens.web.database.DatabaseState;
import idlelens.web.database.DatabaseWatch;
import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import java.time.Instant;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RestController;

/** Says how application and database are. */
@RestController
@Tag(name = "Health")
class HealthController {
  private final DatabaseWatch watch;
  private final Heartbeat heartbeat;

  HealthController(DatabaseWatch watch, Heartbeat heartbeat) {
    this.watch = watch;
    this.heartbeat = heartbeat;
  }

  /**
   * How all is.
   *
   * @param status up, or trouble
   * @param detail a sentence, if there is trouble
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
    boolean up =
        state.state() == DatabaseState.State.UP && heartbeat.answers() && !state.diskFull();
    String word = state.state() == DatabaseState.State.UP && heartbeat.answers() ? "up" : "down";
    Database database =
        new Database(
            state.state() == DatabaseState.State.STARTING ? "starting" : word,
            state.since(),
            state.tries(),
            state.diskFull());
    return ResponseEntity.status(up ? 200 : 503)
        .body(new Health(up ? "up" : "trouble", up ? "" : state.words(), database));
  }
}
