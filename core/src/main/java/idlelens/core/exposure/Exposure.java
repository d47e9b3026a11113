package idlelens.core.exposure;

import idlelens.core.geometry.RigidPose;
import idlelens.core.lens.Sight;
import idlelens.core.motion.Evaluation;
import idlelens.core.motion.Jumps;
import idlelens.core.motion.LensTrack;
import idlelens.core.motion.NodeMotion;
import idlelens.core.part.Lens;
import idlelens.core.rule.Require;
import idlelens.core.scene.Node;
import idlelens.core.scene.Shot;
import java.util.HashMap;
import java.util.Map;
import org.joml.Vector3d;

/**
 * A frame of a camera in several passes, whose mean is the picture with its depth of field and its
 * motion blur: each from another point of the iris, at another moment of the open shutter, with all
 * that moves evaluated at that moment. Pass after pass is asked for: those before are not kept. Not
 * for more than one thread.
 */
public final class Exposure {
  private static final double MM = 1000;

  private final Shot shot;
  private final double frame;
  private final Evaluation now;
  private final Jumps jumps;
  private final String camera;
  private final OpenShutter shutter;
  private final Passes passes;
  private final Map<String, OpenShutter> open = new HashMap<>();
  private final Map<Double, Evaluation> moments = new HashMap<>();
  private int current = -1;

  /**
   * @param camera the id of a camera
   * @param frame which is taken; also one between two, or outside of the shot
   * @param count passes, 1 to 1024
   */
  public Exposure(Shot shot, String camera, double frame, int count) {
    Node.Camera taking = shot.camera(camera);
    this.shot = shot;
    this.camera = camera;
    this.frame = Require.within(frame, -1e7, 1e7, "frame");
    this.now = Evaluation.at(shot, frame);
    this.jumps = new Jumps(shot);
    LensTrack lens = now.of(camera).lens().orElseThrow();
    double angle = lens.value(Lens.SHUTTER, 0);
    this.shutter = OpenShutter.at(frame, angle, taking.lens().lens().opens());
    this.passes =
        Passes.of(
            count,
            taking.lens().lens().iris(),
            Math.toRadians(lens.value(Lens.IRIS_TURN, 0)),
            lens.gate(0).squeeze());
  }

  public Passes passes() {
    return passes;
  }

  /** When the shutter of the camera is open. */
  public OpenShutter shutter() {
    return open(camera);
  }

  /** The moment of a pass, as the camera has it. */
  public double moment(int pass) {
    return open(camera).moment(passes.shares()[pass]);
  }

  /** What a node does at the moment of a pass: an evaluation of that moment alone. */
  public NodeMotion of(String nodeId, int pass) {
    return at(pass, open(nodeId).moment(passes.shares()[pass])).of(nodeId);
  }

  /**
   * What is seen in a pass: from a point of the iris, all sheared so that what stands at the focus
   * distance stays where it is in the picture.
   */
  public Sight sight(int pass) {
    NodeMotion taking = of(camera, pass);
    LensTrack at = taking.lens().orElseThrow();
    double focusM = at.focusM()[0];
    double radiusM = radiusM(at);
    double right = passes.across()[pass] * radiusM;
    double above = passes.up()[pass] * radiusM;
    RigidPose pose = taking.world().pose(0);
    Vector3d from = pose.apply(new Vector3d(right, above, 0));
    Sight middle = at.sight(0, RigidPose.of(from, pose.turn()));
    return middle.shifted(-right / focusM, -above / focusM);
  }

  /**
   * The radius of the iris as it counts for the blur, in metres: {@code f / 2N}, drawn out by
   * {@code s / (s - f)}, since the picture lies that much behind the focal length for what is near.
   * So a point at d becomes a disc of {@code (f/N) f/(s-f) |d-s|/d} on the sensor. None where it
   * sees in parallel.
   */
  private static double radiusM(LensTrack lens) {
    if (lens.isOrthographic()) {
      return 0;
    }
    double focalM = lens.focalMm()[0] / MM;
    double focusM = lens.focusM()[0];
    double stop = lens.fStop()[0] / lens.value(Lens.BLUR, 0);
    return focalM / (2 * stop) * focusM / (focusM - focalM);
  }

  /** Where a node is at the moment of a pass. */
  public RigidPose pose(String nodeId, int pass) {
    return of(nodeId, pass).world().pose(0);
  }

  /** The shot at a moment of a pass; what was worked out for another pass is let go of. */
  private Evaluation at(int pass, double moment) {
    if (pass != current) {
      current = pass;
      moments.clear();
    }
    return moments.computeIfAbsent(moment, now::passingMoment);
  }

  /** The open time as a node has it, up to its own jumps. */
  private OpenShutter open(String nodeId) {
    return open.computeIfAbsent(nodeId, id -> shutter.without(jumps.of(shot.node(id)), frame));
  }
}
