package idlelens.core.lens;

import idlelens.core.rule.Require;
import java.util.OptionalDouble;

/**
 * All of a lens and its sensor that does not change with time.
 *
 * @param sensor the sensor
 * @param fit which side of the picture is fitted to the sensor
 * @param closeFocusM nearest distance the lens can be focused to; nearer is allowed but marked
 * @param circleMm circle of confusion, or none for 1/1500 of the used diagonal
 * @param iris the shape of its opening
 * @param opens when the shutter is open
 * @param projection through the middle of the lens, or in parallel
 */
public record LensBody(
    FilmBack sensor,
    Gate.Fit fit,
    double closeFocusM,
    OptionalDouble circleMm,
    Iris iris,
    ShutterOpens opens,
    Projection projection) {
  /** The part of the used diagonal that is taken as sharp. */
  public static final double DIAGONAL_TO_CIRCLE = 1500;

  /** Super 35 cut to 16:9, with a round iris. */
  public static final LensBody PLAIN = on(SensorFormat.SUPER_35_WIDE.back(), Gate.Fit.WIDTH);

  public LensBody {
    Require.present(sensor, "sensor");
    Require.present(fit, "fit");
    Require.within(closeFocusM, 0, 100, "closeFocusM");
    if (Require.present(circleMm, "circleMm").isPresent()) {
      Require.within(circleMm.getAsDouble(), 1e-4, 1, "circleMm");
    }
    Require.present(iris, "iris");
    Require.present(opens, "opens");
    Require.present(projection, "projection");
  }

  /** A plain lens on a sensor. */
  public static LensBody on(FilmBack sensor, Gate.Fit fit) {
    return new LensBody(
        sensor,
        fit,
        0.45,
        OptionalDouble.empty(),
        Iris.ROUND,
        ShutterOpens.CENTRED,
        Projection.PERSPECTIVE);
  }

  /**
   * What of the sensor a picture of that aspect uses.
   *
   * @param squeeze how much wider the lens sees than the sensor is
   */
  public Gate gate(double aspect, double squeeze) {
    return Gate.cut(sensor, fit, squeeze, aspect);
  }

  /** The circle of confusion in force. */
  public double circleMm(double aspect, double squeeze) {
    return circleMm.orElseGet(() -> gate(aspect, squeeze).diagonalMm() / DIAGONAL_TO_CIRCLE);
  }

  public boolean isOrthographic() {
    return projection == Projection.ORTHOGRAPHIC;
  }

  public LensBody withProjection(Projection other) {
    return new LensBody(sensor, fit, closeFocusM, circleMm, iris, opens, other);
  }

  public LensBody withSensor(FilmBack newSensor) {
    return new LensBody(newSensor, fit, closeFocusM, circleMm, iris, opens, projection);
  }
}
