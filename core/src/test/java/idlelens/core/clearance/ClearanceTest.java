package idlelens.core.clearance;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import idlelens.core.geometry.RigidPose;
import idlelens.core.lens.Sight;
import idlelens.core.set.Mesh;
import idlelens.core.set.Mesher;
import idlelens.core.set.Shape;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.function.IntFunction;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import org.joml.Vector3d;
import org.junit.jupiter.api.Test;

class ClearanceTest {
  private static final double MICRON = 1e-6;

  /** Half wide and half high as far away as it is. */
  private static Sight sight(RigidPose pose) {
    return Sight.straight(pose, 0.5, 0.5);
  }

  private static Obstacle still(Shape shape, RigidPose pose) {
    return new Obstacle("piece", new TriangleTree(Mesher.mesh(shape)), i -> pose);
  }

  private static Clearance of(int samples, IntFunction<Sight> views, Obstacle... obstacles) {
    return Clearance.of(samples, views, List.of(obstacles), 0.1, done -> {});
  }

  /** Distance of a point to a box standing on its origin. */
  private static double toBox(Vector3d p, double w, double h, double d) {
    double x = Math.max(0, Math.abs(p.x) - w / 2);
    double y = Math.max(0, Math.max(-p.y, p.y - h));
    double z = Math.max(0, Math.abs(p.z) - d / 2);
    if (x + y + z > 0) {
      return Math.sqrt(x * x + y * y + z * z);
    }
    double sides = Math.min(w / 2 - Math.abs(p.x), d / 2 - Math.abs(p.z));
    return Math.min(sides, Math.min(p.y, h - p.y));
  }

  @Property(tries = 200)
  void box_atAnyPoseFromAnyPlace_isAsFarAsTheFormulaSays(@ForAll Random random) {
    double w = 0.2 + random.nextDouble() * 3;
    double h = 0.2 + random.nextDouble() * 3;
    double d = 0.2 + random.nextDouble() * 3;
    RigidPose box = pose(random, 4);
    RigidPose camera = pose(random, 4);
    double expected = toBox(box.inverse().apply(camera.place()), w, h, d);
    Clearance found = of(1, i -> sight(camera), still(new Shape.Box(w, h, d), box));
    assertThat(found.cameraM()[0]).isCloseTo(expected, within(MICRON));
    assertThat(found.nearest()[0]).isEqualTo("piece");
  }

  private static RigidPose pose(Random random, double reach) {
    return RigidPose.of(
        (random.nextDouble() - 0.5) * reach,
        (random.nextDouble() - 0.5) * reach,
        (random.nextDouble() - 0.5) * reach,
        random.nextDouble() * 7,
        random.nextDouble() * 3 - 1.5,
        random.nextDouble() * 7);
  }

  /** The near plane is 0.1 m before the camera and 0.1 m wide and high: it comes nearest. */
  @Test
  void nearPlane_beforeAWall_isATenthNearer() {
    RigidPose wall = RigidPose.of(0, -5, -3, 0, 0, 0); // its near face at -2.5
    Clearance found = of(1, i -> sight(RigidPose.IDENTITY), still(new Shape.Box(10, 10, 1), wall));
    assertThat(found.cameraM()[0]).isCloseTo(2.5, within(MICRON));
    assertThat(found.planeM()[0]).isCloseTo(2.4, within(MICRON));
  }

  /** Only the corner of the plane reaches the edge of a box beside the way. */
  @Test
  void nearPlane_turnedTowardsAnEdge_isMeasuredAtItsCorner() {
    RigidPose camera = RigidPose.of(0, 0, 0, Math.toRadians(-45), 0, 0); // looks to the right
    RigidPose box = RigidPose.of(2, -5, 0, 0, 0, 0);
    Clearance found = of(1, i -> sight(camera), still(new Shape.Box(2, 10, 20), box));
    double corner = 0.1 * Math.sqrt(0.5) + 0.05 * Math.sqrt(0.5);
    assertThat(found.cameraM()[0]).isCloseTo(1, within(MICRON));
    assertThat(found.planeM()[0]).isCloseTo(1 - corner, within(MICRON));
  }

  @Test
  void nearPlane_cutByWhatTheCameraDoesNotTouch_is0() {
    RigidPose post = RigidPose.of(0.03, -1, -0.1, 0, 0, 0);
    Clearance found =
        of(1, i -> sight(RigidPose.IDENTITY), still(new Shape.Box(0.01, 2, 0.01), post));
    assertThat(found.planeM()[0]).isZero();
    assertThat(found.cameraM()[0]).isGreaterThan(0.08);
  }

