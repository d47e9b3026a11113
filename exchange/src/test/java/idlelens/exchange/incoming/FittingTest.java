package idlelens.exchange.incoming;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import idlelens.core.curve.Curve;
import idlelens.core.curve.Key;
import idlelens.core.curve.Tangent;
import idlelens.core.edit.Edit;
import idlelens.core.edit.Keep;
import idlelens.core.geometry.RigidPose;
import idlelens.core.geometry.Turns;
import idlelens.core.motion.Evaluation;
import idlelens.core.part.Carriage;
import idlelens.core.part.Chain;
import idlelens.core.part.Lens;
import idlelens.core.part.Path;
import idlelens.core.rule.RefusedException;
import idlelens.core.scene.Node;
import idlelens.core.scene.NodeBody;
import idlelens.core.scene.Shot;
import idlelens.core.scene.ShotHeader;
import idlelens.core.scene.TakesKeys;
import idlelens.core.take.Take;
import idlelens.core.time.FrameRange;
import idlelens.core.time.FrameRate;
import idlelens.core.time.SampleGrid;
import java.util.List;
import java.util.Random;
import java.util.Set;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import org.junit.jupiter.api.Test;

/** A camera that moves from 1001 to 1100, on a null that stands, gets a motion of 30 frames. */
class FittingTest {
  private static final FrameRange RANGE = new FrameRange(1001, 1100);
  private static final int SAMPLES = 30;
  private static final double RATE = 24;
  private static final RigidPose STAND = pose(3, -1, 2, 40, 10, -5);

  /** Angles in degrees. */
  private static RigidPose pose(
      double x, double y, double z, double pan, double tilt, double roll) {
    return RigidPose.of(x, y, z, Math.toRadians(pan), Math.toRadians(tilt), Math.toRadians(roll));
  }

  private static Curve moving(double from, double to) {
    return new Curve(
        from,
        List.of(new Key(1001, from, Tangent.Kind.SETTLE), new Key(1100, to, Tangent.Kind.SETTLE)));
  }

  private static Shot shot(TakesKeys takes) {
    Chain still = Chain.pose().restingAt(3, -1, 2, 40, 10, -5);
    Node stand = new Node.Null(new NodeBody("stand", "Stand", false, Carriage.WORLD, still));
    Chain chain =
        Chain.poseAndLens()
            .with(Path.X, moving(0, 5))
            .with(Path.PAN, moving(-30, 60))
            .with(Path.FOCAL, moving(24, 70))
            .with(Path.F_STOP, moving(2, 8));
    NodeBody body = new NodeBody("cam", "A-cam", false, Carriage.by("stand"), chain);
    Node camera = new Node.Camera(body.withTakesKeys(takes), Lens.PLAIN);
    ShotHeader header =
        new ShotHeader("Pier", FrameRate.of(24), RANGE, 8, 16.0 / 9, 1, Tangent.Kind.SETTLE);
    return new Shot(header, List.of(stand, camera));
  }

  /** Slow enough for few keys. */
  private static Take take(Random random) {
    double[] c = random.doubles(12, -1, 1).toArray();
    return Take.of(
        RATE,
        SAMPLES,
        i -> {
          double u = i / 12.0;
          return new Take.Sample(
              pose(
                  4 * c[0] + c[1] * u,
                  c[2] + c[3] * Math.sin(u),
                  6 * c[4] + c[5] * u * u,
                  150 * c[6] + 20 * c[7] * u,
                  40 * c[8] + 5 * Math.sin(u + c[9]),
                  10 * c[10] * Math.cos(u)),
              35 + 5 * c[11] * u,
              4 + u);
        });
  }

  private static Shot applied(Shot shot, List<Edit> edits) {
    Shot now = shot;
    for (Edit edit : edits) {
      now = edit.apply(now);
    }
    return now;
  }

  private static Fitting everyFrame(Fitting.Carriers carriers) {
    return new Fitting(Keep.EVERY_FRAME, 1, carriers);
  }

