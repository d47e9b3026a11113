package idlelens.core.check;

import idlelens.core.curve.Curve;
import idlelens.core.part.Chain;
import idlelens.core.part.Path;
import idlelens.core.scene.Node;
import idlelens.core.scene.Shot;
import idlelens.core.set.Pictures;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;

/**
 * Something on set that is not at the end of a loop as it was at its beginning, so that the picture
 * jumps.
 *
 * @param nodeId what it is
 * @param seam how far it is off, with those of its looks that do not come back
 * @param period frames in which it comes back by itself, if it does
 * @param would the period next to that which divides the loop
 */
public record OpenAtSeam(String nodeId, Seam seam, OptionalDouble period, OptionalDouble would) {
  private static final double WHOLE = 1e-9;

  /**
   * Everything that does not close: what goes along with the camera, or is repeated, must be moved
   * on by the step of the loop; what stays must be where it was; and all must look as it did. Of a
   * rig, what carries is named, not what is carried and moves with it only.
   *
   * @param sides both sides of the seam
   * @param tolerance below which it closes, in metres, degrees, and both a second
   */
  public static List<OpenAtSeam> find(Shot shot, Seam.Sides sides, double tolerance) {
    Map<String, Seam> open = new HashMap<>();
    for (Node node : shot.nodes()) {
      Seam stays = sides.ofStaying(node.id());
      boolean mayStay = !(node instanceof Node.Sun) && closes(node, stays, tolerance);
      Seam goesOn = mayStay ? stays : sides.of(node.id());
      if (!mayStay && !closes(node, goesOn, tolerance)) {
        boolean nearer = goesOn.placeM() + goesOn.turnDeg() < stays.placeM() + stays.turnDeg();
        open.put(node.id(), nearer ? goesOn : stays);
      }
    }
    List<OpenAtSeam> found = new ArrayList<>();
    double loop = shot.header().range().length();
    for (Node node : shot.nodes()) {
      drifting(shot, node).ifPresent(found::add);
      playing(shot, node).ifPresent(found::add);
      Seam seam = open.get(node.id());
      if (seam != null && (!isCarriedByOpen(node, open) || !seam.looksCome(tolerance))) {
        Seam off = seam.withOpenLooks(tolerance);
        OptionalDouble period = period(node.chain(), off, tolerance);
        found.add(
            new OpenAtSeam(
                node.id(),
                off,
                period,
                period.isPresent() ? dividing(loop, period.getAsDouble()) : period));
      }
    }
    return found;
  }

  private static boolean isCarriedByOpen(Node node, Map<String, Seam> open) {
    return !moves(node) && node.chain().carried().carriers().stream().anyMatch(open::containsKey);
  }

  /** Whether it is open in how it looks, wherever it is. */
  boolean looksOtherwise(double tolerance) {
    return !seam.looksCome(tolerance);
  }

  /** Mist whose puffs are not back in their places after a round. */
  private static Optional<OpenAtSeam> drifting(Shot shot, Node node) {
    if (!(node instanceof Node.Mist mist) || mist.drift().loops()) {
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
            new Seam(off, 0, 0, 0, Optional.empty(), List.of()),
            OptionalDouble.of(period),
            dividing(loop, period)));
  }

  /** A card on which another picture is shown behind the last frame than at the first. */
  private static Optional<OpenAtSeam> playing(Shot shot, Node node) {
    if (!(node instanceof Node.Piece piece) || piece.finish().pictures().isEmpty()) {
      return Optional.empty();
    }
    Pictures pictures = piece.finish().pictures().get();
    double off = pictures.offAfter(shot.header().range(), shot.header().rate());
    if (off == 0) {
      return Optional.empty();
    }
    OptionalDouble period = pictures.period(shot.header().rate());
    Seam.OfLook look = new Seam.OfLook(Seam.OfLook.PICTURES, off, 0);
    return Optional.of(
        new OpenAtSeam(
            node.id(),
            new Seam(0, 0, 0, 0, Optional.empty(), List.of(look)),
            period,
            period.isPresent()
                ? dividing(shot.header().range().length(), period.getAsDouble())
                : period));
  }

  private static boolean closes(Node node, Seam seam, double tolerance) {
    return node instanceof Node.Sun // a far light is the same from everywhere
        ? seam.turnDeg() <= tolerance
            && seam.turnSpeedDeg() <= Seam.OF_SPEED * tolerance
            && seam.looksCome(tolerance)
        : seam.closes(tolerance);
  }

  private static boolean moves(Node node) {
    List<Path> looks = node.chain().looks();
    return node.chain().paths().stream()
        .filter(p -> !looks.contains(p))
        .anyMatch(p -> node.chain().curve(p).isKeyed());
  }

  /** The longest round of what comes back by itself: of its pose, or of the looks that are off. */
  private static OptionalDouble period(Chain chain, Seam seam, double tolerance) {
    List<Path> paths =
        seam.comesBack(tolerance)
            ? seam.looks().stream().map(look -> Path.parse(look.name())).toList()
            : Path.POSE;
    return paths.stream()
        .map(chain::curve)
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
