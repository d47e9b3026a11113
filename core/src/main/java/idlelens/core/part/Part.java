package idlelens.core.part;

import idlelens.core.rule.RefusedException;
import java.util.ArrayList;
import java.util.List;
import java.util.function.DoubleUnaryOperator;
import java.util.function.UnaryOperator;

/**
 * A part of a node's chain. It answers three questions: what of it can be keyed ({@link #curves}),
 * what it reads of other nodes ({@link #leans}), and which frames it holds ({@link #stamps}).
 */
public sealed interface Part
    permits Keys,
        Move,
        Ride,
        Carried,
        Aim,
        FrameUp,
        Shake,
        Recorded,
        Smooth,
        RunIn,
        Lens,
        Look,
        Shine,
        Visible,
        Backplate {
  PartBody body();

  PartKind kind();

  Part withBody(PartBody body);

  default String id() {
    return body().id();
  }

  default boolean isOn() {
    return body().on();
  }

  default Curves curves() {
    return body().curves();
  }

  /** The curves as they take effect, where the part binds them to something. */
  default Curves evaluated() {
    return curves();
  }

  /** Whether it shakes its node, so that this stands still without. */
  default boolean shakes() {
    return false;
  }

  /** What it looks at, follows or turns about. */
  default List<Target> targets() {
    return List.of();
  }

  /** With others in their places, as many as there are. */
  default Part withTargets(List<Target> targets) {
    return this;
  }

  /** What it reads of other nodes. */
  default List<Lean> leans() {
    List<Lean> all = new ArrayList<>();
    for (Target target : targets()) {
      target.nodeId().ifPresent(id -> all.add(new Lean(id, Lean.Of.WORLD, id() + ".target")));
    }
    return all;
  }

  /** The frames that it holds besides its keys. */
  default List<Stamp> stamps() {
    return kind().window() ? List.of(body().window()) : List.of();
  }

  /** With another stamp in place of the one of that id. */
  default Part withStamp(Stamp stamp) {
    return withBody(body().withWindow((Window) stamp));
  }

  /**
   * Without the stamp of that id.
   *
   * @throws RefusedException where the stamp cannot go
   */
  default Part withoutStamp(String id) {
    throw new RefusedException(
        id() + ".stamp", "'" + id + "'", "a stamp that can go; a window is opened instead");
  }

  /** With the frames that it holds moved; its keys are not among them. */
  default Part stampsRetimed(DoubleUnaryOperator map) {
    Part next = this;
    for (Stamp stamp : stamps()) {
      Stamp moved = stamp.retimed(map);
      next = moved.equals(stamp) ? next : next.withStamp(moved);
    }
    return next;
  }

  /** With all that lasts some frames, such as a fade, lasting so many times as many. */
  default Part lasting(double factor) {
    Window window = body().window();
    Window longer = window.faded(factor);
    return longer.equals(window) ? this : withBody(body().withWindow(longer));
  }

  /** The same on other nodes. */
  default Part withNodes(UnaryOperator<String> other) {
    return withTargets(
        targets().stream()
            .map(
                t ->
                    t instanceof Target.OfNode node
                        ? (Target) node.withNode(other.apply(node.node()))
                        : t)
            .toList());
  }

  /** This part, with the instance of an equal earlier one, or of its curves, in their places. */
  default Part reusing(Part earlier) {
    return equals(earlier)
        ? earlier
        : withBody(body().withCurves(curves().reusing(earlier.curves())));
  }
}
