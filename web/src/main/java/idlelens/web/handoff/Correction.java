package idlelens.web.handoff;

import idlelens.core.rule.RefusedException;
import idlelens.core.rule.Require;
import idlelens.core.time.FrameRate;
import idlelens.exchange.json.JsonPlace;
import idlelens.exchange.scenefile.Axes;
import idlelens.exchange.scenefile.Conventions;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;

/**
 * What is said of a file in place of what it says itself; null for what stands.
 *
 * @param rate frames per second
 * @param firstFrame the frame at its first time
 * @param axes a word of {@link Axes}
 * @param metresPerUnit length of its unit
 * @param size how many times as large everything becomes
 */
record Correction(
    FrameRate rate, Integer firstFrame, String axes, Double metresPerUnit, Double size) {
  private static final double LEAST = 1e-6;
  private static final double MOST = 1e6;

  Correction {
    if (size != null) {
      Require.within(size, LEAST, MOST, "scale");
    }
  }

  Optional<Conventions> of(Conventions found) {
    if (blank(axes) && metresPerUnit == null) {
      return Optional.empty();
    }
    Conventions turned = blank(axes) ? found : found.withAxes(chosen());
    return Optional.of(metresPerUnit == null ? turned : turned.withUnit(metresPerUnit));
  }

  double times() {
    return size == null ? 1 : size;
  }

  private static boolean blank(String text) {
    return text == null || text.isBlank();
  }

  private Axes chosen() {
    for (Axes each : Axes.values()) {
      if (JsonPlace.word(each).equals(axes)) {
        return each;
      }
    }
    List<String> all = Arrays.stream(Axes.values()).map(JsonPlace::word).toList();
    throw new RefusedException("axes", "'" + axes + "'", String.join(", ", all));
  }
}
