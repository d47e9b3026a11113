package idlelens.core.edit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import idlelens.core.curve.Curve;
import idlelens.core.curve.Curves;
import idlelens.core.geometry.RigidPose;
import idlelens.core.geometry.Turns;
import idlelens.core.motion.Evaluation;
import idlelens.core.part.Carried;
import idlelens.core.part.Keys;
import idlelens.core.part.Path;
import idlelens.core.rule.RefusedException;
import idlelens.core.scene.Node;
import idlelens.core.scene.Shot;
import java.util.List;
import java.util.Random;
import java.util.function.UnaryOperator;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import net.jqwik.api.constraints.LongRange;
import org.junit.jupiter.api.Test;

/** Letting go, changing and deleting a carrier with the motion kept. */
class KeptMotionTest {
  private static final Shot RIG = Sets.rig();

  private static Shot random(long seed) {
    Random random = new Random(seed);
    Shot shot = RIG;
    for (String id : List.of("base", "arm", "other", "cam")) {
      Node node = shot.node(id);
      Path path = Path.POSE.get(random.nextInt(6));
      shot = shot.withNode(node.withChain(node.chain().with(path, Curves.random(random))));
    }
    return shot;
  }

  /** How far a node is from where it was, at the most: metres and degrees. */
  private static double[] far(Shot before, Shot after, String id) {
    double[] far = new double[2];
    if (after.find(id).isEmpty()) {
      return far;
    }
    Evaluation then = Evaluation.of(before);
    Evaluation now = Evaluation.of(after);
    for (int i = 0; i < then.grid().count(); i++) {
      RigidPose was = then.pose(id, i);
      RigidPose is = now.pose(id, i);
      far[0] = Math.max(far[0], was.place().distance(is.place()));
      far[1] = Math.max(far[1], Math.toDegrees(Turns.angleBetween(was.turn(), is.turn())));
    }
    return far;
  }

  private static List<UnaryOperator<Shot>> ways(int frame, Keep keep) {
    return List.of(
        shot -> new Carry("cam", "", frame, keep).apply(shot),
        shot -> new Carry("cam", "other", frame, keep).apply(shot),
        shot -> new Carry("cam", "base", frame, keep).apply(shot),
        shot -> new RemoveNodes(List.of("arm"), frame, false, keep).apply(shot),
        shot -> new RemoveNodes(List.of("base"), frame, false, keep).apply(shot),
        shot -> new RemoveNodes(List.of("base", "arm"), frame, false, keep).apply(shot));
  }

  @Property(tries = 40)
  void everyWay_keepsTheMotionOnAllFrames(
      @ForAll @LongRange(min = 0) long seed, @ForAll @IntRange(min = -4, max = 54) int frame) {
    Shot shot = random(seed);
    for (UnaryOperator<Shot> way : ways(frame, Keep.EVERY_FRAME)) {
      for (String id : List.of("arm", "cam")) {
        double[] far = far(shot, way.apply(shot), id);
        assertThat(far[0]).isLessThan(1e-8);
        assertThat(far[1]).isLessThan(1e-7);
      }
    }
    for (UnaryOperator<Shot> way : ways(frame, Keep.FITTED)) {
      Shot after = way.apply(shot);
      // what hangs on a fitted carrier sees its turns at the end of its arm
      String fitted = after.node("cam").carriage().carrierId().equals("arm") ? "arm" : "cam";
      double[] far = far(shot, after, fitted);
      assertThat(far[0]).isLessThan(0.0001 * Math.sqrt(3) + 1e-9);
      assertThat(far[1]).isLessThan(3 * 0.001 + 1e-7);
    }
  }

  @Test
  void carriersThatStandStillToOneAnother_costNoKeys() {
    Node base = RIG.node("base");
    Shot moving = RIG.withNode(base.withChain(base.chain().with(Path.X, Sets.keyed(1, 0, 50, 9))));
    Shot after = new Carry("arm", "other", 10, Keep.FITTED).apply(moving);
    assertThat(after.node("arm").chain().curve(Path.X).isKeyed()).isTrue();
    Shot still = new Carry("arm", "other", 10, Keep.FITTED).apply(RIG);
    assertThat(still.node("arm").chain())
        .isEqualTo(new Carry("arm", "other", 10, Keep.PLACE).apply(RIG).node("arm").chain());
    assertThat(far(RIG, still, "cam")[0]).isLessThan(1e-12);
  }

  @Test
  void fitted_aSteadyTurn_takesFewKeys_denseOneAFrame() {
    Shot fitted = new Carry("cam", "", 1, Keep.FITTED).apply(RIG);
    Shot dense = new Carry("cam", "", 1, Keep.EVERY_FRAME).apply(RIG);
    int frames = 50 + 2 * 4 + 1; // another node is handed over between two frames
    assertThat(dense.node("cam").chain().curve(Path.X).keys()).hasSize(frames);
    assertThat(fitted.node("cam").chain().curve(Path.X).keys()).hasSizeBetween(2, frames / 2);
    assertThat(fitted.node("cam").carriage().isCarried()).isFalse();
  }

  @Test
  void aTurntableLetGo_keepsItsTurnsBeyondOneRound() {
    Node base = RIG.node("base");
    Shot turning =
        RIG.withNode(base.withChain(base.chain().with(Path.PAN, Sets.keyed(1, 0, 50, 900))));
    Shot after = new Carry("crate", "base", 1, Keep.PLACE).apply(turning);
    Shot free = new Carry("crate", "", 1, Keep.EVERY_FRAME).apply(after);
    Curve pan = free.node("crate").chain().curve(Path.PAN);
    assertThat(pan.at(50) - pan.at(1)).isCloseTo(900, within(1e-6));
  }

  @Test
  void whatItCosts_isKnownBefore() {
    long place = EditCost.of(RIG, List.of(new Carry("cam", "", 1, Keep.PLACE))).steps();
    long motion = EditCost.of(RIG, List.of(new Carry("cam", "", 1, Keep.FITTED))).steps();
    int frames = 50 + 2 * 4;
    assertThat(motion - place).isGreaterThanOrEqualTo(6L * frames);
  }

  @Test
  void keysSwitchedOff_areRefusedWhereTheyWouldHaveToMove() {
    Shot off = new SwitchPart("cam", Keys.ID, false).apply(RIG);
    assertThatThrownBy(() -> new Carry("cam", "", 1, Keep.FITTED).apply(off))
        .isInstanceOf(RefusedException.class)
        .hasMessageStartingWith("cam.keep is its motion, while its keys are switched off");
    Shot held = new SwitchPart("cam", Carried.ID, false).apply(RIG);
    assertThat(far(held, new Carry("cam", "", 1, Keep.FITTED).apply(held), "cam")[0])
        .isLessThan(1e-9);
  }
}
