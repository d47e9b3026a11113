package idlelens.core.edit;

import idlelens.core.curve.Curve;
import idlelens.core.curve.Key;
import idlelens.core.geometry.RigidPose;
import idlelens.core.geometry.Turns;
import idlelens.core.part.Chain;
import idlelens.core.part.Path;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.IntFunction;

/**
 * A motion written into the six curves of a pose: a key on every frame, or few keys.
 *
 * @param keep {@link Keep#EVERY_FRAME} or {@link Keep#FITTED}
 */
record WrittenMotion(MotionFrames frames, Keep keep) {
  /**
   * The part of a family's tolerance within which a fitted motion stays: what hangs on it sees
   * more.
   */
  private static final double FINER = 0.1;

  /**
   * @param own the own pose at each of the frames; its angles go on from those that the chain has
   */
  Chain into(Chain chain, IntFunction<RigidPose> own) {
    int[] order = frames.inOrder();
    double[] at = new double[order.length];
    for (int i = 0; i < at.length; i++) {
      at[i] = frames.frame(order[i]);
    }
    double[][] values = values(chain, order, own);
    Map<Path, Curve> curves = new LinkedHashMap<>();
    for (Path path : Path.POSE) {
      curves.put(path, curve(chain, path, at, values[Path.POSE.indexOf(path)]));
    }
    return chain.with(curves);
  }

  private double[][] values(Chain chain, int[] order, IntFunction<RigidPose> own) {
    double[][] values = new double[6][order.length];
    double[] near = new double[3];
    for (int i = 0; i < 3; i++) {
      near[i] = Math.toRadians(chain.curve(Path.TURN.get(i)).at(frames.frame(order[0])));
    }
    for (int i = 0; i < order.length; i++) {
      RigidPose pose = own.apply(order[i]);
      near = Turns.panTiltRoll(pose.turn(), near);
      double[] now = {pose.x(), pose.y(), pose.z(), near[0], near[1], near[2]};
      for (int c = 0; c < 6; c++) {
        values[c][i] = c < 3 ? now[c] : Math.toDegrees(now[c]);
      }
    }
    return values;
  }

  private Curve curve(Chain chain, Path path, double[] at, double[] values) {
    double tolerance = chain.parameter(path).family().tolerance() * FINER;
    List<Key> keys = new DenseKeys(keep, tolerance).of(at, values);
    return keep == Keep.FITTED && keys.size() == 1
        ? Curve.still(values[0])
        : new Curve(values[0], keys);
  }
}
