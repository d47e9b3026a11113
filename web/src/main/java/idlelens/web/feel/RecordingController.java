package idlelens.web.feel;

import idlelens.core.rule.Require;
import idlelens.core.shake.Recording;
import idlelens.exchange.csv.RecordingTable;
import idlelens.exchange.format.FormatException;
import idlelens.exchange.json.JsonLimits;
import idlelens.exchange.json.JsonPlace;
import idlelens.exchange.json.RecordedJson;
import idlelens.exchange.opentrackio.TrackLines;
import idlelens.web.access.Needs;
import idlelens.web.access.Right;
import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import java.nio.charset.StandardCharsets;
import java.util.List;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** Recordings that a production keeps for all its shots. */
@RestController
@RequestMapping("/api/productions/{production}/recordings")
@Tag(name = "Feel")
class RecordingController {
  private static final String LINES = "application/x-ndjson";

  private final RecordingRepository recordings;

  RecordingController(RecordingRepository recordings) {
    this.recordings = recordings;
  }

  @GetMapping
  @Needs(Right.READ_PRODUCTION)
  @Operation(summary = "The recordings that a production keeps: name, rate, samples")
  List<RecordingRepository.Listed> list(@PathVariable long production) {
    return recordings.of(production);
  }

  @GetMapping("/{name}")
  @Needs(Right.READ_PRODUCTION)
  @Operation(summary = "A recording: its rate, and the samples of each channel")
  ResponseEntity<byte[]> recording(@PathVariable long production, @PathVariable String name) {
    return ResponseEntity.ok()
        .contentType(MediaType.APPLICATION_JSON)
        .body(recordings.content(production, name).getBytes(StandardCharsets.UTF_8));
  }

  @PutMapping(path = "/{name}", consumes = MediaType.APPLICATION_JSON_VALUE)
  @Needs(Right.CHANGE_PRODUCTION)
  @ResponseStatus(HttpStatus.NO_CONTENT)
  @Operation(
      summary = "Keeps a recording, in place of the one of its name",
      description = "Body: rate and samples, as JSON; or a table (text/csv); or OpenTrackIO lines.")
  void keep(@PathVariable long production, @PathVariable String name, @RequestBody byte[] body)
      throws FormatException {
    JsonPlace place = JsonPlace.parse(body, JsonLimits.EDITS).only("rate", "samples");
    keep(production, name, RecordedJson.recording(place));
  }

  @PutMapping(path = "/{name}", consumes = "text/csv")
  @Needs(Right.CHANGE_PRODUCTION)
  @ResponseStatus(HttpStatus.NO_CONTENT)
  @Operation(
      summary = "Keeps a recording from a table",
      description =
          "A head with seconds, at even steps, and x_cm, y_cm, z_cm, pan_deg, tilt_deg, roll_deg,"
              + " focal_mm, focus_m or some of them.")
  void keepTable(@PathVariable long production, @PathVariable String name, @RequestBody byte[] body)
      throws FormatException {
    keep(production, name, RecordingTable.read(body));
  }

  @PutMapping(path = "/{name}", consumes = LINES)
  @Needs(Right.CHANGE_PRODUCTION)
  @ResponseStatus(HttpStatus.NO_CONTENT)
  @Operation(
      summary = "Keeps a recording from OpenTrackIO lines",
      description = "One sample a line; each pose is seen from the first.")
  void keepLines(@PathVariable long production, @PathVariable String name, @RequestBody byte[] body)
      throws FormatException {
    keep(production, name, TrackLines.read(body));
  }

  private void keep(long production, String name, Recording recording) {
    recordings.keep(production, Require.name(name, 60, "name"), recording);
  }

  @DeleteMapping("/{name}")
  @Needs(Right.CHANGE_PRODUCTION)
  @ResponseStatus(HttpStatus.NO_CONTENT)
  @Operation(summary = "Takes a recording out of what a production keeps")
  void remove(@PathVariable long production, @PathVariable String name) {
    recordings.remove(production, name);
  }
}
