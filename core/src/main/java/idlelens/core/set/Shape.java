package idlelens.core.set;

import idlelens.core.rule.RefusedException;
import idlelens.core.rule.Require;

/** What a piece looks like. All sizes in metres, from 1 mm to 10 km. */
public sealed interface Shape {

  /** A cuboid standing on its origin. */
  record Box(double width, double height, double depth) implements Shape {
    public Box {
      size(width, "width");
      size(height, "height");
      size(depth, "depth");
    }
  }

  /** An upright round body; two radii make it taper. */
  record Cylinder(double radiusBottom, double radiusTop, double height) implements Shape {
    public Cylinder {
      size(radiusBottom, "radiusBottom");
      Require.within(radiusTop, 0, 10_000, "shape.radiusTop");
      size(height, "height");
    }
  }

  /** A ball resting on its origin. */
  record Sphere(double radius) implements Shape {
    public Sphere {
      size(radius, "radius");
    }
  }

  /** A flat level area around its origin. */
  record Plane(double width, double depth) implements Shape {
    public Plane {
      size(width, "width");
      size(depth, "depth");
    }
  }

  /** A standing figure that faces -Z. */
  record Person(double height) implements Shape {
    /** Height of the usual stand-in, in metres. */
    public static final double USUAL_HEIGHT = 1.72;

    public Person {
      Require.within(height, 0.3, 3, "shape.height");
    }
  }

  /** Steps that rise towards -Z; on four sides, they rise to the middle. */
  record Stair(double width, double rise, double run, int steps, boolean fourSided)
      implements Shape {
    public Stair {
      size(width, "width");
      size(rise, "rise");
      size(run, "run");
      Require.within(steps, 1, 200, "shape.steps");
      if (fourSided && width <= 2 * run * (steps - 1)) {
        throw new RefusedException(
            "shape.width", width, "greater than two times run times (steps - 1)");
      }
    }
  }

  /** A wall with an opening, round above; walked through along Z. */
  record Arch(double width, double height, double depth, double opening) implements Shape {
    public Arch {
      size(width, "width");
      size(height, "height");
      size(depth, "depth");
      if (!(opening > 0.01 && opening < width && opening / 2 < height)) {
        throw new RefusedException(
            "shape.opening", opening, "greater than 0.01, less than width and twice the height");
      }
    }
  }

  /** A thin upright board. */
  record Card(double width, double height) implements Shape {
    public Card {
      size(width, "width");
      size(height, "height");
    }
  }

  /** Planks side by side along Z, with gaps; its walking surface is at the origin's height. */
  record Decking(double width, double length, double plank, double gap) implements Shape {
    public Decking {
      size(width, "width");
      size(length, "length");
      size(plank, "plank");
      Require.within(gap, 0, 1, "shape.gap");
      if (length / (plank + gap) > 2000) {
        throw new RefusedException("shape.plank", plank, "at most 2,000 planks in the length");
      }
    }
  }

  /** A roof with two slopes, its ridge along Z. */
  record Roof(double width, double height, double depth) implements Shape {
    public Roof {
      size(width, "width");
      size(height, "height");
      size(depth, "depth");
    }
  }

  /** The hull of a boat, its bow towards -Z. */
  record Hull(double beam, double height, double length) implements Shape {
    public Hull {
      size(beam, "beam");
      size(height, "height");
      size(length, "length");
    }
  }

  /**
   * Triangles that came from a file.
   *
   * @param asset SHA-256 of the stored triangles, in hexadecimal
   * @param bounds the box around them
   * @param triangles how many
   */
  record Imported(String asset, Bounds bounds, int triangles) implements Shape {
    public Imported {
      Require.hash(asset, "shape.asset");
      Require.present(bounds, "shape.bounds");
      Require.within(triangles, 0, 20_000_000, "shape.triangles");
    }
  }

  private static void size(double value, String name) {
    Require.within(value, 0.001, 10_000, "shape." + name);
  }
}
