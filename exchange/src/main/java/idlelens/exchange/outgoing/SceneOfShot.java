package idlelens.exchange.outgoing;

import idlelens.core.motion.Evaluation;
import idlelens.core.part.Look;
import idlelens.core.part.Part;
import idlelens.core.part.Visible;
import idlelens.core.scene.Node;
import idlelens.core.scene.Shot;
import idlelens.core.set.Mesh;
import idlelens.core.time.FrameRange;
import idlelens.exchange.format.ReadBudget;
import idlelens.exchange.json.PieceJson;
import idlelens.exchange.scenefile.Channel;
import idlelens.exchange.scenefile.Content;
import idlelens.exchange.scenefile.Conventions;
import idlelens.exchange.scenefile.FileClock;
import idlelens.exchange.scenefile.FileNode;
import idlelens.exchange.scenefile.Holds;
import idlelens.exchange.scenefile.Op;
import idlelens.exchange.scenefile.SceneFile;
import idlelens.exchange.scenefile.ShotHint;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.Set;
import java.util.function.Function;
import java.util.function.Predicate;
import java.util.function.UnaryOperator;
import java.util.stream.IntStream;

/**
 * Cameras with the nulls that carry them, and the set, as they go out: what moves has a sample on
 * every frame of the receiver, or few; what stands still has one.
 */
public final class SceneOfShot {
  private final HandOff handOff;
  private final Shot shot;
  private final Conventions conventions;
  private final Holds holds;
  private final boolean inTheWorld;
  private final Evaluation motion;
  private final Map<String, Integer> index = new LinkedHashMap<>();
  private final Set<String> chosen = new LinkedHashSet<>(); // not only because they carry others
  private final Set<String> notes = new LinkedHashSet<>();
  private final LocalOps ops;
  private final OutgoingLenses lenses;
  private final OutgoingPieces pieces;

  private SceneOfShot(HandOff handOff, Holds holds, Function<String, Mesh> stored) {
    this.handOff = handOff;
    this.shot = handOff.shot();
    this.conventions = holds.within(handOff.profile().conventions());
    this.holds = holds;
    this.inTheWorld = !holds.nodes();
    this.motion = Evaluation.of(shot, handOff.grid(), null);
    this.ops = new LocalOps(handOff, motion, new OutgoingAxes(conventions), holds, notes);
    this.lenses =
        new OutgoingLenses(handOff, motion, conventions, holds, ops.times(), index, notes);
    this.pieces = new OutgoingPieces(conventions, stored, notes);
  }

  /**
   * @param holds what the format can hold; where that is one camera and no nodes, it stands in the
   *     world
   * @param stored finds the triangles of an imported piece by their SHA-256
   */
  public static SceneFile of(HandOff handOff, Holds holds, Function<String, Mesh> stored) {
    return new SceneOfShot(handOff, holds, stored).scene();
  }

  private SceneFile scene() {
    choose();
    List<Node> ordered = ordered();
    ordered.forEach(n -> index.put(n.id(), index.size()));
    sayFrames();
    List<FileNode> nodes = new ArrayList<>();
    UnaryOperator<String> names = handOff.profile().names().once();
    ordered.forEach(n -> nodes.add(node(n, names.apply(n.name()))));
    return new SceneFile(
        conventions,
        handOff.profile().wording(),
        clock(),
        nodes,
        Optional.of(hint()),
        new ReadBudget(0),
        Remarks.gathered(notes));
  }

  private FileClock clock() {
    int first = handOff.firstFrame();
    return new FileClock(
        handOff.rate().framesPerSecond(),
        first,
        OptionalDouble.of(first + handOff.grid().count() - 1),
        Optional.of(handOff.rate()),
        Optional.of(first));
  }

  private ShotHint hint() {
    FrameRange range = shot.header().range();
    FrameRange frames = handOff.frames();
    int first = handOff.firstFrame();
    int last = first + handOff.grid().count() - 1;
    boolean whole = frames.in() <= range.in() && frames.out() >= range.out();
    boolean sameTime = handOff.ratio() == 1;
    if (!whole || !sameTime) {
      return new ShotHint(
          shot.header().name(),
          handOff.rate(),
          new FrameRange(first, last),
          first,
          shot.header().aspect(),
          OptionalInt.of(0));
    }
    int shift = first - frames.in();
    return new ShotHint(
        shot.header().name(),
        handOff.rate(),
        new FrameRange(range.in() + shift, range.out() + shift),
        first,
        shot.header().aspect(),
        OptionalInt.of(shot.header().handles()));
  }

  private void choose() {
    chosen.addAll(handOff.cameras());
    if (inTheWorld) {
      chosen.retainAll(List.of(handOff.cameras().get(0)));
      return;
    }
    switch (handOff.company()) {
      case CARRIERS -> {}
      case NULLS -> chooseSeen(n -> n instanceof Node.Piece || isLight(n));
      case SET -> {
        sayWhatIsNotWritten();
        chooseSeen(n -> n instanceof Node.Piece || n instanceof Node.Sun);
      }
    }
  }

  private static boolean isLight(Node node) {
    return node instanceof Node.Sun || node instanceof Node.Light;
  }

  private void chooseSeen(Predicate<Node> kind) {
    shot.nodes().stream()
        .filter(kind)
        .filter(n -> !n.hidden().files())
        .forEach(n -> chosen.add(n.id()));
  }

