package idlelens.web.wire;

import java.util.HashMap;
import java.util.Map;

/** Counts who is sending bodies, so that no address takes all the room. */
final class Senders {
  private final int mostPerClient;
  private final int mostInAll;
  private final Map<String, Integer> byAddress = new HashMap<>();
  private int all;

  Senders(int mostPerClient, int mostInAll) {
    this.mostPerClient = mostPerClient;
    this.mostInAll = mostInAll;
  }

  synchronized boolean enter(String address) {
    int mine = byAddress.getOrDefault(address, 0);
    if (mine >= mostPerClient || all >= mostInAll) {
      return false;
    }
    byAddress.put(address, mine + 1);
    all++;
    return true;
  }

  synchronized void leave(String address) {
    all--;
    byAddress.computeIfPresent(address, (a, n) -> n == 1 ? null : n - 1);
  }
}
