package idlelens.core.motion;

import idlelens.core.geometry.RigidPose;
import idlelens.core.lens.DepthOfField;
import idlelens.core.lens.Gate;
import idlelens.core.lens.Sight;
import idlelens.core.part.Lens;
import idlelens.core.part.Parameter;
import java.util.Arrays;
import java.util.List;

/**
 * What a lens does on every sample. Still arrays have one sample. Where it sees in parallel all is
 * sharp, from 0 m to infinity.
 *
 * @param focalMm focal length
 * @param fStop f-number
 * @param focusM focus distance in metres
 * @param nearM nearest sharp distance
 * @param farM farthest one; may be infinite
 * @param hyperfocalM hyperfocal distance
 * @param circleMm circle of confusion
 * @param horizontalRad full horizontal field of view; 0 where it sees in parallel
 * @param verticalRad full vertical one; 0 likewise
 * @param widthM what lies beside each other over the width of an orthographic picture; 0 where it
 *     sees through one point
 * @param values what else it is set to
 * @param gates what of the sensor is used
 */
public record LensTrack(
    double[] focalMm,
    double[] fStop,
    double[] focusM,
    double[] nearM,
    double[] farM,
    double[] hyperfocalM,
    double[] circleMm,
    double[] horizontalRad,
    double[] verticalRad,
    double[] widthM,
    PartTrack values,
    Gates gates) {

  /** Focus that is followed never comes nearer than this beyond the focal length, in metres. */
  private static final double NEAREST_BEYOND_LENS = 0.005;

  /** What is set besides that takes effect as it is. */
  private static final List<Parameter> BESIDES = List.of(Lens.BLUR, Lens.IRIS_TURN, Lens.SHUTTER);

  /**
   * @param lens the lens
   * @param aspect aspect of the picture
   * @param values its sampled parameters
   * @param flow its pose in the world, and what it is set to behind all that changes that
   * @param focusing where it is focused
   */
  static LensTrack of(Lens lens, double aspect, PartTrack values, Flow flow, Focusing focusing) {
    double[] focal = flow.focalMm();
    double[] stop = values.values(Lens.F_STOP);
    double[] focus = focusing.metres(flow.pose(), flow.focusM());
    Gates gates = new Gates(lens.lens(), aspect, values);
    int n = Math.max(Math.max(focal.length, stop.length), focus.length);
    n = Math.max(n, gates.isStill() ? 1 : values.grid().count());
    n = Math.max(n, values.values(Lens.BLUR).length);
    n = Math.max(n, values.values(Lens.WIDTH).length);
    LensTrack track =
        new LensTrack(
            spread(focal, n),
            spread(stop, n),
            spread(focus, n).clone(),
            new double[n],
            new double[n],
            new double[n],
            new double[n],
            new double[n],
            new double[n],
            new double[n],
            values,
            gates);
    for (int i = 0; i < n; i++) {
      track.fill(i);
    }
    return track;
  }

  private void fill(int i) {
    double f = focalMm[i];
    focusM[i] = Math.max(focusM[i], f / 1000 + NEAREST_BEYOND_LENS);
    circleMm[i] = gates.circleMm(i);
    if (isOrthographic()) {
      farM[i] = Double.POSITIVE_INFINITY;
      widthM[i] = values.value(Lens.WIDTH, i) * gates.grown(i);
      return;
    }
    DepthOfField depth = depth(i);
    nearM[i] = depth.nearM(focusM[i]);
    farM[i] = depth.farM(focusM[i]);
    hyperfocalM[i] = depth.hyperfocalM();
    Gate gate = gates.at(i);
    horizontalRad[i] = gate.horizontalRad(f);
    verticalRad[i] = gate.verticalRad(f);
  }

  public boolean isOrthographic() {
    return gates.isOrthographic();
  }

  /**
   * What is sharp at a sample through a lens in perspective; a factor on the blur is an opening so
   * many times as wide.
   */
  public DepthOfField depth(int sample) {
    int i = index(sample);
    double stop = fStop[i] / values.value(Lens.BLUR, sample);
    return new DepthOfField(focalMm[i], stop, circleMm[i]);
  }

  /**
   * Diameter on the sensor, in millimetres, of the disc that a point becomes.
   *
   * @param distanceM of the point along the axis, greater than 0, may be infinite
   */
  public double blurMm(int sample, double distanceM) {
    return isOrthographic() ? 0 : depth(sample).blurMm(focusM[index(sample)], distanceM);
  }

  /** What of the sensor is used at a sample. */
  public Gate gate(int sample) {
    return gates.at(sample);
  }

  /** Whether at a sample the picture asks for more than the sensor has, across or up. */
  public boolean exceeds(int sample) {
    return gates.exceeds(sample);
  }

  /** Whether the same part of the sensor is used at all samples. */
  public boolean hasOneGate() {
    return gates.isStill();
  }

  /** How many samples it has: one, or as many as its grid. */
  public int samples() {
    return focalMm.length;
  }

  /** What the lens sees at a sample from a pose. */
  public Sight sight(int sample, RigidPose pose) {
    Gate gate = gates.at(sample);
    return isOrthographic()
        ? Sight.parallel(pose, gate, widthM[index(sample)])
        : Sight.of(pose, gate, focalMm[index(sample)]);
  }

  /** The value of one of the parameters of a lens, as it takes effect. */
  public double value(Parameter parameter, int sample) {
    int i = index(sample);
    return parameter.equals(Lens.FOCAL)
        ? focalMm[i]
        : parameter.equals(Lens.FOCUS) ? focusM[i] : values.value(parameter, sample);
  }

  private static double[] spread(double[] values, int n) {
    if (values.length == n) {
      return values;
    }
    double[] out = new double[n];
    Arrays.fill(out, values[0]);
    return out;
  }

  /** Whether all numbers are the same; what is not here follows from these. */
  boolean sameAs(LensTrack other) {
    return Arrays.equals(focalMm, other.focalMm)
        && Arrays.equals(fStop, other.fStop)
        && Arrays.equals(focusM, other.focusM)
        && Arrays.equals(circleMm, other.circleMm)
        && Arrays.equals(widthM, other.widthM)
        && gates.sameAs(other.gates)
        && BESIDES.stream().allMatch(p -> Arrays.equals(values.values(p), other.values.values(p)));
  }

  public boolean isStill() {
    return focalMm.length == 1;
  }

  public int index(int sample) {
    return isStill() ? 0 : sample;
  }
}