  /** With a take from 1020 on. */
  private static Shot fitted(Shot before, int seed, Fitting fitting) {
    return applied(before, fitting.edits(before, "cam", seeded(seed), 1020, "new"));
  }

  private static Take seeded(int seed) {
    return take(new Random(seed));
  }

  /** From a millimetre and a hundredth of a degree of each of the channels. */
  private static void assertNear(RigidPose is, RigidPose was, double times, String where) {
    assertThat(is.place().distance(was.place())).as("place %s", where).isLessThan(0.004 * times);
    assertThat(Math.toDegrees(Turns.angleBetween(is.turn(), was.turn())))
        .as("turn %s", where)
        .isLessThan(0.05 * times);
  }

  /** Also between the frames outside, and in the handles. */
  @Property(tries = 60)
  void inTheTakeItMovesAsThat_andOutsideItIsHeld(
      @ForAll Random random, @ForAll Keep keep, @ForAll Fitting.Carriers carriers) {
    if (!keep.isMotion()) {
      return;
    }
    Take take = take(random);
    int start = 995 + random.nextInt(80);
    Shot before = shot(TakesKeys.ALL);
    Fitting fitting = new Fitting(keep, 1, carriers);
    Shot after = applied(before, fitting.edits(before, "cam", take, start, "new"));
    int last = start + SAMPLES - 1;
    SampleGrid grid = new SampleGrid(993, 231, 2);
    Evaluation motion = Evaluation.of(after, grid, null);
    for (int i = 0; i < grid.count(); i++) {
      double frame = grid.frame(i);
      double inside = Math.max(start, Math.min(last, frame));
      if (inside == Math.rint(inside)) { // between frames a take goes straight, keys need not
        RigidPose wanted = take.pose((inside - start) / RATE);
        assertNear(motion.pose("cam", i), wanted, 1, "at " + frame + " of " + start);
      }
    }
  }

  @Test
  void allElseOfTheCameraStays() {
    Shot before = shot(TakesKeys.ALL);
    Shot after = fitted(before, 4, new Fitting(Keep.FITTED, 1, Fitting.Carriers.DOLLY_AND_HEAD));
    Node.Camera was = before.camera("cam");
    Node.Camera is = after.camera("cam");
    assertThat(is.chain().curve(Path.F_STOP)).isEqualTo(was.chain().curve(Path.F_STOP));
    assertThat(is.lens().lens()).isEqualTo(was.lens().lens());
    assertThat(is.lens().focus()).isEqualTo(was.lens().focus());
    assertThat(is.name()).isEqualTo("A-cam");
    assertThat(is.takesKeys()).isEqualTo(was.takesKeys());
    assertThat(after.node("stand")).isEqualTo(before.node("stand"));
    assertThat(after.node("new").name()).isEqualTo("A-cam dolly");
    assertThat(after.node("new").carriage().carrierId()).isEqualTo("stand");
    assertThat(after.node("new2").name()).isEqualTo("A-cam head");
    assertThat(is.carriage().carrierId()).isEqualTo("new2");
  }

  /** The dolly goes, the head turns, the camera upon it does neither. */
  @Test
  void onADollyAndAHead_eachDoesItsOwn() {
    Shot after = fitted(shot(TakesKeys.ALL), 9, everyFrame(Fitting.Carriers.DOLLY_AND_HEAD));
    for (Path path : Path.TURN) {
      assertThat(after.node("new").chain().curve(path).keys()).as("dolly %s", path).isEmpty();
    }
    for (Path path : Path.PLACE) {
      assertThat(after.node("new2").chain().curve(path).keys()).as("head %s", path).isEmpty();
    }
    for (Path path : Path.POSE) {
      Curve own = after.node("cam").chain().curve(path);
      assertThat(own.keys()).as("camera %s", path).isEmpty();
      assertThat(own.at(1050)).isZero();
    }
    assertThat(after.node("new").chain().curve(Path.X).keys()).hasSize(SAMPLES);
  }

