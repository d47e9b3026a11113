package idlelens.exchange.scenefile;

import idlelens.core.rule.RefusedException;
import idlelens.core.time.FrameRange;
import idlelens.core.time.FrameRate;
import idlelens.exchange.format.FormatException;
import idlelens.exchange.json.JsonPlace;
import java.util.OptionalInt;
import tools.jackson.databind.node.ObjectNode;

/**
 * What a file that we wrote says of the shot: rate and frame numbers, which not every format can
 * hold.
 *
 * @param name of the shot
 * @param first the frame at time 0, before the range where handles went out
 */
public record ShotHint(
    String name, FrameRate rate, FrameRange range, int first, double aspect, OptionalInt handles) {
  /** Under this name our own part of a definition stands, in formats that have room for it. */
  public static final String OURS = "idleLens";

  /**
   * @throws FormatException with the path in the file
   */
  public static ShotHint read(JsonPlace hints) throws FormatException {
    try {
      return new ShotHint(
          hints.text("shot", ""),
          FrameRate.parse(hints.get("rate").text()),
          new FrameRange(hints.get("in").whole(), hints.get("out").whole()),
          hints.get(hints.has("from") ? "from" : "in").whole(),
          hints.get("aspect").number(),
          hints.has("handles")
              ? OptionalInt.of(hints.get("handles").whole())
              : OptionalInt.empty());
    } catch (RefusedException e) {
      throw new FormatException(hints.path() + "." + e.where(), e.found(), e.allowed());
    }
  }

  /** Writes it as it is read. */
  public ObjectNode write(ObjectNode out) {
    out.put("shot", name).put("rate", rate.toString());
    out.put("in", range.in()).put("out", range.out()).put("handles", handles.orElse(0));
    return out.put("from", first).put("aspect", aspect);
  }

  /** Frames of handles that come before the range. */
  public int lead() {
    return Math.max(0, range.in() - first);
  }

  /** Frames of handles after it: there are some if there are some before it. */
  public int trail() {
    return lead() == 0 ? 0 : handles.orElse(0);
  }
}
