package idlelens.web.operate;

import idlelens.core.rule.RefusedException;
import idlelens.exchange.format.FormatException;
import idlelens.web.problem.ConflictException;
import java.net.SocketException;
import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.DisposableBean;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;

/** The trackers that are listened to: none until somebody asks, and no longer than he does. */
@Component
class Trackers implements DisposableBean {
  /** A port below needs rights that the application does not have. */
  static final int LEAST_PORT = 1024;

  static final int GREATEST_PORT = 65_535;

  private static final int MOST = 8;
  private static final double FORGOTTEN_S = 60;
  private static final Logger LOG = LoggerFactory.getLogger(Trackers.class);

  private final TakeRepository takes;
  private final Map<Key, Tracker> open = new HashMap<>();

  Trackers(TakeRepository takes) {
    this.takes = takes;
  }

  private record Key(long account, long shot) {}

  /** Begins to listen, in place of what was listened to for the same shot. */
  synchronized Tracker open(long account, long shot, int port, Tracker.Wanted wanted) {
    close(account, shot);
    if (open.size() >= MOST) {
      throw new RefusedException(
          "tracker", "one more than " + MOST, "at most " + MOST + " at once");
    }
    try {
      Tracker tracker = new Tracker(port, wanted);
      open.put(new Key(account, shot), tracker);
      return tracker;
    } catch (SocketException e) {
      throw new ConflictException(
          "Port "
              + port
              + " is taken on this machine: choose another, and let the tracker send there",
          Map.of());
    }
  }

  synchronized Optional<Tracker> find(long account, long shot) {
    Optional<Tracker> tracker = Optional.ofNullable(open.get(new Key(account, shot)));
    tracker.ifPresent(Tracker::asked);
    return tracker;
  }

  Tracker get(long account, long shot) {
    return find(account, shot)
        .orElseThrow(
            () -> new ConflictException("No tracker is listened to: switch it on first", Map.of()));
  }

  /**
   * Ends a take and keeps it.
   *
   * @return its name
   * @throws RefusedException if none is rolled, or too little came
   */
  String cut(long shot, Tracker tracker) {
    Tracker.Cut cut = ended(tracker);
    String told = TrackerJson.told(cut.done().told()).toString();
    return takes.keep(shot, TakeRepository.Source.TRACKER, cut.done().take(), cut.start(), told);
  }

  private static Tracker.Cut ended(Tracker tracker) {
    try {
      return tracker.cut();
    } catch (FormatException e) {
      throw new RefusedException(e.where(), e.found(), e.allowed());
    }
  }

  synchronized void close(long account, long shot) {
    Tracker tracker = open.remove(new Key(account, shot));
    if (tracker != null) {
      keepRolled(shot, tracker);
      tracker.close();
    }
  }

  /** What was rolled when a window went away, or the service ends, is not lost. */
  private void keepRolled(long shot, Tracker tracker) {
    if (!tracker.hasTake()) {
      return;
    }
    try {
      cut(shot, tracker);
    } catch (RuntimeException e) {
      LOG.warn("A take that was rolled while its window went away could not be kept", e);
    }
  }

  @Scheduled(fixedRate = 10_000)
  synchronized void closeForgotten() {
    for (Key key : Map.copyOf(open).keySet()) {
      if (open.get(key).forgottenS() > FORGOTTEN_S) {
        close(key.account, key.shot);
      }
    }
  }

  @Override
  public synchronized void destroy() {
    Map.copyOf(open).keySet().forEach(key -> close(key.account, key.shot));
  }
}
