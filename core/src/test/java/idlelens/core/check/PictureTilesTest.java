package idlelens.core.check;

import static org.assertj.core.api.Assertions.assertThat;

import idlelens.core.clearance.Obstacle;
import idlelens.core.clearance.TriangleTree;
import idlelens.core.geometry.RigidPose;
import idlelens.core.lens.Projection;
import idlelens.core.lens.Sight;
import idlelens.core.set.Mesher;
import idlelens.core.set.Shape;
import java.util.List;
import java.util.Random;
import java.util.stream.IntStream;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import org.joml.Vector3d;
import org.junit.jupiter.api.Test;

class PictureTilesTest {
  private static final Sight LEVEL = Sight.straight(RigidPose.of(0, 0, 0, 0, 0, 0), 0.5, 0.3);

  private static Obstacle crate(double edge, RigidPose pose, double size) {
    TriangleTree tree = new TriangleTree(Mesher.mesh(new Shape.Box(edge, edge, edge)));
    return new Obstacle("crate", tree, tree.radius(), i -> pose, i -> size, i -> true);
  }

  private static double within(Random random, double most) {
    return (2 * random.nextDouble() - 1) * most;
  }

  private static RigidPose pose(Random random, double far) {
    return RigidPose.of(
        within(random, far),
        within(random, far),
        within(random, far),
        within(random, Math.PI),
        within(random, 1.5),
        within(random, Math.PI));
  }

  /** Before the camera, around it, beside it and behind it. */
  @Property(tries = 400)
  void whatHidesAPlace_isAmongTheObstaclesOfItsTile(@ForAll Random random) {
    double across = 0.1 + random.nextDouble();
    double up = 0.1 + random.nextDouble();
    double right = within(random, across);
    Projection projection = Projection.values()[random.nextInt(2)];
    Sight sight = new Sight(pose(random, 3), projection, across, up, right, within(random, up));
    List<Obstacle> all =
        IntStream.range(0, 30)
            .mapToObj(i -> crate(0.3 + random.nextDouble() * 3, pose(random, 8), 0.5 + i / 10.0))
            .toList();
    PictureTiles tiles = new PictureTiles(all, sight, 0);
    for (int i = 0; i < 60; i++) {
      double[] place = {within(random, 0.5), within(random, sight.height() / 2)};
      Vector3d to = sight.world(place[0], place[1], 0.1 + random.nextDouble() * 20);
      Vector3d eye = sight.eye(sight.seen(to));
      double[] way = {eye.x, eye.y, eye.z, to.x, to.y, to.z};
      List<Obstacle> hiding = all.stream().filter(o -> o.hides(0, way)).toList();
      assertThat(tiles.at(place)).containsAll(hiding);
    }
  }

  @Test
  void whatStandsApart_isNotAskedFor() {
    Obstacle left = crate(1, RigidPose.of(-2, 0, -10, 0, 0, 0), 1);
    Obstacle right = crate(1, RigidPose.of(2, 0, -10, 0, 0, 0), 1);
    Obstacle behind = crate(1, RigidPose.of(2, 0, 10, 0, 0, 0), 1);
    PictureTiles tiles = new PictureTiles(List.of(left, right, behind), LEVEL, 0);
    assertThat(tiles.at(new double[] {-0.2, 0})).containsExactly(left);
    assertThat(tiles.at(new double[] {0.2, 0})).containsExactly(right);
    assertThat(tiles.at(new double[] {0, 0})).isEmpty();
    assertThat(tiles.at(new double[] {9, 9})).as("as its edge").isEmpty();
  }

  @Test
  void whatTheCameraStandsIn_isAskedForEverywhere() {
    Obstacle around = crate(2, RigidPose.of(0, -1, 0.5, 0, 0, 0), 1);
    PictureTiles tiles = new PictureTiles(List.of(around), LEVEL, 0);
    for (double x = -0.5; x <= 0.5; x += 0.1) {
      assertThat(tiles.at(new double[] {x, 0.1})).containsExactly(around);
    }
  }
}
