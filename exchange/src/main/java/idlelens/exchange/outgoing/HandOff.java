package idlelens.exchange.outgoing;

import idlelens.core.rule.RefusedException;
import idlelens.core.rule.Require;
import idlelens.core.scene.Shot;
import idlelens.core.time.FrameRange;
import idlelens.core.time.FrameRate;
import idlelens.core.time.SampleGrid;
import idlelens.exchange.profile.ReceiverProfile;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.OptionalInt;

/**
 * What goes out, and to whom.
 *
 * @param frames those that go out; handles and what else lies outside the shot may be among them
 * @param cameras ids of the cameras, at least one
 * @param company what goes along with them
 * @param profile what the receiver wants
 */
public record HandOff(
    Shot shot, FrameRange frames, List<String> cameras, Company company, ReceiverProfile profile) {

  /** What goes along with the cameras. */
  public enum Company {
    /** The nulls that carry them, and nothing else. */
    CARRIERS,
    /** Pieces and lights as nulls too. */
    NULLS,
    /** Pieces as triangles, and suns. */
    SET
  }

  public HandOff {
    Require.present(shot, "shot");
    Require.present(frames, "frames");
    Require.present(company, "company");
    Require.present(profile, "profile");
    cameras = List.copyOf(new LinkedHashSet<>(cameras));
    if (cameras.isEmpty()) {
      throw new RefusedException("camera", "missing", "at least one camera of the shot");
    }
    cameras.forEach(shot::camera);
  }

  /** The frames of the shot that a receiver asks for: its range, with handles if it wants them. */
  public static FrameRange framesOf(Shot shot, ReceiverProfile profile) {
    FrameRange range = shot.header().range();
    int handles = profile.handles() ? shot.header().handles() : 0;
    return new FrameRange(range.in() - handles, range.out() + handles);
  }

  /** Frames a second at the receiver. */
  public FrameRate rate() {
    return profile.rate().orElse(shot.header().rate());
  }

  /** Frames of the receiver for each frame of the shot. */
  public double ratio() {
    FrameRate own = shot.header().rate();
    return rate().equals(own) ? 1 : rate().framesPerSecond() / own.framesPerSecond();
  }

  /** The number of the first frame at the receiver. */
  public int firstFrame() {
    return profile.firstFrame().orElse(frames.in());
  }

  /** The moments at which the shot is looked at: one for each frame of the receiver. */
  public SampleGrid grid() {
    double ratio = ratio();
    int count = (int) Math.floor((frames.length() - 1) * ratio + 1e-9) + 1;
    return new SampleGrid(frames.in(), count, ratio);
  }

  /**
   * One of its cameras over the frames it is seen: they keep the numbers that they have at the
   * receiver. At another rate, where a frame of the shot may lie between two of the receiver's, all
   * frames go out.
   */
  public HandOff only(String camera, FrameRange seen) {
    FrameRange some = ratio() == 1 ? seen : frames;
    int number = (int) receiverFrame(some.in());
    OptionalInt first = number == some.in() ? OptionalInt.empty() : OptionalInt.of(number);
    return new HandOff(
        shot, some, List.of(camera), company, profile.withTime(profile.rate(), first));
  }

  /** The receiver's number of a frame of the shot. */
  public double receiverFrame(double frame) {
    return firstFrame() + (frame - frames.in()) * ratio();
  }
}
