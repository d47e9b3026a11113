package idlelens.core.walk;

import idlelens.core.geometry.RigidPose;
import idlelens.core.geometry.Turns;
import idlelens.core.rule.Require;
import idlelens.core.time.FrameRate;
import java.util.ArrayList;
import java.util.List;

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

  double stepS() {
    return rate.seconds(1.0 / stepsPerFrame());
  }

  int sample(long step) {
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
      if (walker.step() % stepsPerFrame() == 0) {
        Stance now = walker.stance();
        int frame = start + (int) (walker.step() / stepsPerFrame());
        frames.add(new Moment(frame, now.camera(body), now.focalMm()));
      }
    }
    return new Walked(walker.stance(), frames);
  }
}
