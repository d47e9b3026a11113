package idlelens.core.motion;

import idlelens.core.curve.Curve;
import idlelens.core.part.Aim;
import idlelens.core.part.Carried;
import idlelens.core.part.Chain;
import idlelens.core.part.FrameUp;
import idlelens.core.part.Keys;
import idlelens.core.part.Lens;
import idlelens.core.part.Move;
import idlelens.core.part.Part;
import idlelens.core.part.Path;
import idlelens.core.part.Recorded;
import idlelens.core.part.RunIn;
import idlelens.core.part.Shake;
import idlelens.core.part.Smooth;
import idlelens.core.part.Target;
import idlelens.core.scene.Node;
import idlelens.core.scene.ShotHeader;
import idlelens.core.set.Mesher;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import org.joml.Vector3d;

/** The stage that each part of a node's chain becomes; what lenses do comes later. */
final class Stages {
  private final Evaluation motion;
  private final Node node;
  private final Space space;
  private final Map<String, PartTrack> tracks;
  private final Function<String, PoseTrack> world;
  private final StageRun work;

  /**
   * @param space where the node's own space lies
   * @param tracks the sampled parameters of its parts
   * @param world gives the pose in the world of another node
   * @param work its stages on the work grid, where something of it is smoothed and this is another
   *     grid; else null
   */
  Stages(
      Evaluation motion,
      Node node,
      Space space,
      Map<String, PartTrack> tracks,
      Function<String, PoseTrack> world,
      StageRun work) {
    this.motion = motion;
    this.node = node;
    this.space = space;
    this.tracks = tracks;
    this.world = world;
    this.work = work;
  }

  /** The stages of a node, in order; parts that change nothing have none. */
  List<StageRun.Step> all() {
    List<StageRun.Step> steps = new ArrayList<>();
    for (Part part : node.chain().parts()) {
      of(part, tracks.get(part.id()))
          .ifPresent(stage -> steps.add(new StageRun.Step(part.id(), part.kind().slot(), stage)));
    }
    return steps;
  }

  /** The stage of the own pose. */
  StageRun.Step first() {
    Part keys = node.chain().part(Keys.ID);
    return new StageRun.Step(Keys.ID, keys.kind().slot(), keys(keys, tracks.get(Keys.ID)));
  }

  private Optional<Stage> of(Part part, PartTrack values) {
    if (part instanceof Keys) {
      return Optional.of(keys(part, values));
    }
    if (part instanceof Move) {
      return Optional.empty(); // they are in the stage of the keys, so that they add up
    }
    if (part instanceof Carried) {
      return space.isWorld() ? Optional.empty() : Optional.of(new Stage.Carried(space));
    }
    if (part instanceof Aim aim && motion.isOn(aim)) {
      return Optional.of(
          new Stage.Aimed(
              aim, values, track(aim.target()), aim.second().map(this::track).orElse(null)));
    }
    if (part instanceof FrameUp frameUp && motion.isOn(frameUp)) {
      return Optional.of(framed(frameUp, values));
    }
    if (part instanceof Shake shake && motion.isOn(shake)) {
      ShotHeader header = motion.shot().header();
      boolean lens = node.chain().lens().filter(motion::isOn).isPresent();
      Offsets offsets = new Shaking(shake, values, header.rate(), header.range());
      return Optional.of(new Shaken(offsets, values, shake.body().window(), lens));
    }
    if (part instanceof Recorded recorded && motion.isOn(recorded)) {
      boolean lens = node.chain().lens().filter(motion::isOn).isPresent();
      Offsets offsets = new Replaying(recorded, values, motion.shot().header().rate());
      return Optional.of(new Shaken(offsets, values, recorded.body().window(), lens));
    }
    if (part instanceof Smooth smooth && motion.isOn(smooth)) {
      boolean lens = node.chain().lens().filter(motion::isOn).isPresent();
      Smoothed there = work == null ? null : (Smoothed) work.stage(smooth.id());
      return Optional.of(new Smoothed(smooth, values, Jumps.of(motion.shot(), node), lens, there));
    }
    if (part instanceof RunIn runIn && motion.isOn(runIn)) {
      boolean lens = node.chain().lens().filter(motion::isOn).isPresent();
      return Optional.of(
          new RunningIn(
              runIn,
              motion.shot().header().range(),
              lens,
              frame -> motion.moment(frame).reached(node).run().before(runIn.id())));
    }
    return Optional.empty();
  }

  private Framed framed(FrameUp frameUp, PartTrack values) {
    Lens lens = node.chain().lens().orElseThrow();
    return new Framed(
        frameUp,
        values,
        subject(frameUp),
        new Gates(lens.lens(), motion.shot().header().aspect(), motion.lensValues(node, tracks)),
        frameUp.way() == FrameUp.Way.ZOOM && motion.isOn(lens));
  }

  private KeptSubject subject(FrameUp frameUp) {
    boolean one = frameUp.others().isEmpty();
    return new KeptSubject(
        frameUp.targets().stream().map(t -> member(t, one)).toList(), one ? frameUp.radiusM() : 0);
  }

  /** A target as a point, or, together with others, as the corners of the box of its piece. */
  private KeptSubject.Member member(Target target, boolean asPoint) {
    if (target instanceof Target.Place place) {
      Vector3d at = new Vector3d(place.x(), place.y(), place.z());
      return new KeptSubject.Member(null, new double[] {1}, List.of(at));
    }
    Target.OfNode on = (Target.OfNode) target;
    PoseTrack pose = track(target);
    boolean box = !asPoint && motion.shot().node(on.node()) instanceof Node.Piece;
    List<Vector3d> points =
        box
            ? Subject.corners(Mesher.bounds(((Node.Piece) motion.shot().node(on.node())).shape()))
            : List.of(new Vector3d(on.x(), on.y(), on.z()));
    return new KeptSubject.Member(pose, motion.sizes(on.node()), points);
  }

  private Stage keys(Part keys, PartTrack values) {
    List<Stage.Moved.Adding> moves = moves();
    if (!moves.isEmpty()) {
      return new Stage.Moved(motion.isOn(keys) ? values : heldKeys(), moves);
    }
    return motion.isOn(keys)
        ? new Stage.Posed(values)
        : new Stage.Held(motion.grid(), motion.start().reached(node).own().pose(0));
  }

  /** The moves of the node that are on. */
  private List<Stage.Moved.Adding> moves() {
    List<Stage.Moved.Adding> all = new ArrayList<>();
    Chain keyed = keyedChain();
    for (Part part : node.chain().parts()) {
      if (part instanceof Move move && motion.isOn(move) && move.way() != Move.Way.ZOOM) {
        PoseTrack pivot = move.way().hasPivot() ? track(move.pivot()) : null;
        Moving moving = new Moving(move, keyed);
        all.add(new Stage.Moved.Adding(move, moving, tracks.get(move.id()), space, pivot));
      }
    }
    return all;
  }

  /** The chain with its pose as it is keyed; as at the first frame while that is off. */
  private Chain keyedChain() {
    Chain chain = node.chain();
    double in = motion.shot().header().range().in();
    return motion.isOn(chain.part(Keys.ID))
        ? chain
        : chain.map(Path.POSE, curve -> Curve.still(curve.at(in)));
  }

  /** The keyed numbers as at the first frame, on every sample. */
  private PartTrack heldKeys() {
    PartTrack start = motion.start().reached(node).keys();
    return start.heldOver(motion.grid());
  }

  /** The pose of the node that a target is on, or null for a place. */
  private PoseTrack track(Target target) {
    return target.nodeId().map(world).orElse(null);
  }
}
