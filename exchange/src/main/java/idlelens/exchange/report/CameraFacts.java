package idlelens.exchange.report;

import idlelens.core.geometry.Turns;
import idlelens.core.lens.Gate;
import idlelens.core.lens.LensBody;
import idlelens.core.motion.Evaluation;
import idlelens.core.motion.LensTrack;
import idlelens.core.motion.PoseTrack;
import idlelens.core.part.Lens;
import idlelens.core.scene.Node;
import idlelens.core.scene.Shot;

/**
 * What a camera does over some frames.
 *
 * @param lens what does not change
 * @param gate the part of the sensor that is used
 * @param focalMm least and most, as the other pairs
 * @param widthM of an orthographic picture; 0 of one in perspective
 * @param shutterDeg angle by which its shutter is open
 * @param heightM above the ground of the set
 * @param pathM metres that it goes
 * @param fastestMs metres a second at most, from frame to frame
 * @param meanMs on the mean
 * @param turnDegS degrees a second at most
 */
record CameraFacts(
    String name,
    LensBody lens,
    Gate gate,
    double[] focalMm,
    double[] fStop,
    double[] focusM,
    double[] widthM,
    double[] shutterDeg,
    double[] heightM,
    double pathM,
    double fastestMs,
    double meanMs,
    double turnDegS) {

  static CameraFacts of(Shot shot, Evaluation motion, Node.Camera camera) {
    PoseTrack world = motion.of(camera.id()).world();
    LensTrack lens = motion.of(camera.id()).lens().orElseThrow();
    int frames = motion.grid().count();
    double rate = shot.header().rate().framesPerSecond();
    double path = 0;
    double fastest = 0;
    double turn = 0;
    for (int i = 1; i < frames; i++) {
      double step = world.pose(i).place().distance(world.pose(i - 1).place());
      path += step;
      fastest = Math.max(fastest, step * rate);
      double angle = Turns.angleBetween(world.turn(i), world.turn(i - 1));
      turn = Math.max(turn, Math.toDegrees(angle) * rate);
    }
    return new CameraFacts(
        camera.name(),
        camera.lens().lens(),
        lens.gate(0),
        range(lens.focalMm()),
        range(lens.fStop()),
        range(lens.focusM()),
        range(lens.widthM()),
        range(lens.values().values(Lens.SHUTTER)),
        range(world.y()),
        path,
        fastest,
        frames > 1 ? path * rate / (frames - 1) : 0,
        turn);
  }

  private static double[] range(double[] values) {
    double[] range = {values[0], values[0]};
    for (double value : values) {
      range[0] = Math.min(range[0], value);
      range[1] = Math.max(range[1], value);
    }
    return range;
  }
}
