package idlelens.web.shot;

import idlelens.core.rule.RefusedException;
import idlelens.core.scene.Shot;
import idlelens.web.database.DatabaseTrouble;
import idlelens.web.problem.DamagedException;
import idlelens.web.problem.NotFoundException;
import idlelens.web.work.Works;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;

/** Draws the sketches of shots in the background, once nobody has changed them for a moment. */
@Component
class Sketches {
  private static final Logger LOG = LoggerFactory.getLogger(Sketches.class);
  private static final Duration REST = Duration.ofMillis(800);
  private static final long NOBODY = 0;

  private final Map<Long, Instant> due = new ConcurrentHashMap<>();
  private final LiveShots live;
  private final ShotRepository shots;
  private final RevisionRepository revisions;
  private final CardRepository cards;
  private final Works works;
  private final Clock clock;

  Sketches(
      LiveShots live,
      ShotRepository shots,
      RevisionRepository revisions,
      CardRepository cards,
      Works works,
      Clock clock) {
    this.live = live;
    this.shots = shots;
    this.revisions = revisions;
    this.cards = cards;
    this.works = works;
    this.clock = clock;
  }

  /** A shot has changed, or has no sketch. */
  void changed(long shotId) {
    due.put(shotId, clock.instant().plus(REST));
  }

  @Scheduled(fixedDelay = 400)
  void drawDue() {
    Instant now = clock.instant();
    due.entrySet().stream()
        .filter(e -> e.getValue().isBefore(now))
        .forEach(
            e -> {
              due.remove(e.getKey(), e.getValue());
              works
                  .takeLong(new Works.Order(NOBODY, "a sketch"), () -> draw(e.getKey()))
                  .exceptionally(
                      busy -> {
                        changed(e.getKey()); // later
                        return false;
                      });
            });
  }

  /** Draws one; a shot that nobody works on is read for it, and not kept. */
  private boolean draw(long shotId) {
    long revision = 0;
    try {
      revision = shots.revision(shotId);
      Optional<LiveShot> known = live.find(shotId);
      LiveShot shot = known.isPresent() ? known.get() : read(shotId, revision);
      cards.put(shotId, shot, PlanSketch.of(shot.shot(), shot.motion()));
      return true;
    } catch (DamagedException | RefusedException e) {
      LOG.error("Shot {} cannot be shown: {}", shotId, e.getMessage());
      cards.putTrouble(shotId, revision, e.getMessage());
    } catch (NotFoundException gone) {
      LOG.debug("Shot {} went before it was drawn", shotId);
    } catch (RuntimeException e) {
      if (DatabaseTrouble.of(e).isWorthRetrying()) {
        changed(shotId);
      }
      LOG.warn("The sketch of shot {} was not stored; the old one stays", shotId, e);
    }
    return false;
  }

  private LiveShot read(long shotId, long revision) {
    Shot shot = revisions.read(shotId, revision);
    return new LiveShot(revision, shot);
  }
}
