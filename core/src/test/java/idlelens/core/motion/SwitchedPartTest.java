package idlelens.core.motion;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import idlelens.core.edit.Carry;
import idlelens.core.edit.Edit;
import idlelens.core.edit.Keep;
import idlelens.core.edit.Keying;
import idlelens.core.edit.MoveInWorld;
import idlelens.core.edit.Operate;
import idlelens.core.edit.Rename;
import idlelens.core.edit.SetValues;
import idlelens.core.edit.Sets;
import idlelens.core.edit.SwitchPart;
import idlelens.core.geometry.RigidPose;
import idlelens.core.geometry.Turns;
import idlelens.core.part.Carried;
import idlelens.core.part.Keys;
import idlelens.core.part.Lens;
import idlelens.core.part.Path;
import idlelens.core.rule.RefusedException;
import idlelens.core.scene.Shot;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** What is switched off stands still as at the first frame, and everything else goes on. */
class SwitchedPartTest {
  private static final Shot RIG = Sets.rig();
  private static final int IN = 4; // sample of the first frame, behind four handles

  private static Shot without(String id, String part) {
    return new SwitchPart(id, part, false).apply(RIG);
  }

  private static void assertSame(RigidPose a, RigidPose b) {
    assertThat(a.place().distance(b.place())).isLessThan(1e-12);
    assertThat(Turns.angleBetween(a.turn(), b.turn())).isLessThan(1e-9);
  }

  @Test
  void keysOff_ownPoseStaysOnTheMovingCarrier() {
    Evaluation on = Evaluation.of(RIG);
    Evaluation off = Evaluation.of(without("cam", Keys.ID));
    RigidPose onArm = on.pose("arm", IN).inverse().times(on.pose("cam", IN));
    for (int i = 0; i < off.grid().count(); i++) {
      assertSame(off.pose("cam", i), on.pose("arm", i).times(onArm));
    }
  }

  @Test
  void carriedOff_ownMotionGoesOnUnderTheCarrierOfTheFirstFrame() {
    Evaluation on = Evaluation.of(RIG);
    Evaluation off = Evaluation.of(without("cam", Carried.ID));
    for (int i = 0; i < off.grid().count(); i++) {
      RigidPose onArm = on.pose("arm", i).inverse().times(on.pose("cam", i));
      assertSame(off.pose("cam", i), on.pose("arm", IN).times(onArm));
      assertSame(off.pose("arm", i), on.pose("arm", i));
    }
  }

  @Test
  void bothOff_theCameraStandsStill() {
    Shot still = new SwitchPart("cam", Carried.ID, false).apply(without("cam", Keys.ID));
    PoseTrack track = Evaluation.of(still).of("cam").world();
    assertThat(track.isStill()).isTrue();
    assertSame(track.pose(0), Evaluation.of(RIG).pose("cam", IN));
  }

  @Test
  void carrierOff_movesNoneOfWhatItCarries() {
    Evaluation off = Evaluation.of(without("arm", Keys.ID));
    RigidPose arm = Evaluation.of(RIG).pose("arm", IN);
    assertThat(off.of("arm").world().isStill()).isTrue();
    assertSame(off.pose("arm", 30), arm);
    assertThat(off.of("cam").world().isStill()).as("its own keys go on").isFalse();
  }

  @Test
  void lensOff_followedFocusStaysAtTheDistanceOfTheFirstFrame() {
    LensTrack on = Evaluation.of(RIG).of("cam").lens().orElseThrow();
    LensTrack off = Evaluation.of(without("cam", Lens.ID)).of("cam").lens().orElseThrow();
    assertThat(on.isStill()).isFalse();
    assertThat(off.isStill()).isTrue();
    assertThat(off.focusM()[0]).isEqualTo(on.focusM()[IN], within(1e-12));
    assertThat(off.farM()[0]).isEqualTo(on.farM()[IN], within(1e-12));
  }

  @ParameterizedTest
  @ValueSource(strings = {"keys", "carried", "lens"})
  void firstFrame_isTheSameOnAndOff_alsoAskedForAlone(String part) {
    Shot off = without("cam", part);
    assertSame(Evaluation.at(off, 1).pose("cam", 0), Evaluation.at(RIG, 1).pose("cam", 0));
    assertSame(Evaluation.at(off, 33).pose("cam", 0), Evaluation.of(off).pose("cam", IN + 32));
  }

