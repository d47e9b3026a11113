package idlelens.exchange.cuts;

import idlelens.core.cut.Cut;
import idlelens.core.cut.Program;
import idlelens.core.scene.Shot;
import idlelens.core.time.FrameRange;
import idlelens.core.time.FrameRate;
import idlelens.exchange.outgoing.HandOff;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;

/**
 * What is seen of a shot, in its order.
 *
 * @param name of the shot
 * @param rate frames a second, of the shot or of a receiver
 * @param first the number of the first frame
 */
public record CutList(String name, FrameRate rate, int first, List<Event> events) {
  /**
   * A camera with the frames over which it is seen, both included.
   *
   * @param camera its name
   * @param id its id
   * @param dissolve over how many of them it fades in over the one before; 0 for a hard cut
   */
  public record Event(String camera, String id, FrameRange frames, int dissolve) {}

  /** The cuts of a program over some frames of a shot, by the shot's own numbers. */
  public static CutList of(Shot shot, Program program, FrameRange frames) {
    Map<Integer, Integer> dissolves =
        program.cuts().stream().collect(Collectors.toMap(Cut::frame, Cut::dissolve));
    List<Event> events =
        program.stretches(frames).stream()
            .map(
                s ->
                    new Event(
                        shot.camera(s.camera()).name(),
                        s.camera(),
                        s.frames(),
                        Math.min(dissolves.getOrDefault(s.frames().in(), 0), s.frames().length())))
            .toList();
    return new CutList(shot.header().name(), shot.header().rate(), frames.in(), events);
  }

  /**
   * The same by the numbers of a receiver, as its files count. At a lower rate a camera that is
   * seen for less than a frame there is not.
   */
  public static CutList of(HandOff handOff, Program program) {
    CutList own = of(handOff.shot(), program, handOff.frames());
    List<Event> events = new ArrayList<>();
    for (Event event : own.events) {
      int in = (int) Math.rint(handOff.receiverFrame(event.frames.in()));
      int end = (int) Math.rint(handOff.receiverFrame(event.frames.out() + 1.0));
      int alone = (int) Math.rint(handOff.receiverFrame(event.frames.in() + event.dissolve));
      if (end > in) {
        events.add(new Event(event.camera, event.id, new FrameRange(in, end - 1), alone - in));
      }
    }
    return new CutList(own.name, handOff.rate(), handOff.firstFrame(), events);
  }
}
