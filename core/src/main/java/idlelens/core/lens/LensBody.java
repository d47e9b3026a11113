package idlelens.core.lens;

import idlelens.core.rule.Require;
import java.util.OptionalDouble;

/**
 * All of a lens and its sensor that does not change with time.
 *
 * @param sensor the sensor
 * @param fit which side of the picture is fitted to the sensor
 * @param squeeze 1 for a round lens, up to 2 for anamorphic ones
 * @param closeFocusM nearest distance the lens can be focused to; nearer is allowed but marked
 * @param circleMm circle of confusion, or none for 1/1500 of the used diagonal
 */
public record LensBody(
    FilmBack sensor, Gate.Fit fit, double squeeze, double closeFocusM, OptionalDouble circleMm) {
  /** The part of the used diagonal that is taken as sharp. */
  public static final double DIAGONAL_TO_CIRCLE = 1500;

  /** Super 35 cut to 16:9, round, focused by distance. */
  public static final LensBody PLAIN =
      new LensBody(
          SensorFormat.SUPER_35_WIDE.back(), Gate.Fit.WIDTH, 1, 0.45, OptionalDouble.empty());

  public LensBody {
    Require.present(sensor, "sensor");
    Require.present(fit, "fit");
    Require.within(squeeze, 0.5, 2.5, "squeeze");
    Require.within(closeFocusM, 0, 100, "closeFocusM");
    if (Require.present(circleMm, "circleMm").isPresent()) {
      Require.within(circleMm.getAsDouble(), 1e-4, 1, "circleMm");
    }
  }

  public Gate gate(double aspect) {
    return Gate.cut(sensor, fit, squeeze, aspect);
  }

  /** The circle of confusion in force. */
  public double circleMm(double aspect) {
    return circleMm.orElseGet(() -> gate(aspect).diagonalMm() / DIAGONAL_TO_CIRCLE);
  }

  public LensBody withSensor(FilmBack newSensor) {
    return new LensBody(newSensor, fit, squeeze, closeFocusM, circleMm);
  }
}
