package idlelens.web.shot;

import idlelens.core.edit.Edit;
import idlelens.core.edit.Footprint;
import idlelens.core.rule.RefusedException;
import idlelens.core.scene.Node;
import idlelens.core.scene.Shot;
import idlelens.exchange.format.FormatException;
import idlelens.exchange.json.EditJson;
import idlelens.exchange.json.JsonPlace;
import idlelens.exchange.json.ShotJson;
import idlelens.web.problem.ConflictException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;
import java.util.stream.Collectors;
import org.springframework.stereotype.Service;

/** The flow of one edit: apply, store, evaluate, tell the others. */
@Service
public class ShotService {
  private static final int TRIES = 5;

  private final ShotRepository repository;
  private final HistoryRepository history;
  private final AssetRepository assets;
  private final LiveShots live;
  private final ShotEvents events;
  private final Map<Long, Object> locks = new ConcurrentHashMap<>();

  ShotService(
      ShotRepository repository,
      HistoryRepository history,
      AssetRepository assets,
      LiveShots live,
      ShotEvents events) {
    this.repository = repository;
    this.history = history;
    this.assets = assets;
    this.live = live;
    this.events = events;
  }

  /** Who asks, and from which window. */
  public record Asker(long accountId, String window) {}

  /** A shot and the revision it is at. */
  public record Revised(long revision, Shot shot) {}

  /** The newest state of a shot. */
  public Revised current(long shotId) {
    LiveShot shot = live(shotId);
    return new Revised(shot.revision(), shot.shot());
  }

  LiveShot live(long shotId) {
    Optional<LiveShot> known = live.find(shotId);
    if (known.isPresent() && known.get().revision() == repository.revision(shotId)) {
      return known.get();
    }
    ShotRepository.Stored stored = repository.newest(shotId);
    Shot shot = parse(stored.document());
    LiveShot read =
        known
            .map(k -> k.next(stored.revision(), shot))
            .orElseGet(() -> new LiveShot(stored.revision(), shot));
    live.put(shotId, read);
    return read;
  }

  /** A shot as it was at a revision. */
  LiveShot past(long shotId, long revision) {
    LiveShot now = live(shotId);
    if (now.revision() == revision) {
      return now;
    }
    return live.find(shotId, revision)
        .orElseGet(() -> now.next(revision, parse(history.document(shotId, revision).document())));
  }

  /** What led from a revision to the newest, for a window that has the first. */
  EditOutcome since(long shotId, long revision) {
    LiveShot before = past(shotId, revision);
    return outcome(before, live(shotId), true);
  }

  /** Makes a shot as it was at a revision; what was done since can be had back by undo. */
  EditOutcome goBack(long shotId, long revision, String summary, Asker asker) {
    Shot target = past(shotId, revision).shot();
    return store(
        shotId,
        asker,
        before -> {
          if (target.equals(before.shot())) {
            throw new RefusedException(
                "revision", revision, "a revision at which the shot was not as it is now");
          }
          List<Edit> way = List.of(Edit.between(before.shot(), target));
          return planned(before.shot(), way, summary, asker);
        });
  }

  private static Planned planned(Shot before, List<Edit> edits, String summary, Asker asker) {
    Edit.Applied applied = Edit.applyAll(before, edits);
    return new Planned(
        applied.shot(),
        new ShotRepository.Change(
            ShotRepository.Kind.EDIT,
            edits,
            applied.inverse(),
            applied.footprint(),
            summary,
            asker.accountId()),
        null);
  }

  private static Shot parse(String document) {
    try {
      return ShotJson.read(document.getBytes(StandardCharsets.UTF_8));
    } catch (FormatException e) {
      throw new IllegalStateException("A stored document cannot be read: " + e.getMessage(), e);
    }
  }

  /** Adds a shot to a production and gives its id. */
  public long add(long productionId, Shot shot) {
    return repository.add(
        productionId, new ShotRepository.Document(shot.header().name(), ShotJson.bytes(shot)));
  }

  /** Applies edits without storing them. */
  EditOutcome show(long shotId, List<Edit> edits) {
    LiveShot before = live(shotId);
    Edit.Applied applied = Edit.applyAll(before.shot(), edits);
    refuseForeignAssets(shotId, before.shot(), applied.shot());
    return outcome(before, before.next(before.revision(), applied.shot()), false);
  }

  private static EditOutcome outcome(LiveShot before, LiveShot after, boolean stored) {
    Edit patch = Edit.between(before.shot(), after.shot());
    return new EditOutcome(before, after, patch, stored);
  }

