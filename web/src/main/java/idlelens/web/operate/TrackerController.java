package idlelens.web.operate;

import idlelens.core.geometry.RigidPose;
import idlelens.core.motion.Evaluation;
import idlelens.core.motion.LensTrack;
import idlelens.core.rule.Require;
import idlelens.core.scene.Node;
import idlelens.core.scene.Shot;
import idlelens.exchange.format.FormatException;
import idlelens.exchange.json.JsonLimits;
import idlelens.exchange.json.JsonPlace;
import idlelens.tracker.SimulatedTracker;
import idlelens.tracker.Trouble;
import idlelens.web.access.Needs;
import idlelens.web.access.Right;
import idlelens.web.request.RequestId;
import idlelens.web.request.RequestRepository;
import idlelens.web.shot.Asker;
import idlelens.web.shot.ShotService;
import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import java.util.Map;
import java.util.Optional;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import tools.jackson.databind.node.ObjectNode;

/**
 * Listening to a tracker: one for each account and shot, on loopback, off until it is asked for.
 */
@RestController
@RequestMapping("/api/shots/{id}/tracker")
@Tag(name = "Operate")
class TrackerController {
  private static final double PERCENT = 100;

  private final Trackers trackers;
  private final ShotService shots;
  private final RequestRepository requests;

  TrackerController(Trackers trackers, ShotService shots, RequestRepository requests) {
    this.trackers = trackers;
    this.shots = shots;
    this.requests = requests;
  }

  @PostMapping
  @Needs(Right.CHANGE_SHOT)
  @ResponseStatus(HttpStatus.NO_CONTENT)
  @Operation(
      summary = "Listens to a tracker that sends OpenTrackIO over UDP to this machine",
      description =
          "Body: port (1024 to 65535); camera and frame, where the stage begins, or none, where it"
              + " lies in the world as it comes; scale, metres for one of the tracker.")
  void listen(Asker asker, @PathVariable long id, @RequestBody byte[] body) throws FormatException {
    JsonPlace p = JsonPlace.parse(body, JsonLimits.SMALL).only("port", "camera", "frame", "scale");
    int port =
        Require.within(p.get("port").whole(), Trackers.LEAST_PORT, Trackers.GREATEST_PORT, "port");
    trackers.open(asker.accountId(), id, port, wanted(id, p));
  }

  @PostMapping("/place")
  @Needs(Right.CHANGE_SHOT)
  @ResponseStatus(HttpStatus.NO_CONTENT)
  @Operation(
      summary = "Lays the tracker's stage anew, from where the tracker is now",
      description = "Body: camera, frame and scale as for listening.")
  void place(Asker asker, @PathVariable long id, @RequestBody byte[] body) throws FormatException {
    JsonPlace p = JsonPlace.parse(body, JsonLimits.SMALL).only("camera", "frame", "scale");
    trackers.get(asker.accountId(), id).place(wanted(id, p));
  }

  private Tracker.Wanted wanted(long id, JsonPlace p) throws FormatException {
    double scale = Require.within(p.number("scale", 1), 0.001, 1000, "scale");
    if (!p.has("camera")) {
      return new Tracker.Wanted(Optional.empty(), scale);
    }
    Shot shot = shots.current(id).shot();
    String camera = shot.camera(p.get("camera").text()).id();
    RigidPose pose = Evaluation.at(shot, p.get("frame").whole()).pose(camera, 0);
    return new Tracker.Wanted(Optional.of(pose), scale);
  }

