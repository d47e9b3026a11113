package idlelens.core.check;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import idlelens.core.curve.Beyond;
import idlelens.core.curve.Curve;
import idlelens.core.curve.Key;
import idlelens.core.curve.Tangent;
import idlelens.core.part.Chain;
import idlelens.core.part.Path;
import idlelens.core.scene.Node;
import idlelens.core.scene.NodeBody;
import idlelens.core.scene.Shot;
import idlelens.core.scene.SmallShots;
import idlelens.core.scene.TakesKeys;
import java.util.List;
import java.util.OptionalDouble;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** How long what stands still is drawn out, at any depth. */
class StreaksTest {
  private static final double TAN_ACROSS = 24.89 / 70; // a plain lens of 35 mm
  private static final double PER_FRAME = 0.03;

  /** A truck, with the shutter open for a quarter of the frame. */
  private static Shot truck() {
    Curve away =
        new Curve(
            0,
            List.of(
                new Key(1, 0, Tangent.Kind.STRAIGHT),
                new Key(11, 10 * PER_FRAME, Tangent.Kind.STRAIGHT)),
            Beyond.RUN_ON,
            Beyond.RUN_ON);
    Chain chain =
        Chain.poseAndLens()
            .with(Path.X, away)
            .with(Path.FOCUS, Curve.still(4))
            .with(Path.parse("shutter"), Curve.still(90));
    NodeBody body = new NodeBody("cam", "Cam", false, chain, TakesKeys.ALL);
    return SmallShots.until(11, new Node.Camera(body));
  }

  private static Streaks at(double metres) {
    return Streaks.of(truck(), "cam", OptionalDouble.of(metres));
  }

  @ParameterizedTest
  @ValueSource(doubles = {0.5, 4, 60})
  void streak_isTheWayByTheWidthSeenThere_whileTheShutterIsOpen(double metres) {
    Streaks streaks = at(metres);
    double widths = PER_FRAME / (2 * metres * TAN_ACROSS);
    assertThat(streaks.widths()).hasSize(11).containsOnly(new double[] {widths}, within(1e-9));
    assertThat(streaks.streak()).containsOnly(new double[] {widths / 4}, within(1e-9));
    assertThat(streaks.metres()).containsOnly(metres);
  }

  @Test
  void withoutADepth_itIsThatOfTheFocus_andNearerJuddersFirst() {
    Streaks focus = Streaks.of(truck(), "cam", OptionalDouble.empty());
    assertThat(focus.widths()).isEqualTo(at(4).widths());
    // a width in 1 / (24 widths) seconds, where 14 s are asked for with so short a shutter
    assertThat(at(60).judder()).isEmpty();
    assertThat(at(0.5).judder())
        .singleElement()
        .satisfies(
            judder -> {
              assertThat(judder.from()).isEqualTo(1);
              assertThat(judder.to()).isEqualTo(11);
              assertThat(judder.least()).isEqualTo(14);
              double seconds = 2 * 0.5 * TAN_ACROSS / PER_FRAME / 24;
              assertThat(judder.seconds()).isCloseTo(seconds, within(1e-9));
            });
    assertThatThrownBy(() -> at(0)).hasMessage("metres is 0.0; allowed: 0.001 to 1000000");
  }
}
