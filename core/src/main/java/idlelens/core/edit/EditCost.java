package idlelens.core.edit;

import idlelens.core.check.Seam;
import idlelens.core.check.ShotSize;
import idlelens.core.part.Path;
import idlelens.core.rule.RefusedException;
import idlelens.core.scene.Shot;
import java.util.HashSet;
import java.util.List;
import java.util.Set;

/**
 * What edits cost, known before they are made: every edit reads and writes the keys of the nodes
 * that it changes, and the list of nodes.
 *
 * @param steps keys, nodes and samples that are gone through, each for a few hundred nanoseconds
 */
public record EditCost(long steps) {
  /** The most that one request may cost. */
  public static final long MOST = 60_000_000;

  /** Beyond this, others should not have to wait for a thread. */
  public static final long LONG = 300_000;

  /** Looks along a rail for each number of a pose that becomes a place on it. */
  private static final long LOOKS = 60;

  /** Eases that are tried for a move, at each frame. */
  private static final long FITS = 800;

  /** What the edits cost when they are made on that shot. */
  public static EditCost of(Shot shot, List<Edit> edits) {
    long steps = 0;
    for (Edit edit : edits) {
      Set<String> changed = changed(shot, edit);
      steps += shot.nodes().size();
      for (String id : changed) {
        steps += shot.find(id).map(ShotSize::keys).orElse(0L);
      }
      steps += edit instanceof RailFromKeys ? LOOKS * samples(shot) : 0;
      steps += solved(shot, edit);
      steps += edit.writesMotion() ? changed.size() * samples(shot) : 0;
    }
    return new EditCost(steps);
  }

  /** The numbers of a pose over the frames on which a motion is kept. */
  private static long samples(Shot shot) {
    return (long) Path.POSE.size()
        * (shot.header().range().length() + 2L * shot.header().handles());
  }

  /** How many nodes are evaluated for one. */
  private static long reached(Shot shot, String id) {
    return shot.reachedFrom(id).size();
  }

  /** What is solved or fitted before anything is written. */
  private static long solved(Shot shot, Edit edit) {
    if (edit instanceof FrameSubject framing && shot.find(framing.id()).isPresent()) {
      return (long) framing.frames() * Path.POSE.size() * reached(shot, framing.id());
    }
    if (edit instanceof HoldSize holding && shot.find(holding.id()).isPresent()) {
      return (long) holding.frames() * Path.POSE.size() * reached(shot, holding.id());
    }
    if (edit instanceof TakeToKeys taking && shot.find(taking.id()).isPresent()) {
      return (long) taking.punch().count() * Path.POSE.size() * reached(shot, taking.id());
    }
    if (edit instanceof TakeToRecording taking && shot.find(taking.id()).isPresent()) {
      return (long) taking.punch().count() * TakeToRecording.FINEST * reached(shot, taking.id());
    }
    if (edit instanceof CloseSeam closing) {
      return 2L * Seam.SAMPLES * closing.ids().size() * shot.nodes().size();
    }
    return edit instanceof KeysToMoves ? FITS * shot.header().range().length() : 0;
  }

  /** The nodes that an edit changes; none if it names what only an edit before it brings. */
  private static Set<String> changed(Shot shot, Edit edit) {
    Set<String> ids = new HashSet<>();
    try {
      for (Place place : edit.footprint(shot).changes()) {
        place.nodeId().ifPresent(ids::add);
        if (place.equals(Place.SHOT)) {
          shot.nodes().forEach(n -> ids.add(n.id()));
        }
      }
    } catch (RefusedException notYetThere) {
      // it is refused, or told what it costs, when its turn comes
    }
    return ids;
  }

  public boolean takesLong() {
    return steps > LONG;
  }

  /** Refuses what costs more than one request may. */
  public void requireBearable() {
    if (steps > MOST) {
      throw new RefusedException(
          "edits",
          "worth " + steps + " steps (keys and nodes gone through)",
          "at most " + MOST + " in one request; send fewer edits at once, or reduce keys first");
    }
  }
}
