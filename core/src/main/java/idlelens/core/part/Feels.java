package idlelens.core.part;

import idlelens.core.curve.Curve;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** Starting points for shake: plain numbers, named by how they feel. */
public final class Feels {
  /**
   * Layers that feel like something.
   *
   * @param name as it stands on screen
   * @param says what it is like, in a line
   * @param layers one after another
   */
  public record Feel(String name, String says, List<Shake> layers) {
    public Feel {
      layers = List.copyOf(layers);
    }
  }

  /** All of them, from the calmest to the wildest. */
  public static final List<Feel> ALL =
      List.of(
          new Feel("Standing", "held by hand, standing", List.of(standing())),
          new Feel("Walking", "carried at a walk, a step each half second", walking()),
          new Feel("Running", "carried at a run", running()),
          new Feel("On a boat", "at sea, a long swell", List.of(boat())),
          new Feel("On a rough road", "driven over stones, with bumps", road()),
          new Feel("Quake", "the ground itself shakes", quake()));

  private Feels() {}

  private static Shake standing() {
    return layer(
        "shake-standing",
        new ShakeWay.Handheld(3, 0.4),
        Map.of(
            "x", new double[] {1.2, 0.35},
            "y", new double[] {0.8, 0.45},
            "z", new double[] {0.8, 0.3},
            "pan", new double[] {0.5, 0.4},
            "tilt", new double[] {0.4, 0.5},
            "roll", new double[] {0.25, 0.3}));
  }

  private static List<Shake> walking() {
    Shake steps =
        layer(
            "shake-steps",
            wave(0, 0, 90, 0, 0, 0),
            Map.of(
                "x", new double[] {1.5, 0.95},
                "y", new double[] {2, 1.9},
                "z", new double[] {0.6, 1.9},
                "roll", new double[] {0.35, 0.95}));
    Shake hands =
        layer(
            "shake-hands",
            new ShakeWay.Handheld(3, 0.45),
            Map.of(
                "x", new double[] {1.2, 0.6},
                "y", new double[] {1, 0.8},
                "pan", new double[] {0.9, 0.7},
                "tilt", new double[] {0.7, 0.9},
                "roll", new double[] {0.5, 0.6}));
    return List.of(steps, hands);
  }

  private static List<Shake> running() {
    Shake steps =
        layer(
            "shake-steps",
            wave(0, 0, 90, 30, 0, 0),
            Map.of(
                "x", new double[] {3, 1.4},
                "y", new double[] {6, 2.8},
                "pan", new double[] {0.8, 1.4},
                "tilt", new double[] {1, 2.8},
                "roll", new double[] {1, 1.4}));
    Shake hands =
        layer(
            "shake-hands",
            new ShakeWay.Handheld(4, 0.5),
            Map.of(
                "x", new double[] {3, 1.2},
                "y", new double[] {3, 1.5},
                "pan", new double[] {2, 1.3},
                "tilt", new double[] {1.8, 1.6},
                "roll", new double[] {1.2, 1.2}));
    return List.of(steps, hands);
  }

  private static Shake boat() {
    return layer(
        "shake-boat",
        new ShakeWay.Swell(List.of(0.0, 0.0, 90.0, 200.0, 60.0, 0.0, 0.0, 0.0), 0.025, 0.35),
        Map.of(
            "x", new double[] {10, 0.11},
            "y", new double[] {18, 0.16},
            "z", new double[] {6, 0.13},
            "pan", new double[] {0.8, 0.09},
            "tilt", new double[] {1.6, 0.16},
            "roll", new double[] {3.2, 0.11}));
  }

  private static List<Shake> road() {
    Shake rattle =
        layer(
            "shake-rattle",
            new ShakeWay.Handheld(4, 0.6),
            Map.of(
                "x", new double[] {0.6, 4},
                "y", new double[] {1.2, 5},
                "pan", new double[] {0.25, 4},
                "tilt", new double[] {0.4, 5},
                "roll", new double[] {0.4, 3}));
    Shake bumps =
        layer(
            "shake-bumps",
            new ShakeWay.Jolt(0.22, List.of(), Optional.of(new ShakeWay.Strewn(0.7, 0.7))),
            Map.of(
                "y", new double[] {6, 2.2},
                "tilt", new double[] {1.4, 2.4},
                "roll", new double[] {1.2, 1.8}));
    return List.of(rattle, bumps);
  }

  private static List<Shake> quake() {
    Shake ground =
        layer(
            "shake-ground",
            new ShakeWay.Handheld(5, 0.6),
            Map.of(
                "x", new double[] {9, 2.2},
                "y", new double[] {5, 3},
                "z", new double[] {9, 2},
                "pan", new double[] {1.4, 2.6},
                "tilt", new double[] {1.6, 3},
                "roll", new double[] {2, 2.2}));
    Shake blows =
        layer(
            "shake-blows",
            new ShakeWay.Jolt(0.12, List.of(), Optional.of(new ShakeWay.Strewn(1.2, 0.8))),
            Map.of(
                "x", new double[] {8, 3}, "y", new double[] {8, 4}, "roll", new double[] {2, 3}));
    return List.of(ground, blows);
  }

  private static ShakeWay wave(double... phasesDeg) {
    return new ShakeWay.Swell(
        List.of(
            phasesDeg[0],
            phasesDeg[1],
            phasesDeg[2],
            phasesDeg[3],
            phasesDeg[4],
            phasesDeg[5],
            0.0,
            0.0),
        0.17,
        0.2);
  }

  /**
   * @param numbers by channel: how far, and how often a second
   */
  private static Shake layer(String id, ShakeWay way, Map<String, double[]> numbers) {
    Shake layer = Shake.of(id, way, 1, 0);
    Curves curves = layer.curves();
    for (int c = 0; c < Shake.CHANNELS; c++) {
      double[] both = numbers.get(Shake.AMPLITUDES.get(c).id());
      if (both != null) {
        curves =
            curves
                .with(Shake.AMPLITUDES.get(c), Curve.still(both[0]))
                .with(Shake.FREQUENCIES.get(c), Curve.still(both[1]));
      }
    }
    return layer.withBody(layer.body().withCurves(curves));
  }
}
