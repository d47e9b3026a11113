package idlelens.core.edit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import idlelens.core.curve.Curve;
import idlelens.core.curve.Key;
import idlelens.core.part.Chain;
import idlelens.core.part.Path;
import idlelens.core.rule.RefusedException;
import idlelens.core.scene.Node;
import idlelens.core.scene.Shot;
import idlelens.core.scene.TakesKeys;
import java.util.List;
import java.util.Map;
import java.util.Set;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import org.junit.jupiter.api.Test;

/** The first key of a channel: what was there before stays, and what takes no keys gets none. */
class FirstKeyTest {
  private static final Shot RIG = Sets.rig();

  private static Shot key(Shot shot, String id, double frame, Path path, double value, Keying how) {
    return new SetValues(id, frame, Map.of(path, value), how).apply(shot);
  }

  private static List<Double> frames(Shot shot, String id, Path path) {
    return shot.node(id).chain().curve(path).keys().stream().map(Key::frame).toList();
  }

  @Test
  void turnAfterForward_staysAsItWasUntilThePoseKeyBefore() {
    Shot forward = key(RIG, "crate", 1, Path.Z, -9, Keying.TOUCHED);
    forward = key(forward, "crate", 20, Path.Z, -13, Keying.TOUCHED);
    Shot turned = key(forward, "crate", 40, Path.PAN, 90, Keying.TOUCHED);
    Curve pan = turned.node("crate").chain().curve(Path.PAN);
    assertThat(frames(turned, "crate", Path.PAN)).containsExactly(20.0, 40.0);
    for (double frame = -3; frame <= 20; frame += 0.25) {
      assertThat(pan.at(frame)).isEqualTo(12);
    }
    assertThat(pan.at(40)).isEqualTo(90);
    assertThat(frames(turned, "crate", Path.Z)).containsExactly(1.0, 20.0);
  }

  @Test
  void withoutPoseKeysBefore_itStaysFromTheFirstFrameOfTheShot() {
    Shot moved = key(RIG, "crate", 30, Path.X, 5, Keying.TOUCHED);
    assertThat(frames(moved, "crate", Path.X)).containsExactly(1.0, 30.0);
    assertThat(moved.node("crate").chain().curve(Path.X).at(1)).isEqualTo(1);
    assertThat(frames(key(RIG, "crate", 1, Path.X, 5, Keying.TOUCHED), "crate", Path.X))
        .containsExactly(1.0);
    assertThat(frames(key(RIG, "crate", -2, Path.X, 5, Keying.TOUCHED), "crate", Path.X))
        .containsExactly(-2.0);
  }

  @Test
  void theCarrierPosesWithIt() {
    Shot turned = key(RIG, "cam", 45, Path.PAN, 60, Keying.TOUCHED);
    assertThat(frames(turned, "cam", Path.PAN)).containsExactly(40.0, 45.0);
    Shot early = key(RIG, "cam", 35, Path.PAN, 60, Keying.TOUCHED);
    assertThat(frames(early, "cam", Path.PAN))
        .as("the arm is keyed at 30")
        .containsExactly(30.0, 35.0);
  }

  @Test
  void aWholePose_isWholeBeforeTo() {
    Shot moved = key(RIG, "crate", 30, Path.X, 5, Keying.WHOLE_POSE);
    for (Path path : Path.POSE) {
      assertThat(frames(moved, "crate", path)).as(path.toString()).containsExactly(1.0, 30.0);
    }
  }

  @Test
  void anUnchangedValue_needsNothingBefore() {
    Shot same = key(RIG, "crate", 30, Path.PAN, 12, Keying.TOUCHED);
    assertThat(frames(same, "crate", Path.PAN)).containsExactly(30.0);
    Shot posed = new KeyPose("crate", 30, Path.POSE).apply(RIG);
    assertThat(frames(posed, "crate", Path.X)).containsExactly(30.0);
  }

  /** Every channel of every node, at every frame: before the pose key before, nothing moves. */
  @Property
  void whatWasThereStays(@ForAll @IntRange(min = -4, max = 60) int frame, @ForAll boolean whole) {
    for (Node node : RIG.nodes()) {
      for (Path path : node.chain().paths()) {
        Curve before = node.chain().curve(path);
        if (before.isKeyed() || !path.isPose()) {
          continue;
        }
        Keying how = whole ? Keying.WHOLE_POSE : Keying.TOUCHED;
        Shot after = key(RIG, node.id(), frame, path, before.rest() + 1, how);
        Curve now = after.node(node.id()).chain().curve(path);
        assertThat(now.at(frame)).isEqualTo(before.rest() + 1);
        double from = now.keys().get(0).frame();
        assertThat(now.at(from - 1)).isEqualTo(frame > 1 ? before.rest() : before.rest() + 1);
        assertThat(from).isEqualTo(Math.min(frame, from));
        if (frame > 1) {
          assertThat(now.keys()).hasSize(2);
          assertThat(from).isBetween(1.0, (double) frame - 1e-9);
        }
      }
    }
  }

  @Test
  void whatIsLeftOut_takesNoKey_andSaysSoWhereNothingElseChanges() {
    Chain chain = RIG.node("cam").chain();
    Shot filtered =
        new SetTakesKeys("cam", new TakesKeys(Set.of(Path.Y, Path.TILT), Set.of())).apply(RIG);
    Shot driven = new Operate("cam", 25, 1, 2, 3, 4, 5, 6, Keying.WHOLE_POSE).apply(filtered);
    assertThat(driven.node("cam").chain().curve(Path.Y)).isEqualTo(chain.curve(Path.Y));
    assertThat(driven.node("cam").chain().curve(Path.TILT)).isEqualTo(chain.curve(Path.TILT));
    assertThat(frames(driven, "cam", Path.PAN)).contains(25.0);
    assertThatThrownBy(() -> key(filtered, "cam", 25, Path.TILT, 3, Keying.TOUCHED))
        .isInstanceOf(RefusedException.class)
        .hasMessage(
            "cam.tilt is left out of keys; allowed: a change without Record, or to let it take"
                + " keys under Tools");
    // a key that is there may be changed
    assertThat(
            key(filtered, "cam", 40, Path.TILT, 3, Keying.TOUCHED)
                .node("cam")
                .chain()
                .curve(Path.TILT)
                .at(40))
        .isEqualTo(3);
  }
}