  /** What takes no keys keeps its own. */
  @Test
  void aChannelThatTakesNoKeys_staysAsItIs() {
    Shot before = shot(new TakesKeys(Set.of(Path.FOCAL), Set.of()));
    Shot after = fitted(before, 2, everyFrame(Fitting.Carriers.AS_IT_IS));
    assertThat(after.node("cam").chain().curve(Path.FOCAL))
        .isEqualTo(before.node("cam").chain().curve(Path.FOCAL));
    assertThat(after.node("cam").chain().curve(Path.X).keys()).hasSize(SAMPLES);
  }

  @Test
  void fewerKeysTheLooserItIs_andWithinWhatIsLetPass() {
    Take take = seeded(7);
    int fewest = Integer.MAX_VALUE;
    for (double tolerance : new double[] {0.1, 1, 10}) {
      Fitting fitting = new Fitting(Keep.FITTED, tolerance, Fitting.Carriers.AS_IT_IS);
      Shot after = fitted(shot(TakesKeys.ALL), 7, fitting);
      int keys = 0;
      for (Path path : Path.POSE) {
        keys += after.node("cam").chain().curve(path).keys().size();
      }
      assertThat(keys).isLessThanOrEqualTo(fewest).isLessThan(6 * SAMPLES);
      fewest = keys;
      Evaluation motion = Evaluation.of(after, SampleGrid.over(RANGE, 0), null);
      for (int frame = 1020; frame < 1020 + SAMPLES; frame++) {
        RigidPose wanted = take.pose((frame - 1020) / RATE);
        assertNear(motion.pose("cam", frame - 1001), wanted, tolerance, "at " + frame);
      }
    }
  }

  @Test
  void theLensIsWritten_soThatItSeesAsHigh() {
    Take take = seeded(5);
    Shot after = fitted(shot(TakesKeys.ALL), 5, everyFrame(Fitting.Carriers.AS_IT_IS));
    Curve focal = after.node("cam").chain().curve(Path.FOCAL);
    for (int i = 0; i < SAMPLES; i += 7) {
      double told = take.lens(Take.FOCAL, i / RATE).orElseThrow();
      assertThat(focal.at(1020 + i)).isCloseTo(told, within(1e-7));
    }
    assertThat(focal.at(1001)).isCloseTo(focal.at(1020), within(1e-12));
    assertThat(focal.at(1100)).isCloseTo(focal.at(1049), within(1e-12));
  }

  @Test
  void aTakeBesideTheShot_andWrongSettings_areRefused() {
    Shot shot = shot(TakesKeys.ALL);
    Take take = seeded(1);
    Fitting fitting = new Fitting(Keep.FITTED, 1, Fitting.Carriers.AS_IT_IS);
    assertThatThrownBy(() -> fitting.edits(shot, "cam", take, 2000, "new"))
        .isInstanceOf(RefusedException.class)
        .hasMessage(
            "firstFrame is 2000 to 2029; allowed: at least two of the frames of the shot, 993 to"
                + " 1108");
    assertThatThrownBy(() -> new Fitting(Keep.NUMBERS, 1, Fitting.Carriers.AS_IT_IS))
        .hasMessageContaining("every-frame or fitted");
    assertThatThrownBy(() -> new Fitting(Keep.FITTED, 0, Fitting.Carriers.AS_IT_IS))
        .hasMessageContaining("tolerance");
  }

  /** A node that stands at {@link #STAND} in the world carries it: numbers are its own. */
  @Test
  void whatCarriesIt_isTakenOff() {
    Shot before = shot(TakesKeys.ALL);
    Take take = Take.of(RATE, 2, i -> new Take.Sample(STAND, 35, 4));
    Fitting fitting = everyFrame(Fitting.Carriers.AS_IT_IS);
    Shot after = applied(before, fitting.edits(before, "cam", take, 1050, "new"));
    for (Path path : Path.POSE) {
      double own = after.node("cam").chain().curve(path).at(1050);
      assertThat(own).as(path.toString()).isCloseTo(0, within(1e-6));
    }
  }
}
