package idlelens.core.walk;

import idlelens.core.geometry.RigidPose;
import org.joml.Vector3d;

/** A body while it walks: a {@link Stance} that changes from step to step. */
final class Walker {
  private static final double GRAVITY = 9.80665;

  /** After this long two thirds of a change of speed, or of a step, are made. */
  private static final double SOFT_S = 0.12;

  private static final double HURRY = 2;
  private static final double STEEPEST_DEG = 90;

  private final Walk walk;
  private final double dt;
  private final double soft;
  private final Bumps bumps;
  private long at;
  private final Vector3d feet;
  private final Vector3d speed;
  private double lift;
  private double heading;
  private double tilt;
  private final double roll;
  private double focal;
  private int on;

  Walker(Walk walk, Stance from) {
    this.walk = walk;
    this.dt = walk.stepS();
    this.soft = Math.exp(-dt / SOFT_S);
    this.bumps = new Bumps(walk.ground(), walk.body());
    this.at = from.step();
    this.feet = new Vector3d(from.x(), from.y(), from.z());
    this.speed = new Vector3d(from.speedX(), from.speedY(), from.speedZ());
    this.lift = from.liftM();
    this.heading = from.headingDeg();
    this.tilt = from.tiltDeg();
    this.roll = from.rollDeg();
    this.focal = from.focalMm();
    this.on = from.on() < walk.ground().obstacles().size() ? from.on() : Stance.NOTHING;
  }

  /** How many steps of time it has come. */
  long step() {
    return at;
  }

  Stance stance() {
    return new Stance(
        at, feet.x, feet.y, feet.z, lift, heading, tilt, roll, speed.x, speed.y, speed.z, focal,
        on);
  }

  /** One step of time; whether it jumped off. */
  boolean step(Steering hands, double share, boolean jumps) {
    int before = walk.sample(at);
    int sample = walk.sample(++at);
    beCarried(before, sample);
    heading += hands.turnDeg() * share;
    tilt = Math.max(-STEEPEST_DEG, Math.min(STEEPEST_DEG, tilt + hands.tiltDeg() * share));
    lift *= soft;
    boolean jumped = jumps && on != Stance.NOTHING && walk.body().jumpM() > 0;
    if (jumped) {
      on = Stance.NOTHING;
      speed.y = Math.sqrt(2 * GRAVITY * walk.body().jumpM());
    }
    goTowards(hands);
    Vector3d way = bumps.way(sample, feet, speed.x * dt, speed.z * dt, on != Stance.NOTHING);
    feet.add(way.x, 0, way.z);
    rise(sample);
    return jumped;
  }

  void zoom(double times, double widest, double longest) {
    focal = times == 1 ? focal : Math.max(widest, Math.min(longest, focal * times));
  }

  /** What it stands on takes it along. */
  private void beCarried(int before, int sample) {
    if (on == Stance.NOTHING || before == sample) {
      return;
    }
    RigidPose by = walk.ground().carriage(on, before, sample);
    if (by != RigidPose.IDENTITY) {
      feet.set(by.apply(feet));
      Vector3d ahead = new Vector3d(0, 0, -1).rotate(by.turn());
      heading += Math.toDegrees(Math.atan2(-ahead.x, -ahead.z));
    }
  }

  /** Its speed goes softly to what the hands want. */
  private void goTowards(Steering hands) {
    double length = Math.hypot(hands.ahead(), hands.right());
    double fast = walk.body().speedMps() * (hands.hurries() ? HURRY : 1) / Math.max(1, length);
    double h = Math.toRadians(heading);
    double x = (-Math.sin(h) * hands.ahead() + Math.cos(h) * hands.right()) * fast;
    double z = (-Math.cos(h) * hands.ahead() - Math.sin(h) * hands.right()) * fast;
    speed.x = x + (speed.x - x) * soft;
    speed.z = z + (speed.z - z) * soft;
  }

  /** Follows the ground, falls, or lands. */
  private void rise(int sample) {
    Ground.Floor floor = bumps.floor(sample, feet);
    boolean stands = on != Stance.NOTHING;
    if (stands && floor.isThere() && floor.y() >= feet.y - walk.body().stepM() - Bumps.HAIR_M) {
      stand(floor);
      return;
    }
    on = Stance.NOTHING;
    if (!floor.isThere() && speed.y <= 0) {
      speed.y = 0; // nothing below: it stays at its height
      return;
    }
    double was = speed.y;
    speed.y -= GRAVITY * dt;
    double rises = (was + speed.y) / 2 * dt;
    if (rises > 0 && bumps.hitsHead(sample, feet, rises)) {
      speed.y = 0;
      return;
    }
    feet.y += rises;
    if (speed.y <= 0 && floor.isThere() && feet.y <= floor.y()) {
      speed.y = 0;
      stand(floor);
    }
  }

  private void stand(Ground.Floor floor) {
    lift += feet.y - floor.y();
    feet.y = floor.y();
    on = floor.on();
  }
}
