package idlelens.web.shot;

import java.util.ArrayDeque;
import java.util.Deque;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import org.springframework.stereotype.Component;

/**
 * The shots worked on lately with their latest revisions, so that neither an edit nor another
 * window that catches up need read a document again.
 */
@Component
class LiveShots {
  private static final int MOST = 24;
  private static final int MOST_REVISIONS = 6;

  private final Map<Long, Deque<LiveShot>> shots =
      new LinkedHashMap<>(MOST, 0.75f, true) {
        private static final long serialVersionUID = 1L;

        @Override
        protected boolean removeEldestEntry(Map.Entry<Long, Deque<LiveShot>> eldest) {
          return size() > MOST;
        }
      };

  /** The newest state known of a shot. */
  synchronized Optional<LiveShot> find(long shotId) {
    return Optional.ofNullable(shots.get(shotId)).map(Deque::getLast);
  }

  /** A shot at one of its latest revisions. */
  synchronized Optional<LiveShot> find(long shotId, long revision) {
    return Optional.ofNullable(shots.get(shotId)).stream()
        .flatMap(Deque::stream)
        .filter(s -> s.revision() == revision)
        .findFirst();
  }

  synchronized void put(long shotId, LiveShot shot) {
    Deque<LiveShot> revisions = shots.computeIfAbsent(shotId, id -> new ArrayDeque<>());
    revisions.addLast(shot);
    if (revisions.size() > MOST_REVISIONS) {
      revisions.removeFirst();
    }
  }

  synchronized void forget(long shotId) {
    shots.remove(shotId);
  }
}
