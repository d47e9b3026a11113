package idlelens.web.shot;

import idlelens.core.geometry.RigidPose;
import idlelens.core.motion.Copies;
import idlelens.core.motion.Evaluation;
import idlelens.core.motion.PoseTrack;
import idlelens.core.scene.Node;
import idlelens.core.set.Repetition;
import tools.jackson.databind.node.ObjectNode;

/** Where copies stand: the steps and delays of a repeat, and what it carries as it sees it. */
final class RepeatOctets {
  private static final int NUMBERS = 7;

  private final OctetBundle bundle;
  private final Evaluation motion;
  private final Copies copies;

  RepeatOctets(OctetBundle bundle, Evaluation motion) {
    this.bundle = bundle;
    this.motion = motion;
    this.copies = new Copies(motion);
  }

  void add(ObjectNode out, Node node) {
    if (node instanceof Node.Repeat repeat) {
      addSteps(out.putObject("copies"), repeat.repetition());
    } else if (node.isRepeated()) {
      motion.shot().repeatOf(node.id()).ifPresent(repeat -> addOwn(out, node, repeat));
    }
  }

  /** Seven numbers a copy for its place and turn, and the frames by which it is later. */
  private void addSteps(ObjectNode out, Repetition all) {
    float[] steps = new float[NUMBERS * all.count()];
    float[] delays = new float[all.count()];
    for (int i = 0; i < all.count(); i++) {
      RigidPose at = all.at(all.first() + i);
      double[] numbers = {at.x(), at.y(), at.z(), at.qx(), at.qy(), at.qz(), at.qw()};
      for (int k = 0; k < NUMBERS; k++) {
        steps[NUMBERS * i + k] = (float) numbers[k];
      }
      delays[i] = (float) all.delay(all.first() + i);
    }
    bundle.add(out, "steps", steps);
    bundle.add(out, "delays", delays);
    out.put("inTime", !all.isSpreadInTime());
  }

  private void addOwn(ObjectNode out, Node node, Node.Repeat repeat) {
    PoseTrack track = copies.own(node, repeat);
    ObjectNode to = out.putObject("repeated").put("by", repeat.id());
    to.put("first", track.grid().first()).put("count", track.grid().count());
    ShotOctets.addPose(bundle, to, track);
  }
}
