package idlelens.core.motion;

import idlelens.core.lens.Gate;
import idlelens.core.lens.LensBody;
import idlelens.core.part.Lens;
import idlelens.core.part.Parameter;
import java.util.Arrays;
import java.util.List;

/** What of its sensor a camera uses at every sample: squeeze, overscan and shift may be keyed. */
final class Gates {
  private static final List<Parameter> READ =
      List.of(Lens.SQUEEZE, Lens.OVERSCAN, Lens.SHIFT_RIGHT, Lens.SHIFT_UP);

  private final LensBody body;
  private final double aspect;
  private final PartTrack values;
  private final Gate still;

  /**
   * @param values the sampled parameters of the lens
   */
  Gates(LensBody body, double aspect, PartTrack values) {
    this.body = body;
    this.aspect = aspect;
    this.values = values;
    this.still = isStill() ? made(0) : null;
  }

  boolean isStill() {
    return READ.stream().allMatch(p -> values.values(p).length == 1);
  }

  Gate at(int sample) {
    return still != null ? still : made(sample);
  }

  private Gate made(int sample) {
    return Lens.gate(body, aspect, parameter -> values.value(parameter, sample));
  }

  /** What counts as sharp; what overscan adds is cut off again, so it does not count. */
  double circleMm(int sample) {
    return body.circleMm(aspect, values.value(Lens.SQUEEZE, sample));
  }

  /** Whether the picture asks for more than the sensor has; with overscan, that grows too. */
  boolean exceeds(int sample) {
    return body.gate(aspect, values.value(Lens.SQUEEZE, sample)).exceeds(body.sensor());
  }

  boolean isOrthographic() {
    return body.isOrthographic();
  }

  /** How many times as wide as without overscan it is. */
  double grown(int sample) {
    return 1 + values.value(Lens.OVERSCAN, sample) / 100;
  }

  boolean sameAs(Gates other) {
    return aspect == other.aspect
        && body.equals(other.body)
        && READ.stream().allMatch(p -> Arrays.equals(values.values(p), other.values.values(p)));
  }
}
