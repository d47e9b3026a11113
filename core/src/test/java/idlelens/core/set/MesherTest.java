package idlelens.core.set;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

class MesherTest {

  static Stream<Shape> shapes() {
    return Stream.of(
        new Shape.Box(1, 2, 3),
        new Shape.Cylinder(1, 0.5, 2),
        new Shape.Cylinder(1, 0, 2),
        new Shape.Sphere(0.7),
        new Shape.Plane(4, 5),
        new Shape.Person(1.72),
        new Shape.Stair(2, 0.2, 0.3, 5, false),
        new Shape.Stair(4, 0.2, 0.3, 5, true),
        new Shape.Arch(3, 3, 0.5, 1.8),
        new Shape.Card(1, 2),
        new Shape.Decking(5, 20, 0.8, 0.06),
        new Shape.Roof(4, 1, 6),
        new Shape.Hull(4, 2, 14));
  }

  /** Volume by the divergence theorem: a sixth of the sum of corner products. */
  private static double volume(Mesh mesh) {
    double sum = 0;
    for (int i = 0; i < mesh.indices().length; i += 3) {
      double[] p = new double[9];
      for (int k = 0; k < 9; k++) {
        p[k] = mesh.positions()[mesh.indices()[i + k / 3] * 3 + k % 3];
      }
      sum +=
          p[0] * (p[4] * p[8] - p[5] * p[7])
              + p[1] * (p[5] * p[6] - p[3] * p[8])
              + p[2] * (p[3] * p[7] - p[4] * p[6]);
    }
    return sum / 6;
  }

  @ParameterizedTest
  @MethodSource("shapes")
  void mesh_everyShape_hasUnitNormalsThatAgreeWithItsTriangles(Shape shape) {
    Mesh mesh = Mesher.mesh(shape);
    assertThat(mesh.triangles()).isPositive();
    for (int i = 0; i < mesh.vertices(); i++) {
      double x = mesh.normals()[3 * i];
      double y = mesh.normals()[3 * i + 1];
      double z = mesh.normals()[3 * i + 2];
      assertThat(Math.sqrt(x * x + y * y + z * z)).isCloseTo(1, within(1e-5));
    }
    for (int i = 0; i < mesh.indices().length; i += 3) {
      assertThat(facing(mesh, i)).as("triangle %d", i / 3).isGreaterThanOrEqualTo(-1e-9);
    }
  }

  private static double facing(Mesh mesh, int i) {
    float[] p = mesh.positions();
    int a = mesh.indices()[i] * 3;
    int b = mesh.indices()[i + 1] * 3;
    int c = mesh.indices()[i + 2] * 3;
    double ux = p[b] - p[a];
    double uy = p[b + 1] - p[a + 1];
    double uz = p[b + 2] - p[a + 2];
    double vx = p[c] - p[a];
    double vy = p[c + 1] - p[a + 1];
    double vz = p[c + 2] - p[a + 2];
    float[] n = mesh.normals();
    return (uy * vz - uz * vy) * n[a]
        + (uz * vx - ux * vz) * n[a + 1]
        + (ux * vy - uy * vx) * n[a + 2];
  }

  @Test
  void mesh_solids_haveTheVolumeOfTheirFormula() {
    assertThat(volume(Mesher.mesh(new Shape.Box(1, 2, 3)))).isCloseTo(6, within(1e-5));
    assertThat(volume(Mesher.mesh(new Shape.Roof(4, 1, 6)))).isCloseTo(12, within(1e-5));
    // a 24-sided prism has 12 sin(15 degrees) r^2 of base
    double base = 12 * Math.sin(Math.toRadians(15));
    assertThat(volume(Mesher.mesh(new Shape.Cylinder(1, 1, 2)))).isCloseTo(2 * base, within(1e-5));
    assertThat(volume(Mesher.mesh(new Shape.Cylinder(1, 0, 3)))).isCloseTo(base, within(1e-4));
    assertThat(volume(Mesher.mesh(new Shape.Stair(2, 0.2, 0.3, 5, false))))
        .isCloseTo(2 * 0.2 * 0.3 * (5 + 4 + 3 + 2 + 1), within(1e-5));
  }

  @Test
  void mesh_person_isAsTallAsItSays() {
    Bounds bounds = Mesher.mesh(new Shape.Person(1.72)).bounds();
    assertThat(bounds.maxY()).isCloseTo(1.72, within(1e-3));
    assertThat(bounds.minY()).isCloseTo(0, within(1e-6));
  }

  @Test
  void shapes_wrongSizes_areRefusedWithTheirRange() {
    assertThatThrownBy(() -> new Shape.Box(0, 1, 1))
        .hasMessage("shape.width is 0.0; allowed: 0.001 to 10000");
    assertThatThrownBy(() -> new Shape.Sphere(Double.NaN)).hasMessageContaining("NaN");
    assertThatThrownBy(() -> new Shape.Arch(2, 2, 1, 3))
        .hasMessageContaining("shape.opening is 3.0");
  }

  @Test
  void finish_linearAndBack_isTheSameColour() {
    for (String colour : List.of("#000000", "#ffffff", "#a9675a", "#01fe80")) {
      double[] rgb = Finish.matt(colour).linear();
      assertThat(Finish.hex(rgb[0], rgb[1], rgb[2])).isEqualTo(colour);
    }
    assertThatThrownBy(() -> Finish.matt("red")).hasMessageContaining("'red'");
  }
}
