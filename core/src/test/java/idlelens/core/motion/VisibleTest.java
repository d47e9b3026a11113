package idlelens.core.motion;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import idlelens.core.check.Depths;
import idlelens.core.check.SetObstacles;
import idlelens.core.check.Sightline;
import idlelens.core.clearance.Obstacle;
import idlelens.core.curve.Beyond;
import idlelens.core.curve.Curve;
import idlelens.core.curve.Key;
import idlelens.core.curve.Tangent;
import idlelens.core.edit.CutTo;
import idlelens.core.edit.Edit;
import idlelens.core.edit.Keying;
import idlelens.core.edit.MoveCut;
import idlelens.core.edit.SetValues;
import idlelens.core.edit.SwapCut;
import idlelens.core.geometry.RigidPose;
import idlelens.core.part.Carriage;
import idlelens.core.part.Carried;
import idlelens.core.part.Chain;
import idlelens.core.part.HandOver;
import idlelens.core.part.Part;
import idlelens.core.part.Path;
import idlelens.core.part.Visible;
import idlelens.core.scene.Node;
import idlelens.core.scene.NodeBody;
import idlelens.core.scene.Shot;
import idlelens.core.scene.SmallShots;
import idlelens.core.scene.TakesKeys;
import idlelens.core.set.Finish;
import idlelens.core.set.Mesher;
import idlelens.core.set.Shape;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;

/** What appears and vanishes: held, with what it carries, out of the way of everything. */
class VisibleTest {
  private static final Path SHOWN = Path.parse("visible.shown");

  private static Chain at(double z, Key... keys) {
    List<Part> parts = new ArrayList<>(Chain.pose().restingAt(0, -0.5, z, 0, 0, 0).parts());
    parts.add(Visible.ALWAYS);
    return new Chain(parts).with(SHOWN, new Curve(1, List.of(keys)));
  }

  private static Key key(double frame, double value, Tangent tangent) {
    return new Key(frame, value, tangent);
  }

  private static Node box(String id, Chain chain) {
    NodeBody body = new NodeBody(id, id, false, chain, TakesKeys.ALL);
    return new Node.Piece(body, new Shape.Box(1, 1, 1), Finish.matt("#888888"));
  }

  private static Node nothing(String id, Chain chain) {
    return new Node.Null(new NodeBody(id, id, false, chain, TakesKeys.ALL));
  }

  private static Node camera() {
    return new Node.Camera(new NodeBody("cam", "cam", false, Chain.poseAndLens(), TakesKeys.ALL));
  }

  private static List<Integer> framesShown(Shot shot, String id) {
    Evaluation motion = Evaluation.of(shot);
    return IntStream.range(0, motion.grid().count())
        .filter(i -> motion.isShown(id, i))
        .mapToObj(i -> (int) motion.grid().frame(i))
        .toList();
  }

  @Test
  void curve_isHeldAndOnOrOff_whateverIsAsked() {
    Curve wished =
        new Curve(
            0.3,
            List.of(key(1, 1, Tangent.Kind.SETTLE), key(5, 0.4, Tangent.Kind.STRAIGHT)),
            Beyond.RUN_ON,
            Beyond.CYCLE_AND_CARRY);
    Curve held = at(-5).with(SHOWN, wished).curve(SHOWN);
    assertThat(held.keys())
        .containsExactly(key(1, 1, Tangent.Kind.HOLD), key(5, 0, Tangent.Kind.HOLD));
    assertThat(held.rest()).isZero();
    assertThat(held.before()).isEqualTo(Beyond.HOLD);
    assertThat(held.after()).isEqualTo(Beyond.CYCLE);
    Shot shot = SmallShots.until(10, box("box", at(-5, key(1, 1, Tangent.Kind.HOLD))));
    Shot keyed = new SetValues("box", 4, Map.of(SHOWN, 0.2), Keying.TOUCHED).apply(shot);
    assertThat(keyed.node("box").chain().curve(SHOWN).keys())
        .contains(key(4, 0, Tangent.Kind.HOLD));
  }

