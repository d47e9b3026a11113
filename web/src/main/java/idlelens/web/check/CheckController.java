package idlelens.web.check;

import idlelens.core.check.CameraChecks;
import idlelens.core.check.Period;
import idlelens.core.check.Streaks;
import idlelens.core.part.Target;
import idlelens.core.rule.Require;
import idlelens.exchange.json.JsonPlace;
import idlelens.web.access.Needs;
import idlelens.web.access.Right;
import idlelens.web.shot.Asker;
import idlelens.web.shot.AssetRepository;
import idlelens.web.shot.ShotService;
import idlelens.web.work.Work;
import idlelens.web.work.Works;
import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.concurrent.CompletableFuture;
import org.springdoc.core.annotations.ParameterObject;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import tools.jackson.databind.node.ObjectNode;

/** Checks of a camera by API. */
@RestController
@Tag(name = "Checks")
class CheckController {
  private final ShotService shots;
  private final AssetRepository assets;
  private final Works works;

  CheckController(ShotService shots, AssetRepository assets, Works works) {
    this.shots = shots;
    this.assets = assets;
    this.works = works;
  }

  /**
   * What is asked; what is left out is as usual.
   *
   * @param piece id of a piece whose appearance in the picture is followed
   * @param repeat id of a repeat whose steps the loop goes on by
   * @param steps by how many of them, 1 if left out
   * @param subject id of a node that is to be sharp
   * @param at the point of it, as its x, y and z from its origin in metres; its origin if left out
   * @param least metres a second below which the camera stands still, 0.01 if left out
   * @param leastTurn degrees a second below which it does not turn, 0.1 if left out
   * @param near metres from the camera to its near plane, 0.1 if left out
   * @param needed whether only frames are looked at for which the program needs the camera, with
   *     handles
   * @param readable least height of the piece in the picture, in picture heights, 0.1 if left out
   */
  record Asked(
      String camera,
      String piece,
      String repeat,
      Integer steps,
      String subject,
      List<Double> at,
      Double least,
      Double leastTurn,
      Double near,
      Double readable,
      Boolean needed) {
    CameraChecks.Asked inCore() {
      CameraChecks.Asked usual = CameraChecks.Asked.of(camera);
      return new CameraChecks.Asked(
          camera,
          or(piece, usual.piece()),
          or(repeat, usual.repeat()),
          or(steps, usual.steps()),
          target(),
          or(least, usual.leastM()),
          or(leastTurn, usual.leastDeg()),
          or(near, usual.nearM()),
          or(needed, usual.needed()));
    }

    private Optional<Target> target() {
      if (subject == null || subject.isEmpty()) {
        return Optional.empty();
      }
      if (at == null || at.isEmpty()) {
        return Optional.of(Target.OfNode.origin(subject));
      }
      Require.within(at.size(), 3, 3, "at.count");
      return Optional.of(new Target.OfNode(subject, at.get(0), at.get(1), at.get(2)));
    }

    double readableHeight() {
      return Require.within(or(readable, 0.1), 0.001, 10, "readable");
    }

    private static <T> T or(T given, T usual) {
      return given == null ? usual : given;
    }
  }

  @GetMapping("/api/shots/{id}/checks")
  @Needs(Right.READ_SHOT)
  @Operation(
      summary = "Everything that is checked of a camera",
      description =
          "Over the range of the shot: pace, picture speed, judder, clearance, dead stretches, keys"
              + " that are misaligned, the seam, when a piece is in the picture, and how sharp a"
              + " subject is.")
  CompletableFuture<ResponseEntity<byte[]>> checks(
      Asker asker, @PathVariable long id, @ParameterObject Asked asked) {
    return works.takeLong(
        new Works.Order(asker.request(), asker.accountId(), "the checks"),
        () -> {
          double readable = asked.readableHeight();
          ShotService.Revised now = shots.current(id);
          CameraChecks checks =
              CameraChecks.of(
                  now.shot(), asked.inCore(), assets::meshOf, done -> Work.tell("clearance", done));
          return json(CheckJson.of(now.revision(), now.shot(), checks, readable));
        });
  }

  @GetMapping("/api/shots/{id}/streaks")
  @Needs(Right.READ_SHOT)
  @Operation(
      summary = "How long what stands still is drawn out by a camera, and where it judders",
      description = "At a depth in metres, 0.001 to 1e6; at that of the focus if it is left out.")
  CompletableFuture<ResponseEntity<byte[]>> streaks(
      Asker asker,
      @PathVariable long id,
      @RequestParam String camera,
      @RequestParam(required = false) Double metres) {
    OptionalDouble depth = metres == null ? OptionalDouble.empty() : OptionalDouble.of(metres);
    return works.takeLong(
        new Works.Order(asker.request(), asker.accountId(), "the streaks"),
        () -> {
          ShotService.Revised now = shots.current(id);
          return json(CheckJson.of(now, Streaks.of(now.shot(), camera, depth)));
        });
  }

  @GetMapping("/api/shots/{id}/periods")
  @Needs(Right.READ_SHOT)
  @Operation(
      summary = "Lengths at which a camera's picture comes back",
      description =
          "From the steps of repeats and the camera's travel, up to so many frames; the best first.")
  CompletableFuture<ResponseEntity<byte[]>> periods(
      Asker asker,
      @PathVariable long id,
      @RequestParam String camera,
      @RequestParam(defaultValue = "1000") int most) {
    return works.takeLong(
        new Works.Order(asker.request(), asker.accountId(), "the search for a period"),
        () -> json(CheckJson.of(Period.find(shots.current(id).shot(), camera, most))));
  }

  private static ResponseEntity<byte[]> json(ObjectNode answer) {
    return ResponseEntity.ok()
        .contentType(MediaType.APPLICATION_JSON)
        .body(JsonPlace.mapper().writeValueAsBytes(answer));
  }
}
