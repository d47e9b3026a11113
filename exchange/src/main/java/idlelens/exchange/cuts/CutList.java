package idlelens.exchange.cuts;

import idlelens.core.cut.Program;
import idlelens.core.scene.Shot;
import idlelens.core.time.FrameRange;
import idlelens.core.time.FrameRate;
import java.util.List;

/**
 * What is seen of a shot, in its order.
 *
 * @param name of the shot
 * @param first the receiver's number of the first frame
 */
public record CutList(String name, FrameRate rate, int first, List<Event> events) {
  /**
   * A camera with the frames over which it is seen, both included.
   *
   * @param camera its name
   */
  public record Event(String camera, FrameRange frames) {}

  /** The cuts of a program over some frames of a shot. */
  public static CutList of(Shot shot, Program program, FrameRange frames) {
    List<Event> events =
        program.stretches(frames).stream()
            .map(s -> new Event(shot.camera(s.camera()).name(), s.frames()))
            .toList();
    return new CutList(shot.header().name(), shot.header().rate(), frames.in(), events);
  }
}