  /** Those chosen and what carries them, each behind what carries it. */
  private List<Node> ordered() {
    Set<String> all = new LinkedHashSet<>();
    for (Node node : shot.nodes()) {
      if (chosen.contains(node.id())) {
        addWithCarriers(node, all);
      }
    }
    return all.stream().map(shot::node).toList();
  }

  private void addWithCarriers(Node node, Set<String> all) {
    if (inTheWorld) {
      all.add(node.id());
      return;
    }
    List<String> line = new ArrayList<>();
    for (String up = node.id(); !up.isEmpty() && !all.contains(up); up = shot.node(up).parentId()) {
      line.add(0, up);
    }
    all.addAll(line);
  }

  private FileNode node(Node node, String name) {
    sayOfParts(node);
    List<Op> own = ops.of(node);
    return new FileNode(
        String.valueOf(index.get(node.id())),
        name,
        node.name(),
        inTheWorld || node.parentId().isEmpty() ? -1 : index.get(node.parentId()),
        own,
        seen(node),
        contents(node));
  }

  /** When it is to be seen; in formats that know no such thing, always if ever. */
  private Channel seen(Node node) {
    double[] seen = new double[handOff.grid().count()];
    if (!node.hidden().picture()) {
      Arrays.setAll(seen, i -> motion.isShown(node.id(), i) ? 1 : 0);
    }
    boolean changes = Arrays.stream(seen).distinct().count() > 1;
    if (!changes || !holds.appearing()) {
      return Channel.still(node.name(), Arrays.stream(seen).max().orElse(1));
    }
    int[] steps =
        IntStream.range(0, seen.length).filter(i -> i == 0 || seen[i] != seen[i - 1]).toArray();
    return new Channel(
        IntStream.of(steps).mapToDouble(i -> ops.times()[i]).toArray(),
        IntStream.of(steps).mapToDouble(i -> seen[i]).toArray(),
        Channel.Between.STEP,
        1,
        node.name());
  }

  private List<Content> contents(Node node) {
    if (node instanceof Node.Camera camera) {
      return List.of(lenses.of(camera));
    }
    if (handOff.company() != HandOff.Company.SET) {
      return List.of();
    }
    if (node instanceof Node.Sun sun) {
      return List.of(new Content.Sun(sun.name(), sun.colour(), sun.strength()));
    }
    if (node instanceof Node.Piece piece && chosen.contains(node.id())) {
      return pieces.of(new PieceJson.Look(piece.shape(), piece.finish()), piece.name());
    }
    return List.of();
  }

  private void sayOfParts(Node node) {
    node.chain().parts().stream()
        .filter(part -> !part.isOn())
        .map(part -> node.name() + ": " + part.kind().label() + gone(part))
        .forEach(notes::add);
    if (!node.chain().carried().later().isEmpty()) {
      notes.add(node.name() + ": is handed over and goes out standing in the world");
    } else if (node.chain().ride(node.carriage().carrierId()).isPresent()) {
      notes.add(node.name() + ": rides a rail and goes out standing in the world");
    }
    sayWhatStays(node);
  }

  private static String gone(Part part) {
    return part.kind().source()
        ? " is switched off and goes out still"
        : " is switched off and does not go out";
  }

  /** What of a node such a file does not hold. */
  private void sayWhatStays(Node node) {
    if (node instanceof Node.Repeat) {
      notes.add(node.name() + ": what it repeats goes out once, without its copies");
    }
    if (node instanceof Node.Piece piece && piece.finish().lettering().isPresent()) {
      notes.add(node.name() + ": what is written on it stays here");
    }
    if (node instanceof Node.Piece piece && piece.finish().pictures().isPresent()) {
      notes.add(node.name() + ": the pictures on it stay here");
    }
    if (node instanceof Node.Camera && node.pictures().isPresent()) {
      notes.add(node.name() + ": its backplate stays here");
    }
    if (node instanceof Node.Piece && node.chain().find(Look.ID).isPresent()) {
      notes.add(node.name() + ": its size and glow over time stay here");
    }
    if (node.chain().find(Visible.ID).filter(Part::isOn).isPresent() && !holds.appearing()) {
      notes.add(node.name() + ": when it appears and vanishes stays here");
    }
  }

  /** What of the set has no place in such a file. */
  private void sayWhatIsNotWritten() {
    shot.nodes().stream()
        .filter(n -> n instanceof Node.Light || n instanceof Node.Mist || n instanceof Node.Hazy)
        .forEach(n -> notes.add(n.name() + ": a " + n.kind() + " does not go out"));
    shot.nodes().stream()
        .filter(n -> n.hidden().files())
        .forEach(n -> notes.add(n.name() + ": is hidden in files and does not go out"));
  }

  /** What goes out of the frames is said, and what of them stays behind. */
  private void sayFrames() {
    FrameRange frames = handOff.frames();
    int handles = shot.header().handles();
    if (!frames.equals(shot.header().range())) {
      notes.add("frames " + frames.in() + " to " + frames.out() + " go out");
    } else if (handles > 0) {
      notes.add("the range goes out, without its " + handles + " frames of handles");
    }
    if (handOff.ratio() != 1) {
      notes.add(
          "the shot runs at "
              + shot.header().rate().label()
              + " and goes out at "
              + handOff.rate().label()
              + ": it is looked at at the moments of those frames");
    }
  }
}
