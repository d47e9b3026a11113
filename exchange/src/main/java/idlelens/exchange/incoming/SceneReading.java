package idlelens.exchange.incoming;

import idlelens.core.curve.Curve;
import idlelens.core.curve.Key;
import idlelens.core.curve.Tangent;
import idlelens.core.geometry.RigidPose;
import idlelens.core.geometry.Turns;
import idlelens.core.part.Carriage;
import idlelens.core.part.Chain;
import idlelens.core.part.Part;
import idlelens.core.part.PartBody;
import idlelens.core.part.Visible;
import idlelens.core.rule.RefusedException;
import idlelens.core.rule.Require;
import idlelens.core.scene.Hidden;
import idlelens.core.scene.Node;
import idlelens.core.scene.NodeBody;
import idlelens.core.scene.Shot;
import idlelens.core.time.FrameRange;
import idlelens.exchange.format.FormatException;
import idlelens.exchange.scenefile.Channel;
import idlelens.exchange.scenefile.Content;
import idlelens.exchange.scenefile.Conventions;
import idlelens.exchange.scenefile.FileNode;
import idlelens.exchange.scenefile.Rest;
import idlelens.exchange.scenefile.SceneFile;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;

/**
 * Turns what a file holds into nodes of a shot. Sizes are worked into places and triangles, since
 * nothing that carries has a size here ({@link NodePoses}).
 */
public final class SceneReading {
  private static final int MOST_NAME = 80;
  private static final double USUAL_ASPECT = 16.0 / 9;

  private final SceneFile file;
  private final ReadSettings settings;
  private final Conventions conventions;
  private final AxisMap axes;
  private final Set<String> notes = new LinkedHashSet<>();
  private final List<Node> nodes = new ArrayList<>();
  private final Leftover[] inner;
  private final BitSet carrying = new BitSet();
  private final Set<String> ids = new HashSet<>();
  private final OptionalDouble aspect;
  private final FrameRange range;
  private final NodePoses poses;
  private final Lenses lenses;
  private final Pieces pieces;

  private SceneReading(SceneFile file, ReadSettings settings) throws FormatException {
    this.file = file;
    this.settings = settings;
    this.conventions = settings.conventions().orElse(file.conventions());
    this.axes = new AxisMap(conventions.axes().toOurs());
    this.notes.addAll(file.notes());
    this.inner = new Leftover[file.nodes().size()];
    this.aspect = Lenses.firstAspect(file);
    FrameClock clock = new FrameClock(settings.rate(), settings.firstFrame(), file.clock());
    this.range = range(clock);
    this.poses = new NodePoses(clock, file.budget(), notes, axes, range.length());
    this.lenses =
        new Lenses(
            poses.curves(),
            notes,
            settings.firstFrame(),
            settings.aspect().orElse(aspect.orElse(USUAL_ASPECT)),
            metresPerUnit(),
            this::idOf);
    this.pieces = new Pieces(conventions.axes().toOurs(), notes);
  }

  /**
   * Makes nodes of a file.
   *
   * @throws FormatException with the place in the file
   */
  public static SceneImport read(SceneFile file, ReadSettings settings) throws FormatException {
    try {
      return new SceneReading(file, settings).read();
    } catch (RefusedException e) {
      throw new FormatException(e.where(), e.found(), e.allowed());
    }
  }

  private double metresPerUnit() {
    return conventions.metresPerUnit() * settings.size();
  }

  private FrameRange range(FrameClock clock) {
    int first = settings.firstFrame();
    double last = Math.max(first, Math.ceil(clock.frame(file.lastTime())));
    double most = first + FrameRange.LONGEST - 1.0;
    if (last > most) {
      notes.add(
          String.format(
              "the motion runs to frame %.0f; a shot has at most %d frames, so it ends at frame"
                  + " %.0f (keys behind it are kept, what has to be sampled stands still there)",
              last, FrameRange.LONGEST, most));
    }
    return new FrameRange(first, (int) Math.min(last, most));
  }

  private SceneImport read() throws FormatException {
    if (file.nodes().size() > Shot.MOST_NODES) {
      throw new FormatException("nodes.length", file.nodes().size(), "at most " + Shot.MOST_NODES);
    }
    for (FileNode node : file.nodes()) {
      ids.add(settings.idPrefix() + node.key());
      if (node.parent() >= 0) {
        carrying.set(node.parent());
      }
    }
    for (int i = 0; i < inner.length; i++) {
      build(i);
    }
    return new SceneImport(List.copyOf(nodes), range, aspect, pieces.assets(), List.copyOf(notes));
  }

  private String id(int index) {
    return settings.idPrefix() + file.nodes().get(index).key();
  }

