package idlelens.core.part;

import idlelens.core.curve.Curve;
import idlelens.core.rule.RefusedException;
import idlelens.core.rule.Require;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.NavigableSet;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.function.UnaryOperator;
import java.util.stream.Collectors;

/**
 * The parts through which a node's motion passes, in their order: its own pose, the space it stands
 * in, what is done to it in the world, what the lens does, what the node looks like. Keys and
 * Carried are always there.
 */
public record Chain(List<Part> parts) {
  /** The most parts a chain may have. */
  public static final int MOST = 60;

  public Chain {
    parts = List.copyOf(parts);
    Require.within(parts.size(), 1, MOST, "chain.count");
    Set<String> ids = new HashSet<>();
    Slot slot = Slot.OWN;
    for (Part part : parts) {
      checkId(part, ids);
      if (part.kind().slot().ordinal() < slot.ordinal()) {
        throw new RefusedException(
            "chain", part.id() + " behind a part of the " + slot, "own, space, world, lens, node");
      }
      slot = part.kind().slot();
    }
    checkRides(parts);
    checkZooms(parts);
    checkProjection(parts);
    for (String always : List.of(Keys.ID, Carried.ID)) {
      if (!ids.contains(always)) {
        throw new RefusedException("chain", "without " + always, "keys and carried in every chain");
      }
    }
  }

  private static void checkRides(List<Part> parts) {
    Set<String> rails = new HashSet<>();
    for (Part part : parts) {
      if (part instanceof Ride ride && !rails.add(ride.railId())) {
        throw new RefusedException(
            "chain", "with two rides on '" + ride.railId() + "'", "one ride on each rail");
      }
    }
  }

  private static void checkZooms(List<Part> parts) {
    boolean lens = parts.stream().anyMatch(Lens.class::isInstance);
    for (Part part : parts) {
      if (!lens && part instanceof Move move && move.way() == Move.Way.ZOOM) {
        throw new RefusedException(
            part.id() + ".way", "zoom, without a lens", "another move, or a camera");
      }
    }
  }

  /** Nothing that works by the field of view has an effect where a camera sees in parallel. */
  private static void checkProjection(List<Part> parts) {
    boolean parallel =
        parts.stream().anyMatch(part -> part instanceof Lens lens && lens.lens().isOrthographic());
    for (Part part : parts) {
      boolean zooms = part instanceof Move move && move.way() == Move.Way.ZOOM;
      if (parallel && (zooms || part instanceof FrameUp)) {
        throw new RefusedException(
            "lens.projection",
            "orthographic, with " + part.kind().label() + " in the chain",
            "perspective, or orthographic without Frame up and zooms");
      }
    }
  }

  private static void checkId(Part part, Set<String> ids) {
    if (!ids.add(part.id())) {
      throw new RefusedException("chain", "with '" + part.id() + "' twice", "each part once");
    }
    PartKind same = reserved(part.id());
    boolean wrong = same == null ? !part.kind().many() : !same.equals(part.kind()) || same.many();
    if (wrong) {
      throw new RefusedException(
          "part.id",
          "'" + part.id() + "'",
          part.kind().many() ? "no name of a kind of part" : "'" + part.kind().word() + "'");
    }
  }

  private static PartKind reserved(String id) {
    return Parts.KINDS.stream().filter(k -> k.word().equals(id)).findFirst().orElse(null);
  }

  /** A pose at rest at the origin, in the world. */
  public static Chain pose() {
    return new Chain(List.of(Keys.STILL, Carried.WORLD));
  }

  /** The same with a plain lens. */
  public static Chain poseAndLens() {
    return pose().withLens();
  }

  /** With a plain lens, behind all that moves it. */
  public Chain withLens() {
    List<Part> all = new ArrayList<>(parts);
    int at = all.size();
    while (all.get(at - 1).kind().slot() == Slot.NODE) {
      at--;
    }
    all.add(at, Lens.PLAIN);
    return new Chain(all);
  }

  public Optional<Part> find(String id) {
    return parts.stream().filter(p -> p.id().equals(id)).findFirst();
  }

  /** The part of that id. */
  public Part part(String id) {
    return find(id)
        .orElseThrow(
            () ->
                new RefusedException(
                    "part",
                    "'" + id + "'",
                    parts.stream().map(Part::id).collect(Collectors.joining(", "))));
  }

