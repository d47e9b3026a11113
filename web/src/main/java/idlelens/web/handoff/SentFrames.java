package idlelens.web.handoff;

import idlelens.core.rule.RefusedException;
import idlelens.core.scene.ShotHeader;
import idlelens.core.time.FrameRange;
import java.util.function.Supplier;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Which frames of a shot go out. */
final class SentFrames {
  private static final Pattern TWO = Pattern.compile("(-?\\d{1,7})\\s*(?:-|–|to)\\s*(-?\\d{1,7})");

  private SentFrames() {}

  /**
   * @param asked range, handles, needed, or two frames such as 1001-1144
   * @param needed gives the frames for which the program needs what goes out
   * @throws RefusedException if it is none of these, or more frames than a shot can have
   */
  static FrameRange of(String asked, ShotHeader header, Supplier<FrameRange> needed) {
    FrameRange range = header.range();
    String text = asked.strip();
    if (text.equals("range")) {
      return range;
    }
    if (text.equals("handles")) {
      return new FrameRange(range.in() - header.handles(), range.out() + header.handles());
    }
    if (text.equals("needed")) {
      return needed.get();
    }
    Matcher two = TWO.matcher(text);
    if (!two.matches()) {
      throw new RefusedException(
          "frames", "'" + asked + "'", "range, handles, needed, or two frames such as 1001-1144");
    }
    return new FrameRange(Integer.parseInt(two.group(1)), Integer.parseInt(two.group(2)));
  }
}
