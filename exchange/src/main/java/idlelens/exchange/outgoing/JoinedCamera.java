package idlelens.exchange.outgoing;

import idlelens.core.curve.Curve;
import idlelens.core.curve.Key;
import idlelens.core.curve.Tangent;
import idlelens.core.cut.Program;
import idlelens.core.geometry.RigidPose;
import idlelens.core.geometry.Turns;
import idlelens.core.lens.Gate;
import idlelens.core.motion.Evaluation;
import idlelens.core.motion.LensTrack;
import idlelens.core.part.Carriage;
import idlelens.core.part.Chain;
import idlelens.core.part.FocusRule;
import idlelens.core.part.Lens;
import idlelens.core.part.Parameter;
import idlelens.core.part.Path;
import idlelens.core.scene.Node;
import idlelens.core.scene.NodeBody;
import idlelens.core.scene.Shot;
import idlelens.core.time.FrameRange;
import idlelens.core.time.SampleGrid;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/** One camera that goes where the program is: a key on every frame, held where it cuts. */
public final class JoinedCamera {
  /** Its id in the shot that is made. */
  public static final String ID = "program-camera";

  private JoinedCamera() {}

  /**
   * The shot with that camera, on the sensor of the first one; where another has another sensor it
   * sees as high.
   */
  public static Shot in(Shot shot, Program program, FrameRange frames) {
    Evaluation motion = Evaluation.of(shot, SampleGrid.over(frames, 0), null);
    Node.Camera first = shot.perspective(program.cameraAt(frames.in()));
    Gate gate = motion.of(first.id()).lens().orElseThrow().gate(0);
    double overscan = motion.of(first.id()).lens().orElseThrow().value(Lens.OVERSCAN, 0);
    List<List<Key>> keys = new ArrayList<>();
    Path.BARE.forEach(p -> keys.add(new ArrayList<>()));
    double[] near = new double[3];
    for (int i = 0; i < frames.length(); i++) {
      int frame = frames.in() + i;
      String camera = program.cameraAt(frame);
      boolean cuts = i + 1 < frames.length() && !program.cameraAt(frame + 1.0).equals(camera);
      RigidPose pose = motion.pose(shot.perspective(camera).id(), i);
      near = Turns.panTiltRoll(pose.turn(), near);
      LensTrack lens = motion.of(camera).lens().orElseThrow();
      double[] values = numbers(pose, near, lens, i);
      toSensor(values, lens, i, gate);
      values[at(Lens.SQUEEZE)] = gate.squeeze();
      values[at(Lens.OVERSCAN)] = overscan;
      for (int c = 0; c < values.length; c++) {
        Tangent tangent = cuts ? Tangent.Kind.HOLD : Tangent.Kind.STRAIGHT;
        keys.get(c).add(new Key(frame, values[c], tangent));
      }
    }
    return with(shot, first.lens(), keys);
  }

  /** What a camera does at a sample, as numbers of {@link Path#BARE}. */
  private static double[] numbers(RigidPose pose, double[] turn, LensTrack lens, int sample) {
    double[] values = new double[Path.BARE.size()];
    values[0] = pose.x();
    values[1] = pose.y();
    values[2] = pose.z();
    for (int c = 0; c < turn.length; c++) {
      values[3 + c] = Math.toDegrees(turn[c]);
    }
    for (Parameter parameter : Lens.KIND.parameters()) {
      values[at(parameter)] = lens.value(parameter, sample);
    }
    return values;
  }

  /** The focal length and shift with which the lens sees the same on another sensor. */
  private static void toSensor(double[] values, LensTrack lens, int sample, Gate gate) {
    Gate own = lens.gate(sample);
    double ownFocal = values[at(Lens.FOCAL)];
    double focal = gate.focalMmOfVertical(own.verticalRad(ownFocal));
    values[at(Lens.FOCAL)] = focal;
    values[at(Lens.SHIFT_RIGHT)] = own.tanRight(ownFocal) * focal / gate.squeeze();
    values[at(Lens.SHIFT_UP)] = own.tanAbove(ownFocal) * focal;
  }

  private static int at(Parameter parameter) {
    return Path.POSE.size() + Lens.KIND.parameters().indexOf(parameter);
  }

  private static Shot with(Shot shot, Lens lens, List<List<Key>> keys) {
    Map<Path, Curve> curves = new LinkedHashMap<>();
    for (int c = 0; c < Path.BARE.size(); c++) {
      curves.put(Path.BARE.get(c), new Curve(keys.get(c).get(0).value(), keys.get(c)));
    }
    Chain chain = Chain.poseAndLens().with(curves);
    NodeBody body = new NodeBody(ID, "Program", false, new Carriage("", RigidPose.IDENTITY), chain);
    List<Node> nodes = new ArrayList<>(shot.nodes());
    nodes.add(new Node.Camera(body, lens.withFocus(new FocusRule.Distance())));
    return shot.withNodes(nodes);
  }
}
