package idlelens.web.demo;

import static idlelens.web.demo.SetBuilder.At.on;
import static idlelens.web.demo.SetBuilder.At.world;

import idlelens.core.set.Lamp;
import idlelens.core.set.Repetition;
import idlelens.core.set.Shape;

/**
 * The stair inside the lamp house: one flight between six walls, repeated with a sixth of a turn
 * and one rise. A wall reaches up to the next one on its own side, six flights above.
 */
final class StairWell {
  /** Degrees of a flight. */
  static final double TURN = 60;

  /** Metres that a flight rises. */
  static final double RISE_M = 1.35;

  private static final int STEPS = 6;
  private static final double ROUND = 6 * RISE_M;
  private static final double WALL_M = 3;
  private static final String FLIGHT = "flight";

  private StairWell() {}

  /**
   * @param climbs id of what goes up: the lights ride on it
   */
  static void build(SetBuilder set, String climbs) {
    set.light(
        "Landing light",
        new Lamp(Lamp.Kind.FILL, "#cfe2f2", 0.9, 14, false),
        on(climbs, -0.6, 2.9, 1.1).turned(-100),
        -20);
    set.light(
        "Climbing lamp",
        new Lamp(Lamp.Kind.PRACTICAL, "#ffd9a0", 0.42, 12, false),
        on(climbs, 1.1, 2.6, 1.5),
        0);
    set.repeat("Flight", world(0, 0, 0), new Repetition(-9, 26, 0, RISE_M, 0, TURN, 0, 0, 0, 0, 1));
    for (int i = 0; i < STEPS; i++) {
      double degrees = i * TURN / STEPS;
      double rise = i * RISE_M / STEPS;
      around(
          set,
          "Tread " + (i + 1),
          new Shape.Box(0.54, 0.07, 1.5),
          "#b98f57",
          degrees,
          1.95,
          rise - 0.07);
      around(
          set,
          "Riser " + (i + 1),
          new Shape.Box(0.03, 0.23, 1.5),
          "#7d5e3c",
          degrees - 5,
          1.95,
          rise - 0.28);
      around(
          set,
          "Baluster " + (i + 1),
          new Shape.Cylinder(0.018, 0.018, 0.92),
          "#3d4347",
          degrees,
          1.26,
          rise);
    }
    set.piece("Newel", new Shape.Cylinder(0.34, 0.34, RISE_M), "#d9cfb8", on(FLIGHT, 0, 0, 0));
    double wide = 2 * WALL_M * Math.tan(Math.PI / 6);
    around(set, "Wall", new Shape.Box(wide, ROUND, 0.14), "#e8dfcc", 0, WALL_M + 0.07, -ROUND / 2);
    around(set, "Dado", new Shape.Box(wide, 0.9, 0.03), "#4d7f8f", 0, WALL_M - 0.02, -0.1);
    around(set, "Window frame", new Shape.Box(0.74, 1.12, 0.06), "#5d4a48", 0, WALL_M - 0.03, 1.28);
    set.glow("Window", new Shape.Box(0.58, 0.96, 0.08), "#cfe4ea", placed(0, WALL_M - 0.04, 1.36));
    around(set, "Bracket", new Shape.Box(0.05, 0.05, 0.34), "#3d4347", 30, WALL_M + 0.2, 2.42);
    set.glow("Stair lamp", new Shape.Sphere(0.11), "#ffd27a", placed(30, WALL_M - 0.02, 2.2));
  }

  private static void around(
      SetBuilder set,
      String name,
      Shape shape,
      String colour,
      double degrees,
      double radius,
      double height) {
    set.piece(name, shape, colour, placed(degrees, radius, height));
  }

  /** On the flight, so far from the middle, facing it. */
  private static SetBuilder.At placed(double degrees, double radius, double height) {
    double angle = Math.toRadians(degrees);
    return on(FLIGHT, radius * Math.sin(angle), height, radius * Math.cos(angle)).turned(degrees);
  }
}