  @ParameterizedTest
  @ValueSource(strings = {"keys", "carried", "lens"})
  void switchedOnAgain_andUndone_isTheShotAsItWas(String part) {
    Shot off = without("cam", part);
    assertThat(off).isNotEqualTo(RIG);
    assertThat(new SwitchPart("cam", part, true).apply(off)).isEqualTo(RIG);
    Edit.Applied applied = Edit.applyAll(RIG, List.of(new SwitchPart("cam", part, false)));
    assertThat(applied.inverse().apply(applied.shot())).isEqualTo(RIG);
  }

  @Test
  void evaluationFromAnEarlierOne_followsTheSwitch() {
    Evaluation before = Evaluation.of(RIG);
    Shot off = without("arm", Keys.ID);
    Evaluation after = Evaluation.of(off, before.grid(), before);
    assertThat(after.shares("cam", before)).isFalse();
    assertThat(after.shares("crate", before)).isTrue();
    assertSame(after.pose("cam", 30), Evaluation.of(off).pose("cam", 30));
    Shot edited = new SetValues("other", 1, Map.of(Path.X, 5.0), Keying.STILL).apply(off);
    assertThat(Evaluation.of(edited, after.grid(), after).shares("cam", after)).isTrue();
    Shot held = new SwitchPart("cam", Lens.ID, false).apply(off);
    Evaluation still = Evaluation.of(held, after.grid(), after);
    Shot renamed = new Rename("other", "Other").apply(held);
    assertThat(Evaluation.of(renamed, still.grid(), still).shares("cam", still))
        .as("a lens that is held is not sent again")
        .isTrue();
    Shot wider = new SetValues("cam", 1, Map.of(Path.FOCAL, 20.0), Keying.STILL).apply(held);
    assertThat(Evaluation.of(wider, still.grid(), still).shares("cam", still)).isFalse();
  }

  @Test
  void settingWhatIsSwitchedOff_isRefusedByName() {
    Shot off = without("cam", Keys.ID);
    assertThatThrownBy(
            () -> new SetValues("cam", 9, Map.of(Path.X, 3.0), Keying.TOUCHED).apply(off))
        .isInstanceOf(RefusedException.class)
        .hasMessage(
            "cam.x is without effect while Keys is switched off;"
                + " allowed: to set it after switching Keys on");
    assertThatThrownBy(
            () -> new Operate("cam", 9, 0.1, 0, 0, 3, 0, 0, Keying.WHOLE_POSE).apply(off))
        .isInstanceOf(RefusedException.class);
    assertThat(new SetValues("cam", 9, Map.of(Path.FOCAL, 50.0), Keying.STILL).apply(off))
        .as("the lens is on")
        .isNotEqualTo(off);
  }

  @Test
  void movingAStillNode_underACarrierThatIsOff_goesWhereItIsDragged() {
    Shot carried = new Carry("crate", "arm", 1, Keep.PLACE).apply(RIG);
    Shot off = new SwitchPart("crate", Carried.ID, false).apply(carried);
    RigidPose before = Evaluation.at(off, 40).pose("crate", 0);
    Shot moved = new MoveInWorld("crate", 40, 0.5, 0, -0.25, 0, Keying.STILL).apply(off);
    RigidPose after = Evaluation.at(moved, 40).pose("crate", 0);
    assertThat(after.place().sub(before.place()).distance(0.5, 0, -0.25)).isLessThan(1e-9);
  }

  @Test
  void pathOfKeysThatAreOff_hasNoTangents() {
    assertThat(PathTangent.of(Evaluation.of(RIG), "cam")).isNotEmpty();
    assertThat(PathTangent.of(Evaluation.of(without("cam", Keys.ID)), "cam")).isEmpty();
  }

  @Test
  void lensOfANull_isRefused() {
    assertThatThrownBy(() -> new SwitchPart("arm", Lens.ID, false).apply(RIG))
        .hasMessage("part is 'lens'; allowed: keys, carried");
  }
}
