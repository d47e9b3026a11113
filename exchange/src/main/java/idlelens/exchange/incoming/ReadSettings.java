package idlelens.exchange.incoming;

import idlelens.core.time.FrameRate;
import idlelens.exchange.scenefile.Conventions;
import java.util.Optional;
import java.util.OptionalDouble;

/**
 * What the file does not say, or says wrongly.
 *
 * @param rate frames per second of the shot
 * @param firstFrame the frame at the first time of the file
 * @param aspect picture aspect of the shot, or none to take the file's
 * @param idPrefix letters before the ids of the new nodes
 * @param conventions axes and unit in place of the file's, or none to take those
 * @param size how many times as large everything becomes, 1 to leave it
 */
public record ReadSettings(
    FrameRate rate,
    int firstFrame,
    OptionalDouble aspect,
    String idPrefix,
    Optional<Conventions> conventions,
    double size) {
  /** Takes the file at its word. */
  public ReadSettings(FrameRate rate, int firstFrame, OptionalDouble aspect, String idPrefix) {
    this(rate, firstFrame, aspect, idPrefix, Optional.empty(), 1);
  }
}
