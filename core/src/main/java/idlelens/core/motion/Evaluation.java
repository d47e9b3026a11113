package idlelens.core.motion;

import idlelens.core.geometry.RigidPose;
import idlelens.core.part.FocusRule;
import idlelens.core.part.Lens;
import idlelens.core.part.Look;
import idlelens.core.part.Move;
import idlelens.core.part.Parameter;
import idlelens.core.part.Part;
import idlelens.core.part.Target;
import idlelens.core.rule.RefusedException;
import idlelens.core.rule.StoppedException;
import idlelens.core.scene.Node;
import idlelens.core.scene.Shot;
import idlelens.core.time.SampleGrid;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * A shot's motion on a grid of samples. Made from the shot alone; an earlier evaluation of a shot
 * that shares nodes with it lends the tracks that have not changed, so that an edit costs its own
 * stage and those behind it.
 */
public final class Evaluation {
  private final Shot shot;
  private final SampleGrid grid;
  private final boolean isStart;
  private final Map<String, NodeMotion> motions = new HashMap<>();
  private final Rides rides = new Rides(this);
  private final Moments moments;
  private final Presence presence;
  private Evaluation start;
  private boolean filled; // else each node is evaluated when it is asked for
  private Optional<Evaluation> work;
  private final WorkGrid.Work workGrid; // of this, where this is on it

  /**
   * What stands between the frames of a grid: evaluations of single frames, made once each, and the
   * constants of hand-overs, which are the same on every grid.
   */
  private record Moments(
      Evaluation whole, Map<Double, Evaluation> byFrame, Map<String, Standing[]> constants) {}

  /**
   * @param whole the evaluation of which this is a single frame, or null
   */
  private Evaluation(Shot shot, SampleGrid grid, boolean isStart, Evaluation whole) {
    this(shot, grid, isStart, whole, null);
  }

  private Evaluation(
      Shot shot, SampleGrid grid, boolean isStart, Evaluation whole, WorkGrid.Work workGrid) {
    this.shot = shot;
    this.grid = grid;
    this.workGrid = workGrid;
    this.isStart = isStart;
    this.presence = new Presence(shot, grid);
    this.moments =
        whole == null ? new Moments(this, new HashMap<>(), new HashMap<>()) : whole.moments;
  }

  /** Evaluates over range and handles, one sample a frame. */
  public static Evaluation of(Shot shot) {
    return of(shot, SampleGrid.over(shot.header().range(), shot.header().handles()), null);
  }

  /** Evaluates at one frame, each node when it is asked for; not for more than one thread. */
  public static Evaluation at(Shot shot, double frame) {
    return new Evaluation(shot, SampleGrid.at(frame), false, null);
  }

  /**
   * @param earlier an evaluation to take unchanged tracks from, or null
   */
  public static Evaluation of(Shot shot, SampleGrid grid, Evaluation earlier) {
    Evaluation evaluation = new Evaluation(shot, grid, false, null);
    evaluation.fill(shot.nodes(), earlier != null && earlier.grid.equals(grid) ? earlier : null);
    return evaluation;
  }

  /**
   * Evaluates some nodes only.
   *
   * @param nodeIds the nodes, and all that they read
   */
  public static Evaluation ofSome(Shot shot, SampleGrid grid, Set<String> nodeIds) {
    Evaluation evaluation = new Evaluation(shot, grid, false, null);
    evaluation.fill(shot.nodes().stream().filter(n -> nodeIds.contains(n.id())).toList(), null);
    return evaluation;
  }

  private void fill(List<Node> nodes, Evaluation earlier) {
    for (Node node : nodes) {
      StoppedException.check();
      motion(node, earlier);
    }
    for (Node node : nodes) {
      if (node instanceof Node.Camera camera) {
        addLens(camera, earlier);
      }
    }
    filled = true;
  }

  private NodeMotion motion(Node node, Evaluation earlier) {
    if (!motions.containsKey(node.id())) {
      for (Node read : shot.readBy(node, motions::containsKey)) {
        motions.put(read.id(), made(read, earlier));
      }
      motions.put(node.id(), made(node, earlier));
    }
    return motions.get(node.id());
  }

