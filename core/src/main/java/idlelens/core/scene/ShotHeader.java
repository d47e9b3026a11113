package idlelens.core.scene;

import idlelens.core.curve.Tangent;
import idlelens.core.rule.Require;
import idlelens.core.time.FrameRange;
import idlelens.core.time.FrameRate;
import idlelens.core.time.FrameSpan;

/**
 * What holds for a whole shot.
 *
 * @param name 1 to 120 characters
 * @param rate frames per second
 * @param range first and last frame
 * @param handles frames computed beyond both ends, 0 to 2,000
 * @param aspect width of the picture divided by its height, 0.2 to 10
 * @param metresPerUnit scale of the scene in the units shown, 1 for metres
 * @param newKeys the tangent of keys made from now on
 */
public record ShotHeader(
    String name,
    FrameRate rate,
    FrameRange range,
    int handles,
    double aspect,
    double metresPerUnit,
    Tangent.Kind newKeys) {
  /** Most frames in each handle. */
  public static final int MOST_HANDLES = 2000;

  public ShotHeader {
    name = Require.name(name, 120, "name");
    Require.present(rate, "rate");
    Require.present(range, "range");
    Require.within(handles, 0, MOST_HANDLES, "handles");
    Require.within(aspect, 0.2, 10, "aspect");
    Require.within(metresPerUnit, 1e-4, 1e4, "metresPerUnit");
    Require.present(newKeys, "newKeys");
  }

  /** The frames that are computed: the range with its handles. */
  public FrameSpan seen() {
    return new FrameSpan(range.in() - handles, range.out() + handles);
  }

  public ShotHeader withName(String newName) {
    return new ShotHeader(newName, rate, range, handles, aspect, metresPerUnit, newKeys);
  }

  public ShotHeader withTime(FrameRate newRate, FrameRange newRange, int newHandles) {
    return new ShotHeader(name, newRate, newRange, newHandles, aspect, metresPerUnit, newKeys);
  }
}
