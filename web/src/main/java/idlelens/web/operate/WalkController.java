package idlelens.web.operate;

import idlelens.core.geometry.RigidPose;
import idlelens.core.motion.Evaluation;
import idlelens.core.motion.LensTrack;
import idlelens.core.part.Lens;
import idlelens.core.rule.Require;
import idlelens.core.scene.Node;
import idlelens.core.scene.Shot;
import idlelens.core.walk.Body;
import idlelens.core.walk.Ground;
import idlelens.core.walk.Stance;
import idlelens.core.walk.Steering;
import idlelens.core.walk.Walk;
import idlelens.exchange.format.FormatException;
import idlelens.exchange.json.JsonLimits;
import idlelens.exchange.json.JsonPlace;
import idlelens.web.access.Needs;
import idlelens.web.access.Right;
import idlelens.web.shot.Asker;
import idlelens.web.shot.ShotService;
import idlelens.web.work.Works;
import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import java.util.List;
import java.util.concurrent.CompletableFuture;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import tools.jackson.databind.node.ObjectNode;

/** Walking the set by API. Nothing is stored; who walks holds how he stands. */
@RestController
@Tag(name = "Operate")
class WalkController {
  /** A camera lower or higher than this is carried at the usual height. */
  private static final double LOWEST_M = 0.2;

  private static final double HIGHEST_M = 3;

  private final ShotService shots;
  private final Grounds grounds;
  private final Works works;

  WalkController(ShotService shots, Grounds grounds, Works works) {
    this.shots = shots;
    this.grounds = grounds;
    this.works = works;
  }

  @GetMapping("/api/shots/{id}/walk")
  @Needs(Right.READ_SHOT)
  @Operation(
      summary = "How somebody stands who carries a camera where it is",
      description =
          "eye is how high he carries it, in metres; without it as high over the ground as it is,"
              + " where that is between 0.2 and 3 m.")
  CompletableFuture<ResponseEntity<byte[]>> begin(
      Asker asker,
      @PathVariable long id,
      @RequestParam String camera,
      @RequestParam int frame,
      @RequestParam(required = false) Double eye) {
    return works.takeLong(
        new Works.Order(asker.request(), asker.accountId(), "the ground"),
        () -> {
          ShotService.Revised now = shots.current(id);
          Ground ground = grounds.of(id, now, camera);
          synchronized (ground) {
            return json(begin(now.shot(), ground, camera, frame, eye));
          }
        });
  }

  private static ObjectNode begin(Shot shot, Ground ground, String id, int frame, Double eye) {
    Node.Camera camera = shot.camera(id);
    Evaluation at = Evaluation.at(shot, Require.within(frame, -10_000_000, 10_000_000, "frame"));
    RigidPose pose = at.pose(id, 0);
    LensTrack lens = at.of(id).lens().orElseThrow();
    double focal = lens.focalMm()[lens.index(0)];
    Body usual = Body.USUAL;
    Walk walk = new Walk(ground, usual, shot.header().rate(), frame, true);
    double height = pose.y() - walk.begin(pose, focal).y();
    double carried = height >= LOWEST_M && height <= HIGHEST_M ? height : usual.eyeM();
    Body body =
        new Body(eye == null ? carried : eye, usual.speedMps(), usual.stepM(), usual.jumpM());
    Stance stance = new Walk(ground, body, shot.header().rate(), frame, true).begin(pose, focal);
    return WalkJson.write(shot, camera, body, new Walk.Walked(stance, List.of()));
  }

  @PostMapping("/api/shots/{id}/walk")
  @Needs(Right.READ_SHOT)
  @Operation(
      summary = "Walks on",
      description =
          "Body: camera; body (eye, speed, step, jump; m and m/s); start, the frame at which the walk"
              + " began, and plays, whether the shot plays meanwhile; stance, as it was answered last;"
              + " steering (ahead, right, -1 to 1; hurries, jumps; turn, tilt, degrees; zoom, times);"
              + " seconds since the beginning. Answers the stance then, what the camera sees, and of"
              + " each whole frame on the way: frame, x, y, z (m), pan, tilt, roll (degrees), focal"
              + " length (mm).")
  CompletableFuture<ResponseEntity<byte[]>> on(
      Asker asker, @PathVariable long id, @RequestBody byte[] body) throws FormatException {
    JsonPlace p =
        JsonPlace.parse(body, JsonLimits.SMALL)
            .only("camera", "body", "start", "plays", "stance", "steering", "seconds");
    String camera = p.get("camera").text();
    Body who = WalkJson.body(p.get("body"));
    int start = Require.within(p.get("start").whole(), -10_000_000, 10_000_000, "start");
    boolean plays = p.flag("plays", false);
    Stance from = WalkJson.stance(p.get("stance"));
    Steering hands = WalkJson.steering(p.get("steering"));
    double seconds = Require.within(p.get("seconds").number(), 0, 1e6, "seconds");
    return works.read(
        "the walk of " + id,
        new Works.Order(asker.request(), asker.accountId(), "a walk"),
        () -> {
          ShotService.Revised now = shots.current(id);
          Shot shot = now.shot();
          Ground ground = grounds.of(id, now, camera);
          Walk walk = new Walk(ground, who, shot.header().rate(), start, plays);
          synchronized (ground) {
            long until = Math.max(from.step(), walk.steps(seconds));
            Walk.Walked walked = walk.on(from, hands, until, Lens.FOCAL.least(), Lens.FOCAL.most());
            return json(WalkJson.write(shot, shot.camera(camera), who, walked));
          }
        });
  }

  private static ResponseEntity<byte[]> json(ObjectNode answer) {
    return ResponseEntity.ok()
        .contentType(MediaType.APPLICATION_JSON)
        .body(JsonPlace.mapper().writeValueAsBytes(answer));
  }
}
