package idlelens.web.operate;

import idlelens.core.rule.Require;
import idlelens.core.take.Take;
import idlelens.core.take.TakeDifference;
import idlelens.exchange.format.FormatException;
import idlelens.exchange.json.JsonLimits;
import idlelens.exchange.json.JsonPlace;
import idlelens.exchange.json.TakeJson;
import idlelens.web.access.Needs;
import idlelens.web.access.Right;
import idlelens.web.request.RequestId;
import idlelens.web.request.RequestRepository;
import idlelens.web.shot.Asker;
import idlelens.web.shot.ShotService;
import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import java.util.Map;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/** Takes that a shot keeps. */
@RestController
@RequestMapping("/api/shots/{id}")
@Tag(name = "Operate")
class TakeController {
  private final TakeRepository takes;
  private final ShotService shots;
  private final RequestRepository requests;

  TakeController(TakeRepository takes, ShotService shots, RequestRepository requests) {
    this.takes = takes;
    this.shots = shots;
    this.requests = requests;
  }

  @GetMapping("/takes")
  @Needs(Right.READ_SHOT)
  @Operation(
      summary = "The takes of a shot",
      description =
          "Each with name, source (walk, tracker), start (frame of its first sample), rate, samples,"
              + " pathM, and what is told of how it came.")
  ResponseEntity<byte[]> list(@PathVariable long id) {
    ArrayNode out = JsonNodeFactory.instance.arrayNode();
    for (TakeRepository.Listed each : takes.of(id)) {
      ObjectNode to = out.addObject().put("name", each.name()).put("source", each.source());
      to.put("start", each.start()).put("rate", each.rate()).put("samples", each.samples());
      to.put("pathM", each.pathM());
      to.set("told", JsonPlace.mapper().readTree(each.told()));
    }
    return json(JsonPlace.mapper().writeValueAsBytes(out));
  }

  @GetMapping("/takes/{name}")
  @Needs(Right.READ_SHOT)
  @Operation(summary = "A take: start, rate, and the samples of each column")
  ResponseEntity<byte[]> take(@PathVariable long id, @PathVariable String name) {
    TakeDifference.Placed placed = takes.take(id, name);
    ObjectNode out = JsonNodeFactory.instance.objectNode().put("start", placed.start());
    return json(JsonPlace.mapper().writeValueAsBytes(TakeJson.write(placed.take(), out)));
  }

  @PostMapping("/takes")
  @Needs(Right.CHANGE_SHOT)
  @ResponseStatus(HttpStatus.CREATED)
  @Operation(
      summary = "Keeps what was walked, under the next free name",
      description = "Body: start, rate, samples. Answers the name.")
  Map<String, Object> keep(Asker asker, @PathVariable long id, @RequestBody byte[] body)
      throws FormatException {
    JsonPlace p = JsonPlace.parse(body, JsonLimits.EDITS).only("start", "rate", "samples");
    double start = Require.within(p.get("start").number(), -1e7, 1e7, "start");
    Take take = TakeJson.read(p);
    return requests.once(
        asker.accountId(),
        new RequestId(asker.request()),
        "a take of shot " + id,
        () -> Map.of("name", takes.keep(id, TakeRepository.Source.WALK, take, start, "{}")));
  }

  @PutMapping("/takes/{name}")
  @Needs(Right.CHANGE_SHOT)
  @ResponseStatus(HttpStatus.NO_CONTENT)
  @Operation(summary = "Names a take otherwise", description = "Body: name.")
  void rename(@PathVariable long id, @PathVariable String name, @RequestBody byte[] body)
      throws FormatException {
    JsonPlace p = JsonPlace.parse(body, JsonLimits.SMALL).only("name");
    takes.rename(id, name, Require.name(p.get("name").text(), 60, "name"));
  }

  @DeleteMapping("/takes/{name}")
  @Needs(Right.CHANGE_SHOT)
  @ResponseStatus(HttpStatus.NO_CONTENT)
  @Operation(summary = "Takes a take out of a shot")
  void remove(@PathVariable long id, @PathVariable String name) {
    takes.remove(id, name);
  }

  @GetMapping("/take-difference")
  @Needs(Right.READ_SHOT)
  @Operation(
      summary = "How two takes differ on the frames that both have",
      description = "Largest and root mean square: place in metres, turn in degrees.")
  ResponseEntity<byte[]> difference(
      @PathVariable long id, @RequestParam String first, @RequestParam String second) {
    TakeDifference found =
        TakeDifference.of(
            takes.take(id, first),
            takes.take(id, second),
            shots.current(id).shot().header().rate());
    ObjectNode out = JsonNodeFactory.instance.objectNode();
    out.put("from", found.from()).put("to", found.to());
    amount(out.putObject("place"), found.place());
    amount(out.putObject("turn"), found.turn());
    return json(JsonPlace.mapper().writeValueAsBytes(out));
  }

  private static void amount(ObjectNode out, TakeDifference.Amount amount) {
    out.put("largest", amount.largest()).put("frame", amount.frame()).put("rms", amount.rms());
  }

  private static ResponseEntity<byte[]> json(byte[] body) {
    return ResponseEntity.ok().contentType(MediaType.APPLICATION_JSON).body(body);
  }
}
