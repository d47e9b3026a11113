package idlelens.exchange.gltf;

import idlelens.core.rule.RefusedException;
import idlelens.core.time.FrameRange;
import idlelens.core.time.FrameRate;
import idlelens.exchange.format.FormatException;
import idlelens.exchange.json.JsonPlace;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;

/**
 * What a file that we wrote says of the shot: rate and frame numbers, which the format itself
 * cannot hold.
 *
 * @param first the frame at time 0, before the range where handles went out
 */
public record GltfHints(
    FrameRate rate, FrameRange range, int first, double aspect, OptionalInt handles) {
  static final String EXTRAS = "idleLens";

  /** The hints in a file, if it has any. */
  public static Optional<GltfHints> find(byte[] file, Map<String, byte[]> beside)
      throws FormatException {
    Optional<JsonPlace> ours = ours(GltfFile.read(file, beside).root().get("asset"));
    if (ours.isEmpty()) {
      return Optional.empty();
    }
    JsonPlace hints = ours.get();
    try {
      return Optional.of(
          new GltfHints(
              FrameRate.parse(hints.get("rate").text()),
              new FrameRange(hints.get("in").whole(), hints.get("out").whole()),
              hints.get(hints.has("from") ? "from" : "in").whole(),
              hints.get("aspect").number(),
              hints.has("handles")
                  ? OptionalInt.of(hints.get("handles").whole())
                  : OptionalInt.empty()));
    } catch (RefusedException e) {
      throw new FormatException(hints.path() + "." + e.where(), e.found(), e.allowed());
    }
  }

  /** Our own part of a definition's extras, if there is one. */
  static Optional<JsonPlace> ours(JsonPlace definition) throws FormatException {
    if (!definition.has("extras") || !definition.get("extras").node().isObject()) {
      return Optional.empty();
    }
    return definition.get("extras").find(EXTRAS).filter(p -> p.node().isObject());
  }
}
