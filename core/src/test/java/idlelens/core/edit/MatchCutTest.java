package idlelens.core.edit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import idlelens.core.check.CutMatch;
import idlelens.core.curve.Curve;
import idlelens.core.curve.Key;
import idlelens.core.curve.Tangent;
import idlelens.core.cut.Cut;
import idlelens.core.cut.Program;
import idlelens.core.edit.MatchCut.Side;
import idlelens.core.motion.Evaluation;
import idlelens.core.part.Aim;
import idlelens.core.part.Chain;
import idlelens.core.part.Part;
import idlelens.core.part.Path;
import idlelens.core.part.Target;
import idlelens.core.scene.Node;
import idlelens.core.scene.NodeBody;
import idlelens.core.scene.Shot;
import idlelens.core.scene.SmallShots;
import idlelens.core.scene.TakesKeys;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

/** One camera pans by 1.5 degrees a frame, the other tilts, rolled and on a longer lens. */
class MatchCutTest {
  private static final double PAN_DEG = 1.5;

  private static Key straight(double frame, double value) {
    return new Key(frame, value, Tangent.Kind.STRAIGHT);
  }

  private static Node camera(String id, Map<Path, Curve> curves, Part... more) {
    List<Part> parts = new ArrayList<>(Chain.poseAndLens().with(curves).parts());
    parts.addAll(2, List.of(more));
    return new Node.Camera(new NodeBody(id, id, false, new Chain(parts), TakesKeys.ALL));
  }

  private static Shot shot(Part... onB) {
    Map<Path, Curve> panning =
        Map.of(
            Path.PAN,
            new Curve(0, List.of(straight(1, 0), straight(41, -40 * PAN_DEG))),
            Path.FOCAL,
            Curve.still(35));
    Map<Path, Curve> tilting =
        Map.of(
            Path.TILT,
            new Curve(0, List.of(straight(1, -5), straight(41, 7))),
            Path.ROLL,
            Curve.still(20),
            Path.X,
            Curve.still(3),
            Path.FOCAL,
            Curve.still(60));
    return SmallShots.until(40, camera("a", panning), camera("b", tilting, onB))
        .withProgram(new Program(List.of(new Cut(1, "a"), new Cut(20, "b"))));
  }

  @Test
  void flow_isThatOfThePan_onItsOwnSideOfTheCut() {
    CutMatch match = CutMatch.of(shot(), 20);
    assertThat(match.from()).isEqualTo("a");
    assertThat(match.to()).isEqualTo("b");
    // a pan to the right sends what is in the middle to the left
    double widths = 35 / 24.89 * Math.tan(Math.toRadians(PAN_DEG));
    assertThat(match.before().right()).isCloseTo(-widths, within(1e-12));
    assertThat(match.before().up()).isCloseTo(0, within(1e-12));
    // a tilt upwards sends it down, which a camera rolled by 20 degrees sees aslant
    double tilt = 60 / 24.89 * Math.tan(Math.toRadians(0.3));
    double roll = Math.toRadians(20);
    assertThat(match.after().up()).isCloseTo(-tilt * Math.cos(roll), within(1e-12));
    assertThat(match.after().right()).isCloseTo(-tilt * Math.sin(roll), within(1e-12));
    double apart = Math.hypot(widths - tilt * Math.sin(roll), tilt * Math.cos(roll));
    assertThat(match.mismatch()).isCloseTo(apart, within(1e-12));
  }

  @ParameterizedTest
  @EnumSource(Side.class)
  void matched_theOneSidePassesAsTheOther_andTheCutFrameStays(Side side) {
    Shot shot = shot();
    Shot matched = new MatchCut(20, side, 12).apply(shot);
    assertThat(CutMatch.of(matched, 20).mismatch()).isLessThan(1e-5);
    String turned = side == Side.AFTER ? "b" : "a";
    String other = side == Side.AFTER ? "a" : "b";
    assertThat(matched.node(other)).isEqualTo(shot.node(other));
    int rests = side == Side.AFTER ? 32 : 8;
    int moves = side == Side.AFTER ? 24 : 16;
    for (int frame : new int[] {20, rests, rests + (side == Side.AFTER ? 5 : -5)}) {
      assertThat(off(shot, matched, turned, frame)).isLessThan(1e-4);
    }
    assertThat(off(shot, matched, turned, moves)).isGreaterThan(0.5);
  }

  /** By how many degrees a camera looks elsewhere. */
  private static double off(Shot one, Shot other, String id, double frame) {
    var was = Evaluation.at(one, frame).pose(id, 0).forward();
    var is = Evaluation.at(other, frame).pose(id, 0).forward();
    return Math.toDegrees(was.angle(is));
  }

  @Test
  void cameraThatAims_isRefused_andSoIsWhatIsNoCut() {
    Shot aiming = shot(Aim.at("aim-1", new Target.Place(0, 0, -9)));
    assertThatThrownBy(() -> new MatchCut(20, Side.AFTER, 12).apply(aiming))
        .hasMessageStartingWith("b is ")
        .hasMessageContaining("such as an aim");
    assertThatThrownBy(() -> new MatchCut(1, Side.AFTER, 12).apply(aiming))
        .hasMessage("frame is 1; allowed: the frame of a cut from one camera to another");
    assertThatThrownBy(() -> new MatchCut(20, Side.AFTER, 2))
        .hasMessage("frames is 2; allowed: 3 to 240");
  }
}