  /** The motion of a node, when that of what it reads is known. */
  private NodeMotion made(Node node, Evaluation earlier) {
    NodeMotion before = earlier == null ? null : earlier.motions.get(node.id());
    NodeMotion whole = onWork(node, earlier);
    boolean part = whole != null && work().orElseThrow().workGrid.covers(grid);
    Map<String, PartTrack> parts = parts(node, part ? whole : null, before);
    Space space = reusing(new Spaces(this, node, earlier).space(), before);
    Stages stages =
        new Stages(
            this,
            node,
            space,
            parts,
            id -> motion(shot.node(id), earlier).world(),
            whole == null ? null : whole.run());
    StageRun was = before == null ? null : before.run();
    StageRun run =
        part
            ? StageRun.window(whole.run(), grid, stages.first(), was)
            : StageRun.of(stages.all(), lensFlow(node, parts), was);
    return new NodeMotion(parts, space, run, null, null);
  }

  /** The sampled parameters of its parts. */
  private Map<String, PartTrack> parts(Node node, NodeMotion whole, NodeMotion before) {
    Map<String, PartTrack> parts = new LinkedHashMap<>();
    for (Part part : node.chain().parts()) {
      PartTrack old = before == null ? null : before.parts().get(part.id());
      parts.put(
          part.id(),
          whole == null
              ? PartTrack.sample(part.evaluated(), grid, old)
              : PartTrack.window(whole.parts().get(part.id()), grid, old));
    }
    return parts;
  }

  /**
   * The motion of a node on the work grid, where something smooths it or what reads it; null where
   * nothing does, or where this is that grid.
   */
  private NodeMotion onWork(Node node, Evaluation earlier) {
    if (workGrid != null || work().isEmpty()) {
      return null;
    }
    Evaluation on = work().get();
    if (!on.workGrid.nodes().contains(node.id())) {
      return null;
    }
    Optional<Evaluation> was = earlier == null ? Optional.empty() : earlier.work();
    return on.motion(node, was.filter(w -> w.grid.equals(on.grid)).orElse(null));
  }

  /** This shot on its work grid, its nodes evaluated as they are asked for. */
  private Optional<Evaluation> work() {
    if (moments.whole != this) {
      return moments.whole.work();
    }
    if (work == null) {
      work = WorkGrid.of(shot).map(on -> new Evaluation(shot, on.grid(), isStart, this, on));
    }
    return work;
  }

  private static Space reusing(Space space, NodeMotion before) {
    return before != null && space.sameAs(before.space()) ? before.space() : space;
  }

  /** The motion of a node, made now if it was not before. */
  NodeMotion reached(Node node) {
    return motion(node, null);
  }

  /** The pose in the world of what carries a node: a carrier, or where it rides on a rail. */
  PoseTrack carrierTrack(Node node, String carrierId, Evaluation earlier) {
    Node carrier = shot.node(carrierId);
    PoseTrack world = motion(carrier, earlier).world();
    return carrier instanceof Node.Rail rail
        ? rides.of(node, rail, world, earlier == null ? null : earlier.rides).world()
        : world;
  }

  /** The rides on this evaluation's grid. */
  Rides rides() {
    return rides;
  }

  /**
   * The shot at a single frame, wherever that is; what is filtered over time is worked out once for
   * all of them. Its nodes are evaluated as they are asked for, so that a node may ask while it is
   * being made itself; not for more than one thread.
   */
  public Evaluation moment(double frame) {
    Evaluation known = moments.byFrame.get(frame);
    if (known == null) {
      known = new Evaluation(shot, SampleGrid.at(frame), false, moments.whole);
      moments.byFrame.put(frame, known);
    }
    return known;
  }

  /** The same as {@link #moment}, but nobody keeps it: for as many moments as are wanted. */
  public Evaluation passingMoment(double frame) {
    return new Evaluation(shot, SampleGrid.at(frame), false, moments.whole);
  }

  /** The constants of a node's hand-overs that are known; to be added to. */
  Map<String, Standing[]> constants() {
    return moments.constants;
  }

  /** This shot at a frame, without any shake of some nodes. */
  Evaluation calmMoment(double frame, Set<String> ids) {
    return new Evaluation(shot.calmed(ids), SampleGrid.at(frame), isStart, null);
  }

