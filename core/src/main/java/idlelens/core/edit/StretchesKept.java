package idlelens.core.edit;

import idlelens.core.part.Pin;
import idlelens.core.part.Ride;
import idlelens.core.rail.Anchor;
import idlelens.core.rail.Offset;
import idlelens.core.rail.Rail;
import idlelens.core.scene.Node;
import idlelens.core.scene.Shot;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;

/**
 * A change of a rail that leaves the stretches between pins alone in which it does nothing: smooth
 * tangents there that would follow an anchor on the other side of a pin are set as they were.
 */
final class StretchesKept {
  private final Rail before;
  private final RailChange change;
  private final Set<Integer> pinned = new TreeSet<>(); // anchors of the rail before

  StretchesKept(Shot shot, Node.Rail rail, RailChange change) {
    this.before = rail.rail();
    this.change = change;
    for (Node node : shot.nodes()) {
      for (Pin pin : node.chain().ride(rail.id()).map(Ride::pins).orElse(List.of())) {
        if (before.has(pin.anchorId())) {
          pinned.add(before.index(pin.anchorId()));
        }
      }
    }
  }

  Rail apply() {
    Rail after = change.of(before);
    boolean reshapes =
        !pinned.isEmpty()
            && !(change instanceof RailChange.Reverse)
            && !(change instanceof RailChange.Insert);
    return reshapes ? kept(after) : after;
  }

  private Rail kept(Rail after) {
    Set<Integer> still = stillSpans();
    List<Anchor> anchors = new ArrayList<>();
    for (int i = 0; i < after.anchors().size(); i++) {
      Anchor anchor = after.anchors().get(i);
      int old = before.has(anchor.id()) ? before.index(anchor.id()) : -1;
      anchors.add(old < 0 ? anchor : kept(after, i, old, still));
    }
    return after.withAnchors(anchors);
  }

  private Anchor kept(Rail after, int i, int old, Set<Integer> still) {
    Anchor anchor = after.anchors().get(i);
    int spanBefore = old > 0 ? old - 1 : before.closed() ? before.spans() - 1 : -1;
    Offset in = still.contains(spanBefore) ? before.in(old) : after.in(i);
    Offset out = still.contains(old) ? before.out(old) : after.out(i);
    boolean keepsIn = still.contains(spanBefore) && !in.equals(after.in(i));
    boolean keepsOut = still.contains(old) && !out.equals(after.out(i));
    if (!keepsIn && !keepsOut) {
      return anchor;
    }
    boolean smooth = anchor.kind() == Anchor.Kind.SMOOTH || anchor.kind() == Anchor.Kind.FREE;
    if (smooth && keepsIn != keepsOut) { // the other side turns along, so that no corner comes
      return keepsIn
          ? anchor.withTangents(in, in.opposite(out.vector().length()))
          : anchor.withTangents(out.opposite(in.vector().length()), out);
    }
    return anchor.withTangents(in, out);
  }

  /** The spans of the stretches that nothing is done to. */
  private Set<Integer> stillSpans() {
    Set<String> touched = change.touched();
    Set<Integer> still = new HashSet<>();
    List<Integer> bounds = new ArrayList<>(pinned);
    bounds.add(0, 0);
    bounds.add(before.closed() ? before.spans() : before.anchors().size() - 1);
    for (int k = 0; k + 1 < bounds.size(); k++) {
      int from = bounds.get(k);
      int to = bounds.get(k + 1);
      boolean isTouched = false;
      for (int i = from; i <= to; i++) {
        isTouched |= touched.contains(before.anchors().get(i % before.anchors().size()).id());
      }
      for (int i = from; i < to && !isTouched; i++) {
        still.add(i);
      }
    }
    return still;
  }
}
