package idlelens.core.edit;

import idlelens.core.geometry.RigidPose;
import idlelens.core.motion.Evaluation;
import idlelens.core.part.Carried;
import idlelens.core.part.HandOver;
import idlelens.core.part.Stamp;
import idlelens.core.rule.Require;
import idlelens.core.scene.Node;
import idlelens.core.scene.Shot;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/**
 * Hands a node over to another carrier at a frame. A hand-over of the node that is at that frame
 * already is changed.
 *
 * @param id the node
 * @param frame the first frame with the new carrier
 * @param carrierId a null, a piece, a rail or a repeat, or "" for the world
 * @param meeting how the node comes into the new space
 * @param over frames over which it settles, where it does
 */
public record HandOverTo(String id, double frame, String carrierId, Meeting meeting, double over)
    implements Edit {
  private static final String WORD = "hand-over-";

  public HandOverTo {
    Require.present(id, "id");
    Require.finite(frame, "frame");
    Require.present(carrierId, "carrier");
    Require.present(meeting, "meeting");
    Require.within(over, 0, HandOver.LONGEST_SETTLE, "over");
  }

  /** One that does not settle. */
  public HandOverTo(String id, double frame, String carrierId, Meeting meeting) {
    this(id, frame, carrierId, meeting, 0);
  }

  @Override
  public Shot apply(Shot shot) {
    Node node = shot.node(id);
    CarrierLoop.refuse(shot, node, carrierId);
    Carried carried = node.chain().carried();
    Shot joined = with(shot, node, carried, Optional.empty());
    return switch (meeting) {
      case JOINED, SETTLING -> joined;
      case NUMBERS -> with(shot, node, carried, Optional.of(RigidPose.IDENTITY));
      case FIXED -> with(shot, node, carried, Optional.of(constant(joined)));
    };
  }

  private Shot with(Shot shot, Node node, Carried carried, Optional<RigidPose> offset) {
    double settle = meeting == Meeting.SETTLING ? over : 0;
    HandOver added = new HandOver(stampId(carried), frame, carrierId, offset, settle);
    return shot.withNode(node.withChain(node.chain().with(carried.with(added))));
  }

  /** The id of the hand-over that is at the frame, or a free one. */
  private String stampId(Carried carried) {
    int count = carried.stretchAt(frame);
    HandOver last = count == 0 ? null : carried.later().get(count - 1);
    if (last != null && Math.abs(last.frame() - frame) < 1e-6) {
      return last.id();
    }
    Set<String> taken = new HashSet<>(carried.stamps().stream().map(Stamp::id).toList());
    int number = 1;
    while (taken.contains(WORD + number)) {
      number++;
    }
    return WORD + number;
  }

  /** The pose between carrier and node at the frame. */
  private RigidPose constant(Shot joined) {
    Evaluation now = Evaluation.at(joined, frame);
    RigidPose space = now.ownSpace(id, 0);
    return carrierId.isEmpty() ? space : now.carrierPose(id, carrierId, 0).inverse().times(space);
  }

  @Override
  public Footprint footprint(Shot shot) {
    Footprint.Builder places =
        Footprint.of(shot)
            .changes(Place.leans(id), Place.stamps(id, Carried.ID))
            .reliesOn(Place.there(id), Place.takesKeys(id));
    places.handsOver(List.of(new HandOver("new", frame, carrierId, Optional.empty())));
    if (!carrierId.isEmpty()) {
      places.changes(Place.carries(carrierId, id)).leansOn(carrierId);
    }
    if (meeting == Meeting.FIXED) {
      places.reliesOnMotion(id);
      shot.find(carrierId).ifPresent(c -> places.reliesOnMotion(carrierId));
    }
    return places.done();
  }

  @Override
  public String summary() {
    return "Hand over";
  }
}