  @Test
  void node_isThereFromKeyToKey_betweenFramesToo() {
    Key[] keys = {
      key(1, 0, Tangent.Kind.HOLD), key(3, 1, Tangent.Kind.HOLD), key(6.5, 0, Tangent.Kind.HOLD)
    };
    Shot shot = SmallShots.until(10, box("box", at(-5, keys)));
    assertThat(framesShown(shot, "box")).containsExactly(3, 4, 5, 6);
    assertThat(Evaluation.at(shot, 6.4).isShown("box", 0)).isTrue();
    assertThat(Evaluation.at(shot, 6.5).isShown("box", 0)).isFalse();
    Node off = shot.node("box");
    Part visible = off.chain().part(Visible.ID);
    Chain switchedOff = off.chain().with(visible.withBody(visible.body().withOn(false)));
    assertThat(framesShown(shot.withNode(off.withChain(switchedOff)), "box")).hasSize(10);
  }

  @Test
  void whatIsCarried_vanishesWithItsCarrier_whileThatCarriesIt() {
    Key[] keys = {key(1, 1, Tangent.Kind.HOLD), key(4, 0, Tangent.Kind.HOLD)};
    Carried handed =
        Carried.WORLD
            .withFirst(new Carriage("boat", RigidPose.IDENTITY))
            .with(new HandOver("ashore", 7, "", Optional.empty()));
    Chain riding = Chain.pose().with(handed);
    Shot shot = SmallShots.until(10, nothing("boat", at(0, keys)), box("crate", riding));
    assertThat(framesShown(shot, "crate")).containsExactly(1, 2, 3, 7, 8, 9, 10);
  }

  @Test
  void cameraThatIsNotThere_isNotCutTo() {
    List<Part> parts = new ArrayList<>(Chain.poseAndLens().parts());
    parts.add(Visible.ALWAYS);
    Curve from5 = new Curve(0, List.of(key(1, 0, Tangent.Kind.HOLD), key(5, 1, Tangent.Kind.HOLD)));
    Node late =
        new Node.Camera(
            new NodeBody(
                "late", "Late", false, new Chain(parts).with(SHOWN, from5), TakesKeys.ALL));
    Shot shot = SmallShots.until(10, camera(), late);
    Evaluation motion = Evaluation.of(shot);
    assertThat(motion.isAlwaysShown("cam")).isTrue();
    assertThat(motion.isAlwaysShown("late")).isFalse();
    assertThatThrownBy(() -> new CutTo(4, "late", 0).apply(shot))
        .hasMessage(
            "camera is 'Late', which is not there at frame 4; allowed: a camera that is there");
    Shot cut = new CutTo(5, "late", 0).apply(new CutTo(1, "cam", 0).apply(shot));
    assertThat(cut.program().cameraAt(5)).isEqualTo("late");
    for (Edit wrong : List.of(new MoveCut(5, 4, false), new SwapCut(5))) {
      assertThatThrownBy(() -> wrong.apply(cut))
          .hasMessageContaining("'Late', which is not there at frame ");
    }
    assertThat(new MoveCut(5, 6, false).apply(cut).program().cameraAt(5)).isEqualTo("cam");
  }

  @Test
  void whatIsNotThere_isNotFocusedOn_norInTheWay_norAmongTheDepths() {
    Key[] keys = {key(1, 1, Tangent.Kind.HOLD), key(5, 0, Tangent.Kind.HOLD)};
    Shot shot =
        SmallShots.until(
            10,
            camera(),
            box("near", at(-5, keys)),
            box("far", Chain.pose().restingAt(0, -0.5, -9, 0, 0, 0)));
    assertThat(Sightline.of(shot, "cam", 4, 0, 0, Mesher::mesh).orElseThrow().nodeId())
        .isEqualTo("near");
    assertThat(Sightline.of(shot, "cam", 5, 0, 0, Mesher::mesh).orElseThrow().nodeId())
        .isEqualTo("far");
    Evaluation motion = Evaluation.of(shot);
    Obstacle near = new SetObstacles(motion, Mesher::mesh).allBut(Set.of("far")).get(0);
    double[] eye = {0, 0, 0};
    assertThat(near.atLeast(3, eye)).isLessThan(5);
    assertThat(near.atLeast(4, eye)).isInfinite();
    assertThat(near.hides(4, new double[] {0, 0, 0, 0, 0, -9})).isFalse();
    assertThat(near.firstCrossing(4, new double[] {0, 0, 0, 0, 0, -9})).isInfinite();
    double[] metres = Depths.of(motion, "cam", node -> true, 9).pieces().get(0).metres();
    assertThat(metres[3]).isEqualTo(5);
    assertThat(metres[4]).isNaN();
  }
}
