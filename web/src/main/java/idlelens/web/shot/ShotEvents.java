package idlelens.web.shot;

import java.io.IOException;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.CopyOnWriteArrayList;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter;

/** Tells open windows of a shot about new revisions, and how many windows there are. */
@Component
class ShotEvents {
  private final Map<Long, List<Listener>> listeners = new ConcurrentHashMap<>();

  private record Listener(SseEmitter emitter, String window) {}

  SseEmitter listen(long shotId, String window, long revision) {
    SseEmitter emitter = new SseEmitter(0L);
    Listener listener = new Listener(emitter, window);
    List<Listener> all = listeners.computeIfAbsent(shotId, id -> new CopyOnWriteArrayList<>());
    all.add(listener);
    Runnable leave =
        () -> {
          if (all.remove(listener)) {
            tellPeople(shotId);
          }
        };
    emitter.onCompletion(leave);
    emitter.onTimeout(leave);
    emitter.onError(e -> leave.run());
    send(shotId, listener, "revision", Map.of("revision", revision, "window", ""));
    tellPeople(shotId);
    return emitter;
  }

  /** A window is closed: its listener goes at once, not when the next beat finds it gone. */
  void leave(long shotId, String window) {
    List<Listener> gone = all(shotId).stream().filter(l -> l.window().equals(window)).toList();
    if (all(shotId).removeAll(gone)) {
      tellPeople(shotId);
    }
    gone.forEach(l -> l.emitter().complete());
  }

  void tell(long shotId, long revision, String summary, String window) {
    Map<String, Object> event =
        Map.of("revision", revision, "summary", summary, "window", window == null ? "" : window);
    all(shotId).forEach(l -> send(shotId, l, "revision", event));
  }

  private void tellPeople(long shotId) {
    Map<String, Object> event = Map.of("windows", all(shotId).size());
    all(shotId).forEach(l -> send(shotId, l, "people", event));
  }

  /** Keeps connections open, and finds those that are gone. */
  @Scheduled(fixedRate = 5_000)
  void beat() {
    listeners.forEach(
        (shotId, all) -> all.forEach(l -> send(shotId, l, "beat", Map.of("windows", all.size()))));
  }

  private List<Listener> all(long shotId) {
    return listeners.getOrDefault(shotId, List.of());
  }

  private void send(long shotId, Listener listener, String name, Map<String, Object> data) {
    try {
      listener.emitter().send(SseEmitter.event().name(name).data(data));
    } catch (IOException | IllegalStateException gone) {
      all(shotId).remove(listener);
    }
  }
}
