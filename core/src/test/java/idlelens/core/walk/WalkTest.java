package idlelens.core.walk;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import idlelens.core.clearance.Obstacle;
import idlelens.core.clearance.TriangleTree;
import idlelens.core.geometry.RigidPose;
import idlelens.core.set.Mesher;
import idlelens.core.set.Shape;
import idlelens.core.time.FrameRate;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Random;
import java.util.function.IntFunction;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import org.junit.jupiter.api.Test;

class WalkTest {
  private static final Body BODY = Body.USUAL;
  private static final Obstacle FLOOR = still(new Shape.Box(100, 1, 100), 0, -1, 0);
  private static final Steering AHEAD = new Steering(1, 0, false, false, 0, 0, 1);
  private static final double G = 9.80665;

  private static Obstacle still(Shape shape, double x, double y, double z) {
    return moving(shape, i -> RigidPose.of(x, y, z, 0, 0, 0));
  }

  private static Obstacle moving(Shape shape, IntFunction<RigidPose> poses) {
    RigidPose[] all = new RigidPose[300];
    Arrays.setAll(all, poses::apply);
    return new Obstacle("piece", new TriangleTree(Mesher.mesh(shape)), i -> all[i]);
  }

  private static Walk walk(Obstacle... obstacles) {
    return new Walk(
        new Ground(List.of(obstacles), 1001, 300, 0), BODY, FrameRate.of(24), 1001, true);
  }

  private static Stance at(Walk walk, double x, double y, double z) {
    return walk.begin(RigidPose.of(x, y, z, 0, 0, 0), 35);
  }

  private static Stance on(Walk walk, Stance from, Steering hands, double seconds) {
    return walk.on(from, hands, from.step() + walk.steps(seconds), 1, 5000).stance();
  }

  @Test
  void standing_theEyesAreAtTheirHeight_andNothingMoves() {
    Walk walk = walk(FLOOR);
    Stance from = at(walk, 2, BODY.eyeM(), 3);
    Stance to = on(walk, from, Steering.NONE, 2);
    assertThat(to.camera(BODY).place().distance(2, BODY.eyeM(), 3)).isLessThan(1e-12);
    assertThat(to.camera(BODY).turn().w).isEqualTo(1);
    assertThat(to.on()).isZero();
  }

  /** Its speed goes to what is wanted as 1 - exp(-t / 0.12 s). */
  @Test
  void ahead_itGoesAsFarAsItsSpeedSays() {
    Walk walk = walk(FLOOR);
    Stance to = on(walk, at(walk, 0, 1.6, 0), AHEAD, 3);
    double dt = 1.0 / (24 * walk.stepsPerFrame());
    double soft = Math.exp(-dt / 0.12);
    double lost = soft * (1 - Math.pow(soft, 3 / dt)) / (1 - soft) * dt;
    assertThat(to.z()).isCloseTo(-BODY.speedMps() * (3 - lost), within(1e-9));
    assertThat(to.x()).isCloseTo(0, within(1e-12));
    Stance hurried = on(walk, at(walk, 0, 1.6, 0), new Steering(1, 0, true, false, 0, 0, 1), 3);
    assertThat(hurried.z()).isCloseTo(2 * to.z(), within(1e-9));
    Stance aside = on(walk, at(walk, 0, 1.6, 0), new Steering(1, 1, false, false, 0, 0, 1), 3);
    assertThat(Math.hypot(aside.x(), aside.z())).isCloseTo(-to.z(), within(1e-9));
  }

  @Test
  void aTurnOverTheStretch_isMadeWhole_andTheTiltStopsUpright() {
    Walk walk = walk(FLOOR);
    Steering hands = new Steering(0, 0, false, false, 400, 100, 2);
    Stance to = on(walk, at(walk, 0, 1.6, 0), hands, 0.5);
    assertThat(to.headingDeg()).isCloseTo(400, within(1e-9));
    assertThat(to.tiltDeg()).isEqualTo(90);
    assertThat(to.focalMm()).isCloseTo(70, within(1e-9));
  }

  @Test
  void aHighCamera_standsOnTheGroundBelow_andComesDownSoftly() {
    Walk walk = walk(FLOOR);
    Stance from = at(walk, 0, 3, 0);
    assertThat(from.camera(BODY).y()).isEqualTo(3);
    assertThat(from.y()).isCloseTo(0, within(1e-12));
    double after = on(walk, from, Steering.NONE, 0.12).camera(BODY).y();
    int steps = (int) walk.steps(0.12);
    double dt = 1.0 / (24 * walk.stepsPerFrame());
    assertThat(after - 1.6).isCloseTo(1.4 * Math.exp(-steps * dt / 0.12), within(1e-9));
  }

