package idlelens.web.shot;

import idlelens.core.check.ShotSize;
import idlelens.core.edit.Edit;
import idlelens.core.edit.Footprint;
import idlelens.core.edit.SetMarkers;
import idlelens.core.rule.RefusedException;
import idlelens.core.scene.Marker;
import idlelens.core.scene.Node;
import idlelens.core.scene.Shot;
import idlelens.exchange.csv.BeatTable;
import idlelens.exchange.format.FormatException;
import idlelens.exchange.json.EditJson;
import idlelens.exchange.json.JsonPlace;
import idlelens.exchange.json.ShotJson;
import idlelens.web.database.OutcomeUnknownException;
import idlelens.web.problem.ConflictException;
import idlelens.web.work.Work;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.Collectors;
import org.springframework.stereotype.Service;

/** The flow of one edit: apply, store, evaluate, tell the others. */
@Service
public class ShotService {
  private static final int TRIES = 5;

  private final ShotRepository repository;
  private final RevisionRepository revisions;
  private final AssetRepository assets;
  private final LiveShots live;
  private final ShotEvents events;
  private final Sketches sketches;

  ShotService(
      ShotRepository repository,
      RevisionRepository revisions,
      AssetRepository assets,
      LiveShots live,
      ShotEvents events,
      Sketches sketches) {
    this.repository = repository;
    this.revisions = revisions;
    this.assets = assets;
    this.live = live;
    this.events = events;
    this.sketches = sketches;
  }

  /** A shot and the revision it is at. */
  public record Revised(long revision, Shot shot) {}

  /** The newest state of a shot. */
  public Revised current(long shotId) {
    LiveShot shot = live(shotId);
    return new Revised(shot.revision(), shot.shot());
  }

  /** The production of a shot that is there. */
  public long productionOf(long shotId) {
    return repository.productionOf(shotId);
  }

  LiveShot live(long shotId) {
    long revision = repository.revision(shotId);
    Optional<LiveShot> known = live.find(shotId);
    if (known.isPresent()
        && (known.get().revision() >= revision || live.isArriving(shotId, revision))) {
      return known.get();
    }
    Shot shot = revisions.read(shotId, revision);
    LiveShot read =
        known.map(k -> k.next(revision, shot)).orElseGet(() -> new LiveShot(revision, shot));
    live.put(shotId, read);
    return read;
  }

  /**
   * The newest state as far as this process knows, without asking the database: right unless
   * somebody else writes to it too, which is found out when something is stored.
   */
  LiveShot likely(long shotId) {
    return live.find(shotId).orElseGet(() -> live(shotId));
  }

  /** A shot as it was at a revision. */
  LiveShot past(long shotId, long revision) {
    Optional<LiveShot> known = live.find(shotId, revision);
    if (known.isPresent()) {
      return known.get();
    }
    LiveShot now = live(shotId);
    return now.revision() == revision ? now : now.next(revision, revisions.read(shotId, revision));
  }

