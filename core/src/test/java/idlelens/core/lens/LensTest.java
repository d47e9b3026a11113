package idlelens.core.lens;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import org.assertj.core.data.Offset;
import org.junit.jupiter.api.Test;

/** Numbers worked out by hand; the working stands beside them. */
class LensTest {

  private static Offset<Double> relative(double expected) {
    return within(1e-9 * Math.abs(expected));
  }

  @Test
  void hyperfocal_50mmF2Circle30um() {
    // H = 50^2 / (2 * 0.03) + 50 = 2500 / 0.06 + 50 = 41666.666... + 50 = 41716.666... mm
    double expected = 41.716666666666667;
    DepthOfField depth = new DepthOfField(50, 2, 0.03);
    assertThat(depth.hyperfocalM()).isCloseTo(expected, relative(expected));
  }

  @Test
  void nearAndFar_50mmF2Circle30umAt5m() {
    // H - f = 41.666667; near = 5 * 41.666667 / (41.716667 + 5 - 0.1) = 208.333333 / 46.616667
    double near = 208.33333333333333 / 46.616666666666667;
    // far = 5 * 41.666667 / (41.716667 - 5) = 208.333333 / 36.716667
    double far = 208.33333333333333 / 36.716666666666667;
    DepthOfField depth = new DepthOfField(50, 2, 0.03);
    assertThat(depth.nearM(5)).isCloseTo(4.469074008, within(1e-9)).isCloseTo(near, relative(near));
    assertThat(depth.farM(5)).isCloseTo(5.674080799, within(1e-9)).isCloseTo(far, relative(far));
  }

  @Test
  void focusedAtHyperfocal_allFromHalfOfItToInfinityIsSharp() {
    DepthOfField depth = new DepthOfField(50, 2, 0.03);
    double h = depth.hyperfocalM();
    assertThat(depth.farM(h)).isInfinite();
    // near = H (H - f) / (2 H - 2 f) = H / 2
    assertThat(depth.nearM(h)).isCloseTo(h / 2, relative(h / 2));
  }

  @Test
  void blur_atTheLimitsOfSharpness_isTheCircleOfConfusion() {
    DepthOfField depth = new DepthOfField(35, 2.8, 0.019);
    assertThat(depth.blurMm(4, depth.nearM(4))).isCloseTo(0.019, relative(0.019));
    assertThat(depth.blurMm(4, depth.farM(4))).isCloseTo(0.019, relative(0.019));
    // far behind: f^2 / (N (s - f)) = 1225 / (2.8 * 3965) mm
    double limit = 1225 / (2.8 * 3965);
    assertThat(depth.blurMm(4, Double.POSITIVE_INFINITY)).isCloseTo(limit, relative(limit));
  }

  @Test
  void focusInsideTheLens_isRefused() {
    DepthOfField depth = new DepthOfField(50, 2, 0.03);
    assertThatThrownBy(() -> depth.nearM(0.05))
        .hasMessage("focusM is 0.05; allowed: greater than the focal length (0.05 m)");
    assertThatThrownBy(() -> depth.farM(Double.NaN)).hasMessageContaining("NaN");
  }

  @Test
  void fieldOfView_fullFrame50mm() {
    // 2 atan(36 / 100) = 39.597752709049864 degrees, 2 atan(24 / 100) = 26.991466561591626
    Gate gate = Gate.cut(SensorFormat.FULL_FRAME.back(), Gate.Fit.WIDTH, 1, 1.5);
    assertThat(Math.toDegrees(gate.horizontalRad(50)))
        .isCloseTo(39.597752709049864, relative(39.6));
    assertThat(Math.toDegrees(gate.verticalRad(50))).isCloseTo(26.991466561591626, relative(27.0));
    assertThat(gate.equivalent35Mm(50)).isCloseTo(50, relative(50.0));
  }

  @Test
  void gate_fitByWidthAndHeight_cutsThePictureFromTheSensor() {
    FilmBack back = SensorFormat.SUPER_35.back();
    Gate byWidth = Gate.cut(back, Gate.Fit.WIDTH, 1, 2);
    assertThat(byWidth.heightMm()).isCloseTo(24.89 / 2, within(1e-12));
    Gate byHeight = Gate.cut(back, Gate.Fit.HEIGHT, 2, 2.39);
    // squeezed twice: half the width on the sensor gives 2.39 in the picture
    assertThat(byHeight.widthMm()).isCloseTo(18.66 * 2.39 / 2, within(1e-12));
    assertThat(Math.tan(byHeight.horizontalRad(40) / 2) / Math.tan(byHeight.verticalRad(40) / 2))
        .isCloseTo(2.39, within(1e-12));
  }

  @Test
  void focalOfView_isTheInverse() {
    Gate gate = Gate.cut(SensorFormat.SUPER_35_WIDE.back(), Gate.Fit.WIDTH, 1.33, 2.39);
    assertThat(gate.focalMmOfHorizontal(gate.horizontalRad(27))).isCloseTo(27, relative(27.0));
    assertThat(gate.focalMmOfVertical(gate.verticalRad(27))).isCloseTo(27, relative(27.0));
    assertThatThrownBy(() -> gate.focalMmOfVertical(Math.PI))
        .hasMessage("vfov is 180.0; allowed: 0.01 to 179");
  }

  @Test
  void circle_unstated_isTheUsedDiagonalBy1500() {
    // used part of 24.89 mm at 16:9 is 14.000625 mm high; its diagonal 28.557508... mm
    double diagonal = Math.hypot(24.89, 24.89 * 9 / 16);
    assertThat(LensBody.PLAIN.circleMm(16.0 / 9, 1)).isCloseTo(diagonal / 1500, relative(0.019));
  }

  @Test
  void equivalent35_ofASqueezedLens_hasItsDiagonalFieldOfView() {
    Gate gate = Gate.cut(new FilmBack(24, 18), Gate.Fit.HEIGHT, 2, 2.4);
    double focal = gate.equivalent35Mm(50);
    double half = Math.hypot(36, 24) / 2 / focal;
    assertThat(half).isCloseTo(Math.hypot(2 * gate.widthMm(), 18) / 2 / 50, within(1e-12));
  }

  @Test
  void gate_largerThanTheSensor_isTold() {
    FilmBack back = new FilmBack(36, 24);
    assertThat(Gate.cut(back, Gate.Fit.WIDTH, 1, 1.5).exceeds(back)).isFalse();
    assertThat(Gate.cut(back, Gate.Fit.WIDTH, 1, 1).exceeds(back)).isTrue();
    assertThat(Gate.cut(back, Gate.Fit.HEIGHT, 1, 2.4).exceeds(back)).isTrue();
    assertThat(Gate.cut(back, Gate.Fit.HEIGHT, 1, 1).exceeds(back)).isFalse();
    FilmBack listed = SensorFormat.SUPER_35_WIDE.back(); // 24.89 / 16 * 9 is 14.0006
    assertThat(Gate.cut(listed, Gate.Fit.WIDTH, 1, 16.0 / 9).exceeds(listed)).isFalse();
  }
}
