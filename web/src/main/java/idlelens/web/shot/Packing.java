package idlelens.web.shot;

import idlelens.core.scene.Shot;
import idlelens.web.work.Works;
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

  private final RevisionRepository revisions;
  private final Works works;

  Packing(RevisionRepository revisions, Works works) {
    this.revisions = revisions;
    this.works = works;
  }

  @EventListener(ApplicationReadyEvent.class)
  void begin() {
    revisions.shotsWithPlain().forEach(shot -> works.takeLong(ORDER, () -> packSome(shot, 1)));
  }

  /** Some revisions of a shot; then others have their turn before the next. */
  private int packSome(long shotId, long from) {
    List<Long> plain = revisions.plain(shotId, from, AT_ONCE);
    for (long revision : plain) {
      pack(shotId, revision);
    }
    if (plain.size() == AT_ONCE) {
      long next = plain.get(plain.size() - 1) + 1;
      works.takeLong(ORDER, () -> packSome(shotId, next));
    } else {
      LOG.info("The revisions of shot {} are packed", shotId);
    }
    return plain.size();
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
