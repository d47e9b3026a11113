package idlelens.web.soak;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Locale;

/** How long things took, in milliseconds; filled from many threads. */
final class Latencies {
  private final List<Double> all = Collections.synchronizedList(new ArrayList<>());

  /** Does something and keeps how long it took. */
  void time(Runnable work) {
    long start = System.nanoTime();
    work.run();
    all.add((System.nanoTime() - start) / 1e6);
  }

  int count() {
    return all.size();
  }

  double largest() {
    return percentile(100);
  }

  /** The value below which that many per cent lie. */
  double percentile(double percent) {
    List<Double> sorted = new ArrayList<>(all);
    Collections.sort(sorted);
    if (sorted.isEmpty()) {
      return Double.NaN;
    }
    int index = (int) Math.ceil(percent / 100 * sorted.size()) - 1;
    return sorted.get(Math.max(0, index));
  }

  String words() {
    return String.format(
        Locale.ROOT,
        "%d, p50 %.0f ms, p95 %.0f ms, p99 %.0f ms, longest %.0f ms",
        count(),
        percentile(50),
        percentile(95),
        percentile(99),
        largest());
  }
}
