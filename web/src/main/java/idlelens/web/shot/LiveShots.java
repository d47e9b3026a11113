package idlelens.web.shot;

import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import org.springframework.stereotype.Component;

/** The shots worked on lately, so that an edit need not read the document again. */
@Component
class LiveShots {
  private static final int MOST = 24;

  private final Map<Long, LiveShot> shots =
      new LinkedHashMap<>(MOST, 0.75f, true) {
        private static final long serialVersionUID = 1L;

        @Override
        protected boolean removeEldestEntry(Map.Entry<Long, LiveShot> eldest) {
          return size() > MOST;
        }
      };

  synchronized Optional<LiveShot> find(long shotId) {
    return Optional.ofNullable(shots.get(shotId));
  }

  synchronized void put(long shotId, LiveShot shot) {
    shots.put(shotId, shot);
  }

  synchronized void forget(long shotId) {
    shots.remove(shotId);
  }
}
