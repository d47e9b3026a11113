package idlelens.core.take;

import java.math.BigDecimal;
import java.math.MathContext;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.joml.Quaterniond;
import org.joml.Vector3d;

/**
 * What lies between two cameras, in words, with what is nearly a quarter turn or a common unit
 * taken as just that.
 *
 * @param exact as found, with turn, size and offset put on those values
 * @param sentences one for each thing that is not as it should be; none if all is
 */
public record AlignmentWords(Alignment exact, List<String> sentences) {
  private static final double NEARLY_RAD = Math.toRadians(0.5);
  private static final double NEARLY_PART = 2e-3;
  private static final double NOTHING_FRAMES = 0.005;
  private static final double NOTHING_M = 1e-3;

  private static final Map<Double, String> SIZES =
      Map.of(
          100.0,
          "the file is in centimetres",
          0.01,
          "the file counts metres as centimetres",
          1000.0,
          "the file is in millimetres",
          0.001,
          "the file counts metres as millimetres",
          1 / 0.0254,
          "the file is in inches",
          0.0254,
          "the file counts metres as inches",
          1 / 0.3048,
          "the file is in feet",
          0.3048,
          "the file counts metres as feet");

  public static AlignmentWords of(Alignment found) {
    List<String> words = new ArrayList<>();
    double offset = offset(found, words);
    Quaterniond turn = turn(found, words);
    double size = size(found, words);
    Alignment exact = found.with(offset, turn, size);
    shift(exact, words);
    return new AlignmentWords(exact, words);
  }

  private static double offset(Alignment found, List<String> words) {
    double frames = found.offsetFrames();
    if (Math.abs(frames) <= NOTHING_FRAMES) {
      return 0;
    }
    double shown = Math.abs(frames);
    words.add(
        String.format(
            Locale.ROOT,
            "%s frame%s too %s",
            shown == Math.rint(shown)
                ? String.valueOf((int) shown)
                : String.format(Locale.ROOT, "%.2f", shown),
            shown == 1 ? "" : "s",
            frames > 0 ? "late" : "early"));
    return frames;
  }

  private static Quaterniond turn(Alignment found, List<String> words) {
    Quaterniond turn = new Quaterniond(found.turn());
    if (turn.w < 0) {
      turn.set(-turn.x, -turn.y, -turn.z, -turn.w);
    }
    double length = Math.sqrt(turn.x * turn.x + turn.y * turn.y + turn.z * turn.z);
    double angle = 2 * Math.atan2(length, turn.w);
    if (angle < NEARLY_RAD) {
      return new Quaterniond();
    }
    Vector3d axis = new Vector3d(turn.x, turn.y, turn.z).div(length);
    int main = axis.maxComponent();
    double sign = Math.signum(axis.get(main));
    boolean square = Math.acos(Math.min(1, Math.abs(axis.get(main)))) < NEARLY_RAD;
    double quarters = Math.rint(angle / (Math.PI / 2));
    boolean exact = square && Math.abs(angle - quarters * Math.PI / 2) < NEARLY_RAD;
    if (!exact) {
      words.add(
          String.format(
              Locale.ROOT,
              "to be turned by %.2f° about (%.3f, %.3f, %.3f)",
              -Math.toDegrees(angle),
              axis.x,
              axis.y,
              axis.z));
      return turn;
    }
    long degrees = Math.round(90 * quarters * sign);
    String name = String.valueOf("xyz".charAt(main));
    String why =
        main != 0 || Math.abs(degrees) != 90
            ? ""
            : degrees > 0 ? ": the file is Z-up" : ": the file is Y-up and was taken as Z-up";
    String back = (degrees > 0 ? "−" : "") + Math.abs(degrees);
    words.add("to be turned by " + back + "° about " + name + why);
    Vector3d unit = new Vector3d();
    unit.setComponent(main, 1);
    return new Quaterniond().fromAxisAngleRad(unit, Math.toRadians(degrees));
  }

  private static double size(Alignment found, List<String> words) {
    if (Math.abs(found.size() - 1) <= NEARLY_PART) {
      return 1;
    }
    for (Map.Entry<Double, String> known : SIZES.entrySet()) {
      if (Math.abs(found.size() / known.getKey() - 1) <= NEARLY_PART) {
        words.add(
            String.format(
                Locale.ROOT, "%s times as large: %s", plain(known.getKey()), known.getValue()));
        return known.getKey();
      }
    }
    words.add(plain(found.size()) + " times as large");
    return found.size();
  }

  private static void shift(Alignment found, List<String> words) {
    double off = found.shift().length();
    if (off > NOTHING_M * Math.max(1, found.size())) {
      Vector3d s = found.shift();
      words.add(
          String.format(Locale.ROOT, "%.4g m away: by %.3f, %.3f, %.3f m", off, s.x, s.y, s.z));
    }
  }

  private static String plain(double value) {
    return new BigDecimal(value).round(new MathContext(6)).stripTrailingZeros().toPlainString();
  }
}
