package idlelens.core.check;

import idlelens.core.curve.Curve;
import idlelens.core.part.Path;
import idlelens.core.scene.Node;
import idlelens.core.scene.Shot;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;

/**
 * Something on set that is not at the end of a loop as it was at its beginning, so that the picture
 * jumps.
 *
 * @param nodeId what it is
 * @param seam how far it is off
 * @param period frames in which it comes back by itself, if it does
 * @param would the period next to that which divides the loop
 */
public record OpenAtSeam(String nodeId, Seam seam, OptionalDouble period, OptionalDouble would) {
  private static final double WHOLE = 1e-9;

  /**
   * Everything that does not close: what goes along with the camera, or is repeated, must be moved
   * on by the step of the loop; what stays must be where it was. Of a rig, what carries is named,
   * not what is carried and moves with it only.
   *
   * @param sides both sides of the seam
   * @param tolerance below which it closes, in metres, degrees, and both a second
   */
  public static List<OpenAtSeam> find(Shot shot, Seam.Sides sides, double tolerance) {
    List<OpenAtSeam> found = new ArrayList<>();
    Set<String> open = new HashSet<>();
    for (Node node : shot.nodes()) {
      Seam goesOn = sides.of(node.id());
      Seam stays = sides.ofStaying(node.id());
      boolean mayStay = !(node instanceof Node.Sun) && closes(node, stays, tolerance);
      if (!mayStay && !closes(node, goesOn, tolerance)) {
        open.add(node.id());
      }
    }
    double loop = shot.header().range().length();
    for (Node node : shot.nodes()) {
      boolean byCarrier =
          !moves(node) && node.chain().carried().carriers().stream().anyMatch(open::contains);
      if (node instanceof Node.Mist mist) {
        drifting(shot, mist).ifPresent(found::add);
      }
      if (open.contains(node.id()) && !byCarrier) {
        Seam on = sides.of(node.id());
        Seam stays = sides.ofStaying(node.id());
        OptionalDouble period = period(node);
        found.add(
            new OpenAtSeam(
                node.id(),
                on.placeM() + on.turnDeg() < stays.placeM() + stays.turnDeg() ? on : stays,
                period,
                period.isPresent() ? dividing(loop, period.getAsDouble()) : period));
      }
    }
    return found;
  }

  /** Mist whose puffs are not back in their places after a round. */
  private static Optional<OpenAtSeam> drifting(Shot shot, Node.Mist mist) {
    if (mist.drift().loops()) {
      return Optional.empty();
    }
    double[] velocity = mist.drift().velocity(shot.header().rate(), shot.header().range());
    double fps = shot.header().rate().framesPerSecond();
    double loop = shot.header().range().length();
    double[] box = mist.drift().box();
    double off = 0;
    double period = 0;
    for (int i = 0; i < box.length; i++) {
      double rounds = velocity[i] * loop / fps / box[i];
      off = Math.max(off, Math.abs(rounds - Math.rint(rounds)) * box[i]);
      period = velocity[i] == 0 ? period : Math.max(period, box[i] * fps / Math.abs(velocity[i]));
    }
    if (off < WHOLE) {
      return Optional.empty();
    }
    return Optional.of(
        new OpenAtSeam(
            mist.id(),
            new Seam(off, 0, 0, 0, Optional.empty()),
            OptionalDouble.of(period),
            dividing(loop, period)));
  }

  private static boolean closes(Node node, Seam seam, double tolerance) {
    return node instanceof Node.Sun // a far light is the same from everywhere
        ? seam.turnDeg() <= tolerance && seam.turnSpeedDeg() <= Seam.OF_SPEED * tolerance
        : seam.closes(tolerance);
  }

  private static boolean moves(Node node) {
    return node.chain().paths().stream().anyMatch(p -> node.chain().curve(p).isKeyed());
  }

  /** The longest round of its curves that come back, if some do. */
  private static OptionalDouble period(Node node) {
    return Path.POSE.stream()
        .map(path -> node.chain().curve(path))
        .filter(c -> c.after().cycles())
        .filter(Curve::isKeyed)
        .mapToDouble(c -> c.keys().get(c.keys().size() - 1).frame() - c.keys().get(0).frame())
        .filter(p -> p > WHOLE)
        .max();
  }

  /** The period nearest to one that goes into the loop a whole number of times. */
  static OptionalDouble dividing(double loop, double period) {
    double times = Math.max(1, Math.rint(loop / period));
    return Math.abs(loop / times - period) < WHOLE
        ? OptionalDouble.empty()
        : OptionalDouble.of(loop / times);
  }
}
