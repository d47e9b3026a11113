package idlelens.core.clearance;

import idlelens.core.rule.StoppedException;
import idlelens.core.set.Mesh;

/**
 * The triangles of a piece in a tree of boxes along its own axes: each halves its triangles at the
 * middle of their longest extent. Built in {@code n log n}, whatever the triangles are; asked by
 * many at once.
 */
public final class TriangleTree {
  private static final int LEAF = 4;
  private static final int DEEPEST = 64;
  private static final double HAIR = 1e-12;

  private final double[] corners; // nine a triangle, in the order of the leaves
  private final double[] boxes; // six a box: least x, y, z, greatest x, y, z
  private final int[] first; // of a leaf its first triangle; of another its second half
  private final int[] count; // triangles of a leaf; 0 for another, whose first half follows it

  /**
   * @param mesh triangles in metres; there may be none
   */
  public TriangleTree(Mesh mesh) {
    int n = mesh.triangles();
    int leaves = Math.max(1, Integer.highestOneBit(Math.max(1, (n - 1) / LEAF)) * 2);
    boxes = new double[6 * 2 * leaves];
    first = new int[2 * leaves];
    count = new int[2 * leaves];
    corners = new Building(mesh).corners();
  }

  /** How far its triangles reach from the origin at the most, in metres; 0 without any. */
  public double radius() {
    double sum = 0;
    for (int axis = 0; axis < 3 && !isEmpty(); axis++) {
      double far = Math.max(Math.abs(boxes[axis]), Math.abs(boxes[axis + 3]));
      sum += far * far;
    }
    return Math.sqrt(sum);
  }

  /** Whether it has no triangles. */
  public boolean isEmpty() {
    return corners.length == 0;
  }

  private final class Building {
    private final Mesh mesh;
    private final double[] middles;
    private final int[] order;
    private int nodes;

    Building(Mesh mesh) {
      this.mesh = mesh;
      int n = mesh.triangles();
      order = new int[n];
      middles = new double[3 * n];
      for (int i = 0; i < n; i++) {
        order[i] = i;
        for (int axis = 0; axis < 3; axis++) {
          middles[3 * i + axis] = corner(i, 0, axis) + corner(i, 1, axis) + corner(i, 2, axis);
        }
      }
      build(0, n);
    }

    private double corner(int triangle, int corner, int axis) {
      return mesh.positions()[3 * mesh.indices()[3 * triangle + corner] + axis];
    }

    double[] corners() {
      double[] all = new double[9 * order.length];
      for (int i = 0; i < order.length; i++) {
        for (int k = 0; k < 9; k++) {
          all[9 * i + k] = corner(order[i], k / 3, k % 3);
        }
      }
      return all;
    }

    private void build(int from, int to) {
      StoppedException.check();
      int node = nodes++;
      box(node, from, to);
      if (to - from <= LEAF) {
        first[node] = from;
        count[node] = to - from;
        return;
      }
      int half = (from + to) >>> 1;
      select(from, to - 1, half, longest(from, to));
      build(from, half);
      first[node] = nodes;
      build(half, to);
    }

    private void box(int node, int from, int to) {
      for (int axis = 0; axis < 3; axis++) {
        double least = Double.POSITIVE_INFINITY;
        double most = Double.NEGATIVE_INFINITY;
        for (int i = from; i < to; i++) {
          for (int c = 0; c < 3; c++) {
            double at = corner(order[i], c, axis);
            least = Math.min(least, at);
            most = Math.max(most, at);
          }
        }
        boxes[6 * node + axis] = least;
        boxes[6 * node + 3 + axis] = most;
      }
    }

    private int longest(int from, int to) {
      int longest = 0;
      double extent = -1;
      for (int axis = 0; axis < 3; axis++) {
        double least = Double.POSITIVE_INFINITY;
        double most = Double.NEGATIVE_INFINITY;
        for (int i = from; i < to; i++) {
          least = Math.min(least, middles[3 * order[i] + axis]);
          most = Math.max(most, middles[3 * order[i] + axis]);
        }
        if (most - least > extent) {
          extent = most - least;
          longest = axis;
        }
      }
      return longest;
    }

    /** Puts at k what stands there when sorted, the smaller before it: Hoare's selection. */
    private void select(int left, int right, int k, int axis) {
      int low = left;
      int high = right;
      while (low < high) {
        double pivot = middleOfThree(low, high, axis);
        int i = low;
        int j = high;
        while (i <= j) {
          while (middles[3 * order[i] + axis] < pivot) {
            i++;
          }
          while (middles[3 * order[j] + axis] > pivot) {
            j--;
          }
          if (i <= j) {
            int kept = order[i];
            order[i++] = order[j];
            order[j--] = kept;
          }
        }
        if (k <= j) {
          high = j;
        } else if (k >= i) {
          low = i;
        } else {
          return;
        }
      }
    }

    private double middleOfThree(int low, int high, int axis) {
      double a = middles[3 * order[low] + axis];
      double b = middles[3 * order[(low + high) >>> 1] + axis];
      double c = middles[3 * order[high] + axis];
      return Math.max(Math.min(a, b), Math.min(Math.max(a, b), c));
    }
  }

  /** What a walk down the tree is after: boxes nearer than its reach, then triangles. */
  private interface Visitor {
    /** Squared distance below which nothing of that box can be nearer. */
    double toBox(int box);

    /** Looks at a triangle, nine numbers from {@code at} on. */
    void meet(int at);

    /** Boxes as far as this or farther, squared, are passed by. */
    double reach();
  }