  /** What led from a revision to the newest, for a window that has the first. */
  EditOutcome since(long shotId, long revision) {
    LiveShot before = past(shotId, revision);
    LiveShot likely = likely(shotId);
    LiveShot after = likely.revision() > revision ? likely : live(shotId);
    return outcome(before, after, true);
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
            asker.accountId(),
            asker.request()),
        null);
  }

  /** Adds a shot to a production and gives its id. */
  public long add(long productionId, Shot shot) {
    ShotSize.requireRoom(shot, Optional.empty());
    byte[] text = ShotJson.bytes(shot);
    RevisionRepository.requireReadable(text);
    Work.seal();
    long id = repository.add(productionId, new ShotRepository.Document(shot.header(), text));
    sketches.changed(id);
    return id;
  }

  /** Applies edits without storing them. */
  EditOutcome show(long shotId, List<Edit> edits, Asker asker) {
    LiveShot before = live(shotId);
    Edit.Applied applied = Edit.applyAll(before.shot(), edits);
    check(before.shot(), applied.shot(), asker);
    return outcome(before, before.next(before.revision(), applied.shot()), false);
  }

  private static EditOutcome outcome(LiveShot before, LiveShot after, boolean stored) {
    Edit patch = Edit.between(before.shot(), after.shot());
    return new EditOutcome(before, after, patch, stored, false);
  }

  /**
   * Applies edits and stores the next revision.
   *
   * @param seen the revision the asker saw; edits since then are no obstacle unless they touch the
   *     same things
   * @param as what the edits are called together; empty to call them by themselves
   */
  EditOutcome edit(long shotId, long seen, List<Edit> edits, String as, Asker asker) {
    String own = edits.stream().map(Edit::summary).distinct().collect(Collectors.joining(", "));
    String summary = as.isBlank() ? own : as.strip();
    return store(
        shotId,
        asker,
        before -> {
          refuseConflict(shotId, seen, before, edits);
          Planned planned = planned(before.shot(), edits, summary, asker);
          check(before.shot(), planned.shot(), asker);
          return planned;
        });
  }

  /**
   * What edits of another part of the application led to.
   *
   * @param added ids of the nodes that came in
   * @param again whether they were made before, for the same request
   */
  public record Applied(long revision, List<String> added, boolean again) {}

  /**
   * Applies edits of another part of the application.
   *
   * @param seen the revision that they were worked out on: what changed the same things since then
   *     is not overwritten
   */
  public Applied apply(long shotId, long seen, List<Edit> edits, Asker asker) {
    EditOutcome outcome = edit(shotId, seen, edits, "", asker);
    Shot before = outcome.before().shot();
    List<String> added =
        outcome.after().shot().nodes().stream()
            .map(Node::id)
            .filter(id -> before.find(id).isEmpty())
            .toList();
    return new Applied(outcome.after().revision(), added, outcome.again());
  }

  /** Takes beats from a table as the markers of a shot. */
  EditOutcome takeBeats(long shotId, byte[] table, Asker asker) throws FormatException {
    LiveShot now = live(shotId);
    List<Marker> markers =
        BeatTable.read(table, now.shot().header(), () -> "beat-" + UUID.randomUUID());
    return edit(shotId, now.revision(), List.of(new SetMarkers(markers)), "", asker);
  }

  /** Edits are compared on the state that the asker saw, where both could be made. */
  private void refuseConflict(long shotId, long seen, LiveShot before, List<Edit> edits) {
    if (seen >= before.revision()) {
      return;
    }
    Footprint mine = Edit.applyAll(past(shotId, Math.max(1, seen)).shot(), edits).footprint();
    Optional<List<Footprint>> led = live.ledSince(shotId, seen);
    if (led.isPresent() && led.get().stream().noneMatch(f -> f.conflictsWith(mine))) {
      return;
    }
    List<ShotRepository.Told> since = repository.since(shotId, seen);
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

  private void check(Shot before, Shot after, Asker asker) {
    ShotSize.requireRoom(after, Optional.of(before));
    List<Node> changed =
        after.nodes().stream()
            .filter(n -> before.find(n.id()).filter(n::equals).isEmpty())
            .toList();
    assets.require(asker.productionId(), changed);
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
                  asker.accountId(),
                  asker.request()),
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

  /** What a change leads to. Walked is the edit taken back or done again, null for new work. */
  private record Planned(Shot shot, ShotRepository.Change change, ShotRepository.Step walked) {}

  private interface Plan {
    Planned from(LiveShot before);
  }

  /**
   * Stores a change as the next revision. That it was made before, by the same request, is asked
   * only where something is in its way: what a request led to is always in the way of itself.
   */
  private EditOutcome store(long shotId, Asker asker, Plan plan) {
    for (int i = 0; i < TRIES; i++) {
      Optional<EditOutcome> first = i == 0 ? Optional.empty() : doneBefore(shotId, asker);
      if (first.isPresent()) {
        return first.get();
      }
      LiveShot before = i == 0 ? likely(shotId) : live(shotId);
      Planned planned;
      try {
        planned = plan.from(before);
      } catch (RefusedException | ConflictException e) {
        return doneBefore(shotId, asker).orElseThrow(() -> e);
      }
      LiveShot after = before.next(before.revision() + 1, planned.shot());
      after.ledBy(planned.change().footprint());
      Work.seal();
      if (isStored(shotId, before, after, planned)) {
        sketches.changed(shotId);
        events.tell(shotId, after.revision(), planned.change().summary(), asker.window());
        return outcome(before, after, true);
      }
    }
    throw new ConflictException(
        "The shot is changed faster than this change can be stored", Map.of());
  }

  /** The outcome of the same request, if it was answered before and the answer was lost. */
  private Optional<EditOutcome> doneBefore(long shotId, Asker asker) {
    if (asker.request() == null) {
      return Optional.empty();
    }
    return repository
        .doneBy(asker.accountId(), asker.request())
        .map(
            done -> {
              if (done.shotId() != shotId) {
                throw new ConflictException(
                    "The id of this request stood for a change of another shot", Map.of());
              }
              LiveShot before = past(shotId, done.revision() - 1);
              LiveShot after = past(shotId, done.revision());
              Edit patch = Edit.between(before.shot(), after.shot());
              return new EditOutcome(before, after, patch, true, true);
            });
  }

  private boolean isStored(long shotId, LiveShot before, LiveShot after, Planned planned) {
    live.arrives(shotId, after.revision());
    try {
      boolean written = isWritten(shotId, before, after, planned);
      if (written) {
        live.put(shotId, after);
      }
      return written;
    } finally {
      live.arrived(shotId);
    }
  }

  private boolean isWritten(long shotId, LiveShot before, LiveShot after, Planned planned) {
    RevisionRepository.Step step =
        new RevisionRepository.Step(before.shot(), after.shot(), after.text());
    try {
      return repository.write(shotId, before.revision(), step, planned.change(), planned.walked());
    } catch (OutcomeUnknownException e) {
      return repository.isWritten(shotId, after.revision(), step.text(), e);
    }
  }
}
