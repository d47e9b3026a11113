package idlelens.core.motion;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import idlelens.core.curve.Beyond;
import idlelens.core.curve.Curve;
import idlelens.core.edit.Sets;
import idlelens.core.geometry.RigidPose;
import idlelens.core.geometry.Turns;
import idlelens.core.part.Chain;
import idlelens.core.part.Part;
import idlelens.core.part.Path;
import idlelens.core.part.RunIn;
import idlelens.core.part.Smooth;
import idlelens.core.part.SmoothWay;
import idlelens.core.scene.Shot;
import idlelens.core.time.SampleGrid;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

class RunningInTest {
  /** A null that is on its way and turning at both ends of the shot, frames 1 to 50. */
  private static Shot shot(RunIn.Edge before, RunIn.Edge after, Part... more) {
    Curve x = Sets.keyed(-10, -3, 25, 4, 60, 9);
    Curve pan = Sets.keyed(-10, -90, 60, 120);
    List<Part> parts = new ArrayList<>(Chain.pose().with(Path.X, x).with(Path.PAN, pan).parts());
    parts.add(new RunIn(RunIn.USUAL.body(), before, after));
    parts.addAll(List.of(more));
    Shot rig = Sets.rig();
    return rig.withNode(rig.node("base").withChain(new Chain(parts)));
  }

  private static PoseTrack world(Shot shot) {
    return Evaluation.of(shot, new SampleGrid(-9, 70, 1), null).of("base").world();
  }

  @Test
  void inTheShot_nothingChanges() {
    PoseTrack own = world(shot(RunIn.Edge.OWN, RunIn.Edge.OWN));
    PoseTrack other = world(shot(RunIn.Edge.HOLD, RunIn.Edge.CYCLE));
    for (int i = 10; i < 60; i++) {
      assertThat(other.pose(i)).isEqualTo(own.pose(i));
    }
    assertThat(own.x()[0]).isNotCloseTo(other.x()[0], within(0.01));
  }

  @Test
  void held_itStands_andRunningOn_itKeepsSpeedAndTurn() {
    PoseTrack held = world(shot(RunIn.Edge.HOLD, RunIn.Edge.HOLD));
    assertThat(held.pose(0)).isEqualTo(held.pose(10));
    assertThat(held.pose(69)).isEqualTo(held.pose(59));
    PoseTrack on = world(shot(RunIn.Edge.RUN_ON, RunIn.Edge.RUN_ON));
    double speed = on.x()[10] - on.x()[9];
    double inside = (-1.5 * on.x()[10] + 2 * on.x()[11] - 0.5 * on.x()[12]);
    assertThat(speed).isCloseTo(inside, within(1e-12));
    assertThat(on.x()[1] - on.x()[0]).isCloseTo(speed, within(1e-12));
    double turn = Turns.angleBetween(on.turn(60), on.turn(61));
    assertThat(Turns.angleBetween(on.turn(68), on.turn(69))).isCloseTo(turn, within(1e-12));
    assertThat(Math.toDegrees(turn))
        .isCloseTo(Math.toDegrees(Turns.angleBetween(on.turn(58), on.turn(59))), within(0.2));
  }

  @Test
  void cycling_itIsTheMotionOfARoundLater() {
    PoseTrack round = world(shot(RunIn.Edge.CYCLE, RunIn.Edge.CYCLE));
    for (int i = 0; i < 10; i++) {
      same(round.pose(i), round.pose(i + 50));
      same(round.pose(60 + i), round.pose(10 + i));
    }
  }

  private static void same(RigidPose one, RigidPose other) {
    assertThat(one.place().distance(other.place())).isLessThan(1e-12);
    assertThat(Turns.angleBetween(one.turn(), other.turn())).isLessThan(1e-12);
  }

  /** Alone, between frames, and with a card behind it that looks at what runs in. */
  @ParameterizedTest
  @EnumSource(RunIn.Edge.class)
  void oneFrame_isTheSame_onEveryGrid(RunIn.Edge edge) {
    Shot shot = shot(edge, edge, Smooth.of("smooth-a", new SmoothWay.Gaussian(3)));
    PoseTrack whole = world(shot);
    PoseTrack fine = Evaluation.of(shot, new SampleGrid(-9, 4 * 70, 4), null).of("base").world();
    for (int i = 0; i < 70; i += 3) {
      RigidPose alone = Evaluation.at(shot, i - 9).pose("base", 0);
      assertThat(alone.place().distance(whole.pose(i).place())).isLessThan(1e-9);
      assertThat(alone.place().distance(fine.pose(4 * i).place())).isLessThan(1e-9);
      assertThat(Turns.angleBetween(alone.turn(), whole.turn(i))).isLessThan(1e-9);
    }
  }

  @Test
  void whatCyclesByItsKeys_isNotChangedByCycling() {
    Curve x = Sets.keyed(1, 0, 25, 4, 51, 0).withBeyond(Beyond.CYCLE, Beyond.CYCLE);
    Shot shot = shot(RunIn.Edge.CYCLE, RunIn.Edge.CYCLE);
    Chain chain = shot.node("base").chain().with(Path.X, x).with(Path.PAN, Curve.still(0));
    Shot cycling = shot.withNode(shot.node("base").withChain(chain));
    for (double frame : new double[] {-20.25, 0.5, 50.5, 50.99, 75}) {
      assertThat(Evaluation.at(cycling, frame).pose("base", 0).x())
          .isCloseTo(x.at(frame), within(1e-9));
    }
  }
}
