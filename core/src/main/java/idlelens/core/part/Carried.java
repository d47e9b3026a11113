package idlelens.core.part;

import idlelens.core.rule.RefusedException;
import idlelens.core.rule.Require;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import java.util.function.DoubleUnaryOperator;
import java.util.function.UnaryOperator;

/**
 * What carries the node, one carrier after another: the space in which its own pose stands.
 *
 * @param by the carrier until the first hand-over
 * @param later the hand-overs, in order of their frames
 */
public record Carried(PartBody body, Carriage by, List<HandOver> later) implements Part {
  /** Its id in every node. */
  public static final String ID = "carried";

  /** The most hand-overs of one node. */
  public static final int MOST = 1000;

  /** Hand-overs closer than this, in frames, are at the same frame. */
  private static final double SAME_FRAME = 1e-6;

  public static final PartKind KIND =
      new PartKind(
          ID,
          "Carried by",
          "Rides along with a null, a piece, a rail or a repeat",
          Slot.SPACE,
          false,
          true,
          false,
          List.of(),
          Set.of("camera", "null", "piece", "rail", "repeat", "sun", "light", "mist", "haze"));

  /** Standing in the world. */
  public static final Carried WORLD = new Carried(PartBody.usual(ID, KIND), Carriage.WORLD);

  public Carried {
    Require.present(by, "carrier");
    Require.within(later.size(), 0, MOST, "handOvers.count");
    later = later.stream().sorted(Comparator.comparingDouble(HandOver::frame)).toList();
    Set<String> ids = new HashSet<>();
    for (int i = 0; i < later.size(); i++) {
      HandOver now = later.get(i);
      if (!ids.add(now.id())) {
        throw new RefusedException("handOver.id", "'" + now.id() + "' twice", "each id once");
      }
      if (i > 0 && now.frame() - later.get(i - 1).frame() < SAME_FRAME) {
        throw new RefusedException(
            "handOver.frame", now.frame(), "a frame without another hand-over of this node");
      }
    }
  }

  /** Carried by one for all frames. */
  public Carried(PartBody body, Carriage by) {
    this(body, by, List.of());
  }

  @Override
  public PartKind kind() {
    return KIND;
  }

  @Override
  public Carried withBody(PartBody newBody) {
    return new Carried(newBody, by, later);
  }

  /** With one carrier for all frames. */
  public Carried withBy(Carriage newBy) {
    return new Carried(body, newBy);
  }

  /** With another carrier until the first hand-over. */
  public Carried withFirst(Carriage newBy) {
    return new Carried(body, newBy, later);
  }

  public Carried withLater(List<HandOver> newLater) {
    return new Carried(body, by, newLater);
  }

  /** With a hand-over, in place of the one at its frame or of its id, if there is one. */
  public Carried with(HandOver added) {
    List<HandOver> next = new ArrayList<>(later);
    next.removeIf(
        h -> h.id().equals(added.id()) || Math.abs(h.frame() - added.frame()) < SAME_FRAME);
    next.add(added);
    return withLater(next);
  }

  /** How many hand-overs have come about at a frame. */
  public int stretchAt(double frame) {
    int count = 0;
    while (count < later.size() && later.get(count).frame() <= frame + SAME_FRAME) {
      count++;
    }
    return count;
  }

  /** Who carries the node after so many hand-overs; "" for the world. */
  public String carrier(int stretch) {
    return stretch == 0 ? by.carrierId() : later.get(stretch - 1).carrierId();
  }

  public String carrierAt(double frame) {
    return carrier(stretchAt(frame));
  }

  /** All that ever carry the node, in their order, the world not among them. */
  public Set<String> carriers() {
    Set<String> all = new LinkedHashSet<>();
    for (int i = 0; i <= later.size(); i++) {
      all.add(carrier(i));
    }
    all.remove("");
    return all;
  }

  /** Whether it never stands in anything but the world. */
  public boolean isFree() {
    return carriers().isEmpty();
  }

  @Override
  public List<Lean> leans() {
    return carriers().stream().map(id -> new Lean(id, Lean.Of.WORLD, "carrier")).toList();
  }

  @Override
  public Carried withNodes(UnaryOperator<String> other) {
    return new Carried(
        body,
        by.isCarried() ? new Carriage(other.apply(by.carrierId()), by.offset()) : by,
        later.stream()
            .map(h -> h.carrierId().isEmpty() ? h : h.to(other.apply(h.carrierId()), h.offset()))
            .toList());
  }

  @Override
  public List<Stamp> stamps() {
    return List.copyOf(later);
  }

  @Override
  public Carried withStamp(Stamp stamp) {
    return withLater(
        later.stream().map(h -> h.id().equals(stamp.id()) ? (HandOver) stamp : h).toList());
  }

  @Override
  public Carried withoutStamp(String id) {
    return withLater(later.stream().filter(h -> !h.id().equals(id)).toList());
  }

  @Override
  public Carried lasting(double factor) {
    return later.stream().allMatch(h -> h.settle() == 0)
        ? this
        : withLater(later.stream().map(h -> h.lasting(factor)).toList());
  }

  @Override
  public Carried stampsRetimed(DoubleUnaryOperator map) {
    return later.isEmpty() ? this : withLater(later.stream().map(h -> h.retimed(map)).toList());
  }
}
