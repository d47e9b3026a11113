package idlelens.core.set;

import idlelens.core.rule.RefusedException;

/** Turns shapes into triangles: the one definition that picture, plan and files share. */
public final class Mesher {
  private static final int SIDES = 24;
  private static final double THICKNESS_OF_CARD = 0.03;
  private static final double THICKNESS_OF_PLANK = 0.06;

  private Mesher() {}

  /**
   * The triangles of a stand-in shape.
   *
   * @throws RefusedException for an imported shape, whose triangles are stored, not made
   */
  public static Mesh mesh(Shape shape) {
    MeshBuilder to = new MeshBuilder();
    if (shape instanceof Shape.Box b) {
      to.box(-b.width() / 2, 0, -b.depth() / 2, b.width() / 2, b.height(), b.depth() / 2);
    } else if (shape instanceof Shape.Cylinder c) {
      to.round(0, 0, 0, c.height(), c.radiusBottom(), c.radiusTop(), SIDES);
    } else if (shape instanceof Shape.Sphere s) {
      to.ball(0, s.radius(), 0, s.radius(), SIDES);
    } else if (shape instanceof Shape.Plane p) {
      double x = p.width() / 2;
      double z = p.depth() / 2;
      to.face(-x, 0, z, x, 0, z, x, 0, -z, -x, 0, -z);
    } else if (shape instanceof Shape.Person p) {
      person(to, p.height());
    } else if (shape instanceof Shape.Stair s) {
      stair(to, s);
    } else if (shape instanceof Shape.Arch a) {
      arch(to, a);
    } else if (shape instanceof Shape.Card c) {
      double t = THICKNESS_OF_CARD / 2;
      to.box(-c.width() / 2, 0, -t, c.width() / 2, c.height(), t);
    } else if (shape instanceof Shape.Decking d) {
      decking(to, d);
    } else if (shape instanceof Shape.Roof r) {
      roof(to, r);
    } else if (shape instanceof Shape.Hull h) {
      hull(to, h);
    } else {
      throw new RefusedException("shape", "imported", "a stand-in shape");
    }
    return to.build();
  }

  /** The box around any shape, imported ones too. */
  public static Bounds bounds(Shape shape) {
    return shape instanceof Shape.Imported imported ? imported.bounds() : mesh(shape).bounds();
  }

  /** Body, shoulders, head and a brim that shows where the figure looks. */
  private static void person(MeshBuilder to, double height) {
    double k = height / Shape.Person.USUAL_HEIGHT;
    to.shade(0.55).round(-0.09 * k, 0, 0, 0.78 * k, 0.075 * k, 0.095 * k, 12);
    to.round(0.09 * k, 0, 0, 0.78 * k, 0.075 * k, 0.095 * k, 12);
    to.shade(0.85).round(0, 0, 0.74 * k, 1.36 * k, 0.19 * k, 0.22 * k, 16);
    to.round(0, 0, 1.36 * k, 1.46 * k, 0.22 * k, 0.07 * k, 16);
    to.shade(0.7).round(-0.27 * k, 0, 0.75 * k, 1.38 * k, 0.05 * k, 0.07 * k, 8);
    to.round(0.27 * k, 0, 0.75 * k, 1.38 * k, 0.05 * k, 0.07 * k, 8);
    to.shade(1).ball(0, 1.59 * k, 0, 0.115 * k, 16);
    to.shade(0.5).round(0, 0, 1.63 * k, 1.72 * k, 0.122 * k, 0.09 * k, 16);
    to.box(-0.08 * k, 1.625 * k, -0.21 * k, 0.08 * k, 1.645 * k, -0.08 * k);
  }

  private static void stair(MeshBuilder to, Shape.Stair s) {
    for (int i = 0; i < s.steps(); i++) {
      to.shade(i % 2 == 0 ? 1 : 0.93);
      double inset = i * s.run();
      double half = s.width() / 2;
      double bottom = i * s.rise();
      double far = -s.run() * s.steps() / 2;
      if (s.fourSided()) {
        double h = half - inset;
        to.box(-h, bottom, -h, h, bottom + s.rise(), h);
      } else {
        to.box(-half, bottom, far, half, bottom + s.rise(), -far - inset);
      }
    }
  }