  /** Every step is below 0.35 m: it comes out on the top one. */
  @Test
  void stairs_areClimbed_andGoneDownAgain() {
    List<Obstacle> all = new ArrayList<>(List.of(FLOOR));
    for (int k = 0; k < 6; k++) {
      all.add(still(new Shape.Box(4, 0.3 * (k + 1), 0.5), 0, 0, -3 - 0.5 * k));
    }
    Walk walk = walk(all.toArray(Obstacle[]::new));
    Stance start = at(walk, 0, 1.6, 0);
    Stance top = start;
    double highest = 0;
    for (int i = 0; i < 60; i++) {
      top = on(walk, top, AHEAD, 0.1);
      highest = Math.max(highest, top.y());
    }
    assertThat(highest).isCloseTo(1.8, within(1e-6));
    assertThat(top.z()).isLessThan(-6);
    assertThat(top.y()).as("down behind them, falling").isCloseTo(0, within(1e-9));
  }

  @Test
  void whatIsHigherThanAStep_stopsIt_andIsNotClimbed() {
    Walk edge = walk(FLOOR, still(new Shape.Box(4, 0.36, 4), 0, 0, -4));
    Stance before = on(edge, at(edge, 0, 1.6, 0), AHEAD, 4);
    assertThat(before.y()).isCloseTo(0, within(1e-12));
    assertThat(before.z()).isBetween(-2.0, -1.98);
    Walk walk = walk(FLOOR, still(new Shape.Box(4, 0.9, 4), 0, 0, -4));
    Stance to = on(walk, at(walk, 0, 1.6, 0), AHEAD, 4);
    assertThat(to.y()).isCloseTo(0, within(1e-12));
    assertThat(to.z()).isBetween(-2 + Bumps.RADIUS_M - 1e-6, -2 + Bumps.RADIUS_M + 0.02);
    Walk low = walk(FLOOR, still(new Shape.Box(4, 0.345, 4), 0, 0, -4));
    assertThat(on(low, at(low, 0, 1.6, 0), AHEAD, 2.5).y()).isCloseTo(0.345, within(1e-6));
  }

  @Test
  void alongAWall_itSlides() {
    Walk walk = walk(FLOOR, still(new Shape.Box(40, 3, 0.2), 0, 0, -2));
    Steering slanted = new Steering(1, 0.6, false, false, 0, 0, 1);
    Stance to = on(walk, at(walk, 0, 1.6, 0), slanted, 5);
    assertThat(to.z()).isBetween(-1.9 + Bumps.RADIUS_M - 1e-6, -1.9 + Bumps.RADIUS_M + 0.03);
    assertThat(to.x()).isGreaterThan(2);
  }

  /** v²/2g is the height; it is up and down again in 2 v/g. */
  @Test
  void aJump_isAsHighAsTold_andEndsWhereItBegan() {
    Walk walk = walk(FLOOR);
    Stance now = at(walk, 0, 1.6, 0);
    double highest = 0;
    double until = 2 * Math.sqrt(2 * BODY.jumpM() / G);
    Steering hands = new Steering(0, 0, false, true, 0, 0, 1);
    int airborne = 0;
    for (int i = 0; i < 120; i++) {
      now = walk.on(now, hands, now.step() + 1, 1, 5000).stance();
      hands = Steering.NONE;
      highest = Math.max(highest, now.y());
      airborne += now.on() == Stance.NOTHING ? 1 : 0;
    }
    assertThat(highest).isCloseTo(BODY.jumpM(), within(1e-3));
    assertThat(airborne / 120.0).isCloseTo(until, within(0.02));
    assertThat(now.y()).isCloseTo(0, within(1e-12));
  }

  @Test
  void underALowRoof_aJumpEndsAtTheRoof() {
    Walk walk = walk(FLOOR, still(new Shape.Box(4, 0.2, 4), 0, 1.8, 0));
    Stance now = at(walk, 0, 1.6, 0);
    double highest = 0;
    Steering hands = new Steering(0, 0, false, true, 0, 0, 1);
    for (int i = 0; i < 100; i++) {
      now = walk.on(now, hands, now.step() + 1, 1, 5000).stance();
      highest = Math.max(highest, now.y() + BODY.eyeM());
      hands = Steering.NONE;
    }
    assertThat(highest).isBetween(1.6, 1.8);
    assertThat(now.y()).isCloseTo(0, within(1e-12));
  }

  @Test
  void overAnEdge_itFallsAsThingsFall() {
    Walk walk = walk(FLOOR, still(new Shape.Box(4, 5, 4), 0, 0, 0));
    Stance now = at(walk, 0, 6.6, -1.9);
    int steps = 0;
    while (now.on() != 0 && steps < 600) {
      Stance next = walk.on(now, AHEAD, now.step() + 1, 1, 5000).stance();
      steps += next.on() == Stance.NOTHING ? 1 : 0;
      now = next;
    }
    assertThat(now.y()).isCloseTo(0, within(1e-12));
    assertThat(steps / 120.0).isCloseTo(Math.sqrt(2 * 5 / G), within(0.02));
  }

  @Test
  void withNothingBelow_itStaysAtItsHeight() {
    Walk walk = walk();
    Stance to = on(walk, at(walk, 0, 7, 0), AHEAD, 2);
    assertThat(to.camera(BODY).y()).isEqualTo(7);
    assertThat(to.on()).isEqualTo(Stance.NOTHING);
    assertThat(to.z()).isLessThan(-2);
  }

