package idlelens.web.shot;

import idlelens.core.edit.Edit;
import idlelens.core.edit.Footprint;
import idlelens.core.scene.Shot;
import idlelens.exchange.json.ShotJson;
import idlelens.web.problem.ConflictException;
import idlelens.web.problem.DamagedException;
import idlelens.web.problem.NotFoundException;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.stereotype.Service;

/** Gets a shot going again whose newest revision cannot be read. */
@Service
class Rescue {
  private final ShotRepository shots;
  private final RevisionRepository revisions;
  private final LiveShots live;
  private final ShotEvents events;
  private final Sketches sketches;

  Rescue(
      ShotRepository shots,
      RevisionRepository revisions,
      LiveShots live,
      ShotEvents events,
      Sketches sketches) {
    this.shots = shots;
    this.revisions = revisions;
    this.live = live;
    this.events = events;
    this.sketches = sketches;
  }

  /** What is stored of the newest revision, readable or not. */
  List<RevisionRepository.Stored> stored(long shotId) {
    return revisions.stored(shotId, shots.revision(shotId));
  }

  /**
   * Where a shot was set back to.
   *
   * @param revision the new revision
   * @param as the revision that it is like
   */
  record SetBack(long revision, long as) {}

  /**
   * Makes the last revision that can be read the newest one.
   *
   * @throws ConflictException if the newest can be read, or if none can
   */
  SetBack setBack(long shotId, Asker asker) {
    long newest = shots.revision(shotId);
    if (readable(shotId, newest).isPresent()) {
      throw new ConflictException(
          "Revision " + newest + " of this shot can be read; nothing is to be mended", Map.of());
    }
    for (long revision = newest - 1; revision >= 1; revision--) {
      Optional<Shot> found = readable(shotId, revision);
      if (found.isPresent()) {
        store(shotId, newest, revision, found.get(), asker);
        return new SetBack(newest + 1, revision);
      }
    }
    throw new ConflictException(
        "No revision of this shot can be read; what is stored can be downloaded", Map.of());
  }

  private Optional<Shot> readable(long shotId, long revision) {
    try {
      return Optional.of(revisions.read(shotId, revision));
    } catch (DamagedException | NotFoundException e) {
      return Optional.empty();
    }
  }

  private void store(long shotId, long newest, long as, Shot shot, Asker asker) {
    String summary = "Set back to revision " + as + ", the last that can be read";
    Edit nothing = Edit.between(shot, shot);
    ShotRepository.Change change =
        new ShotRepository.Change(
            ShotRepository.Kind.UNDO,
            List.of(nothing),
            nothing,
            Footprint.ALL,
            summary,
            asker.accountId(),
            asker.request());
    RevisionRepository.Step step = new RevisionRepository.Step(shot, shot, ShotJson.bytes(shot));
    if (!shots.setBack(shotId, newest, step, change)) {
      throw new ConflictException("Somebody set this shot back at the same time", Map.of());
    }
    live.forget(shotId);
    sketches.changed(shotId);
    events.tell(shotId, newest + 1, summary, asker.window());
  }
}