  @GetMapping
  @Needs(Right.READ_SHOT)
  @Operation(
      summary = "What comes from the tracker",
      description =
          "Whether it is on; where the camera would be now; what came, was damaged, late, twice,"
              + " and of a take that is rolled which samples never came, each gap as the number of"
              + " samples before it and its own.")
  ResponseEntity<byte[]> state(
      Asker asker, @PathVariable long id, @RequestParam String camera, @RequestParam int frame) {
    ObjectNode out =
        trackers
            .find(asker.accountId(), id)
            .map(tracker -> state(tracker, shots.current(id).shot(), camera, frame))
            .orElseGet(TrackerJson::closed);
    return ResponseEntity.ok()
        .contentType(MediaType.APPLICATION_JSON)
        .body(JsonPlace.mapper().writeValueAsBytes(out));
  }

  private static ObjectNode state(Tracker tracker, Shot shot, String id, int frame) {
    Node.Camera camera = shot.camera(id);
    LensTrack lens = Evaluation.at(shot, frame).of(id).lens().orElseThrow();
    return TrackerJson.of(tracker, shot, camera, lens.focalMm()[lens.index(0)]);
  }

  @PostMapping("/roll")
  @Needs(Right.CHANGE_SHOT)
  @ResponseStatus(HttpStatus.NO_CONTENT)
  @Operation(
      summary = "Begins a take",
      description = "Body: frame, that of the shot now; in place of a take that is rolled.")
  void roll(Asker asker, @PathVariable long id, @RequestBody byte[] body) throws FormatException {
    JsonPlace p = JsonPlace.parse(body, JsonLimits.SMALL).only("frame");
    double frame = Require.within(p.get("frame").number(), -1e7, 1e7, "frame");
    trackers.get(asker.accountId(), id).roll(frame);
  }

  @PostMapping("/cut")
  @Needs(Right.CHANGE_SHOT)
  @ResponseStatus(HttpStatus.CREATED)
  @Operation(summary = "Ends a take and keeps it", description = "Answers its name.")
  Map<String, Object> cut(Asker asker, @PathVariable long id) {
    Tracker tracker = trackers.get(asker.accountId(), id);
    Map<String, Object> answer =
        requests.once(
            asker.accountId(),
            new RequestId(asker.request()),
            "a take of the tracker of shot " + id,
            () -> Map.of("name", trackers.cut(id, tracker)));
    tracker.kept();
    return answer;
  }

  @DeleteMapping
  @Needs(Right.CHANGE_SHOT)
  @ResponseStatus(HttpStatus.NO_CONTENT)
  @Operation(summary = "Listens no more", description = "A take that is rolled is kept.")
  void close(Asker asker, @PathVariable long id) {
    trackers.close(asker.accountId(), id);
  }

  @PostMapping("/stand-in")
  @Needs(Right.CHANGE_SHOT)
  @ResponseStatus(HttpStatus.NO_CONTENT)
  @Operation(
      summary = "Starts a simulated tracker that sends to the port listened to",
      description =
          "Body: rate (samples a second), loss, reorder, damage (percent), jitter (ms), seed; what is"
              + " left out is 60 a second without trouble.")
  void startStandIn(Asker asker, @PathVariable long id, @RequestBody byte[] body)
      throws FormatException {
    JsonPlace p =
        JsonPlace.parse(body, JsonLimits.SMALL)
            .only("rate", "loss", "reorder", "damage", "jitter", "seed");
    Trouble trouble =
        new Trouble(
            p.number("loss", 0) / PERCENT,
            p.number("reorder", 0) / PERCENT,
            p.number("damage", 0) / PERCENT,
            p.number("jitter", 0));
    long seed = p.has("seed") ? p.get("seed").whole() : 1;
    trackers
        .get(asker.accountId(), id)
        .startStandIn(new SimulatedTracker(p.number("rate", 60), trouble, false, seed));
  }

  @DeleteMapping("/stand-in")
  @Needs(Right.CHANGE_SHOT)
  @ResponseStatus(HttpStatus.NO_CONTENT)
  @Operation(summary = "Stops the simulated tracker")
  void stopStandIn(Asker asker, @PathVariable long id) {
    trackers.find(asker.accountId(), id).ifPresent(Tracker::stopStandIn);
  }
}
