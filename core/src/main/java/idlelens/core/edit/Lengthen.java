package idlelens.core.edit;

import idlelens.core.check.Lengthening;
import idlelens.core.part.Move;
import idlelens.core.part.Part;
import idlelens.core.part.Window;
import idlelens.core.retime.Landing;
import idlelens.core.retime.TimeMap;
import idlelens.core.rule.Require;
import idlelens.core.scene.Node;
import idlelens.core.scene.Shot;
import idlelens.core.scene.ShotHeader;
import idlelens.core.time.FrameRange;
import java.util.List;
import java.util.OptionalDouble;

/**
 * Makes the shot longer. At a frame, all that is there or later moves along, and what goes on
 * across it is stretched; at the end, all stays, and windows that end with the shot end with it
 * again. Locked curves stay.
 *
 * @param by how many frames it gets longer, 1 or more
 * @param at the frame at which time is put in, or none for the end of the shot
 * @param markers whether markers move too
 */
public record Lengthen(int by, OptionalDouble at, boolean markers) implements Edit {
  public Lengthen {
    Require.within(by, 1, FrameRange.LONGEST, "by");
    at.ifPresent(f -> Require.finite(f, "at"));
  }

  @Override
  public Shot apply(Shot shot) {
    ShotHeader header = shot.header();
    Lengthening.requireInside(shot, at);
    FrameRange range = new FrameRange(header.range().in(), header.range().out() + by);
    Shot longer = at.isPresent() ? ripple().apply(shot) : windowsToTheEnd(shot);
    return longer.withHeader(header.withTime(header.rate(), range, header.handles()));
  }

  private Retime ripple() {
    return new Retime(
        List.of(), new TimeMap.Ripple(at.getAsDouble(), by), Landing.REFUSE, markers, false);
  }

  private Shot windowsToTheEnd(Shot shot) {
    int out = shot.header().range().out();
    return shot.withNodes(
        shot.nodes().stream().map(n -> windowsEndAt(n, out, out + (double) by)).toList());
  }

  private static Node windowsEndAt(Node node, int out, double to) {
    return node.chain().parts().stream().anyMatch(p -> endsAt(p, out))
        ? node.withChain(node.chain().mapped(p -> endsAt(p, out) ? endingAt(p, to) : p))
        : node;
  }

  private static boolean endsAt(Part part, int out) {
    OptionalDouble to = part.body().window().to();
    return !(part instanceof Move) // which lasts as long as it lasts
        && to.isPresent()
        && to.getAsDouble() == out;
  }

  private static Part endingAt(Part part, double to) {
    Window old = part.body().window();
    return part.withStamp(
        new Window(old.from(), OptionalDouble.of(to), old.fadeIn(), old.fadeOut()));
  }

  @Override
  public Footprint footprint(Shot shot) {
    if (at.isPresent()) {
      return ripple().footprint(shot).and(range(shot));
    }
    Footprint.Builder places = Footprint.of(shot).reliesOn(Place.ORDER);
    for (Node node : shot.nodes()) {
      for (Part part : node.chain().parts()) {
        part.stamps().forEach(s -> places.changes(Place.stamp(node.id(), part.id(), s.id())));
      }
      places.reliesOn(Place.parts(node.id()));
    }
    return places.done().and(range(shot));
  }

  private static Footprint range(Shot shot) {
    return Footprint.of(shot).changes(Place.header("range")).done();
  }

  @Override
  public String summary() {
    return "Make the shot " + by + (by == 1 ? " frame" : " frames") + " longer";
  }
}