  /** Through the middle of faces, where their two triangles meet. */
  @Test
  void passes_throughAThinBoardBetweenTwoFrames_isFound() {
    Obstacle board = still(new Shape.Card(2, 2), RigidPose.of(0, -1, 0, 0, 0, 0));
    IntFunction<Sight> views = i -> sight(RigidPose.of(0, 0, 1.5 - i, 0, 0, 0));
    assertThat(of(4, views, board).passes()).containsExactly(false, true, false, false);
  }

  @Test
  void passes_whatComesOverAStandingCamera_isFound() {
    TriangleTree tree = new TriangleTree(Mesher.mesh(new Shape.Card(2, 2)));
    Obstacle moving = new Obstacle("door", tree, i -> RigidPose.of(0, -1, -1.5 + i, 0, 0, 0));
    assertThat(of(4, i -> sight(RigidPose.IDENTITY), moving).passes())
        .containsExactly(false, true, false, false);
  }

  @Test
  void nothingWithinReach_isSaidToBeFar() {
    Clearance empty = of(1, i -> sight(RigidPose.IDENTITY));
    Mesh none = new Mesh(new float[0], new float[0], new float[0], new int[0]);
    Obstacle bare = new Obstacle("bare", new TriangleTree(none), i -> RigidPose.IDENTITY);
    Clearance far =
        of(
            1,
            i -> sight(RigidPose.IDENTITY),
            bare,
            still(new Shape.Sphere(1), RigidPose.of(5000, 0, 0, 0, 0, 0)));
    for (Clearance each : List.of(empty, far)) {
      assertThat(each.cameraM()).containsExactly(Clearance.FARTHEST_M);
      assertThat(each.planeM()).containsExactly(Clearance.FARTHEST_M);
      assertThat(each.nearest()).containsExactly("");
    }
  }

  /** The tree finds what looking at every triangle finds, whatever the triangles are. */
  @Property(tries = 60)
  void tree_ofAnyTriangles_findsTheNearestAndWhatIsCrossed(@ForAll Random random) {
    int n = 1 + random.nextInt(200);
    Mesh mesh = triangles(random, n);
    TriangleTree tree = new TriangleTree(mesh);
    Vector3d p = new Vector3d(random.nextDouble(), random.nextDouble(), random.nextDouble());
    double[] quad = sight(pose(random, 2)).plane(0.4);
    double[] way = {p.x, p.y, p.z, random.nextDouble(), random.nextDouble(), random.nextDouble()};
    double nearest = Double.POSITIVE_INFINITY;
    double nearestQuad = Double.POSITIVE_INFINITY;
    boolean crossed = false;
    for (int i = 0; i < n; i++) {
      TriangleTree one = new TriangleTree(single(mesh, i));
      nearest = Math.min(nearest, one.distance(p.x, p.y, p.z, 100));
      nearestQuad = Math.min(nearestQuad, one.distance(quad, 100));
      crossed |= one.isCrossed(way);
    }
    assertThat(tree.distance(p.x, p.y, p.z, 100)).isCloseTo(nearest, within(1e-12));
    assertThat(tree.distance(quad, 100)).isCloseTo(nearestQuad, within(1e-12));
    assertThat(tree.isCrossed(way)).isEqualTo(crossed);
  }

  /** Many of them small, some all in one place, some without area. */
  private static Mesh triangles(Random random, int n) {
    float[] positions = new float[9 * n];
    for (int i = 0; i < positions.length; i++) {
      boolean same = i >= 9 && random.nextInt(4) == 0;
      positions[i] = same ? positions[i - 9] : random.nextFloat();
    }
    int[] indices = new int[3 * n];
    for (int i = 0; i < indices.length; i++) {
      indices[i] = i;
    }
    return new Mesh(positions, new float[9 * n], new float[3 * n], indices);
  }

  private static Mesh single(Mesh mesh, int triangle) {
    int[] indices = {3 * triangle, 3 * triangle + 1, 3 * triangle + 2};
    return new Mesh(mesh.positions(), mesh.normals(), mesh.shades(), indices);
  }

  @Test
  void progress_isToldFromStartToEnd() {
    List<Double> told = new ArrayList<>();
    Clearance.of(64, i -> sight(RigidPose.IDENTITY), List.of(), 0.1, told::add);
    assertThat(told).containsExactly(0.0, 0.25, 0.5, 0.75);
  }
}
