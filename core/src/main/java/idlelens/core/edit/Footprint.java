package idlelens.core.edit;

import idlelens.core.part.Carried;
import idlelens.core.part.FrameUp;
import idlelens.core.part.HandOver;
import idlelens.core.part.Lean;
import idlelens.core.part.Part;
import idlelens.core.part.Path;
import idlelens.core.scene.Node;
import idlelens.core.scene.Shot;
import java.util.Collection;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;

/**
 * What an edit changes of a shot, and what else its outcome depends on. Two edits of one shot whose
 * footprints do not conflict give the same shot in either order; only the order of the list of
 * nodes follows that of their arrival.
 */
public record Footprint(Set<Place> changes, Set<Place> reliesOn) {
  /** Of an edit that conflicts with all others. */
  public static final Footprint ALL = new Footprint(Set.of(Place.SHOT), Set.of());

  public Footprint {
    changes = Set.copyOf(changes);
    reliesOn = Set.copyOf(reliesOn);
  }

  /** Whether one edit changes what the other changes or relies on. */
  public boolean conflictsWith(Footprint other) {
    return meet(changes, other.changes)
        || meet(changes, other.reliesOn)
        || meet(reliesOn, other.changes);
  }

  /** Both together, for edits that are applied as one. */
  public Footprint and(Footprint other) {
    return new Footprint(union(changes, other.changes), union(reliesOn, other.reliesOn));
  }

  private static Set<Place> union(Set<Place> one, Set<Place> other) {
    Set<Place> all = new HashSet<>(one);
    all.addAll(other);
    return all;
  }

  /** Whether a place of one set is, holds, or lies in one of the other. */
  private static boolean meet(Set<Place> one, Set<Place> other) {
    return liesIn(one, other) || liesIn(other, one);
  }

  private static boolean liesIn(Set<Place> inner, Set<Place> outer) {
    for (Place place : inner) {
      for (Place around = place; around != null; around = around.outer()) {
        if (outer.contains(around)) {
          return true;
        }
      }
    }
    return false;
  }

  /** Gathers a footprint. */
  static final class Builder {
    private final Shot shot;
    private final Set<Place> changes = new LinkedHashSet<>();
    private final Set<Place> reliesOn = new LinkedHashSet<>();

    Builder(Shot shot) {
      this.shot = shot;
    }

    Builder changes(Place... places) {
      changes.addAll(Set.of(places));
      return this;
    }

    Builder reliesOn(Place... places) {
      reliesOn.addAll(Set.of(places));
      return this;
    }

    /** Curves change, and may be locked. */
    Builder changes(String id, Collection<Path> paths) {
      paths.forEach(p -> changes.add(Place.path(id, p)));
      return reliesOn(Place.takesKeys(id), Place.there(id));
    }

    /** All of a chain changes: its curves, which may be locked, and what its parts hold. */
    Builder changesChain(String id) {
      return changes(Place.chain(id)).reliesOn(Place.takesKeys(id), Place.there(id));
    }

    /** Keys are made: with the tangent for new ones, and only where the parts are on. */
    Builder keys(String id, Collection<Path> paths) {
      paths.forEach(p -> reliesOn.add(Place.on(id, p.part())));
      reliesOn(Place.header("newKeys"));
      return changes(id, paths);
    }

    /** The motion of a node in the world, and so that of all on which it depends. */
    Builder reliesOnMotion(String id) {
      for (String reached : shot.reachedFrom(id)) {
        reliesOn(Place.chain(reached));
        if (shot.node(reached) instanceof Node.Rail) {
          reliesOn(Place.rail(reached));
        }
        shot.node(reached).chain().parts().forEach(this::reliesOnFraming);
      }
      return reliesOn(Place.header("range"), Place.header("rate"));
    }

    /** What the lens of a camera does, and so the motion of all that it follows. */
    Builder reliesOnLens(String id) {
      for (Lean lean : shot.node(id).chain().leans(Lean.Of.LENS)) {
        reliesOnMotion(lean.nodeId());
      }
      return reliesOn(Place.header("aspect"));
    }

    /** What keeps a piece framed up reads the picture's aspect, and of several pieces the boxes. */
    private void reliesOnFraming(Part part) {
      if (!(part instanceof FrameUp frameUp)) {
        return;
      }
      reliesOn(Place.header("aspect"));
      if (!frameUp.others().isEmpty()) {
        frameUp.leans().forEach(lean -> reliesOn(Place.look(lean.nodeId())));
      }
    }

    /** A lean on a node is added: it must be there, and none may be added that closes a loop. */
    Builder leansOn(String id) {
      reliesOn(Place.there(id), Place.readers(id));
      shot.find(id).ifPresent(n -> shot.reachedFrom(id).forEach(r -> reliesOn(Place.leans(r))));
      return this;
    }

    /** A motion is written into keys, on the frames of {@link MotionFrames}. */
    Builder writesMotion() {
      for (Node node : shot.nodes()) {
        if (!node.chain().carried().later().isEmpty()) {
          reliesOn(Place.stamps(node.id(), Carried.ID));
        }
      }
      return reliesOn(Place.header("handles"), Place.MOMENTS);
    }

    /** A node comes to be handed over. */
    Builder handsOver(List<HandOver> all) {
      return all.stream().anyMatch(h -> h.frame() != Math.rint(h.frame()))
          ? changes(Place.MOMENTS)
          : this;
    }

    Footprint done() {
      return new Footprint(changes, reliesOn);
    }
  }

  static Builder of(Shot shot) {
    return new Builder(shot);
  }
}
