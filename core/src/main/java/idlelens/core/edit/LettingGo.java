package idlelens.core.edit;

import idlelens.core.curve.Curve;
import idlelens.core.geometry.RigidPose;
import idlelens.core.motion.Evaluation;
import idlelens.core.part.FocusRule;
import idlelens.core.part.Lens;
import idlelens.core.part.Part;
import idlelens.core.part.Target;
import idlelens.core.scene.Node;
import idlelens.core.scene.Shot;
import java.util.List;
import java.util.Set;
import org.joml.Vector3d;

/** Lets go of nodes that are about to be removed, where others look at them or follow them. */
final class LettingGo {
  private final Shot shot;
  private final Set<String> gone;
  private final double frame;
  private Evaluation now;

  LettingGo(Shot shot, Set<String> gone, double frame) {
    this.shot = shot;
    this.gone = gone;
    this.frame = frame;
  }

  Shot apply() {
    return shot.withNodes(shot.nodes().stream().map(this::letGo).toList());
  }

  private Node letGo(Node node) {
    boolean holds = node.chain().parts().stream().anyMatch(this::holds);
    return holds && !gone.contains(node.id())
        ? node.withChain(node.chain().mapped(part -> holds(part) ? letGo(node, part) : part))
        : node;
  }

  private boolean holds(Part part) {
    return part.targets().stream().anyMatch(this::isGone);
  }

  private boolean isGone(Target target) {
    return target.nodeId().filter(gone::contains).isPresent();
  }

  private Part letGo(Node node, Part part) {
    if (part instanceof Lens lens && lens.focus() instanceof FocusRule.Follow) {
      double held = motion().of(node.id()).lens().orElseThrow().focusM()[0];
      return lens.withBody(
              lens.body().withCurves(lens.curves().with(Lens.FOCUS, Curve.still(held))))
          .withFocus(new FocusRule.Distance());
    }
    List<Target> targets = part.targets().stream().map(t -> isGone(t) ? place(t) : t).toList();
    return part.withTargets(targets);
  }

  private Target place(Target target) {
    Target.OfNode on = (Target.OfNode) target;
    RigidPose pose = motion().pose(on.node(), 0);
    Vector3d at = on.in(pose);
    return new Target.Place(at.x, at.y, at.z);
  }

  private Evaluation motion() {
    now = now == null ? Evaluation.at(shot, frame) : now;
    return now;
  }
}
