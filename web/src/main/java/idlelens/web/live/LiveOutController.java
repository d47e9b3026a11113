package idlelens.web.live;

import idlelens.core.rule.RefusedException;
import idlelens.core.rule.Require;
import idlelens.exchange.format.FormatException;
import idlelens.exchange.json.JsonLimits;
import idlelens.exchange.json.JsonPlace;
import idlelens.web.access.Needs;
import idlelens.web.access.Right;
import idlelens.web.problem.ConflictException;
import idlelens.web.shot.Asker;
import idlelens.web.shot.ShotService;
import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import java.net.InetAddress;
import java.net.UnknownHostException;
import java.util.Map;
import java.util.Optional;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** Sends the camera at the playhead as OpenTrackIO; off until it is asked for. */
@RestController
@RequestMapping("/api/shots/{id}/live-out")
@Tag(name = "Hand-off")
class LiveOutController {
  private static final int LEAST_PORT = 1024;
  private static final int GREATEST_PORT = 65_535;
  private static final String LOOPBACK = "127(\\.\\d{1,3}){3}";

  private final LiveOuts outs;
  private final ShotService shots;

  LiveOutController(LiveOuts outs, ShotService shots) {
    this.outs = outs;
    this.shots = shots;
  }

  @PostMapping
  @Needs(Right.READ_SHOT)
  @ResponseStatus(HttpStatus.NO_CONTENT)
  @Operation(
      summary = "Sends a camera live, over UDP to this machine",
      description =
          "Body: address (127.0.0.1 or another of loopback), port (1024 to 65535), rate (1 to 240"
              + " samples a second), camera, frame. It ends when the page says no more where its"
              + " playhead is.")
  void open(Asker asker, @PathVariable long id, @RequestBody byte[] body) throws FormatException {
    JsonPlace p =
        JsonPlace.parse(body, JsonLimits.SMALL).only("address", "port", "rate", "camera", "frame");
    String camera = shots.current(id).shot().camera(p.get("camera").text()).id();
    LiveOut.To to =
        new LiveOut.To(
            address(p.text("address", "127.0.0.1")),
            Require.within(p.get("port").whole(), LEAST_PORT, GREATEST_PORT, "port"),
            Require.within(p.number("rate", 60), 1, 240, "rate"),
            camera);
    outs.open(asker.accountId(), id, to, () -> shots.current(id).shot(), frame(p));
  }

  private static InetAddress address(String text) {
    try {
      InetAddress address = text.matches(LOOPBACK) ? InetAddress.getByName(text) : null;
      if (address != null && address.isLoopbackAddress()) {
        return address;
      }
    } catch (UnknownHostException e) {
      // said below
    }
    throw new RefusedException(
        "address", "'" + text + "'", "an address of this machine, as 127.0.0.1");
  }

  private static double frame(JsonPlace p) throws FormatException {
    return Require.within(p.get("frame").number(), -1e7, 1e7, "frame");
  }

  @PostMapping("/playhead")
  @Needs(Right.READ_SHOT)
  @ResponseStatus(HttpStatus.NO_CONTENT)
  @Operation(summary = "Where the playhead is", description = "Body: frame, and whether it plays.")
  void playhead(Asker asker, @PathVariable long id, @RequestBody byte[] body)
      throws FormatException {
    JsonPlace p = JsonPlace.parse(body, JsonLimits.SMALL).only("frame", "playing");
    Optional<LiveOut> out = outs.find(asker.accountId(), id);
    if (out.isEmpty()) {
      throw new ConflictException(
          "Nothing is sent live of this shot: switch it on first", Map.of());
    }
    out.get().playhead(frame(p), p.flag("playing", false));
  }

  @GetMapping
  @Needs(Right.READ_SHOT)
  @Operation(summary = "Whether a camera is sent live, where to, and how many samples went out")
  Map<String, Object> state(Asker asker, @PathVariable long id) {
    Optional<LiveOut> out = outs.find(asker.accountId(), id);
    if (out.isEmpty()) {
      return Map.of("on", false);
    }
    LiveOut.To to = out.get().to();
    return Map.of(
        "on", true,
        "address", to.address().getHostAddress(),
        "port", to.port(),
        "rate", to.rateHz(),
        "camera", to.camera(),
        "sent", out.get().sent());
  }

  @DeleteMapping
  @Needs(Right.READ_SHOT)
  @ResponseStatus(HttpStatus.NO_CONTENT)
  @Operation(summary = "Sends it no more")
  void close(Asker asker, @PathVariable long id) {
    outs.close(asker.accountId(), id);
  }
}
