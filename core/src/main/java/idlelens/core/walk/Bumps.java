package idlelens.core.walk;

import org.joml.Vector3d;

/** Where a body can go: along what is too high for it, not through it. */
record Bumps(Ground ground, Body body) {
  /** Less than this is rounding, in metres. */
  static final double HAIR_M = 1e-6;

  /** How near the middle of a body comes to what it bumps into. */
  static final double RADIUS_M = 0.25;

  /** In which directions beside its own it slides, in degrees. */
  private static final double[] BESIDE = {15, 30, 45, 60, 75};

  private static final double STILL_M = 1e-9;
  private static final double BREADTH_M = 1e-5;

  /**
   * From here up it keeps its distance to things, in metres over its feet: so high that the top of
   * a step is as far away. What is lower it steps onto, or stops right before.
   */
  private double shin() {
    return body.stepM() + RADIUS_M + 0.02;
  }

  private double head() {
    return Math.max(body.eyeM(), shin() + 0.01);
  }

  /** What it would stand on. */
  Ground.Floor floor(int sample, Vector3d feet) {
    return ground.below(sample, feet.x, feet.y + shin(), feet.z);
  }

  /**
   * The way that it can go of one it wants to: that, or beside it, or none.
   *
   * @param stands whether it is on the ground, where what is higher than a step stops it
   */
  Vector3d way(int sample, Vector3d feet, double x, double z, boolean stands) {
    double length = Math.hypot(x, z);
    Vector3d none = new Vector3d();
    if (length < STILL_M) {
      return none;
    }
    double least = room(sample, feet, x / length, z / length) - STILL_M;
    if (isFree(sample, feet, x, z, least, stands)) {
      return new Vector3d(x, 0, z);
    }
    for (double beside : BESIDE) {
      for (int side = -1; side <= 1; side += 2) {
        double turn = Math.toRadians(side * beside);
        double shorter = Math.cos(turn);
        double sx = (x * Math.cos(turn) + z * Math.sin(turn)) * shorter;
        double sz = (z * Math.cos(turn) - x * Math.sin(turn)) * shorter;
        if (isFree(sample, feet, sx, sz, least, stands)) {
          return new Vector3d(sx, 0, sz);
        }
      }
    }
    return none;
  }

  /**
   * How near it stands to things, or {@link #RADIUS_M}. What is measured has some breadth, which
   * reaches nearer to what lies on that side: the side that reaches least counts.
   */
  private double room(int sample, Vector3d feet, double x, double z) {
    double most = 0;
    for (int quarter = 0; quarter < 4 && most < RADIUS_M; quarter++) {
      double ax = quarter % 2 == 0 ? -x : -z;
      double az = quarter % 2 == 0 ? -z : x;
      double side = quarter < 2 ? BREADTH_M : -BREADTH_M;
      double[] narrow = area(feet, ax * side, az * side);
      most = Math.max(most, ground.distance(sample, narrow, RADIUS_M));
    }
    return most;
  }

  private boolean isFree(
      int sample, Vector3d feet, double x, double z, double least, boolean stands) {
    if (ground.distance(sample, area(feet, x, z), RADIUS_M) < least) {
      return false;
    }
    Ground.Floor next = floor(sample, new Vector3d(feet).add(x, 0, z));
    return !stands || !next.isThere() || next.y() <= feet.y + body.stepM() + HAIR_M;
  }

  /** The upright area that a body sweeps. */
  private double[] area(Vector3d feet, double x, double z) {
    double low = feet.y + shin();
    double high = feet.y + head();
    return new double[] {
      feet.x,
      low,
      feet.z,
      feet.x + x,
      low,
      feet.z + z,
      feet.x + x,
      high,
      feet.z + z,
      feet.x,
      high,
      feet.z
    };
  }

  /** Whether its head would go through something. */
  boolean hitsHead(int sample, Vector3d feet, double risesM) {
    return ground.isAbove(sample, feet.x, feet.y + head(), feet.z, risesM + 0.1);
  }
}
