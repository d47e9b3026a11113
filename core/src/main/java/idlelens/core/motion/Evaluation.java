package idlelens.core.motion;

import idlelens.core.geometry.RigidPose;
import idlelens.core.lens.FocusRule;
import idlelens.core.rule.RefusedException;
import idlelens.core.scene.Carriage;
import idlelens.core.scene.ChainPart;
import idlelens.core.scene.Node;
import idlelens.core.scene.Shot;
import idlelens.core.time.SampleGrid;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

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
  private Evaluation start;

  private Evaluation(Shot shot, SampleGrid grid, boolean isStart) {
    this.shot = shot;
    this.grid = grid;
    this.isStart = isStart;
  }

  /** Evaluates over range and handles, one sample a frame. */
  public static Evaluation of(Shot shot) {
    return of(shot, SampleGrid.over(shot.header().range(), shot.header().handles()), null);
  }

  /** Evaluates at one frame. */
  public static Evaluation at(Shot shot, double frame) {
    return of(shot, SampleGrid.at(frame), null);
  }

  /**
   * @param earlier an evaluation to take unchanged tracks from, or null
   */
  public static Evaluation of(Shot shot, SampleGrid grid, Evaluation earlier) {
    Evaluation evaluation = new Evaluation(shot, grid, false);
    evaluation.fill(earlier != null && earlier.grid.equals(grid) ? earlier : null);
    return evaluation;
  }

  private void fill(Evaluation earlier) {
    for (Node node : shot.nodes()) {
      motion(node, earlier);
    }
    for (Node.Camera camera : shot.cameras()) {
      addLens(camera, earlier);
    }
  }

  private NodeMotion motion(Node node, Evaluation earlier) {
    NodeMotion known = motions.get(node.id());
    if (known != null) {
      return known;
    }
    NodeMotion before = earlier == null ? null : earlier.motions.get(node.id());
    ChannelTrack channels =
        ChannelTrack.sample(node.channels(), grid, before == null ? null : before.channels());
    List<Stage> stages = new ArrayList<>();
    stages.add(
        isOn(node, ChainPart.KEYS)
            ? new Stage.Keys(channels)
            : new Stage.Held(grid, start().of(node.id()).chain().own().pose(0)));
    Carriage carriage = node.carriage();
    if (carriage.isCarried() && isOn(node, ChainPart.CARRIED)) {
      PoseTrack carrier = motion(shot.node(carriage.carrierId()), earlier).world();
      stages.add(new Stage.Carried(carrier, carriage.offset()));
    } else if (carriage.isCarried()) {
      stages.add(new Stage.Placed(start().ownSpace(node.id(), 0)));
    } else if (!carriage.offset().equals(RigidPose.IDENTITY)) {
      stages.add(new Stage.Placed(carriage.offset()));
    }
    Chain chain = Chain.run(stages, before == null ? null : before.chain());
    NodeMotion motion = new NodeMotion(channels, chain, null, null);
    motions.put(node.id(), motion);
    return motion;
  }

  private void addLens(Node.Camera camera, Evaluation earlier) {
    NodeMotion motion = motions.get(camera.id());
    NodeMotion before = earlier == null ? null : earlier.motions.get(camera.id());
    if (!isOn(camera, ChainPart.LENS)) {
      LensTrack held = start().of(camera.id()).lens().orElseThrow();
      LensTrack known = before == null ? null : before.lens().filter(held::sameAs).orElse(null);
      LensTrack lens = known == null ? held : known;
      motions.put(camera.id(), new NodeMotion(motion.channels(), motion.chain(), lens, null));
      return;
    }
    PoseTrack target =
        camera.lens().focus() instanceof FocusRule.Follow follow
            ? motions.get(follow.nodeId()).world()
            : null;
    double aspect = shot.header().aspect();
    NodeMotion.LensSource source =
        new NodeMotion.LensSource(camera.lens(), aspect, motion.world(), target);
    boolean same =
        before != null
            && source.sameAs(before.lensSource())
            && motion.channels().sharesLens(before.channels());
    LensTrack lens =
        same
            ? before.lens().orElseThrow()
            : LensTrack.of(camera, aspect, motion.channels(), motion.world(), target);
    motions.put(camera.id(), new NodeMotion(motion.channels(), motion.chain(), lens, source));
  }

  /** At the first frame nothing that is switched off differs from what is on. */
  private boolean isOn(Node node, ChainPart part) {
    return isStart || node.isOn(part);
  }

  /** The shot at its first frame, where what is switched off stands still. */
  private Evaluation start() {
    if (start == null) {
      start = new Evaluation(shot, SampleGrid.at(shot.header().range().in()), true);
      start.fill(null);
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
    if (motion == null) {
      throw new RefusedException("node", "'" + nodeId + "'", "the id of a node of this shot");
    }
    return motion;
  }

  /** The pose in the world of a node at a sample. */
  public RigidPose pose(String nodeId, int sample) {
    return of(nodeId).world().pose(sample);
  }

  /**
   * The pose of a node in the moving space of its carrier, the offset of its carriage included:
   * what a program needs in which every carrier carries.
   */
  public PoseTrack local(String nodeId) {
    Node node = shot.node(nodeId);
    if (node.carriage().isCarried() && !isOn(node, ChainPart.CARRIED)) {
      return of(nodeId).world().seenFrom(of(node.carriage().carrierId()).world());
    }
    PoseTrack own = of(nodeId).chain().own();
    RigidPose offset = node.carriage().offset();
    return offset.equals(RigidPose.IDENTITY) ? own : new Stage.Placed(offset).apply(own);
  }

  /** The pose in the world of what carries a node, with the offset: where its own space lies. */
  public RigidPose ownSpace(String nodeId, int sample) {
    Node node = shot.node(nodeId);
    Carriage carriage = node.carriage();
    if (carriage.isCarried() && !isOn(node, ChainPart.CARRIED)) {
      return start().ownSpace(nodeId, 0);
    }
    return carriage.isCarried()
        ? pose(carriage.carrierId(), sample).times(carriage.offset())
        : carriage.offset();
  }

  /**
   * Whether the tracks of a node are those of another evaluation: the browser need not fetch them
   * again.
   */
  public boolean shares(String nodeId, Evaluation other) {
    NodeMotion mine = motions.get(nodeId);
    NodeMotion theirs = other.motions.get(nodeId);
    return mine != null
        && theirs != null
        && mine.world() == theirs.world()
        && mine.lens().orElse(null) == theirs.lens().orElse(null)
        && mine.channels().sharesPose(theirs.channels());
  }
}
