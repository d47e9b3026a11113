package idlelens.exchange.outgoing;

import idlelens.core.curve.Beyond;
import idlelens.core.curve.Curve;
import idlelens.core.curve.Key;
import idlelens.core.curve.Tangent;
import idlelens.core.geometry.RigidPose;
import idlelens.core.motion.Evaluation;
import idlelens.core.part.Carried;
import idlelens.core.part.Keys;
import idlelens.core.part.Lens;
import idlelens.core.part.Part;
import idlelens.core.part.Path;
import idlelens.core.scene.Node;
import idlelens.core.time.FrameRange;
import java.util.List;
import java.util.TreeSet;
import java.util.function.Function;

/**
 * The frames at which some channels of a node jump.
 *
 * @param frames of the keys within the range, and its first frame
 * @param isHeld whether the channels do nothing but jump there
 * @param holdsSomewhere whether some keys are held
 */
record StepTimes(TreeSet<Double> frames, boolean isHeld, boolean holdsSomewhere) {

  /** Each of these is evaluated alone. */
  private static final int MOST_BETWEEN_FRAMES = 200;

  static StepTimes of(Node node, List<Path> paths, FrameRange range) {
    TreeSet<Double> frames = new TreeSet<>();
    frames.add((double) range.in());
    boolean held = isKeysAlone(node);
    boolean some = false;
    for (Path path : paths) {
      Curve curve = node.chain().curve(path);
      List<Key> keys = curve.keys();
      for (int i = 0; i < keys.size(); i++) {
        boolean holds = keys.get(i).tangent().leaves(Tangent.Kind.HOLD);
        some |= holds && i + 1 < keys.size() && keys.get(i + 1).value() != keys.get(i).value();
        held &= holds || i == keys.size() - 1;
        if (range.contains(keys.get(i).frame())) {
          frames.add(keys.get(i).frame());
        }
      }
      held &= !curve.before().cycles() && !curve.after().cycles();
      held &= curve.isConstant() || curve.before() == Beyond.HOLD && curve.after() == Beyond.HOLD;
    }
    long between = frames.stream().filter(f -> f != Math.rint(f)).count();
    return new StepTimes(frames, held && between <= MOST_BETWEEN_FRAMES, some);
  }

  /** Whether nothing but its keys moves a node in its carrier. */
  private static boolean isKeysAlone(Node node) {
    return node.chain().carried().later().isEmpty()
        && node.chain().parts().stream()
            .filter(Part::isOn)
            .map(part -> part.body().id())
            .allMatch(id -> id.equals(Keys.ID) || id.equals(Lens.ID) || id.equals(Carried.ID));
  }

  /**
   * What the node's track in its carrier has at each.
   *
   * @param each how many numbers a pose has
   */
  double[] values(Evaluation motion, String id, int each, Function<RigidPose, double[]> numbers) {
    double[] out = new double[frames.size() * each];
    int at = 0;
    for (double frame : frames) {
      double sample = frame - motion.grid().first();
      boolean onFrame = sample == Math.rint(sample);
      RigidPose pose =
          onFrame
              ? motion.local(id).pose((int) sample)
              : Evaluation.at(motion.shot(), frame).local(id).pose(0);
      System.arraycopy(numbers.apply(pose), 0, out, at, each);
      at += each;
    }
    return out;
  }
}
