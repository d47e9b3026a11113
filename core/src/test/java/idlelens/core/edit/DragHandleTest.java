package idlelens.core.edit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import idlelens.core.curve.Curve;
import idlelens.core.curve.Curves;
import idlelens.core.curve.Key;
import idlelens.core.curve.Segment;
import idlelens.core.curve.Tangent;
import idlelens.core.part.Path;
import idlelens.core.scene.Node;
import idlelens.core.scene.Shot;
import java.util.List;
import java.util.Random;
import net.jqwik.api.Assume;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.LongRange;
import org.junit.jupiter.api.Test;

class DragHandleTest {
  private static Shot with(Curve x) {
    Shot shot = Sets.rig();
    Node node = shot.node("crate");
    return shot.withNode(node.withChain(node.chain().with(Path.X, x)));
  }

  private static Curve x(Shot shot) {
    return shot.node("crate").chain().curve(Path.X);
  }

  private static Curve dragged(
      Curve curve, double frame, SetHandle.Side side, Tangent.Handle handle) {
    return x(new SetHandle("crate", Path.X, frame, side, handle, false).apply(with(curve)));
  }

  @Property(tries = 1500)
  void theHandleIsDrawnWhereItWasDragged_onEveryKindThereIs(@ForAll @LongRange(min = 0) long seed) {
    Random random = new Random(seed);
    Curve curve = Curves.any(random);
    int stretch = random.nextInt(curve.keys().size());
    Assume.that(stretch + 1 < curve.keys().size());
    boolean in = random.nextBoolean();
    int i = in ? stretch + 1 : stretch;
    Key key = curve.keys().get(i);
    Assume.that(!in || curve.keys().get(stretch).tangent().leavesBending());
    boolean thirds = curve.handles(i).ownLength() || !key.tangent().leavesBending();
    double width = curve.segment(stretch).width();
    Tangent.Handle to =
        new Tangent.Handle(width * random.nextDouble(), random.nextDouble() * 20 - 10);
    Curve after = dragged(curve, key.frame(), in ? SetHandle.Side.IN : SetHandle.Side.OUT, to);
    Segment drawn = after.segment(stretch);
    Tangent.Handle shown = in ? drawn.in() : drawn.out();
    if (thirds && (in || key.tangent().leavesBending())) {
      assertThat(shown.frames()).isCloseTo(to.frames(), within(1e-9));
      assertThat(shown.value()).isCloseTo(to.value(), within(1e-9));
    } else if (to.frames() > 0.01) {
      assertThat(shown.slope()).isCloseTo(to.slope(), within(1e-6 * (1 + Math.abs(to.slope()))));
    }
    assertThat(after.keys().get(i).tangent().leaves(Tangent.Kind.HOLD))
        .isEqualTo(in && key.tangent().leaves(Tangent.Kind.HOLD));
  }

  @Test
  void theInHandleOfAHeldKey_leavesItHeld() {
    Curve curve =
        new Curve(
            0,
            List.of(
                new Key(0, 0, Tangent.Kind.FLOW),
                new Key(10, 5, Tangent.Kind.HOLD),
                new Key(20, 1, Tangent.Kind.FLOW)));
    Curve after = dragged(curve, 10, SetHandle.Side.IN, new Tangent.Handle(4, 2));
    assertThat(after.at(19.9)).isEqualTo(5);
    assertThat(after.segment(0).in()).isEqualTo(new Tangent.Handle(4, 2));
  }

  @Test
  void aJoinedHandleStraightUp_takesTheOtherStraightDown() {
    Curve curve = Curves.of(Tangent.Kind.FLOW, 0, 0, 10, 5, 20, 10);
    Curve up = dragged(curve, 10, SetHandle.Side.OUT, new Tangent.Handle(0, 3));
    Tangent.Free free = (Tangent.Free) up.keys().get(1).tangent();
    assertThat(free.in()).isEqualTo(new Tangent.Handle(0, 3));
    Curve pushedIn = dragged(curve, 10, SetHandle.Side.OUT, new Tangent.Handle(0, 0));
    assertThat(pushedIn.handles(1).in().slope()).isCloseTo(0.5, within(1e-12));
  }

  @Test
  void aTangentOfThePath_movesAsFarAsItIsDragged_whereHandlesOverlap() {
    Tangent.Free wide = Curves.free(30, 0, 30, 0);
    Curve curve =
        new Curve(0, List.of(new Key(1, 0, wide), new Key(11, 5, wide), new Key(21, 0, wide)));
    for (SetHandle.Side side : SetHandle.Side.values()) {
      Shot shot = with(curve);
      Shot after = new TurnTangent("crate", 11, side, 0.8, 0, 0, true).apply(shot);
      Segment before = curve.segment(side == SetHandle.Side.IN ? 0 : 1);
      Segment then = x(after).segment(side == SetHandle.Side.IN ? 0 : 1);
      double moved = side == SetHandle.Side.IN ? then.v2() - before.v2() : then.v1() - before.v1();
      assertThat(moved).isCloseTo(0.8, within(1e-9));
    }
  }
}
