package idlelens.core.edit;

import idlelens.core.curve.Curve;
import idlelens.core.curve.Key;
import idlelens.core.geometry.RigidPose;
import idlelens.core.geometry.Turns;
import idlelens.core.motion.Evaluation;
import idlelens.core.part.Chain;
import idlelens.core.part.FocusRule;
import idlelens.core.part.Lens;
import idlelens.core.part.Path;
import idlelens.core.rule.RefusedException;
import idlelens.core.rule.Require;
import idlelens.core.scene.Node;
import idlelens.core.scene.Shot;
import idlelens.core.take.Take;
import idlelens.core.time.FrameSpan;
import idlelens.core.time.SampleGrid;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;

/**
 * Writes a take into a node's own keys over a stretch of frames, whatever carries it; what is done
 * to it in the world comes on top. Curves that take no keys stay as they are.
 *
 * @param start the frame of the take's first sample
 * @param punch which frames
 * @param keep {@link Keep#EVERY_FRAME} or {@link Keep#FITTED}
 * @param tolerance times what is let pass of each channel, for fitted keys: a millimetre, a
 *     hundredth of a degree; 0.01 to 1000
 */
public record TakeToKeys(
    String id, Take take, double start, Punch punch, Keep keep, double tolerance) implements Edit {
  /** What is farther than this from what stays beside it is a cut: metres, and degrees. */
  private static final double[] CUT = {1, 90};

  private static final double ON_A_FRAME = 1e-6;
  private static final double NOTHING = 1e-9;

  public TakeToKeys {
    Require.present(id, "id");
    Require.present(take, "take");
    Require.present(punch, "punch");
    Require.within(start, -1e7, 1e7, "start");
    if (keep == null || !keep.isMotion()) {
      throw new RefusedException("keep", keep, "every-frame or fitted");
    }
    Require.within(tolerance, 0.01, 1000, "tolerance");
  }

  /** Refuses frames of which a take says nothing, or which nobody sees. */
  static void requireInside(Shot shot, Take take, double start, Punch punch) {
    double end = start + shot.header().rate().frames(take.seconds());
    if (punch.from() < start - ON_A_FRAME || punch.to() > end + ON_A_FRAME) {
      throw new RefusedException(
          "from",
          punch.from() + " to " + punch.to(),
          "frames of the take, " + Math.ceil(start) + " to " + Math.floor(end));
    }
    FrameSpan seen = shot.header().seen();
    if (punch.from() < seen.from() || punch.to() > seen.to()) {
      throw new RefusedException(
          "from",
          punch.from() + " to " + punch.to(),
          "frames of the shot with its handles, " + seen.from() + " to " + seen.to());
    }
  }

  @Override
  public Shot apply(Shot shot) {
    requireInside(shot, take, start, punch);
    Node node = shot.node(id);
    SampleGrid grid = new SampleGrid(punch.from(), punch.count(), 1);
    Evaluation now = Evaluation.ofSome(shot, grid, shot.reachedFrom(id));
    Map<Path, double[]> values = pose(shot, now);
    if (node instanceof Node.Camera camera) {
      addLens(shot, camera, values);
    }
    values.keySet().removeIf(path -> !node.takesKeys().passes(path));
    if (values.isEmpty()) {
      throw new RefusedException("id", "'" + id + "', left out of keys", "a node that takes keys");
    }
    return shot.withNode(node.withChain(written(shot, node.chain(), values)));
  }

  private double seconds(Shot shot, int sample) {
    return shot.header().rate().seconds(punch.from() + sample - start);
  }

  /** The numbers of the pose that bring the node to where the take was. */
  private Map<Path, double[]> pose(Shot shot, Evaluation now) {
    boolean moves = WithoutMoves.has(shot.node(id));
    double[][] values = new double[Path.POSE.size()][punch.count()];
    double[] near = near(shot.node(id).chain());
    for (int i = 0; i < punch.count(); i++) {
      RigidPose to = blended(shot, now, i);
      double[] next = moves ? behindMoves(now, i, to) : own(now, i, to, near);
      for (int c = 0; c < next.length; c++) {
        values[c][i] = next[c];
      }
    }
    Map<Path, double[]> all = new LinkedHashMap<>();
    for (int c = 0; c < values.length; c++) {
      all.put(Path.POSE.get(c), values[c]);
    }
    return all;
  }

  private RigidPose blended(Shot shot, Evaluation now, int i) {
    RigidPose to = take.pose(seconds(shot, i));
    double share = punch.share(shot.header(), punch.from() + i);
    return share == 1 ? to : now.carriedPose(id, i).towards(to, share);
  }

  private double[] near(Chain chain) {
    double[] near = new double[3];
    Arrays.setAll(near, c -> Math.toRadians(chain.curve(Path.TURN.get(c)).at(punch.from())));
    return near;
  }

  private double[] own(Evaluation now, int i, RigidPose to, double[] near) {
    RigidPose own = now.ownSpace(id, i).inverse().times(to);
    double[] turn = Turns.panTiltRoll(own.turn(), near);
    System.arraycopy(turn, 0, near, 0, 3);
    return new double[] {
      own.x(),
      own.y(),
      own.z(),
      Math.toDegrees(turn[0]),
      Math.toDegrees(turn[1]),
      Math.toDegrees(turn[2])
    };
  }

  /** The same where moves add to the keys, which then are what is missing to it. */
  private double[] behindMoves(Evaluation now, int i, RigidPose to) {
    double frame = punch.from() + i;
    Map<Path, Double> changed = OwnNumbers.of(now.moment(frame), id, frame, to, true);
    Chain chain = now.shot().node(id).chain();
    double[] next = new double[Path.POSE.size()];
    Arrays.setAll(
        next,
        c -> {
          Path path = Path.POSE.get(c);
          return changed.getOrDefault(path, chain.curve(path).at(frame));
        });
    return next;
  }

  private void addLens(Shot shot, Node.Camera camera, Map<Path, double[]> values) {
    add(shot, camera, values, Path.FOCAL, Take.FOCAL, Lens.FOCAL.least(), Lens.FOCAL.most());
    if (camera.lens().focus() instanceof FocusRule.Distance) {
      add(shot, camera, values, Path.FOCUS, Take.FOCUS, Lens.FOCUS.least(), Lens.FOCUS.most());
    }
  }

  private void add(
      Shot shot,
      Node.Camera camera,
      Map<Path, double[]> values,
      Path path,
      int column,
      double least,
      double most) {
    double[] all = new double[punch.count()];
    Curve was = camera.chain().curve(path);
    for (int i = 0; i < all.length; i++) {
      OptionalDouble told = take.lens(column, seconds(shot, i));
      if (told.isEmpty()) {
        return;
      }
      double share = punch.share(shot.header(), punch.from() + i);
      double before = share == 1 ? 0 : was.at(punch.from() + i);
      double to = share * told.getAsDouble() + (1 - share) * before;
      all[i] = Math.max(least, Math.min(most, to));
    }
    values.put(path, all);
  }

  private Chain written(Shot shot, Chain chain, Map<Path, double[]> values) {
    double[] frames = new double[punch.count()];
    Arrays.setAll(frames, i -> punch.from() + i);
    Punch.Meets meets = meets(shot, chain, values);
    Map<Path, Curve> curves = new LinkedHashMap<>();
    values.forEach(
        (path, all) -> {
          Curve was = chain.curve(path);
          if (!isAsItWas(was, frames, all)) {
            double most = chain.parameter(path).family().tolerance() * tolerance;
            curves.put(path, punch.into(was, keys(frames, all, most), shot.header(), meets));
          }
        });
    return chain.with(curves);
  }

  /** A channel that stays the same needs no more than its ends. */
  private List<Key> keys(double[] frames, double[] all, double most) {
    int last = all.length - 1;
    boolean still = Arrays.stream(all).allMatch(v -> Math.abs(v - all[0]) <= NOTHING);
    DenseKeys dense = new DenseKeys(still ? Keep.EVERY_FRAME : keep, most);
    double[] ends = {frames[0], frames[last]};
    List<Key> keys = still ? dense.of(ends, new double[] {all[0], all[0]}) : dense.of(frames, all);
    return keys.size() > 1 ? keys : both(keys.get(0), frames[last]);
  }

  private static List<Key> both(Key key, double last) {
    return new ArrayList<>(List.of(key, new Key(last, key.value(), key.tangent())));
  }

  private static boolean isAsItWas(Curve was, double[] frames, double[] all) {
    for (int i = 0; i < all.length; i++) {
      if (Math.abs(was.at(frames[i]) - all[i]) > NOTHING) {
        return false;
      }
    }
    return true;
  }

  /** Whether the pose jumps where it meets what stays before and behind. */
  private Punch.Meets meets(Shot shot, Chain chain, Map<Path, double[]> values) {
    boolean in = false;
    boolean out = false;
    for (Path path : Path.POSE) {
      double[] all = values.get(path);
      if (all != null) {
        double cut = CUT[Path.POSE.indexOf(path) / 3];
        Curve was = chain.curve(path);
        in |= Math.abs(all[0] - was.at(punch.from() - 1.0)) > cut;
        out |= Math.abs(all[all.length - 1] - was.at(punch.to() + 1.0)) > cut;
      }
    }
    return new Punch.Meets(
        in && punch.isEntered(shot.header()), out && punch.isLeft(shot.header()));
  }

  @Override
  public boolean writesMotion() {
    return true;
  }

  @Override
  public Footprint footprint(Shot shot) {
    List<Path> paths = new ArrayList<>(Path.POSE);
    if (shot.find(id).filter(Node.Camera.class::isInstance).isPresent()) {
      paths.add(Path.FOCAL);
      paths.add(Path.FOCUS);
    }
    return Footprint.of(shot).keys(id, paths).writesMotion().reliesOnMotion(id).done();
  }

  @Override
  public String summary() {
    return keep == Keep.FITTED ? "Fit a take" : "Key a take";
  }
}
