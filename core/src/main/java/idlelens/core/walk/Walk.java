package idlelens.core.walk;

import idlelens.core.geometry.RigidPose;
import idlelens.core.geometry.Turns;
import idlelens.core.rule.Require;
import idlelens.core.time.FrameRate;
import java.util.ArrayList;
import java.util.List;
import org.joml.Vector3d;

/**
 * Somebody who walks the set with the camera, in even steps of time, so that the same hands always
 * lead to the same way. It begins at a frame of the shot; while that plays, so does the ground.
 *
 * @param ground what is walked on
 * @param body who walks
 * @param rate frames a second of the shot
 * @param start the frame at which it begins
 * @param plays whether the shot plays meanwhile; if not, the set stands as at that frame
 */
public record Walk(Ground ground, Body body, FrameRate rate, int start, boolean plays) {
  /** Longer than this is not walked at once, in seconds. */
  public static final double MOST_S = 5;

  private static final double FINEST_HZ = 120;
  private static final double GRAVITY = 9.80665;

  /** After this long two thirds of a change of speed, or of a step, are made. */
  private static final double SOFT_S = 0.12;

  private static final double HURRY = 2;
  private static final double STEEPEST_DEG = 90;

  /** A moment at a whole frame: the camera in the world, and its focal length. */
  public record Moment(int frame, RigidPose camera, double focalMm) {}

  /** How it stands at the end, and what was at every whole frame on the way. */
  public record Walked(Stance stance, List<Moment> frames) {
    public Walked {
      frames = List.copyOf(frames);
    }
  }

  /** Steps of time in a frame: at least 120 a second. */
  public int stepsPerFrame() {
    return (int) Math.max(1, Math.ceil(FINEST_HZ / rate.framesPerSecond() - 1e-9));
  }

  /** Steps of time in so many seconds; a step that is not over does not count. */
  public long steps(double seconds) {
    return (long) Math.floor(rate.frames(seconds) * stepsPerFrame() + 1e-9);
  }

  private double stepS() {
    return rate.seconds(1.0 / stepsPerFrame());
  }

  private int sample(long step) {
    return ground.sample(plays ? start + (double) step / stepsPerFrame() : start);
  }

  /**
   * How a body stands that has the camera where it is: its feet are on what is below. From there it
   * goes softly to the height of its eyes.
   *
   * @param camera in the world at the first frame
   * @param focalMm its focal length
   */
  public Stance begin(RigidPose camera, double focalMm) {
    double[] turn = Turns.panTiltRoll(camera.turn());
    Ground.Floor floor = ground.below(sample(0), camera.x(), camera.y(), camera.z());
    double feet = floor.isThere() ? floor.y() : camera.y() - body.eyeM();
    return new Stance(
        0,
        camera.x(),
        feet,
        camera.z(),
        camera.y() - body.eyeM() - feet,
        Math.toDegrees(turn[0]),
        Math.toDegrees(turn[1]),
        Math.toDegrees(turn[2]),
        0,
        0,
        0,
        focalMm,
        floor.on());
  }

  /**
   * Walks on.
   *
   * @param from how it stands
   * @param hands what is done meanwhile
   * @param until the step of time at which it ends, {@link Stance#step} or later, at most {@link
   *     #MOST_S} seconds
   * @param widestMm the least focal length
   * @param longestMm the greatest focal length
   */
  public Walked on(Stance from, Steering hands, long until, double widestMm, double longestMm) {
    long count = until - from.step();
    Require.within((double) count, 0, steps(MOST_S), "until.stepsOn");
    Walker walker = new Walker(this, from);
    List<Moment> frames = new ArrayList<>();
    boolean jumps = hands.jumps();
    for (long i = 0; i < count; i++) {
      jumps &= !walker.step(hands, 1.0 / count, jumps);
      walker.zoom(Math.pow(hands.zoom(), 1.0 / count), widestMm, longestMm);
      if (walker.at % stepsPerFrame() == 0) {
        Stance now = walker.stance();
        int frame = start + (int) (walker.at / stepsPerFrame());
        frames.add(new Moment(frame, now.camera(body), now.focalMm()));
      }
    }
    return new Walked(walker.stance(), frames);
  }

  /** The body while it walks. */
  private static final class Walker {
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
      this.bumps = new Bumps(walk.ground, walk.body);
      this.at = from.step();
      this.feet = new Vector3d(from.x(), from.y(), from.z());
      this.speed = new Vector3d(from.speedX(), from.speedY(), from.speedZ());
      this.lift = from.liftM();
      this.heading = from.headingDeg();
      this.tilt = from.tiltDeg();
      this.roll = from.rollDeg();
      this.focal = from.focalMm();
      this.on = from.on() < walk.ground.obstacles().size() ? from.on() : Stance.NOTHING;
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
      boolean jumped = jumps && on != Stance.NOTHING && walk.body.jumpM() > 0;
      if (jumped) {
        on = Stance.NOTHING;
        speed.y = Math.sqrt(2 * GRAVITY * walk.body.jumpM());
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
      RigidPose by = walk.ground.carriage(on, before, sample);
      if (by != RigidPose.IDENTITY) {
        feet.set(by.apply(feet));
        Vector3d ahead = new Vector3d(0, 0, -1).rotate(by.turn());
        heading += Math.toDegrees(Math.atan2(-ahead.x, -ahead.z));
      }
    }

    /** Its speed goes softly to what the hands want. */
    private void goTowards(Steering hands) {
      double length = Math.hypot(hands.ahead(), hands.right());
      double fast = walk.body.speedMps() * (hands.hurries() ? HURRY : 1) / Math.max(1, length);
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
      if (stands && floor.isThere() && floor.y() >= feet.y - walk.body.stepM() - Bumps.HAIR_M) {
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
}
