package idlelens.exchange.scenefile;

import idlelens.core.time.FrameRate;
import java.util.Optional;
import java.util.OptionalDouble;

/**
 * The time of a file.
 *
 * @param ticksPerSecond its units of time in a second: 1 for seconds
 * @param first the time of its first frame: 0 where it counts seconds
 * @param last the time of its last frame, if that is said
 * @param rate frames a second, if that is said
 * @param firstFrame the number of its first frame, if it counts frames
 */
public record FileClock(
    double ticksPerSecond,
    double first,
    OptionalDouble last,
    Optional<FrameRate> rate,
    Optional<Integer> firstFrame) {
  /** Seconds from 0, and nothing said of frames. */
  public static final FileClock SECONDS =
      new FileClock(1, 0, OptionalDouble.empty(), Optional.empty(), Optional.empty());
}
