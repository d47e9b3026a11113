package idlelens.web.feel;

import idlelens.core.check.Calm;
import idlelens.core.check.Effect;
import idlelens.core.check.Smoothness;
import idlelens.core.motion.Evaluation;
import idlelens.core.motion.ShakeTrace;
import idlelens.core.part.Part;
import idlelens.core.part.Recorded;
import idlelens.core.part.Shake;
import idlelens.core.part.Smooth;
import idlelens.core.rule.Require;
import idlelens.core.scene.Node;
import idlelens.core.scene.Shot;
import idlelens.core.time.SampleGrid;
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
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import tools.jackson.databind.node.ObjectNode;

/** What a part of a chain does to the motion, by API. */
@RestController
@Tag(name = "Feel")
class EffectController {
  private static final int MOST_SEEDS = 12;

  private final ShotService shots;
  private final Works works;

  EffectController(ShotService shots, Works works) {
    this.shots = shots;
    this.works = works;
  }

  @GetMapping("/api/shots/{id}/effect")
  @Needs(Right.READ_SHOT)
  @Operation(
      summary = "What a part does to the motion over the range of the shot",
      description =
          "Largest and root mean square difference of place (m), turn (degrees) and, where camera"
              + " names one that moves by it, of its picture (picture widths). Of a layer of shake"
              + " also what it adds, channel by channel, one number a frame; its spectrum; and the"
              + " frequencies after they are rounded to the loop. Of a card that smooths also its"
              + " lag and rest in frames and the jerk before and after it.")
  CompletableFuture<ResponseEntity<byte[]>> effect(
      Asker asker,
      @PathVariable long id,
      @RequestParam String node,
      @RequestParam String part,
      @RequestParam(defaultValue = "") String camera) {
    return works.takeLong(
        new Works.Order(asker.request(), asker.accountId(), "the effect of a card"),
        () -> {
          ShotService.Revised now = shots.current(id);
          Shot shot = now.shot();
          Node of = shot.node(node);
          Part asked = of.chain().part(part);
          ObjectNode out =
              EffectJson.of(
                  now.revision(), shot.header().range().in(), Effect.of(shot, node, part, camera));
          if (asked instanceof Shake || asked instanceof Recorded) {
            EffectJson.add(out, shot, ShakeTrace.of(motion(shot, node), node, part));
          }
          if (asked instanceof Smooth) {
            EffectJson.add(out, Smoothness.of(shot, node, part));
          }
          return json(out);
        });
  }

  @GetMapping("/api/shots/{id}/seeds")
  @Needs(Right.READ_SHOT)
  @Operation(
      summary = "What a layer of shake would look like with other seeds",
      description = "Of its widest channel, one number a frame for each of up to twelve seeds.")
  CompletableFuture<ResponseEntity<byte[]>> seeds(
      Asker asker,
      @PathVariable long id,
      @RequestParam String node,
      @RequestParam String part,
      @RequestParam List<Long> seeds) {
    return works.takeLong(
        new Works.Order(asker.request(), asker.accountId(), "the strip of seeds"),
        () -> {
          Require.within(seeds.size(), 1, MOST_SEEDS, "seeds.count");
          Shot shot = shots.current(id).shot();
          Evaluation motion = motion(shot, node);
          return json(EffectJson.seeds(seeds, seed -> ShakeTrace.of(motion, node, part, seed)));
        });
  }

  @GetMapping("/api/shots/{id}/calm")
  @Needs(Right.READ_SHOT)
  @Operation(
      summary = "The next frame at which shake has a node nearly in its place",
      description =
          "From a frame of the range on: within 2 mm and 0.05 degrees of where it would be without"
              + " any shake; where there is none, the calmest frame until the end.")
  CompletableFuture<ResponseEntity<byte[]>> calm(
      Asker asker, @PathVariable long id, @RequestParam String node, @RequestParam int from) {
    return works.takeLong(
        new Works.Order(asker.request(), asker.accountId(), "the search for a calm frame"),
        () -> json(EffectJson.of(Calm.next(shots.current(id).shot(), node, from))));
  }

  private static Evaluation motion(Shot shot, String node) {
    SampleGrid grid = SampleGrid.over(shot.header().range(), 0);
    return Evaluation.ofSome(shot, grid, shot.reachedFrom(node));
  }

  private static ResponseEntity<byte[]> json(ObjectNode answer) {
    return ResponseEntity.ok()
        .contentType(MediaType.APPLICATION_JSON)
        .body(JsonPlace.mapper().writeValueAsBytes(answer));
  }
}
