package idlelens.web.shot;

import idlelens.core.edit.Footprint;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.stereotype.Component;

/**
 * The shots worked on lately with their latest revisions, so that neither an edit nor another
 * window that catches up need read a document again. Bounded by what they weigh: those not worked
 * on for longest go first, then the oldest revisions of those that are.
 */
@Component
class LiveShots {
  private static final int MOST_SHOTS = 48;
  private static final int MOST_REVISIONS = 256;

  /** Of a sample with all that is computed along the way. */
  private static final long OCTETS_OF_A_SAMPLE = 220;

  /** To weigh all takes a moment, so it is not done at each edit. */
  private static final int LOOKED_AFTER = 4;

  /** The part of the memory that they may take. */
  private static final int SHARE = 3;

  private final long mostWeight;
  private final Map<Long, Deque<LiveShot>> shots = new LinkedHashMap<>(MOST_SHOTS, 0.75f, true);
  private final Map<Long, Long> arriving = new HashMap<>();
  private int puts;

  LiveShots() {
    this(Runtime.getRuntime().maxMemory() / SHARE / OCTETS_OF_A_SAMPLE);
  }

  /**
   * @param mostWeight the most samples kept
   */
  LiveShots(long mostWeight) {
    this.mostWeight = mostWeight;
  }

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

  /**
   * Says that a revision is being stored, and will be put here or not; until then the one before it
   * is the newest that anybody was told of.
   */
  synchronized void arrives(long shotId, long revision) {
    arriving.put(shotId, revision);
  }

  /** Says that it was stored and put here, or was not stored. */
  synchronized void arrived(long shotId) {
    arriving.remove(shotId);
  }

  /**
   * Whether a revision that the database has need not be read, since it is about to be put here.
   */
  synchronized boolean isArriving(long shotId, long revision) {
    return arriving.getOrDefault(shotId, 0L) == revision;
  }

  /** What led to the revisions after one, the oldest first; empty if not all of it is known. */
  synchronized Optional<List<Footprint>> ledSince(long shotId, long revision) {
    Deque<LiveShot> revisions = shots.get(shotId);
    if (revisions == null || revisions.getFirst().revision() > revision) {
      return Optional.empty();
    }
    List<Footprint> led = new ArrayList<>();
    for (LiveShot each : revisions) {
      if (each.revision() > revision) {
        if (each.led().isEmpty() || each.revision() != revision + led.size() + 1) {
          return Optional.empty();
        }
        led.add(each.led().get());
      }
    }
    return Optional.of(led);
  }

  synchronized void put(long shotId, LiveShot shot) {
    Deque<LiveShot> revisions = shots.computeIfAbsent(shotId, id -> new ArrayDeque<>());
    if (!revisions.isEmpty() && revisions.getLast().revision() >= shot.revision()) {
      return; // somebody was faster
    }
    if (!revisions.isEmpty()) {
      revisions.getLast().grewOld();
    }
    revisions.addLast(shot);
    if (revisions.size() > MOST_REVISIONS) {
      revisions.removeFirst();
    }
    if (puts++ % LOOKED_AFTER == 0 || shots.size() > MOST_SHOTS) {
      makeRoom(shotId);
    }
  }

  private void makeRoom(long inHand) {
    while (shots.size() > MOST_SHOTS || shots.size() > 1 && weight() > mostWeight) {
      shots.remove(shots.keySet().iterator().next());
    }
    Deque<LiveShot> revisions = shots.get(inHand);
    while (revisions.size() > 1 && weight() > mostWeight) {
      revisions.removeFirst();
    }
  }

  private long weight() {
    return shots.values().stream().flatMap(Deque::stream).mapToLong(LiveShot::weight).sum();
  }

  synchronized void forget(long shotId) {
    shots.remove(shotId);
  }
}