  /** A deck that goes 0.1 m and turns a degree a frame takes along who stands on it. */
  @Test
  void onADeckThatMovesAndTurns_itIsTakenAlong() {
    IntFunction<RigidPose> deck = i -> RigidPose.of(0.1 * i, 0.02 * i, 0, Math.toRadians(i), 0, 0);
    Walk walk = walk(moving(new Shape.Box(10, 1, 10), deck));
    RigidPose own = RigidPose.of(2, 1 + 1.6, -3, 0, 0, 0);
    Stance to = on(walk, at(walk, own.x(), own.y(), own.z()), Steering.NONE, 4);
    RigidPose expected = deck.apply(96).times(own);
    assertThat(to.camera(BODY).place().distance(expected.place())).isLessThan(0.05);
    assertThat(Math.hypot(to.x() - expected.x(), to.z() - expected.z())).isLessThan(1e-9);
    assertThat(to.headingDeg()).isCloseTo(96, within(1e-9));
    Walk held = new Walk(walk.ground(), BODY, walk.rate(), 1001, false);
    Stance still = on(held, at(held, own.x(), own.y(), own.z()), Steering.NONE, 4);
    assertThat(still.x()).as("while the shot does not play, nothing goes on").isEqualTo(2);
  }

  /** However often it is asked, the way is the same, and every whole frame comes once. */
  @Test
  void inOneStretchOrInMany_itIsTheSameWay() {
    for (FrameRate rate :
        List.of(FrameRate.of(24), FrameRate.parse("24000/1001"), FrameRate.of(60))) {
      Walk walk =
          new Walk(
              new Ground(List.of(FLOOR, still(new Shape.Box(1, 2, 1), 0.3, 0, -3)), 1001, 300, 0),
              BODY,
              rate,
              1001,
              true);
      Stance from = at(walk, 0, 1.6, 0);
      long until = walk.steps(4);
      Walk.Walked once = walk.on(from, AHEAD, until, 1, 5000);
      List<Walk.Moment> frames = new ArrayList<>();
      Stance now = from;
      Random random = new Random(5);
      while (now.step() < until) {
        long next = Math.min(until, now.step() + random.nextInt(9));
        Walk.Walked part = walk.on(now, AHEAD, next, 1, 5000);
        frames.addAll(part.frames());
        now = part.stance();
      }
      assertThat(now).isEqualTo(once.stance());
      assertThat(frames).isEqualTo(once.frames());
      assertThat(frames.get(0).frame()).isEqualTo(1002);
      assertThat(frames).hasSize((int) Math.floor(rate.frames(4) + 1e-9));
    }
  }

  @Test
  void longerThanAFewSecondsAtOnce_isRefused() {
    Walk walk = walk(FLOOR);
    Stance from = at(walk, 0, 1.6, 0);
    assertThatThrownBy(() -> walk.on(from, AHEAD, 1_000_000_000L, 1, 5000))
        .hasMessageContaining("until.stepsOn is 1.0E9; allowed: 0");
    Stance later = on(walk, from, AHEAD, 1);
    assertThatThrownBy(() -> walk.on(later, AHEAD, 0, 1, 5000))
        .hasMessageContaining("until.stepsOn is -120");
  }

  /**
   * Whatever is done among boxes, the body keeps its distance to all that is higher than a step.
   */
  @Property(tries = 40)
  void amongBoxes_itNeverGoesThroughOne(@ForAll Random random) {
    List<Obstacle> all = new ArrayList<>(List.of(FLOOR));
    List<double[]> boxes = new ArrayList<>();
    for (int k = 0; k < 12; k++) {
      double[] box = {
        random.nextDouble() * 8 - 4, random.nextDouble() * 8 - 4, 0.3 + random.nextDouble()
      };
      if (Math.hypot(box[0], box[1]) > 0.5 + box[2]) {
        boxes.add(box);
        all.add(still(new Shape.Box(box[2], 2.5, box[2]), box[0], 0, box[1]));
      }
    }
    Walk walk = walk(all.toArray(Obstacle[]::new));
    Stance now = at(walk, 0, 1.6, 0);
    for (int i = 0; i < 40; i++) {
      Steering hands =
          new Steering(
              random.nextDouble() * 2 - 1,
              random.nextDouble() * 2 - 1,
              random.nextBoolean(),
              random.nextInt(4) == 0,
              random.nextDouble() * 200 - 100,
              0,
              1);
      Walk.Walked walked = walk.on(now, hands, now.step() + 60, 1, 5000);
      for (Walk.Moment moment : walked.frames()) {
        for (double[] box : boxes) {
          double x = Math.max(0, Math.abs(moment.camera().x() - box[0]) - box[2] / 2);
          double z = Math.max(0, Math.abs(moment.camera().z() - box[1]) - box[2] / 2);
          assertThat(Math.hypot(x, z)).isGreaterThan(Bumps.RADIUS_M - 1e-6);
        }
      }
      now = walked.stance();
    }
  }
}
