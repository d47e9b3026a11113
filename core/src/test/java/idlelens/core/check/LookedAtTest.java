package idlelens.core.check;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.tuple;

import idlelens.core.curve.Beyond;
import idlelens.core.curve.Curve;
import idlelens.core.curve.Key;
import idlelens.core.curve.Tangent;
import idlelens.core.cut.Cut;
import idlelens.core.cut.Program;
import idlelens.core.part.Chain;
import idlelens.core.part.Path;
import idlelens.core.part.Target;
import idlelens.core.scene.Node;
import idlelens.core.scene.NodeBody;
import idlelens.core.scene.Shot;
import idlelens.core.scene.SmallShots;
import idlelens.core.scene.TakesKeys;
import idlelens.core.set.Mesher;
import idlelens.core.time.FrameRange;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;

/** Checks of the frames alone for which a camera is needed. */
class LookedAtTest {
  private static final int HANDLES = 2;

  /** Two cameras that pan too fast and are out of focus all the time; the first is seen twice. */
  private static Shot shot(Program program) {
    Curve pan =
        new Curve(
            0,
            List.of(new Key(1, 0, Tangent.Kind.STRAIGHT), new Key(41, 200, Tangent.Kind.STRAIGHT)),
            Beyond.RUN_ON,
            Beyond.RUN_ON);
    Chain chain =
        Chain.poseAndLens()
            .with(Path.PAN, pan)
            .with(Path.FOCUS, Curve.still(1))
            .with(Path.F_STOP, Curve.still(1));
    Shot plain = SmallShots.until(40, camera("a", chain), camera("b", chain));
    return plain
        .withHeader(plain.header().withTime(plain.header().rate(), plain.header().range(), HANDLES))
        .withProgram(program);
  }

  private static Node camera(String id, Chain chain) {
    return new Node.Camera(new NodeBody(id, id, false, chain, TakesKeys.ALL));
  }

  private static CameraChecks checks(Shot shot, String camera, boolean needed) {
    CameraChecks.Asked all = CameraChecks.Asked.of(camera);
    CameraChecks.Asked asked =
        new CameraChecks.Asked(
            camera,
            "",
            "",
            1,
            Optional.of(Target.OfNode.origin(camera.equals("a") ? "b" : "a")),
            all.leastM(),
            all.leastDeg(),
            all.nearM(),
            needed);
    return CameraChecks.of(shot, asked, Mesher::mesh, done -> {});
  }

  private static final Program AB_A =
      new Program(List.of(new Cut(1, "a"), new Cut(11, "b"), new Cut(31, "a", 4)));

  @Test
  void whatIsFound_liesInTheFramesTheCameraIsNeededFor_withHandles() {
    CameraChecks a = checks(shot(AB_A), "a", true);
    assertThat(a.lookedAt().stretches())
        .containsExactly(new FrameRange(1, 12), new FrameRange(29, 40));
    assertThat(a.judder()).extracting(Judder::from).containsExactly(1, 29);
    assertThat(a.judder()).extracting(Judder::to).containsExactly(12, 40);
    assertThat(a.sharpness().orElseThrow().soft())
        .extracting(Sharpness.Soft::from, Sharpness.Soft::to)
        .containsExactly(tuple(1, 12), tuple(29, 40));
    CameraChecks b = checks(shot(AB_A), "b", true);
    assertThat(b.lookedAt().stretches())
        .as("the dissolve is still seen of it")
        .containsExactly(new FrameRange(9, 36));
    assertThat(b.judder()).extracting(Judder::from).containsExactly(9);
    assertThat(checks(shot(AB_A), "b", false).judder()).extracting(Judder::from).containsExactly(1);
  }

  @Test
  void cameraThatIsNotSeen_hasNothingToBeFound_andWithoutAProgramItIsRefused() {
    CameraChecks unseen = checks(shot(Program.only("a")), "b", true);
    assertThat(unseen.lookedAt().stretches()).isEmpty();
    assertThat(unseen.judder()).isEmpty();
    assertThat(unseen.sharpness().orElseThrow().soft()).isEmpty();
    assertThatThrownBy(() -> checks(shot(Program.NONE), "b", true))
        .hasMessage("program is none; allowed: a program with at least one cut");
  }
}
