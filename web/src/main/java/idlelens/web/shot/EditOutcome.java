package idlelens.web.shot;

import idlelens.core.edit.Edit;
import idlelens.core.motion.Evaluation;
import idlelens.core.part.Ride;
import idlelens.core.scene.Node;
import idlelens.core.scene.Shot;
import idlelens.core.set.Pictures;
import idlelens.core.set.Repetition;
import java.util.List;
import java.util.Optional;

/**
 * A shot before and after an edit.
 *
 * @param patch what leads from the one to the other, for a window that has the first
 * @param stored whether the second is a revision, or only shown
 * @param again whether it was stored before, for the same request
 */
record EditOutcome(LiveShot before, LiveShot after, Edit patch, boolean stored, boolean again) {

  /** The nodes whose samples are new. */
  List<String> changed() {
    Evaluation old = before.motion();
    Evaluation now = after.motion();
    boolean sameGrid = old.grid().equals(now.grid());
    return after.shot().nodes().stream()
        .map(Node::id)
        .filter(
            id ->
                !sameGrid
                    || !now.shares(id, old)
                    || isReshapedRail(id)
                    || ridesReshaped(id)
                    || isRepeatedAnew(id)
                    || driftsAnew(id)
                    || playsAnew(id))
        .toList();
  }

  private boolean ridesReshaped(String id) {
    return after.shot().node(id).chain().parts().stream()
        .anyMatch(part -> part instanceof Ride ride && isReshapedRail(ride.railId()));
  }

  private boolean isReshapedRail(String id) {
    return after.shot().node(id) instanceof Node.Rail rail
        && !(before.shot().find(id).orElse(null) instanceof Node.Rail old
            && old.rail().equals(rail.rail()));
  }

  /**
   * Whether its puffs are others, or drift otherwise: that depends on the length of the loop too.
   */
  private boolean driftsAnew(String id) {
    return after.shot().node(id) instanceof Node.Mist mist
        && (!before.shot().header().equals(after.shot().header())
            || !(before.shot().find(id).orElse(null) instanceof Node.Mist old
                && old.drift().equals(mist.drift())));
  }

  /** Whether other pictures are shown on it, or at other frames. */
  private boolean playsAnew(String id) {
    Optional<Pictures> now = picturesOf(after.shot(), id);
    return !now.equals(picturesOf(before.shot(), id))
        || now.isPresent() && !before.shot().header().rate().equals(after.shot().header().rate());
  }

  private static Optional<Pictures> picturesOf(Shot shot, String id) {
    return shot.find(id).flatMap(Node::pictures);
  }

  /** Whether it is repeated otherwise than before, or repeats otherwise. */
  private boolean isRepeatedAnew(String id) {
    Optional<Repetition> now = repetitionOf(after.shot(), id);
    return !now.equals(repetitionOf(before.shot(), id))
        || now.filter(Repetition::isSpreadInTime).isPresent() && movesOtherwise(id);
  }

  /** Whether something changed on which its motion outside of the shot depends too. */
  private boolean movesOtherwise(String id) {
    return after.shot().reachedFrom(id).stream()
        .anyMatch(n -> !before.shot().find(n).equals(after.shot().find(n)));
  }

  private static Optional<Repetition> repetitionOf(Shot shot, String id) {
    return shot.find(id)
        .flatMap(
            node -> node instanceof Node.Repeat repeat ? Optional.of(repeat) : shot.repeatOf(id))
        .map(Node.Repeat::repetition);
  }

  /** The pieces whose triangles are new. */
  List<Node.Piece> reshaped() {
    return pieces(after.shot()).stream().filter(p -> !hadShape(p)).toList();
  }

  private boolean hadShape(Node.Piece piece) {
    return before.shot().find(piece.id()).orElse(null) instanceof Node.Piece old
        && old.shape().equals(piece.shape());
  }

  static List<Node.Piece> pieces(Shot shot) {
    return shot.nodes().stream()
        .filter(Node.Piece.class::isInstance)
        .map(Node.Piece.class::cast)
        .toList();
  }
}
