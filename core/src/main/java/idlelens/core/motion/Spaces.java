package idlelens.core.motion;

import idlelens.core.geometry.RigidPose;
import idlelens.core.part.Carried;
import idlelens.core.part.HandOver;
import idlelens.core.scene.Node;
import idlelens.core.time.SampleGrid;
import java.util.ArrayList;
import java.util.List;

/**
 * The space that a node's carriers make. At a hand-over without a jump, the constant of the new
 * carrier is worked out from where both are at its frame: {@code Q(f)^-1 * S(f)}, with S as the
 * schedule before it makes it. Nothing of it is stored, so nothing goes stale.
 */
final class Spaces {
  private static final double ON_SAMPLE = 1e-6;

  private final Evaluation motion;
  private final Node node;
  private final Carried carried;
  private final Evaluation earlier;

  /**
   * @param earlier an evaluation to take unchanged tracks from, or null
   */
  Spaces(Evaluation motion, Node node, Evaluation earlier) {
    this.motion = motion;
    this.node = node;
    this.earlier = earlier;
    this.carried = node.chain().carried();
  }

  Space space() {
    SampleGrid grid = motion.grid();
    if (!motion.isOn(carried)) {
      return Space.still(grid, motion.start().reached(node).space().at(0));
    }
    List<Space.Stretch> stretches = new ArrayList<>();
    Standing[] constants = constants();
    stretches.add(new Space.Stretch(0, track(0), constants[0]));
    for (int k = 1; k < constants.length; k++) {
      int first = firstSample(grid, carried.later().get(k - 1).frame());
      if (first >= grid.count()) {
        break;
      }
      if (first <= 0) {
        stretches.clear();
      }
      stretches.add(new Space.Stretch(Math.max(0, first), track(k), constants[k]));
    }
    return new Space(grid, withoutEmpty(stretches));
  }

  /** The pose between each carrier and the node's own space. */
  private Standing[] constants() {
    Standing[] known = motion.constants().get(node.id());
    if (known == null) {
      known = new Standing[carried.later().size() + 1];
      known[0] = Standing.still(carried.by().offset());
      for (int k = 1; k < known.length; k++) {
        HandOver now = carried.later().get(k - 1);
        known[k] =
            now.offset().isPresent()
                ? Standing.still(now.offset().get())
                : kept(now, k, known[k - 1]);
      }
      motion.constants().put(node.id(), known);
    }
    return known;
  }

  private PoseTrack track(int stretch) {
    String carrier = carried.carrier(stretch);
    return carrier.isEmpty() ? null : motion.carrierTrack(node, carrier, earlier);
  }

  /** The constant that leaves the node where the carrier before has it at the frame. */
  private Standing kept(HandOver now, int stretch, Standing before) {
    Evaluation moment = motion.moment(now.frame());
    String carrier = carried.carrier(stretch - 1);
    RigidPose stood = before.at(now.frame());
    RigidPose back = carrierAt(moment, now.carrierId()).inverse();
    RigidPose pose = back.times(carrierAt(moment, carrier).times(stood));
    if (now.settle() == 0 || carrier.isEmpty()) {
      return Standing.still(pose);
    }
    Evaluation calm = motion.calmMoment(now.frame(), motion.shot().reachedFrom(carrier));
    RigidPose settled = back.times(carrierAt(calm, carrier).times(before.settled()));
    return new Standing(pose, settled, now.frame(), now.settle());
  }

  private RigidPose carrierAt(Evaluation moment, String carrier) {
    return carrier.isEmpty()
        ? RigidPose.IDENTITY
        : moment.carrierTrack(node, carrier, null).pose(0);
  }

  private static int firstSample(SampleGrid grid, double frame) {
    double sample = Math.ceil((frame - grid.first()) * grid.stepsPerFrame() - ON_SAMPLE);
    return (int) Math.max(-1, Math.min(grid.count(), sample));
  }

  /** Two hand-overs between two samples leave nothing of the first. */
  private static List<Space.Stretch> withoutEmpty(List<Space.Stretch> stretches) {
    List<Space.Stretch> kept = new ArrayList<>();
    for (Space.Stretch stretch : stretches) {
      if (!kept.isEmpty() && kept.get(kept.size() - 1).first() == stretch.first()) {
        kept.remove(kept.size() - 1);
      }
      kept.add(stretch);
    }
    return kept;
  }
}
