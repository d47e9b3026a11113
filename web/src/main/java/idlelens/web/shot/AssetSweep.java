package idlelens.web.shot;

import java.time.Clock;
import java.time.Duration;
import java.time.LocalDateTime;
import java.util.Set;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;

/** Takes triangles and pictures out of the database that no revision of any shot names any more. */
@Component
class AssetSweep {
  private static final Logger LOG = LoggerFactory.getLogger(AssetSweep.class);

  /** What was brought in since may be on its way into a shot. */
  private static final Duration REST = Duration.ofDays(1);

  private final AssetRepository assets;
  private final RevisionRepository revisions;
  private final Clock clock;

  AssetSweep(AssetRepository assets, RevisionRepository revisions, Clock clock) {
    this.assets = assets;
    this.revisions = revisions;
    this.clock = clock;
  }

  @Scheduled(initialDelayString = "PT20M", fixedDelayString = "PT24H")
  void sweep() {
    LocalDateTime before = LocalDateTime.now(clock).minus(REST);
    Set<String> unnamed = assets.broughtInBefore(before);
    if (!unnamed.isEmpty()) {
      revisions.forEachText(text -> unnamed.removeIf(text::contains), unnamed::isEmpty);
    }
    int gone = unnamed.isEmpty() ? 0 : assets.remove(unnamed, before);
    if (gone > 0) {
      LOG.info("{} meshes and pictures that no shot names any more left the database", gone);
    }
  }
}
