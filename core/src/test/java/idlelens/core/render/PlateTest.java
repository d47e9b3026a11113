package idlelens.core.render;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import idlelens.core.geometry.RigidPose;
import idlelens.core.lens.Sight;
import org.joml.Vector3d;
import org.junit.jupiter.api.Test;

class PlateTest {
  /** A view of 90 degrees across: at a depth of 1 the picture is 2 wide and 1 high. */
  private static final Sight SIGHT = Sight.straight(RigidPose.IDENTITY, 1, 0.5);

  private static final int RED = 0xFF0000;
  private static final int BLUE = 0x0000FF;

  private static Vector3d at(double x, double y, double z) {
    return new Vector3d(x, y, z);
  }

  private static void square(Plate plate, double half, double depth, int colour) {
    Vector3d[] c = {
      at(-half, -half, -depth),
      at(half, -half, -depth),
      at(half, half, -depth),
      at(-half, half, -depth)
    };
    plate.triangle(SIGHT, c[0], c[1], c[2], colour);
    plate.triangle(SIGHT, c[0], c[2], c[3], colour);
  }

  private static int count(Plate plate, int colour) {
    int count = 0;
    for (int pixel : plate.pixels()) {
      count += pixel == colour ? 1 : 0;
    }
    return count;
  }

  @Test
  void aSquare_coversThePixelsThatItsSizeTakes_andWhatIsNearerHidesIt() {
    Plate plate = new Plate(200, 100, 0);
    square(plate, 1, 4, RED); // 50 pixels wide at a depth of 4
    assertThat(count(plate, RED)).isEqualTo(50 * 50);
    square(plate, 0.25, 2, BLUE); // 25 pixels wide, in front
    assertThat(count(plate, BLUE)).isBetween(24 * 24, 26 * 26);
    square(plate, 9, 9, 0x00FF00);
    assertThat(plate.pixels()[50 * 200 + 100]).isEqualTo(BLUE);
  }

  @Test
  void aGroundThatRunsUnderTheCamera_isCutBeforeIt_andFillsTheLowerHalf() {
    Plate plate = new Plate(200, 100, 0);
    Vector3d[] c = {at(-500, -1, 500), at(500, -1, 500), at(500, -1, -5000), at(-500, -1, -5000)};
    plate.triangle(SIGHT, c[0], c[1], c[2], RED);
    plate.triangle(SIGHT, c[0], c[2], c[3], RED);
    assertThat(plate.pixels()[99 * 200 + 100]).isEqualTo(RED);
    assertThat(plate.pixels()[40 * 200 + 100]).isZero();
    assertThat(count(plate, RED)).isBetween(200 * 45, 200 * 51);
  }

  @Test
  void aDisc_hasItsMiddleWhereItWasLaid_toAPartOfAPixel() {
    Plate plate = new Plate(64, 64, 0);
    plate.disc(20.3, 31.8, 4, RED);
    double sum = 0;
    double x = 0;
    double y = 0;
    for (int i = 0; i < plate.pixels().length; i++) {
      double weight = plate.pixels()[i] >> 16;
      sum += weight;
      x += weight * (i % 64 + 0.5);
      y += weight * (i / 64 + 0.5);
    }
    assertThat(x / sum).isCloseTo(20.3, within(0.02));
    assertThat(y / sum).isCloseTo(31.8, within(0.02));
  }
}
