package idlelens.web.handoff;

import idlelens.core.time.FrameRate;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.function.Function;

/**
 * What is said beside a file; null for what is not said.
 *
 * @param shot the shot to put the nodes into; without it a new shot is made
 * @param onto a camera of the shot: its motion is replaced, all else of it stays
 * @param camera the name of the file's camera that counts for that; else the first
 * @param rate frames per second, where the file is not to be believed
 * @param firstFrame the frame at its first time
 * @param axes y-up, z-up or x-up
 * @param metresPerUnit length of its unit
 * @param scale how many times as large everything becomes
 * @param keys as-they-came, few or every-frame
 * @param tolerance of few keys: times a millimetre and a hundredth of a degree
 * @param carriers whether cameras are put on a dolly and a head
 * @param renew whether what came from a file of that name before is renewed
 */
record Said(
    Long shot,
    String onto,
    String camera,
    String rate,
    Integer firstFrame,
    String axes,
    Double metresPerUnit,
    Double scale,
    String keys,
    Double tolerance,
    Boolean carriers,
    Boolean renew) {

  Said {
    onto = blankIsNone(onto);
    camera = blankIsNone(camera);
    rate = blankIsNone(rate);
    axes = blankIsNone(axes);
    keys = blankIsNone(keys);
  }

  private static String blankIsNone(String text) {
    return text == null || text.isBlank() ? null : text;
  }

  boolean renews() {
    return renew != null && renew;
  }

  boolean onCarriers() {
    return carriers != null && carriers;
  }

  /** In place of what the file says itself. */
  Correction correction() {
    FrameRate given = rate == null ? null : FrameRate.parse(rate);
    return new Correction(given, firstFrame, axes, metresPerUnit, scale);
  }

  /** What holds for the same file when it is read again: how it is taken, and how it is written. */
  Map<String, String> lasting() {
    Map<String, Object> all = new LinkedHashMap<>();
    all.put("rate", rate);
    all.put("firstFrame", firstFrame);
    all.put("axes", axes);
    all.put("metresPerUnit", metresPerUnit);
    all.put("scale", scale);
    all.put("keys", keys);
    all.put("tolerance", tolerance);
    all.put("carriers", onCarriers() ? true : null);
    Map<String, String> said = new LinkedHashMap<>();
    all.forEach((name, value) -> said.computeIfAbsent(name, n -> text(value)));
    return said;
  }

  private static String text(Object value) {
    return value == null ? null : value.toString();
  }

  /**
   * The same as a renewal, with what was said before where nothing is said now. Keys and their
   * tolerance count as one; on what cameras ride stays as it is.
   *
   * @param before as {@link #lasting()} gave it
   */
  Said renewing(Map<String, String> before) {
    return new Said(
        shot,
        onto,
        camera,
        or(rate, before.get("rate"), text -> text),
        or(firstFrame, before.get("firstFrame"), Integer::valueOf),
        or(axes, before.get("axes"), text -> text),
        or(metresPerUnit, before.get("metresPerUnit"), Double::valueOf),
        or(scale, before.get("scale"), Double::valueOf),
        or(keys, before.get("keys"), text -> text),
        keys != null ? tolerance : or(tolerance, before.get("tolerance"), Double::valueOf),
        or(null, before.get("carriers"), Boolean::valueOf),
        true);
  }

  private static <T> T or(T now, String before, Function<String, T> read) {
    return now != null || before == null ? now : read.apply(before);
  }
}
