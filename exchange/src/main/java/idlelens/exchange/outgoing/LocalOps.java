package idlelens.exchange.outgoing;

import idlelens.core.geometry.RigidPose;
import idlelens.core.motion.Evaluation;
import idlelens.core.motion.PoseTrack;
import idlelens.core.part.Path;
import idlelens.core.scene.Node;
import idlelens.core.time.SampleGrid;
import idlelens.exchange.profile.Keeping;
import idlelens.exchange.scenefile.Channel;
import idlelens.exchange.scenefile.Holds;
import idlelens.exchange.scenefile.Op;
import java.util.Arrays;
import java.util.List;
import java.util.Set;
import org.joml.Quaterniond;
import org.joml.Vector3d;

/** How nodes stand in their carriers, as a shift and a turn over the receiver's frames. */
final class LocalOps {
  private final HandOff handOff;
  private final Evaluation motion;
  private final OutgoingAxes axes;
  private final boolean steps;
  private final boolean inTheWorld;
  private final Set<String> notes;
  private final double[] times;
  private final FewKeys few;

  LocalOps(HandOff handOff, Evaluation motion, OutgoingAxes axes, Holds holds, Set<String> notes) {
    this.handOff = handOff;
    this.motion = motion;
    this.axes = axes;
    this.steps = holds.steps() && handOff.ratio() == 1;
    this.inTheWorld = !holds.nodes();
    this.notes = notes;
    SampleGrid grid = handOff.grid();
    this.times = new double[grid.count()];
    for (int i = 0; i < times.length; i++) {
      times[i] = handOff.firstFrame() + i;
    }
    this.few = new FewKeys(inTheWorld ? Keeping.BAKE : handOff.profile().keys(), axes);
  }

  /** The receiver's frames. */
  double[] times() {
    return times;
  }

  private static boolean looks(Node node) {
    return node instanceof Node.Camera || node instanceof Node.Sun;
  }

  List<Op> of(Node node) {
    PoseTrack local = inTheWorld ? motion.of(node.id()).world() : motion.local(node.id());
    boolean looks = looks(node);
    Channel places = channel(node, Path.PLACE, local, 3, this::place);
    Channel turns = channel(node, Path.TURN, local, 4, pose -> turn(pose, looks));
    return List.of(Op.Place.of(places), new Op.Turn(turns));
  }

  private double[] place(RigidPose pose) {
    Vector3d p = axes.place(pose);
    return new double[] {p.x, p.y, p.z};
  }

  private double[] turn(RigidPose pose, boolean looks) {
    Quaterniond q = axes.turn(pose.turn(), looks);
    return new double[] {q.x, q.y, q.z, q.w};
  }

  /** The numbers of a pose. */
  private interface Numbers {
    double[] of(RigidPose pose);
  }

  /** A channel of a node: held from key to key where all of it is, else with every frame. */
  private Channel channel(
      Node node, List<Path> paths, PoseTrack local, int components, Numbers numbers) {
    double[] all = new double[local.x().length * components];
    for (int i = 0; i < local.x().length; i++) {
      System.arraycopy(numbers.of(local.pose(i)), 0, all, i * components, components);
    }
    if (components == 4) {
      continueSigns(all);
    }
    if (!varies(all, components)) {
      double[] first = Arrays.copyOf(all, components);
      return Channel.still(node.name(), first);
    }
    StepTimes held = StepTimes.of(node, paths, handOff.frames());
    if (held.isHeld() && steps) {
      return held(node, held, components, numbers);
    }
    if (held.holdsSomewhere()) {
      notes.add(
          node.name() + ": held keys stand among moving ones; their jumps take the frame before");
    }
    return few.of(
        new Channel(times, all, Channel.Between.LINEAR, components, node.name()), held.frames());
  }

  private Channel held(Node node, StepTimes held, int components, Numbers numbers) {
    double[] values = held.values(motion, node.id(), components, numbers::of);
    if (components == 4) {
      continueSigns(values);
    }
    double[] at = held.frames().stream().mapToDouble(handOff::receiverFrame).toArray();
    return new Channel(at, values, Channel.Between.STEP, components, node.name());
  }

  /** Turns the signs of quaternions so that each lies next to the one before. */
  private static void continueSigns(double[] turns) {
    for (int i = 4; i < turns.length; i += 4) {
      double dot = 0;
      for (int c = 0; c < 4; c++) {
        dot += turns[i + c] * turns[i + c - 4];
      }
      for (int c = 0; dot < 0 && c < 4; c++) {
        turns[i + c] = -turns[i + c];
      }
    }
  }

  static boolean varies(double[] values, int components) {
    for (int i = components; i < values.length; i++) {
      if (values[i] != values[i % components]) {
        return true;
      }
    }
    return false;
  }
}
