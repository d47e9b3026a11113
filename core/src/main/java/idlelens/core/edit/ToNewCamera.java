package idlelens.core.edit;

import idlelens.core.curve.Curve;
import idlelens.core.curve.Key;
import idlelens.core.geometry.Turns;
import idlelens.core.motion.Evaluation;
import idlelens.core.motion.Jumps;
import idlelens.core.motion.LensTrack;
import idlelens.core.motion.PoseTrack;
import idlelens.core.motion.Stretches;
import idlelens.core.part.Chain;
import idlelens.core.part.FocusRule;
import idlelens.core.part.Lens;
import idlelens.core.part.Path;
import idlelens.core.rule.RefusedException;
import idlelens.core.rule.Require;
import idlelens.core.scene.Node;
import idlelens.core.scene.NodeBody;
import idlelens.core.scene.Shot;
import idlelens.core.scene.TakesKeys;
import idlelens.core.time.SampleGrid;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/**
 * Writes what a camera does in the world, with all that its chain and its carriers make of it, into
 * the keys of a new one that stands in the world by itself, over the shot and its handles. Cuts
 * inside it stay cuts.
 *
 * @param id the camera
 * @param newId id of the new one, which comes behind it in the list
 * @param newName its name
 * @param keep {@link Keep#EVERY_FRAME} or {@link Keep#FITTED}
 * @param tolerance times what is let pass of each channel, for fitted keys: a millimetre, a
 *     hundredth of a degree; 0.01 to 1000
 */
public record ToNewCamera(String id, String newId, String newName, Keep keep, double tolerance)
    implements Edit {
  public ToNewCamera {
    Require.present(id, "id");
    Require.present(newId, "newId");
    newName = Require.name(newName, 60, "newName");
    if (keep == null || !keep.isMotion()) {
      throw new RefusedException("keep", keep, "every-frame or fitted");
    }
    Require.within(tolerance, 0.01, 1000, "tolerance");
  }

  @Override
  public Shot apply(Shot shot) {
    Node.Camera camera = shot.camera(id);
    SampleGrid grid = SampleGrid.over(shot.header().range(), shot.header().handles());
    Evaluation motion = Evaluation.ofSome(shot, grid, shot.reachedFrom(id));
    double[][] numbers = numbers(motion.of(id).world(), motion.of(id).lens().orElseThrow());
    List<int[]> stretches = Stretches.of(Jumps.of(shot, camera), grid);
    Chain chain = Chain.poseAndLens();
    Map<Path, Curve> curves = new LinkedHashMap<>();
    for (int c = 0; c < Path.BARE.size(); c++) {
      double most = chain.parameter(Path.BARE.get(c)).family().tolerance() * tolerance;
      curves.put(Path.BARE.get(c), curve(numbers[c], stretches, grid, most));
    }
    Lens lens = new Lens(Lens.PLAIN.body(), camera.lens().lens(), new FocusRule.Distance());
    NodeBody body =
        new NodeBody(newId, newName, false, chain.with(lens).with(curves), TakesKeys.ALL);
    List<Node> nodes = new ArrayList<>(shot.nodes());
    nodes.add(nodes.indexOf(camera) + 1, new Node.Camera(body));
    return shot.withNodes(nodes);
  }

  /** Metres, degrees that go on from one another, millimetres; one row for each path. */
  private static double[][] numbers(PoseTrack pose, LensTrack lens) {
    int n = pose.grid().count();
    double[][] out = new double[Path.BARE.size()][n];
    double[] near = new double[3];
    for (int i = 0; i < n; i++) {
      int p = pose.index(i);
      near = Turns.panTiltRoll(pose.turn(i), near);
      out[0][i] = pose.x()[p];
      out[1][i] = pose.y()[p];
      out[2][i] = pose.z()[p];
      for (int c = 0; c < 3; c++) {
        out[3 + c][i] = Math.toDegrees(near[c]);
      }
      for (int c = 0; c < Path.LENS.size(); c++) {
        out[Path.POSE.size() + c][i] = lens.value(Lens.KIND.parameters().get(c), i);
      }
    }
    return out;
  }

  private Curve curve(double[] values, List<int[]> stretches, SampleGrid grid, double most) {
    double first = values[0];
    if (Arrays.stream(values).allMatch(v -> v == first)) {
      return Curve.still(first);
    }
    List<Key> keys = new ArrayList<>();
    for (int[] stretch : stretches) {
      if (!keys.isEmpty()) {
        keys.add(DenseKeys.held(keys.remove(keys.size() - 1)));
      }
      keys.addAll(keys(values, stretch, grid, most));
    }
    return new Curve(first, keys);
  }

  private List<Key> keys(double[] values, int[] stretch, SampleGrid grid, double most) {
    int n = stretch[1] - stretch[0];
    double[] frames = new double[n];
    Arrays.setAll(frames, i -> grid.frame(stretch[0] + i));
    double[] part = Arrays.copyOfRange(values, stretch[0], stretch[1]);
    return new DenseKeys(keep, most).of(frames, part);
  }

  @Override
  public boolean writesMotion() {
    return true;
  }

  @Override
  public Footprint footprint(Shot shot) {
    return Footprint.of(shot)
        .reliesOnMotion(id)
        .reliesOnLens(id)
        .writesMotion()
        .changes(Place.node(newId), Place.inOrder(newId))
        .reliesOn(Place.there(id))
        .done();
  }

  @Override
  public String summary() {
    return (keep == Keep.FITTED ? "Fit " : "Bake ") + newName;
  }
}
