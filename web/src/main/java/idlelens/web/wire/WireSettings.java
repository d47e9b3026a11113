package idlelens.web.wire;

import java.time.Duration;
import java.util.List;
import org.springframework.boot.context.properties.ConfigurationProperties;

/**
 * What the other side may do.
 *
 * @param hosts names and addresses by which the service may be asked for, without ports; of others
 *     nothing is answered
 * @param bodyDeadline how long a body may take to arrive, and a second more for every 64 KB
 * @param answerDeadline the same for an answer to be read
 * @param mostBodiesPerClient the most bodies that one address may be sending at once
 * @param mostBodies the most that all may
 * @param mostLargeBodies the most bodies over 1 MB that are worked on at once
 */
@ConfigurationProperties("idle-lens.wire")
public record WireSettings(
    List<String> hosts,
    Duration bodyDeadline,
    Duration answerDeadline,
    int mostBodiesPerClient,
    int mostBodies,
    int mostLargeBodies) {
  static final long BYTES_A_SECOND = 64 << 10;

  public WireSettings {
    hosts = hosts == null ? List.of() : List.copyOf(hosts);
  }

  static long patienceMs(Duration least, long bytes) {
    return least.toMillis() + Math.max(0, bytes) * 1000 / BYTES_A_SECOND;
  }
}