  private void addLens(Node.Camera camera, Evaluation earlier) {
    NodeMotion motion = motions.get(camera.id());
    NodeMotion before = earlier == null ? null : earlier.motions.get(camera.id());
    Lens lens = camera.lens();
    if (!isOn(lens)) {
      LensTrack held = start().of(camera.id()).lens().orElseThrow();
      LensTrack known = before == null ? null : before.lens().filter(held::sameAs).orElse(null);
      motions.put(camera.id(), motion.withLens(known == null ? held : known, null));
      return;
    }
    Focusing focusing = focusing(camera, earlier);
    double aspect = shot.header().aspect();
    NodeMotion.LensSource source =
        new NodeMotion.LensSource(
            lens.lens(), lens.focus(), aspect, focusing.rate(), motion.world(), focusing.on());
    PartTrack values = motion.parts().get(Lens.ID);
    boolean same =
        before != null
            && source.sameAs(before.lensSource())
            && values.shares(before.parts().get(Lens.ID))
            && motion.run().result().sameLens(before.run().result());
    LensTrack track =
        same
            ? before.lens().orElseThrow()
            : LensTrack.of(lens, aspect, values, motion.run().result(), focusing);
    motions.put(camera.id(), motion.withLens(track, source));
  }

  private Focusing focusing(Node.Camera camera, Evaluation earlier) {
    FocusRule rule = camera.lens().focus();
    return new Focusing(
        rule,
        rule.targets().stream()
            .map(t -> t.nodeId().map(id -> motion(shot.node(id), earlier).world()).orElse(null))
            .toList(),
        shot.header().rate(),
        frame -> passingMoment(frame).distance(rule.targets().get(0), camera));
  }

  /** The distance of a target along the axis of a camera, at the first sample. */
  private double distance(Target target, Node.Camera camera) {
    PoseTrack on = target.nodeId().map(id -> reached(shot.node(id)).world()).orElse(null);
    return Focusing.distances(target, on, reached(camera).world())[0];
  }

  /** What the lens of a node is set to before the stages of its chain. */
  private Flow lensFlow(Node node, Map<String, PartTrack> parts) {
    if (!(node instanceof Node.Camera camera)) {
      return new Flow(null, null, null);
    }
    PartTrack values = lensValues(node, parts);
    double[] focus =
        camera.lens().focus() instanceof FocusRule.Distance
            ? values.values(Lens.FOCUS)
            : new double[1];
    return new Flow(null, values.values(Lens.FOCAL), focus);
  }

  /**
   * The numbers of a camera's lens with what moves add to its focal length; as at the first frame
   * while the lens is off.
   *
   * @param parts the sampled parameters of its parts
   */
  PartTrack lensValues(Node camera, Map<String, PartTrack> parts) {
    if (!isOn(camera.chain().part(Lens.ID))) {
      Evaluation first = start();
      return first.lensValues(camera, first.reached(camera).parts()).heldOver(grid);
    }
    PartTrack values = parts.get(Lens.ID);
    List<Move> moves = zoomsOf(camera);
    if (moves.isEmpty()) {
      return values;
    }
    double[] more = new double[grid.count()];
    for (Move move : moves) {
      PartTrack weight = parts.get(move.id());
      for (int i = 0; i < more.length; i++) {
        double share = weight.value(Parameter.WEIGHT, i);
        more[i] += Moving.zoom(move, grid.frame(i), share);
      }
    }
    return values.plus(Lens.FOCAL, more);
  }

  private List<Move> zoomsOf(Node node) {
    return node.chain().parts().stream()
        .filter(p -> p instanceof Move move && isOn(move) && move.way() == Move.Way.ZOOM)
        .map(Move.class::cast)
        .toList();
  }

  /** At the first frame no source that is switched off differs from one that is on. */
  boolean isOn(Part part) {
    return part.isOn() || isStart && part.kind().source();
  }

  /** The shot at its first frame, where what is switched off stands still. */
  Evaluation start() {
    if (moments.whole != this) {
      return moments.whole.isStart ? moments.whole : moments.whole.start();
    }
    if (start == null) {
      start = new Evaluation(shot, SampleGrid.at(shot.header().range().in()), true, null);
      start.fill(shot.nodes(), null);
    }
    return start;
  }

  public Shot shot() {
    return shot;
  }

  public SampleGrid grid() {
    return grid;
  }

  /** The motion of a node. */
  public NodeMotion of(String nodeId) {
    NodeMotion motion = motions.get(nodeId);
    if (motion == null || !filled && motion.lens().isEmpty()) {
      Node node = shot.node(nodeId);
      if (filled) {
        throw new RefusedException(
            "node", "'" + nodeId + "'", "the id of a node that was evaluated");
      }
      motion = motion(node, null);
      if (node instanceof Node.Camera camera) {
        addLens(camera, null);
        motion = motions.get(nodeId);
      }
    }
    return motion;
  }

