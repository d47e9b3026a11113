package idlelens.web.shot;

import idlelens.core.lens.Iris;
import idlelens.core.motion.LensTrack;
import idlelens.core.part.Lens;
import java.util.Arrays;
import java.util.function.IntToDoubleFunction;
import tools.jackson.databind.node.ObjectNode;

/** What a lens does, as the browser gets it; layout in {@code docs/formats.md}. */
final class LensOctets {
  private static final double DEGREES = 180 / Math.PI;
  private static final int DIRECTIONS = 720;

  private LensOctets() {}

  static void add(OctetBundle bundle, ObjectNode out, LensTrack lens) {
    ObjectNode to = out.putObject("lens");
    bundle.add(to, "focalMm", lens.focalMm(), 1);
    bundle.add(to, "fStop", lens.fStop(), 1);
    bundle.add(to, "focusM", lens.focusM(), 1);
    bundle.add(to, "nearM", lens.nearM(), 1);
    bundle.add(to, "farM", lens.farM(), 1);
    bundle.add(to, "hyperfocalM", lens.hyperfocalM(), 1);
    bundle.add(to, "circleMm", lens.circleMm(), 1);
    bundle.add(to, "horizontalDeg", lens.horizontalRad(), DEGREES);
    bundle.add(to, "verticalDeg", lens.verticalRad(), DEGREES);
    bundle.add(to, "widthM", lens.widthM(), 1);
    bundle.add(to, "blur", lens.values().values(Lens.BLUR), 1);
    bundle.add(to, "squeeze", lens.values().values(Lens.SQUEEZE), 1);
    bundle.add(to, "irisTurnDeg", lens.values().values(Lens.IRIS_TURN), 1);
    bundle.add(to, "shutterDeg", lens.values().values(Lens.SHUTTER), 1);
    bundle.add(to, "blurFarMm", blurFar(lens), 1);
    addGates(bundle, to, lens);
  }

  /** How far its opening reaches in even directions around, as a part of the farthest. */
  static void addIris(OctetBundle bundle, ObjectNode out, Iris iris) {
    float[] outline = new float[DIRECTIONS];
    for (int i = 0; i < outline.length; i++) {
      outline[i] = (float) iris.reach(2 * Math.PI * i / DIRECTIONS);
    }
    bundle.add(out, "iris", outline);
  }

  /** The discs of what is infinitely far; that of a distance d is |d - s| / d of it. */
  private static double[] blurFar(LensTrack lens) {
    double[] out = new double[lens.samples()];
    Arrays.setAll(out, i -> lens.blurMm(i, Double.POSITIVE_INFINITY));
    return out;
  }

  /** What of the sensor is used, where its middle lies, and what follows from that. */
  private static void addGates(OctetBundle bundle, ObjectNode to, LensTrack lens) {
    bundle.add(to, "gateWidthMm", gates(lens, i -> lens.gate(i).widthMm()), 1);
    bundle.add(to, "gateHeightMm", gates(lens, i -> lens.gate(i).heightMm()), 1);
    bundle.add(to, "shiftRightMm", gates(lens, i -> lens.gate(i).rightMm()), 1);
    bundle.add(to, "shiftUpMm", gates(lens, i -> lens.gate(i).upMm()), 1);
    bundle.add(to, "equivalent35", gates(lens, i -> lens.gate(i).equivalent35Mm(1)), 1);
    bundle.add(to, "exceeds", gates(lens, i -> lens.exceeds(i) ? 1 : 0), 1);
  }

  private static double[] gates(LensTrack lens, IntToDoubleFunction number) {
    double[] out = new double[lens.hasOneGate() ? 1 : lens.samples()];
    Arrays.setAll(out, number);
    return out;
  }
}
