package idlelens.core.take;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import idlelens.core.geometry.RigidPose;
import idlelens.core.geometry.Turns;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.function.DoubleFunction;
import org.joml.Quaterniond;
import org.joml.Vector3d;
import org.junit.jupiter.api.Test;

class AlignmentTest {
  private static final int FRAMES = 120;

  /** A smooth way by chance: sums of slow sines. */
  private static DoubleFunction<RigidPose> motion(long seed) {
    Random random = new Random(seed);
    double[][] waves = new double[6][];
    for (int c = 0; c < 6; c++) {
      waves[c] = random.doubles(9, 0.4, 1.6).toArray();
    }
    return frame -> {
      double[] v = new double[6];
      for (int c = 0; c < 6; c++) {
        for (int k = 0; k < 3; k++) {
          v[c] +=
              waves[c][k] * Math.sin(frame * waves[c][3 + k] * (k + 1) / 40 + 6 * waves[c][6 + k]);
        }
      }
      return RigidPose.of(5 + v[0], 2 + v[1], -3 + v[2], 0.4 * v[3], 0.2 * v[4], 0.1 * v[5]);
    };
  }

  private static Take take(DoubleFunction<RigidPose> motion) {
    double[][] columns = new double[6][FRAMES];
    double[] near = new double[3];
    for (int i = 0; i < FRAMES; i++) {
      RigidPose pose = motion.apply(i);
      near = Turns.panTiltRoll(pose.turn(), near);
      double[] values = {pose.x(), pose.y(), pose.z(), near[0], near[1], near[2]};
      for (int c = 0; c < 6; c++) {
        columns[c][i] = c < 3 ? values[c] : Math.toDegrees(values[c]);
      }
    }
    List<Optional<double[]>> all = new ArrayList<>();
    for (double[] column : columns) {
      all.add(Optional.of(column));
    }
    all.add(Optional.empty());
    all.add(Optional.empty());
    return new Take(24, all);
  }

  private static DoubleFunction<RigidPose> moved(
      DoubleFunction<RigidPose> motion, double offset, Quaterniond turn, double size) {
    return frame -> {
      RigidPose pose = motion.apply(frame - offset);
      Vector3d place = turn.transform(pose.place()).mul(size);
      return RigidPose.of(place, new Quaterniond(turn).mul(pose.turn()).normalize());
    };
  }

  private static Quaterniond about(int axis, double degrees) {
    Vector3d unit = new Vector3d();
    unit.setComponent(axis, 1);
    return new Quaterniond().fromAxisAngleRad(unit, Math.toRadians(degrees));
  }

  @Test
  void offsetsTurnsAndSizes_ofManyCameras_areFound() {
    double[] sizes = {1, 100, 0.01, 1 / 0.0254, 0.3048, 1000};
    Random random = new Random(5);
    for (int i = 0; i < 60; i++) {
      double offset = i % 3 == 0 ? random.nextInt(61) - 30 : random.nextDouble() * 40 - 20;
      Quaterniond turn = about(i % 3, 90 * (i % 4));
      double size = sizes[i % sizes.length];
      DoubleFunction<RigidPose> motion = motion(i);
      Alignment found = Alignment.of(take(motion), take(moved(motion, offset, turn, size)));
      AlignmentWords words = AlignmentWords.of(found);
      assertThat(found.offsetFrames()).as("offset of %d", i).isCloseTo(offset, within(0.01));
      assertThat(Turns.angleBetween(words.exact().turn(), turn))
          .as("turn of %d", i)
          .isLessThan(1e-12);
      assertThat(words.exact().size()).as("size of %d", i).isCloseTo(size, within(1e-12 * size));
      RigidPose back = words.exact().undone(moved(motion, offset, turn, size).apply(50));
      assertThat(back.place().distance(motion.apply(50 - offset).place())).isLessThan(5e-5);
    }
  }

  @Test
  void undone_ofATake_isTheFirst_withItsFocus() {
    DoubleFunction<RigidPose> motion = motion(4);
    DoubleFunction<RigidPose> other = moved(motion, 0, about(0, 90), 100);
    Take late = Take.of(24, FRAMES, i -> new Take.Sample(other.apply(i), 35 + i, 500));
    Alignment found = AlignmentWords.of(Alignment.of(take(motion), late)).exact();
    Take back = found.undone(late);
    for (int i = 0; i < FRAMES; i++) {
      assertThat(back.pose(i / 24.0).place().distance(motion.apply(i).place())).isLessThan(1e-6);
      assertThat(Turns.angleBetween(back.pose(i / 24.0).turn(), motion.apply(i).turn()))
          .isLessThan(1e-9);
    }
    assertThat(back.lens(Take.FOCUS, 0).getAsDouble()).isCloseTo(5, within(1e-9));
    assertThat(back.lens(Take.FOCAL, 1).getAsDouble()).isCloseTo(35 + 24, within(1e-9));
  }

  @Test
  void theSame_hasNothingToSay() {
    Take take = take(motion(3));
    AlignmentWords words = AlignmentWords.of(Alignment.of(take, take));
    assertThat(words.sentences()).isEmpty();
    assertThat(words.exact().offsetFrames()).isZero();
  }

  @Test
  void aFileTakenWithOtherAxesAndUnit_isSaidInWords() {
    DoubleFunction<RigidPose> motion = motion(8);
    AlignmentWords words =
        AlignmentWords.of(Alignment.of(take(motion), take(moved(motion, 2, about(0, 90), 100))));
    assertThat(words.sentences())
        .containsExactly(
            "2 frames too late",
            "to be turned by −90° about x: the file is Z-up",
            "100 times as large: the file is in centimetres");
  }

  @Test
  void camerasThatStand_orOnlyTurn_haveNoOffsetThatNothingTells() {
    Take still = take(frame -> RigidPose.of(1, 2, 3, 0.3, 0.1, 0));
    assertThat(Alignment.of(still, still).offsetFrames()).isZero();
    DoubleFunction<RigidPose> pan =
        frame -> RigidPose.of(1, 2, 3, 0.5 * Math.sin(frame / 17), 0.1 * Math.cos(frame / 23), 0);
    Alignment found = Alignment.of(take(pan), take(moved(pan, 3.25, about(1, 0), 1)));
    assertThat(found.offsetFrames()).isCloseTo(3.25, within(0.01));
    assertThat(found.size()).isEqualTo(1);
  }
}