  /**
   * How many times its usual size a piece is at a sample: 1 without a look, or while that is off.
   */
  public double size(String nodeId, int sample) {
    Part look = shot.node(nodeId).chain().find(Look.ID).orElse(null);
    return look == null || !look.isOn()
        ? 1
        : of(nodeId).parts().get(Look.ID).value(Look.SIZE, sample);
  }

  /** Whether a node is there to be seen at a sample, with what carries it then. */
  public boolean isShown(String nodeId, int sample) {
    return presence.isThere(nodeId, sample);
  }

  /** Whether nothing makes a node, or what ever carries it, appear or vanish. */
  public boolean isAlwaysShown(String nodeId) {
    return presence.isAlways(nodeId);
  }

  /** Whether a piece has its size at every sample. */
  public boolean isOneSize(String nodeId) {
    return sizes(nodeId).length == 1;
  }

  /** How many times its usual size a node is, on every sample or once for all. */
  double[] sizes(String nodeId) {
    Part look = shot.node(nodeId).chain().find(Look.ID).orElse(null);
    return look == null || !look.isOn()
        ? new double[] {1}
        : of(nodeId).parts().get(Look.ID).values(Look.SIZE);
  }

  /** Whether a node stands where it is at every sample, which takes no more room than one. */
  public boolean isStill(String nodeId) {
    return of(nodeId).world().x().length == 1;
  }

  /** The pose in the world of a node at a sample. */
  public RigidPose pose(String nodeId, int sample) {
    return of(nodeId).world().pose(sample);
  }

  /** The pose in the world of a node at a sample, before what is done to it there. */
  public RigidPose carriedPose(String nodeId, int sample) {
    return of(nodeId).carried().pose(sample);
  }

  /**
   * The pose of a node in the moving space of its {@linkplain Node#parentId() parent}, the offset
   * of its carriage and what is done to it in the world included: what a program needs in which
   * every carrier carries.
   */
  public PoseTrack local(String nodeId) {
    NodeMotion motion = of(nodeId);
    String parent = shot.node(nodeId).parentId();
    Space.Stretch only = motion.space().stretches().get(0);
    if (motion.world() == motion.carried()
        && motion.space().stretches().size() == 1
        && only.standing().isStill()) {
      PoseTrack track = only.carrier();
      if (track == null ? parent.isEmpty() : !parent.isEmpty() && track == of(parent).world()) {
        return only.standing().equals(Standing.NOWHERE)
            ? motion.own()
            : new Stage.Carried(Space.still(grid, only.standing().pose())).apply(motion.own());
      }
    }
    return parent.isEmpty() ? motion.world() : motion.world().seenFrom(of(parent).world());
  }

  /** Where the own space of a node lies in the world: what carries it, with the offset. */
  public RigidPose ownSpace(String nodeId, int sample) {
    return of(nodeId).space().at(sample);
  }

  /** The six keyed numbers of a node's own pose: metres and degrees. */
  public double[] keyedNumbers(String nodeId, int sample) {
    double[] keyed = new double[Moving.NUMBERS];
    of(nodeId).keys().pose(sample, keyed);
    return keyed;
  }

  /**
   * The six numbers of a node's own pose with what moves add.
   *
   * @param keyed numbers without moves: those that are keyed, or others to try
   */
  public double[] movedNumbers(String nodeId, int sample, double[] keyed) {
    double[] out = keyed.clone();
    if (of(nodeId).run().first() instanceof Stage.Moved moved) {
      moved.numbers(sample, keyed, out);
    }
    return out;
  }

  /** The pose in the world of what carries a node, or would. */
  public RigidPose carrierPose(String nodeId, String carrierId, int sample) {
    return carrierTrack(shot.node(nodeId), carrierId, null).pose(sample);
  }

  /**
   * Whether the tracks of a node are those of another evaluation: the browser need not fetch them
   * again.
   */
  public boolean shares(String nodeId, Evaluation other) {
    NodeMotion mine = motions.get(nodeId);
    NodeMotion theirs = other.motions.get(nodeId);
    return mine != null && theirs != null && mine.shares(theirs);
  }
}
