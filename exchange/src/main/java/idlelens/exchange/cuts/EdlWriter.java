package idlelens.exchange.cuts;

import idlelens.core.rule.Require;
import java.nio.charset.StandardCharsets;
import java.text.Normalizer;
import java.util.HashMap;
import java.util.Locale;
import java.util.Map;

/**
 * An edit list as of CMX 3600: an event a cut, with the timecode of the camera (its frame number)
 * and that of the record (from an hour on), out after the last frame. Counted without drop. A
 * dissolve has two lines: where the camera that goes stands then, and the one that comes with the
 * length of the fade.
 */
public final class EdlWriter {
  private static final int MINUTE = 60;
  private static final int MOST_REEL = 8;

  /** A fade has three digits. */
  private static final int LONGEST_FADE = 999;

  private EdlWriter() {}

  public static byte[] write(CutList cuts) {
    int base = cuts.rate().timecodeBase();
    int hour = base * MINUTE * MINUTE;
    StringBuilder out = new StringBuilder();
    out.append("TITLE: ").append(plain(cuts.name())).append("\r\n");
    out.append("FCM: NON-DROP FRAME\r\n\r\n");
    int number = 1;
    Map<String, String> reels = reels(cuts);
    CutList.Event before = null;
    for (CutList.Event event : cuts.events()) {
      int in = event.frames().in();
      int record = hour + in - cuts.first();
      boolean fades = event.dissolve() > 0 && before != null;
      if (fades) {
        Require.within(event.dissolve(), 1, LONGEST_FADE, "dissolve in an edit list");
        out.append(line(number, reels.get(before.camera()), "C", in, 0, record, base));
      }
      String way = fades ? String.format(Locale.ROOT, "D    %03d", event.dissolve()) : "C";
      String reel = reels.get(event.camera());
      out.append(line(number++, reel, way, in, event.frames().length(), record, base));
      out.append("* FROM CLIP NAME: ");
      out.append(plain(fades ? before.camera() : event.camera())).append("\r\n");
      if (fades) {
        out.append("* TO CLIP NAME: ").append(plain(event.camera())).append("\r\n");
      }
      before = event;
    }
    return out.toString().getBytes(StandardCharsets.US_ASCII);
  }

  private static String line(
      int number, String reel, String way, int in, int length, int record, int base) {
    return String.format(
        Locale.ROOT,
        "%03d  %-8s V     %-8s %s %s %s %s\r\n",
        number,
        reel,
        way,
        code(in, base),
        code(in + length, base),
        code(record, base),
        code(record + length, base));
  }

  private static String plain(String name) {
    return Normalizer.normalize(name, Normalizer.Form.NFD)
        .replaceAll("\\p{M}", "")
        .replaceAll("[^\\x20-\\x7e]", "_");
  }

  /** Up to eight letters and digits for each camera, no two the same. */
  private static Map<String, String> reels(CutList cuts) {
    Map<String, String> reels = new HashMap<>();
    for (CutList.Event event : cuts.events()) {
      if (!reels.containsKey(event.camera())) {
        String bare = plain(event.camera()).toUpperCase(Locale.ROOT).replaceAll("[^A-Z0-9]", "");
        String letters = bare.isEmpty() ? "AX" : bare;
        String reel = cut(letters, "");
        for (int i = 2; reels.containsValue(reel); i++) {
          reel = cut(letters, String.valueOf(i));
        }
        reels.put(event.camera(), reel);
      }
    }
    return reels;
  }

  private static String cut(String letters, String end) {
    return letters.substring(0, Math.min(MOST_REEL - end.length(), letters.length())) + end;
  }

  /** Hours, minutes, seconds and frames of a day. */
  static String code(int frame, int base) {
    int day = base * MINUTE * MINUTE * 24;
    int within = Math.floorMod(frame, day);
    return String.format(
        Locale.ROOT,
        "%02d:%02d:%02d:%02d",
        within / (base * MINUTE * MINUTE),
        within / (base * MINUTE) % MINUTE,
        within / base % MINUTE,
        within % base);
  }
}
