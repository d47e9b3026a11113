package idlelens.web.shot;

import idlelens.core.check.Difference;
import idlelens.core.motion.Evaluation;
import idlelens.core.rule.Require;
import idlelens.core.scene.Node;
import idlelens.core.scene.Shot;
import idlelens.exchange.format.FormatException;
import idlelens.exchange.json.JsonPlace;
import idlelens.web.account.AccountUser;
import idlelens.web.production.ProductionRepository;
import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import java.util.List;
import java.util.Map;
import org.springdoc.core.annotations.ParameterObject;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.ResponseEntity;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** The history of a shot by API: what was done, versions, comparison, going back. */
@RestController
@Tag(name = "History")
class HistoryController {
  private static final int MOST_ENTRIES = 500;

  private final ShotService shots;
  private final HistoryRepository history;
  private final ProductionRepository productions;
  private final OutcomeAnswer answers;

  HistoryController(
      ShotService shots,
      HistoryRepository history,
      ProductionRepository productions,
      OutcomeAnswer answers) {
    this.shots = shots;
    this.history = history;
    this.productions = productions;
    this.answers = answers;
  }

  @GetMapping("/api/shots/{id}/history")
  @Operation(
      summary = "What was done, the latest first",
      description = "Up to a revision (the newest if none is given), at most 500 at a time.")
  List<HistoryRepository.Entry> history(
      @AuthenticationPrincipal AccountUser account,
      @PathVariable long id,
      @RequestParam(required = false) Long upTo,
      @RequestParam(defaultValue = "100") int most) {
    productions.requireShot(account.id(), id);
    return history.entries(
        id, upTo == null ? Long.MAX_VALUE : upTo, Require.within(most, 1, MOST_ENTRIES, "most"));
  }

  @PostMapping("/api/shots/{id}/go-back")
  @Operation(
      summary = "Makes the shot as it was at a revision",
      description = "Body: revision. What was done since stays in the history and can be had back.")
  ResponseEntity<byte[]> goBack(
      @AuthenticationPrincipal AccountUser account,
      @PathVariable long id,
      @RequestHeader(name = OutcomeAnswer.WINDOW, required = false) String window,
      @RequestHeader(name = HttpHeaders.ACCEPT, defaultValue = "*/*") String accept,
      @ParameterObject DrawnCurves drawn,
      @RequestBody byte[] body)
      throws FormatException {
    productions.requireShot(account.id(), id);
    long revision = revision(JsonPlace.parse(body).only("revision"));
    String name =
        history.versions(id).stream()
            .filter(v -> v.revision() == revision)
            .findFirst()
            .map(v -> "Restore version “" + v.name() + "”")
            .orElse("Go back to revision " + revision);
    return answers.of(
        shots.goBack(id, revision, name, new ShotService.Asker(account.id(), window)),
        accept,
        drawn);
  }

  private static long revision(JsonPlace place) throws FormatException {
    return (long) Require.within(place.get("revision").number(), 1, 1e15, "revision");
  }

  @GetMapping("/api/shots/{id}/versions")
  @Operation(summary = "The versions kept of a shot, the latest first")
  List<HistoryRepository.Version> versions(
      @AuthenticationPrincipal AccountUser account, @PathVariable long id) {
    productions.requireShot(account.id(), id);
    return history.versions(id);
  }

  @PostMapping("/api/shots/{id}/versions")
  @ResponseStatus(HttpStatus.CREATED)
  @Operation(summary = "Keeps a state by name", description = "Body: name, revision.")
  Map<String, Object> keep(
      @AuthenticationPrincipal AccountUser account, @PathVariable long id, @RequestBody byte[] body)
      throws FormatException {
    productions.requireShot(account.id(), id);
    JsonPlace place = JsonPlace.parse(body).only("name", "revision");
    String name = Require.name(place.get("name").text(), 120, "name");
    long revision = revision(place);
    return Map.of("id", history.keep(id, revision, name, account.id()), "revision", revision);
  }

  @DeleteMapping("/api/shots/{id}/versions/{version}")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  @Operation(summary = "Lets the name of a version go; its state stays in the history")
  void forget(
      @AuthenticationPrincipal AccountUser account,
      @PathVariable long id,
      @PathVariable long version) {
    productions.requireShot(account.id(), id);
    history.forget(id, version);
  }

  /**
   * How two states of a shot differ.
   *
   * @param nodes what moves or sees differently, of the nodes that both have
   * @param added names of nodes that only the second has
   * @param removed names of nodes that only the first has
   */
  record Comparison(List<Compared> nodes, List<String> added, List<String> removed) {}

  /** The largest differences of one node. */
  record Compared(String id, String name, Difference difference) {}

  @GetMapping("/api/shots/{id}/difference")
  @Operation(
      summary = "How two revisions differ",
      description =
          "For every node that both have and that differs, the largest difference in place (m),"
              + " turn (degrees), focal length (mm), focus distance (m) and f-stop, with its frame in the"
              + " second. At different rates, moments are compared.")
  Comparison difference(
      @AuthenticationPrincipal AccountUser account,
      @PathVariable long id,
      @RequestParam long from,
      @RequestParam long to) {
    productions.requireShot(account.id(), id);
    LiveShot second = shots.past(id, to);
    Evaluation a = shots.past(id, from).alongside(second);
    Evaluation b = second.motion();
    List<Compared> differing =
        b.shot().nodes().stream()
            .filter(n -> a.shot().find(n.id()).isPresent())
            .map(n -> new Compared(n.id(), n.name(), Difference.between(a, b, n.id())))
            .filter(c -> c.difference().isAny())
            .toList();
    return new Comparison(differing, missing(b.shot(), a.shot()), missing(a.shot(), b.shot()));
  }

  private static List<String> missing(Shot here, Shot there) {
    return here.nodes().stream().filter(n -> there.find(n.id()).isEmpty()).map(Node::name).toList();
  }
}
