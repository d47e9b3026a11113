package idlelens.web.shot;

import idlelens.exchange.json.JsonPlace;
import idlelens.web.access.Visitor;
import idlelens.web.wire.EventQueue;
import idlelens.web.wire.Pieces;
import idlelens.web.work.BusyException;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.function.Predicate;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;

/**
 * Tells open windows of a shot about new revisions, and how many windows there are. To tell is to
 * put something into a queue of each window: nobody waits for a window.
 */
@Component
public class ShotEvents {
  private static final int MOST_WAITING = 64;
  private static final byte[] BEAT = EventQueue.event("beat", "{}");

  private final Map<Long, Map<Window, EventQueue>> listeners = new ConcurrentHashMap<>();
  private final Set<Long> peopleChanged = ConcurrentHashMap.newKeySet();
  private final AtomicInteger count = new AtomicInteger();
  private final ListenerRepository repository;
  private final int most;

  ShotEvents(ListenerRepository repository, @Value("${idle-lens.most-listeners}") int most) {
    this.repository = repository;
    this.most = most;
  }

  /** A window that listens. Two of one name are told apart by their instance. */
  public static final class Window {
    private final long shotId;
    private final String name;
    private final long accountId;
    private final String proof;
    private final String session;

    Window(long shotId, String name, Visitor visitor, String session) {
      this.shotId = shotId;
      this.name = name;
      this.accountId = visitor.id();
      this.proof = visitor.proof();
      this.session = session;
    }

    private ListenerRepository.Allowed claim() {
      return new ListenerRepository.Allowed(shotId, accountId, proof);
    }

    public long shotId() {
      return shotId;
    }

    public String name() {
      return name;
    }

    public long accountId() {
      return accountId;
    }

    private boolean isAgain(Window other) {
      return shotId == other.shotId && accountId == other.accountId && name.equals(other.name);
    }

    /** The id of its log-in, empty where there is none. */
    public String session() {
      return session;
    }
  }

  /** A window that connects again takes the place of the one that it was. */
  Pieces listen(Window window, long revision) {
    if (!window.name().isEmpty()) {
      endWhere(window::isAgain);
    }
    if (count.incrementAndGet() > most) {
      count.decrementAndGet();
      throw new BusyException(most);
    }
    EventQueue queue = new EventQueue(MOST_WAITING, () -> forget(window));
    listeners.computeIfAbsent(window.shotId(), id -> new ConcurrentHashMap<>()).put(window, queue);
    queue.tell(event("revision", Map.of("revision", revision, "window", "")));
    peopleChanged.add(window.shotId());
    return queue;
  }

  private void forget(Window window) {
    Map<Window, EventQueue> there = listeners.get(window.shotId());
    if (there != null && there.remove(window) != null) {
      count.decrementAndGet();
      peopleChanged.add(window.shotId());
    }
  }

  /** Ends the events of some windows, at once. */
  public void endWhere(Predicate<Window> which) {
    listeners
        .values()
        .forEach(
            all ->
                all.forEach(
                    (window, queue) -> {
                      if (which.test(window)) {
                        forget(window);
                        queue.close();
                      }
                    }));
  }

  void tell(long shotId, long revision, String summary, String window) {
    tellAll(
        shotId,
        event(
            "revision",
            Map.of(
                "revision", revision, "summary", summary, "window", window == null ? "" : window)));
  }

  /** How many windows there are is told at most ten times a second, however many come and go. */
  @Scheduled(fixedDelay = 100)
  void tellPeople() {
    for (Long shotId : Set.copyOf(peopleChanged)) {
      peopleChanged.remove(shotId);
      int windows = listeners.getOrDefault(shotId, Map.of()).size();
      tellAll(shotId, event("people", Map.of("windows", windows)));
    }
  }

  /** Keeps connections open, and finds those that are gone. */
  @Scheduled(fixedDelay = 5_000)
  void beat() {
    listeners.keySet().forEach(shotId -> tellAll(shotId, BEAT));
  }

  /** Ends the events of those who may no longer hear them, whoever took the right away. */
  @Scheduled(fixedDelay = 3_000)
  void check() {
    Set<Window> windows = new HashSet<>();
    listeners.values().forEach(all -> windows.addAll(all.keySet()));
    if (windows.isEmpty()) {
      return;
    }
    List<Long> shots = windows.stream().map(Window::shotId).distinct().toList();
    Set<ListenerRepository.Allowed> allowed = repository.allowed(shots);
    endWhere(w -> windows.contains(w) && !allowed.contains(w.claim()));
  }

  /** Ends what an account hears of the shots of a production that it has left. */
  public void endMembership(long accountId, long productionId) {
    Set<Long> shots = repository.shotsOf(productionId);
    endWhere(w -> w.accountId() == accountId && shots.contains(w.shotId()));
  }

  private void tellAll(long shotId, byte[] event) {
    listeners.getOrDefault(shotId, Map.of()).values().forEach(q -> q.tell(event));
  }

  private static byte[] event(String name, Map<String, Object> data) {
    return EventQueue.event(name, JsonPlace.mapper().writeValueAsString(data));
  }
}