  private Optional<String> idOf(int key) {
    String id = settings.idPrefix() + key;
    return ids.contains(id) ? Optional.of(id) : Optional.empty();
  }

  /** Adds a node, with the sizes its carriers left for it. */
  private void build(int index) throws FormatException {
    FileNode node = file.nodes().get(index);
    boolean root = node.parent() < 0;
    Leftover outer =
        root ? Leftover.still(Sizes.even(metresPerUnit(), false)) : inner[node.parent()];
    String carrier = root ? "" : id(node.parent());
    String name = name(node);
    boolean alone = !carrying.get(index) && node.contents().size() == 1;
    NodePoses.Named named = new NodePoses.Named(name, alone && keepsLook(node.contents().get(0)));
    NodePoses.Posed posed = poses.pose(named, LocalMotion.of(node), outer);
    inner[index] = posed.inner();
    NodeBody body =
        body(id(index), name, carrier, appearing(posed.chain(), node.seen()))
            .withHidden(Hidden.of(node.hidden()));
    List<Node> contents = new ArrayList<>();
    for (Content content : node.contents()) {
      contents.addAll(contents(content, body, posed.inner(), alone));
    }
    add(body, contents, alone);
  }

  /** A chain that says when its node is to be seen, where that changes. */
  private Chain appearing(Chain chain, Channel seen) {
    if (seen.isStill()) {
      return chain;
    }
    List<Key> keys = new ArrayList<>();
    for (int k = 0; k < seen.keys(); k++) {
      double frame = poses.curves().frame(seen.times()[k]);
      keys.add(new Key(frame, seen.value(k, 0), Tangent.Kind.HOLD));
    }
    PartBody always = Visible.ALWAYS.body();
    Curve shown = new Curve(keys.get(0).value(), keys);
    List<Part> parts = new ArrayList<>(chain.parts());
    parts.add(new Visible(always.withCurves(always.curves().with(Visible.SHOWN, shown))));
    return new Chain(parts);
  }

  /** Whether something looks along axes of its own, that do not turn with those of the world. */
  private boolean keepsLook(Content content) {
    return content instanceof Content.Sun
        || content instanceof Content.Camera && conventions.rest() == Rest.OWN_Z;
  }

  /** Camera, light or triangles of a node, standing at its origin. */
  private List<Node> contents(Content content, NodeBody node, Leftover left, boolean alone)
      throws FormatException {
    Chain pose = alone || !keepsLook(content) ? Chain.pose() : looking();
    NodeBody still = body("content", node.name(), "", pose);
    if (content instanceof Content.Camera camera) {
      return List.of(withPose(lenses.read(camera, still), pose));
    }
    return content instanceof Content.Sun sun
        ? List.of(new Node.Sun(still, sun.colour(), sun.strength()))
        : pieces.read((Content.Piece) content, still, left);
  }

  private static Node withPose(Node.Camera camera, Chain pose) {
    return camera.withBody(camera.body().withChain(withLens(camera, pose)));
  }

  /** The turn of what looks along the file's axes below a node that stands upright in ours. */
  private Chain looking() {
    double[] t = Turns.panTiltRoll(axes.itself());
    return Chain.pose()
        .restingAt(0, 0, 0, Math.toDegrees(t[0]), Math.toDegrees(t[1]), Math.toDegrees(t[2]));
  }

  /** One node for a pose with its one content; else a null that carries them. */
  private void add(NodeBody body, List<Node> contents, boolean alone) {
    if (contents.size() == 1 && alone) {
      Node only = contents.get(0);
      nodes.add(only.withBody(body.withChain(withLens(only, body.chain()))));
      return;
    }
    nodes.add(new Node.Null(body));
    for (int i = 0; i < contents.size(); i++) {
      Node content = contents.get(i);
      NodeBody own = body(body.id() + "c" + i, body.name(), body.id(), content.chain());
      nodes.add(content.withBody(own.withHidden(body.hidden())));
    }
  }

  /** The chain of a node with the lens of its content, where that is a camera. */
  private static Chain withLens(Node content, Chain pose) {
    return content instanceof Node.Camera camera ? pose.withLens().with(camera.lens()) : pose;
  }

  private static NodeBody body(String id, String name, String carrier, Chain pose) {
    return new NodeBody(id, name, false, new Carriage(carrier, RigidPose.IDENTITY), pose);
  }

  private static String name(FileNode node) {
    boolean camera = node.contents().stream().anyMatch(Content.Camera.class::isInstance);
    String otherwise = (camera ? "Camera " : "Node ") + node.key();
    return Require.asName(node.name(), MOST_NAME, otherwise);
  }
}
