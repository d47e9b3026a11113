package idlelens.web.shot;

import idlelens.core.scene.Shot;
import idlelens.web.work.Works;
import java.util.ArrayDeque;
import java.util.Deque;
import java.util.List;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;

/**
 * Packs revisions that were stored plain by earlier versions, in the background, one after another.
 * Each stays readable at every moment; what cannot be packed without a change of its text stays
 * whole.
 */
@Component
class Packing {
  private static final Logger LOG = LoggerFactory.getLogger(Packing.class);
  private static final Works.Order ORDER = new Works.Order(0, "packing old revisions");
  private static final int AT_ONCE = 50;
  private static final long NONE_LEFT = 0;

  private final RevisionRepository revisions;
  private final Works works;

  Packing(RevisionRepository revisions, Works works) {
    this.revisions = revisions;
    this.works = works;
  }

  @EventListener(ApplicationReadyEvent.class)
  void begin() {
    packNext(new ArrayDeque<>(revisions.shotsWithPlain()), 1);
  }

  /** Some revisions of the first shot; then others have their turn before the next. */
  private void packNext(Deque<Long> shots, long from) {
    if (!shots.isEmpty()) {
      works
          .takeLong(ORDER, () -> packSome(shots.peek(), from))
          .whenComplete(
              (next, failed) -> {
                if (failed != null || next == NONE_LEFT) {
                  shots.remove();
                  packNext(shots, 1);
                } else {
                  packNext(shots, next);
                }
              });
    }
  }

  /** Gives the revision to go on from. */
  private long packSome(long shotId, long from) {
    List<Long> plain = revisions.plain(shotId, from, AT_ONCE);
    plain.forEach(revision -> pack(shotId, revision));
    if (plain.size() == AT_ONCE) {
      return plain.get(AT_ONCE - 1) + 1;
    }
    LOG.info("The revisions of shot {} are packed", shotId);
    return NONE_LEFT;
  }

  private void pack(long shotId, long revision) {
    try {
      Shot before =
          revision % RevisionRepository.WHOLE_EVERY == 1
              ? null
              : revisions.read(shotId, revision - 1);
      revisions.pack(shotId, revision, before);
    } catch (RuntimeException e) {
      LOG.warn("Revision {} of shot {} stays as it is: {}", revision, shotId, e.getMessage());
    }
  }
}