  private static void arch(MeshBuilder to, Shape.Arch a) {
    double half = a.width() / 2;
    double r = a.opening() / 2;
    double spring = Math.max(0, Math.min(a.height() * 0.92, a.height() - r * 0.15) - r);
    double z = a.depth() / 2;
    to.box(-half, 0, -z, -r, a.height(), z);
    to.box(r, 0, -z, half, a.height(), z);
    int pieces = 16;
    for (int i = 0; i < pieces; i++) {
      double x0 = -r * Math.cos(Math.PI * i / pieces);
      double x1 = -r * Math.cos(Math.PI * (i + 1) / pieces);
      double y0 = spring + r * Math.sin(Math.PI * i / pieces);
      double y1 = spring + r * Math.sin(Math.PI * (i + 1) / pieces);
      to.face(x0, y0, z, x1, y1, z, x1, a.height(), z, x0, a.height(), z);
      to.face(x1, y1, -z, x0, y0, -z, x0, a.height(), -z, x1, a.height(), -z);
      to.shade(0.75).face(x0, y0, -z, x1, y1, -z, x1, y1, z, x0, y0, z).shade(1);
      to.face(x0, a.height(), z, x1, a.height(), z, x1, a.height(), -z, x0, a.height(), -z);
    }
  }

  private static void decking(MeshBuilder to, Shape.Decking d) {
    double pitch = d.plank() + d.gap();
    int planks = Math.max(1, (int) Math.floor((d.length() + d.gap()) / pitch + 1e-9));
    for (int i = 0; i < planks; i++) {
      // three tones in a row of seven, so that single planks can be told apart
      to.shade(1 - 0.09 * (i * 5 % 7 % 3));
      double z = d.length() / 2 - i * pitch;
      double x = d.width() / 2;
      to.box(-x, -THICKNESS_OF_PLANK, z - d.plank(), x, 0, z);
    }
  }

  private static void roof(MeshBuilder to, Shape.Roof r) {
    double x = r.width() / 2;
    double z = r.depth() / 2;
    double h = r.height();
    to.face(x, 0, z, x, 0, -z, 0, h, -z, 0, h, z);
    to.face(-x, 0, -z, -x, 0, z, 0, h, z, 0, h, -z);
    to.face(-x, 0, z, x, 0, z, 0, h, z);
    to.face(x, 0, -z, -x, 0, -z, 0, h, -z);
    to.face(-x, 0, -z, x, 0, -z, x, 0, z, -x, 0, z);
  }

  /** An outline that narrows to the bow, leaning out towards the deck. */
  private static void hull(MeshBuilder to, Shape.Hull h) {
    double[] along = {0.5, 0.3, 0, -0.25, -0.4, -0.5};
    double[] wide = {0.86, 1, 1, 0.86, 0.5, 0.02};
    double keel = 0.78;
    for (int side = -1; side <= 1; side += 2) {
      for (int i = 0; i + 1 < along.length; i++) {
        double x0 = side * wide[i] * h.beam() / 2;
        double x1 = side * wide[i + 1] * h.beam() / 2;
        double z0 = along[i] * h.length();
        double z1 = along[i + 1] * h.length();
        double low0 = z0 * 0.94;
        double low1 = z1 * 0.94;
        if (side > 0) {
          to.face(x0 * keel, 0, low0, x1 * keel, 0, low1, x1, h.height(), z1, x0, h.height(), z0);
          to.face(0, h.height(), z0, x0, h.height(), z0, x1, h.height(), z1, 0, h.height(), z1);
        } else {
          to.face(x1 * keel, 0, low1, x0 * keel, 0, low0, x0, h.height(), z0, x1, h.height(), z1);
          to.face(x0, h.height(), z0, 0, h.height(), z0, 0, h.height(), z1, x1, h.height(), z1);
        }
      }
    }
    double x = wide[0] * h.beam() / 2;
    double z = along[0] * h.length();
    to.face(-x * keel, 0, z * 0.94, x * keel, 0, z * 0.94, x, h.height(), z, -x, h.height(), z);
  }
}
