package idlelens.core.scene;

import idlelens.core.curve.Tangent;
import idlelens.core.time.FrameRange;
import idlelens.core.time.FrameRate;
import java.util.List;

/** Shots of a few nodes, at 24 frames a second, without handles, 16:9. */
public final class SmallShots {
  public static final double ASPECT = 16.0 / 9;

  private SmallShots() {}

  /** From frame 1 to another one. */
  public static Shot until(int out, Node... nodes) {
    FrameRange range = new FrameRange(1, out);
    ShotHeader header =
        new ShotHeader("Small", FrameRate.of(24), range, 0, ASPECT, 1, Tangent.Kind.SETTLE);
    return new Shot(header, List.of(nodes));
  }
}
