package idlelens.web.work;

import java.time.Duration;
import org.springframework.boot.context.properties.ConfigurationProperties;

/**
 * How much is done at once.
 *
 * @param quickThreads threads for edits, 0 for two a core
 * @param readThreads threads for reads, 0 for one a core
 * @param longThreads threads for what takes long, 0 for one a core
 * @param mostInLane the most calls that wait for one shot, or for one account's long work
 * @param mostInAll the most calls that wait in all
 * @param quickDeadline how long an edit may take, waiting included
 * @param longDeadline how long an import, export or analysis may take, waiting included
 */
@ConfigurationProperties("idle-lens.work")
public record WorkSettings(
    int quickThreads,
    int readThreads,
    int longThreads,
    int mostInLane,
    int mostInAll,
    Duration quickDeadline,
    Duration longDeadline) {
  private static final int CORES = Runtime.getRuntime().availableProcessors();

  public WorkSettings {
    quickThreads = quickThreads > 0 ? quickThreads : 2 * CORES;
    readThreads = readThreads > 0 ? readThreads : CORES;
    longThreads = longThreads > 0 ? longThreads : CORES;
  }
}