  /**
   * Applies edits and stores the next revision.
   *
   * @param seen the revision the asker saw; edits since then are no obstacle unless they touch the
   *     same things
   */
  EditOutcome edit(long shotId, long seen, List<Edit> edits, Asker asker) {
    String summary = edits.stream().map(Edit::summary).distinct().collect(Collectors.joining(", "));
    return store(
        shotId,
        asker,
        before -> {
          refuseConflict(shotId, seen, before, edits);
          Planned planned = planned(before.shot(), edits, summary, asker);
          refuseForeignAssets(shotId, before.shot(), planned.shot());
          return planned;
        });
  }

  /** Applies edits of another part of the application, to the newest revision. */
  public long apply(long shotId, List<Edit> edits, Asker asker) {
    return edit(shotId, live(shotId).revision(), edits, asker).after().revision();
  }

  /** Edits are compared on the state that the asker saw, where both could be made. */
  private void refuseConflict(long shotId, long seen, LiveShot before, List<Edit> edits) {
    if (seen >= before.revision()) {
      return;
    }
    List<ShotRepository.Told> since = repository.since(shotId, seen);
    if (since.isEmpty()) {
      return;
    }
    Footprint mine = Edit.applyAll(past(shotId, Math.max(1, seen)).shot(), edits).footprint();
    for (ShotRepository.Told told : since) {
      if (told.footprint().conflictsWith(mine)) {
        throw new ConflictException(
            told.author()
                + " changed the same thing in revision "
                + told.revision()
                + "; this change was made on revision "
                + seen,
            Map.of(
                "seen", seen,
                "current", before.revision(),
                "theirs", told.edits(),
                "yours", EditJson.text(edits)));
      }
    }
  }

  private void refuseForeignAssets(long shotId, Shot before, Shot after) {
    List<Node> changed =
        after.nodes().stream()
            .filter(n -> before.find(n.id()).filter(n::equals).isEmpty())
            .toList();
    assets.require(repository.productionOf(shotId), changed);
  }

  /** Takes back the last edit that was not taken back yet, by whomever it is. */
  EditOutcome undo(long shotId, Asker asker) {
    return walk(shotId, asker, ShotRepository.Kind.UNDO);
  }

  /** Does again the edit that was taken back last. */
  EditOutcome redo(long shotId, Asker asker) {
    return walk(shotId, asker, ShotRepository.Kind.REDO);
  }

  private EditOutcome walk(long shotId, Asker asker, ShotRepository.Kind kind) {
    boolean undo = kind == ShotRepository.Kind.UNDO;
    return store(
        shotId,
        asker,
        before -> {
          ShotRepository.Step step =
              (undo ? repository.lastDone(shotId) : repository.firstUndone(shotId))
                  .orElseThrow(
                      () ->
                          new ConflictException(
                              undo ? "There is nothing left to undo" : "There is nothing to redo",
                              Map.of()));
          List<Edit> edits = read(undo ? step.inverse() : step.edits());
          Edit.Applied applied = Edit.applyAgain(before.shot(), edits);
          return new Planned(
              applied.shot(),
              new ShotRepository.Change(
                  kind,
                  edits,
                  applied.inverse(),
                  applied.footprint(),
                  (undo ? "Undo: " : "Redo: ") + step.summary(),
                  asker.accountId()),
              step);
        });
  }

  private static List<Edit> read(String edits) {
    try {
      return EditJson.readList(JsonPlace.parse(edits.getBytes(StandardCharsets.UTF_8)));
    } catch (FormatException e) {
      throw new IllegalStateException("A stored edit cannot be read: " + e.getMessage(), e);
    }
  }

  /** What a change leads to. The step is the edit walked over, or null for new work. */
  private record Planned(Shot shot, ShotRepository.Change change, ShotRepository.Step step) {}

  private interface Plan {
    Planned from(LiveShot before);
  }

  private EditOutcome store(long shotId, Asker asker, Plan plan) {
    synchronized (locks.computeIfAbsent(shotId, id -> new Object())) {
      for (int i = 0; i < TRIES; i++) {
        LiveShot before = live(shotId);
        Planned planned = plan.from(before);
        LiveShot after = before.next(before.revision() + 1, planned.shot());
        if (write(shotId, before.revision(), after, planned)) {
          live.put(shotId, after);
          events.tell(shotId, after.revision(), planned.change().summary(), asker.window());
          return outcome(before, after, true);
        }
        live.forget(shotId); // somebody else wrote: read again
      }
    }
    throw new ConflictException(
        "The shot is changed faster than this change can be stored", Map.of());
  }

  private boolean write(long shotId, long seen, LiveShot after, Planned planned) {
    ShotRepository.Document document =
        new ShotRepository.Document(after.shot().header().name(), after.text());
    return planned.step() == null
        ? repository.write(shotId, seen, document, planned.change())
        : repository.writeWalk(shotId, seen, document, planned.change(), planned.step());
  }
}