  /** How the node rides a rail, if it does. */
  public Optional<Ride> ride(String railId) {
    for (Part part : parts) {
      if (part instanceof Ride ride && ride.railId().equals(railId)) {
        return Optional.of(ride);
      }
    }
    return Optional.empty();
  }

  public Carried carried() {
    return (Carried) part(Carried.ID);
  }

  /** The lens, where there is one. */
  public Optional<Lens> lens() {
    return find(Lens.ID).map(Lens.class::cast);
  }

  /** What the pose in the world, or what the lens reads of other nodes. */
  public List<Lean> leans(Lean.Of of) {
    List<Lean> all = new ArrayList<>();
    for (Part part : parts) {
      if ((part.kind().slot() == Slot.LENS) == (of == Lean.Of.LENS)) {
        all.addAll(part.leans());
      }
    }
    return all;
  }

  /** All that can be keyed, in order. */
  public List<Path> paths() {
    List<Path> all = new ArrayList<>();
    for (Part part : parts) {
      part.curves().parameters().forEach(p -> all.add(new Path(part.id(), p.id())));
    }
    return all;
  }

  /** All paths to what a node looks like, of the parts that are on. */
  public List<Path> looks() {
    List<Path> all = new ArrayList<>();
    for (Part part : parts) {
      if (part.kind().slot() == Slot.NODE && part.isOn()) {
        part.curves().parameters().forEach(p -> all.add(new Path(part.id(), p.id())));
      }
    }
    return all;
  }

  public boolean has(Path path) {
    return find(path.part()).flatMap(p -> p.curves().find(path.parameter())).isPresent();
  }

  /** The curve at a path. */
  public Curve curve(Path path) {
    return find(path.part())
        .flatMap(p -> p.curves().find(path.parameter()))
        .orElseThrow(() -> unknown(path));
  }

  /** What the curve at a path is of. */
  public Parameter parameter(Path path) {
    curve(path);
    Curves curves = part(path.part()).curves();
    return curves.parameters().get(curves.index(path.parameter()));
  }

  private RefusedException unknown(Path path) {
    return new RefusedException(
        "channel", path, paths().stream().map(Path::toString).collect(Collectors.joining(", ")));
  }

  public Chain with(Path path, Curve curve) {
    return with(Map.of(path, curve));
  }

  /** With all of the given curves. */
  public Chain with(Map<Path, Curve> changed) {
    changed.keySet().forEach(this::curve);
    return mapped(
        part -> {
          Curves curves = part.curves();
          for (int i = 0; i < curves.list().size(); i++) {
            Curve next = changed.get(new Path(part.id(), curves.parameters().get(i).id()));
            curves = next == null ? curves : curves.with(i, next);
          }
          return curves == part.curves() ? part : part.withBody(part.body().withCurves(curves));
        });
  }

  /** With each of the given curves changed. */
  public Chain map(Collection<Path> which, UnaryOperator<Curve> change) {
    return with(
        which.stream().distinct().collect(Collectors.toMap(p -> p, p -> change.apply(curve(p)))));
  }

  /** With still values of the pose. */
  public Chain restingAt(double x, double y, double z, double pan, double tilt, double roll) {
    double[] values = {x, y, z, pan, tilt, roll};
    return with(
        Path.POSE.stream()
            .collect(
                Collectors.toMap(p -> p, p -> curve(p).withRest(values[Path.POSE.indexOf(p)]))));
  }

  /** With each part changed. */
  public Chain mapped(UnaryOperator<Part> change) {
    return new Chain(parts.stream().map(change).toList());
  }

  /** With that part in place of the one of its id. */
  public Chain with(Part changed) {
    part(changed.id());
    return mapped(p -> p.id().equals(changed.id()) ? changed : p);
  }

  public Chain carriedBy(Carriage by) {
    return with(carried().withBy(by));
  }

  /** Whether any of the curves has keys. */
  public boolean isKeyed(Collection<Path> which) {
    return which.stream().anyMatch(p -> has(p) && curve(p).isKeyed());
  }

  /** All frames at which one of the curves has a key. */
  public NavigableSet<Double> keyFrames(Collection<Path> which) {
    TreeSet<Double> frames = new TreeSet<>();
    which.stream()
        .filter(this::has)
        .forEach(p -> curve(p).keys().forEach(k -> frames.add(k.frame())));
    return frames;
  }

  /** This chain, with the instances of equal earlier parts and curves in their places. */
  public Chain reusing(Chain earlier) {
    return equals(earlier) ? earlier : mapped(p -> earlier.find(p.id()).map(p::reusing).orElse(p));
  }
}