  private void walk(Visitor visitor) {
    if (isEmpty()) {
      return;
    }
    int[] open = new int[DEEPEST];
    int depth = 0;
    open[depth++] = 0;
    while (depth > 0) {
      int node = open[--depth];
      if (visitor.toBox(6 * node) >= visitor.reach()) {
        continue;
      }
      if (count[node] > 0) {
        for (int i = first[node]; i < first[node] + count[node]; i++) {
          visitor.meet(9 * i);
        }
        continue;
      }
      boolean secondNearer = visitor.toBox(6 * first[node]) < visitor.toBox(6 * (node + 1));
      open[depth++] = secondNearer ? node + 1 : first[node];
      open[depth++] = secondNearer ? first[node] : node + 1;
    }
  }

  /**
   * The distance of a point to the nearest triangle.
   *
   * @param reach what is this far or farther is not looked for, in metres
   * @return metres; the reach where nothing is nearer
   */
  public double distance(double x, double y, double z, double reach) {
    ToPoint to = new ToPoint(x, y, z, reach * reach);
    walk(to);
    return to.best == reach * reach ? reach : Math.sqrt(to.best);
  }

  private final class ToPoint implements Visitor {
    private final double x;
    private final double y;
    private final double z;
    private double best;

    ToPoint(double x, double y, double z, double best) {
      this.x = x;
      this.y = y;
      this.z = z;
      this.best = best;
    }

    @Override
    public double toBox(int box) {
      double dx = beside(x, x, boxes[box], boxes[box + 3]);
      double dy = beside(y, y, boxes[box + 1], boxes[box + 4]);
      double dz = beside(z, z, boxes[box + 2], boxes[box + 5]);
      return dx * dx + dy * dy + dz * dz;
    }

    @Override
    public void meet(int at) {
      best = Math.min(best, TriangleDistance.squaredToPoint(corners, at, x, y, z));
    }

    @Override
    public double reach() {
      return best;
    }
  }

  /**
   * The distance of a flat four-sided area to the nearest triangle, 0 where one touches or cuts it.
   *
   * @param quad its four corners around it, twelve numbers
   * @param reach what is this far or farther is not looked for, in metres
   * @return metres; the reach where nothing is nearer
   */
  public double distance(double[] quad, double reach) {
    ToQuad to = new ToQuad(quad, reach * reach);
    walk(to);
    return to.best == reach * reach ? reach : Math.sqrt(to.best);
  }

  private final class ToQuad implements Visitor {
    private final double[] halves = new double[18];
    private final double[] box = new double[6];
    private double best;

    ToQuad(double[] quad, double best) {
      this.best = best;
      System.arraycopy(quad, 0, halves, 0, 9);
      System.arraycopy(quad, 6, halves, 9, 6);
      System.arraycopy(quad, 0, halves, 15, 3);
      for (int axis = 0; axis < 3; axis++) {
        double[] at = {quad[axis], quad[axis + 3], quad[axis + 6], quad[axis + 9]};
        box[axis] = Math.min(Math.min(at[0], at[1]), Math.min(at[2], at[3]));
        box[axis + 3] = Math.max(Math.max(at[0], at[1]), Math.max(at[2], at[3]));
      }
    }

    @Override
    public double toBox(int at) {
      double sum = 0;
      for (int axis = 0; axis < 3; axis++) {
        double beside = beside(box[axis], box[axis + 3], boxes[at + axis], boxes[at + 3 + axis]);
        sum += beside * beside;
      }
      return sum;
    }

    @Override
    public void meet(int at) {
      best = Math.min(best, TriangleDistance.squaredToTriangle(corners, at, halves, 0));
      best = Math.min(best, TriangleDistance.squaredToTriangle(corners, at, halves, 9));
    }

    @Override
    public double reach() {
      return best;
    }
  }

  /** How far two stretches of an axis lie from one another; 0 where they overlap. */
  private static double beside(double low, double high, double least, double most) {
    return Math.max(0, Math.max(least - high, low - most));
  }

  /**
   * Whether a straight way crosses a triangle.
   *
   * @param way both ends, six numbers
   */
  public boolean isCrossed(double[] way) {
    Crossing crossing = new Crossing(way, true);
    walk(crossing);
    return crossing.along <= 1;
  }

  /**
   * Where a straight way first crosses a triangle.
   *
   * @param way both ends, six numbers
   * @return 0 at its beginning to 1 at its end; infinity where it crosses none
   */
  public double firstCrossing(double[] way) {
    Crossing crossing = new Crossing(way, false);
    walk(crossing);
    return crossing.along;
  }

  private final class Crossing implements Visitor {
    private final double[] way;
    private final boolean anyWillDo;
    private double along = Double.POSITIVE_INFINITY;

    Crossing(double[] way, boolean anyWillDo) {
      this.way = way;
      this.anyWillDo = anyWillDo;
    }

    /** Where the way enters the box, else as far as can be: by slabs of each axis. */
    @Override
    public double toBox(int box) {
      double enters = 0;
      double leaves = 1;
      for (int axis = 0; axis < 3; axis++) {
        double from = way[axis];
        double along = way[axis + 3] - from;
        double least = boxes[box + axis];
        double most = boxes[box + 3 + axis];
        if (along == 0) {
          leaves = from < least || from > most ? -1 : leaves;
        } else {
          double a = (least - from) / along;
          double b = (most - from) / along;
          enters = Math.max(enters, Math.min(a, b));
          leaves = Math.min(leaves, Math.max(a, b));
        }
      }
      // a hair of room, since flat boxes are met in one point
      return enters <= leaves + HAIR ? Math.max(0, enters - HAIR) : Double.POSITIVE_INFINITY;
    }

    @Override
    public void meet(int at) {
      along = Math.min(along, TriangleDistance.crossing(corners, at, way, 0, way, 3));
    }

    @Override
    public double reach() {
      return anyWillDo && along <= 1 ? 0 : along;
    }
  }
}
