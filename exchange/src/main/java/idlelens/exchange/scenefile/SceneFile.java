package idlelens.exchange.scenefile;

import idlelens.exchange.format.ReadBudget;
import java.util.List;
import java.util.Optional;

/**
 * What a file holds.
 *
 * @param conventions axes, unit, and how cameras stand
 * @param wording how its numbers are to be taken, where a format leaves that open
 * @param clock its time
 * @param nodes each behind what carries it
 * @param hint what we wrote of the shot it was made of, if we did
 * @param budget how much may be made of it
 * @param notes what was left out or changed while it was read, in plain words
 */
public record SceneFile(
    Conventions conventions,
    Wording wording,
    FileClock clock,
    List<FileNode> nodes,
    Optional<ShotHint> hint,
    ReadBudget budget,
    List<String> notes) {

  /** The last time at which anything moves. */
  public double lastTime() {
    double last = clock.last().orElse(clock.first());
    for (FileNode node : nodes) {
      for (Op op : node.ops()) {
        for (Channel channel : op.channels()) {
          last = channel.isStill() ? last : Math.max(last, channel.lastTime());
        }
      }
      for (Content content : node.contents()) {
        last = content instanceof Content.Camera camera ? Math.max(last, last(camera)) : last;
      }
    }
    return last;
  }

  private double last(Content.Camera camera) {
    double last = clock.first();
    for (Lane lane : camera.lanes()) {
      last = lane.channel().isStill() ? last : Math.max(last, lane.channel().lastTime());
    }
    return last;
  }
}
