package idlelens.web.demo;

import idlelens.core.curve.Curve;
import idlelens.core.curve.Tangent;
import idlelens.core.part.Ease;
import idlelens.core.part.FocusMark;
import idlelens.core.part.FocusRule;
import idlelens.core.part.Hunt;
import idlelens.core.part.Lens;
import idlelens.core.part.Path;
import idlelens.core.part.Pull;
import idlelens.core.part.Target;
import idlelens.core.scene.Shot;
import idlelens.core.shake.Ring;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * Past a lantern to the keeper, and over to the arriving ferry: the lens is pulled from one to the
 * other, hunts a little on the keeper, and misses the ferry by what it still comes nearer.
 */
final class FocusPulled {
  private FocusPulled() {}

  static Shot shot() {
    SetBuilder set = new SetBuilder();
    TernQuay.build(set);
    Map<Path, Curve> camera =
        DemoShots.poses(
            Tangent.Kind.SETTLE,
            new double[] {1001, -1.2, 1.85, 5.4, -4, 2, 0},
            new double[] {1060, -1.05, 1.8, 5, -12.5, 0.5, 0},
            new double[] {1144, -0.9, 1.8, 4.8, -25, 1, 0});
    camera.put(Path.FOCAL, Curve.still(50));
    camera.put(Path.F_STOP, Curve.still(2));
    set.camera("A-cam", "", camera, Lens.PLAIN.withFocus(pulls()));
    return DemoShots.shot("Focus pull", 1001, 1144, DemoShots.carryFerry(set.nodes()));
  }

  private static FocusRule pulls() {
    Hunt hunt = new Hunt(0.06, new Ring(2.5, 0.35));
    return new FocusRule.Pulls(
        FocusRule.Along.RING,
        List.of(
            on("lantern", "Lantern", "lantern", 0.17),
            on("keeper", "Keeper", "keeper", 1.55),
            new FocusMark("ferry", "Ferry", Optional.empty(), 27)),
        List.of(
            new Pull("to-keeper", 1036, 16, "keeper", new Ease(4, 5, 0.5), hunt),
            Pull.of("to-ferry", 1090, 30, "ferry")));
  }

  private static FocusMark on(String id, String name, String node, double height) {
    return new FocusMark(id, name, Optional.of(new Target.OfNode(node, 0, height, 0)), 0);
  }
}
