package idlelens.web.shot;

import idlelens.core.check.Difference;
import idlelens.core.motion.Evaluation;
import idlelens.core.rule.Require;
import idlelens.core.scene.Node;
import idlelens.core.scene.Shot;
import idlelens.exchange.format.FormatException;
import idlelens.exchange.json.JsonLimits;
import idlelens.exchange.json.JsonPlace;
import idlelens.web.access.Needs;
import idlelens.web.access.Right;
import idlelens.web.access.Visitor;
import idlelens.web.problem.NotFoundException;
import idlelens.web.request.RequestId;
import idlelens.web.request.RequestRepository;
import idlelens.web.work.Works;
import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import java.util.List;
import java.util.Map;
import java.util.concurrent.CompletableFuture;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
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
  private final RevisionRepository revisions;
  private final RequestRepository requests;
  private final Works works;

  HistoryController(
      ShotService shots,
      HistoryRepository history,
      RevisionRepository revisions,
      RequestRepository requests,
      Works works) {
    this.shots = shots;
    this.history = history;
    this.revisions = revisions;
    this.requests = requests;
    this.works = works;
  }

  @GetMapping("/api/shots/{id}/history")
  @Needs(Right.READ_SHOT)
  @Operation(
      summary = "What was done, the latest first",
      description = "Up to a revision (the newest if none is given), at most 500 at a time.")
  List<HistoryRepository.Entry> history(
      @PathVariable long id,
      @RequestParam(required = false) Long upTo,
      @RequestParam(defaultValue = "100") int most) {
    return history.entries(
        id, upTo == null ? Long.MAX_VALUE : upTo, Require.within(most, 1, MOST_ENTRIES, "most"));
  }

  private static long revision(JsonPlace place) throws FormatException {
    return (long) Require.within(place.get("revision").number(), 1, 1e15, "revision");
  }

  @GetMapping("/api/shots/{id}/versions")
  @Needs(Right.READ_SHOT)
  @Operation(summary = "The versions kept of a shot, the latest first")
  List<HistoryRepository.Version> versions(@PathVariable long id) {
    return history.versions(id);
  }

  @PostMapping("/api/shots/{id}/versions")
  @Needs(Right.CHANGE_SHOT)
  @ResponseStatus(HttpStatus.CREATED)
  @Operation(summary = "Keeps a state by name", description = "Body: name, revision.")
  Map<String, Object> keep(Asker asker, @PathVariable long id, @RequestBody byte[] body)
      throws FormatException {
    JsonPlace place = JsonPlace.parse(body, JsonLimits.SMALL).only("name", "revision");
    String name = Require.name(place.get("name").text(), 120, "name");
    long revision = revision(place);
    if (!revisions.has(id, revision)) {
      throw new NotFoundException("Revision " + revision + " of shot " + id);
    }
    return requests.once(
        asker.accountId(),
        new RequestId(asker.request()),
        "a version of shot " + id,
        () ->
            Map.of(
                "id", history.keep(id, revision, name, asker.accountId()), "revision", revision));
  }

  @DeleteMapping("/api/shots/{id}/versions/{version}")
  @Needs(Right.CHANGE_SHOT)
  @ResponseStatus(HttpStatus.NO_CONTENT)
  @Operation(summary = "Lets the name of a version go; its state stays in the history")
  void forget(@PathVariable long id, @PathVariable long version) {
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
  @Needs(Right.READ_SHOT)
  @Operation(
      summary = "How two revisions differ",
      description =
          "For every node that both have and that differs, the largest difference in place (m),"
              + " turn (degrees), focal length (mm), focus distance (m) and f-stop, with its frame in the"
              + " second. At different rates, moments are compared.")
  CompletableFuture<Comparison> difference(
      @AuthenticationPrincipal Visitor visitor,
      @PathVariable long id,
      @RequestParam long from,
      @RequestParam long to) {
    return works.takeLong(
        new Works.Order(visitor.id(), "a comparison"), () -> difference(id, from, to));
  }

  private Comparison difference(long id, long from, long to) {
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
