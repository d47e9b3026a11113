package idlelens.exchange.transfer;

import idlelens.exchange.outgoing.HandOff;
import idlelens.exchange.profile.Keeping;
import idlelens.exchange.scenefile.SceneFormat;
import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;

/**
 * Whether a hand-off is good.
 *
 * @param good whether every test point is within {@link #MOST_PX}
 * @param proven whether the profile is one of those whose numbers were worked by hand: reading back
 *     with our own code would hide a sign that both sides share
 * @param sentence in one sentence
 * @param reasons what keeps it from being exact, and what would mend it
 */
public record Verdict(boolean good, boolean proven, String sentence, List<String> reasons) {
  /** More pixels than this, 1920 wide, are not good. */
  public static final double MOST_PX = 0.05;

  private static final double WIDTH = 1920;
  private static final double FAR_M = 160;

  static Verdict of(HandOff handOff, SceneFormat format, List<CameraReport> cameras) {
    CameraReport worst = cameras.get(0);
    for (CameraReport camera : cameras) {
      boolean worse = CameraReport.most(camera.mostPx()) > CameraReport.most(worst.mostPx());
      worst = worse ? camera : worst;
    }
    double most = CameraReport.most(worst.mostPx());
    int frame = handOff.firstFrame() + CameraReport.worst(worst.mostPx());
    boolean proven = handOff.profile().isProven();
    boolean good = most <= limit(handOff);
    return new Verdict(
        good,
        proven,
        sentence(good, proven, most, worst.name(), frame),
        reasons(handOff, format, cameras));
  }

  /** In pixels of the receiver's picture. */
  private static double limit(HandOff handOff) {
    return MOST_PX * handOff.profile().picture().widthPx() / WIDTH;
  }

  private static String sentence(
      boolean good, boolean proven, double most, String name, int frame) {
    String size = String.format(Locale.ROOT, most < 0.001 ? "less than 0.001 px" : "%.3f px", most);
    if (!good) {
      return "Not good: " + name + " is up to " + size + " off, at frame " + frame + ".";
    }
    return proven
        ? "Good: read back, every point of the picture is within " + size + " on every frame."
        : "Read back, every point is within "
            + size
            + "; this profile's numbers were not worked by hand, so hold one frame against the receiver.";
  }

  private static List<String> reasons(
      HandOff handOff, SceneFormat format, List<CameraReport> cameras) {
    List<String> all = new ArrayList<>();
    Keeping keys = handOff.profile().keys();
    if (keys.few() && format.holds().nodes()) {
      all.add(
          "few keys: up to "
              + plain(keys.placeMm())
              + " mm and "
              + plain(keys.turnDeg())
              + "° off are let pass; a key on every frame is exact");
    }
    if (format.holds().singlePrecision()) {
      double off =
          cameras.stream().mapToDouble(c -> CameraReport.most(c.placeMm())).max().orElse(0);
      double limit = Math.ulp((float) FAR_M) * 1000;
      all.add(
          "32-bit numbers"
              + (off > limit
                  ? ": the shot is far from its origin; a text format, or the shot nearer to it, is"
                      + " exact"
                  : ": places are kept to seven digits"));
    }
    if (handOff.ratio() != 1) {
      all.add("another rate: the shot is looked at at the moments of the receiver's frames");
    }
    double between = cameras.stream().mapToDouble(CameraReport::betweenPx).max().orElse(0);
    if (between > limit(handOff)) {
      all.add(
          String.format(
              Locale.ROOT,
              "between frames the receiver goes straight: up to %.2f px off half way, on frames not"
                  + " at all",
              between));
    }
    return all;
  }

  private static String plain(double value) {
    return BigDecimal.valueOf(value).stripTrailingZeros().toPlainString();
  }
}
