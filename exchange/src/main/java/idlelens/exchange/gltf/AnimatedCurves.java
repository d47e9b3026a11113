package idlelens.exchange.gltf;

import idlelens.core.curve.Curve;
import idlelens.core.curve.CurvePlayer;
import idlelens.core.curve.Key;
import idlelens.core.curve.Tangent;
import idlelens.core.geometry.Turns;
import idlelens.exchange.format.FormatException;
import idlelens.exchange.format.ReadBudget;
import java.util.ArrayList;
import java.util.List;
import java.util.TreeSet;
import java.util.function.DoubleUnaryOperator;
import org.joml.Quaterniond;
import org.joml.Vector3d;

/** Samplers turned into curves of the shot. */
final class AnimatedCurves {
  /** Keys stand for a sampled turn if they stay this close to it, in radians: 0.001 degrees. */
  private static final double SAME_TURN = Math.toRadians(1e-3);

  /** Between two keys a turn is looked at here, as parts of the way. */
  private static final double[] LOOKED_AT = {0.25, 0.5, 0.75};

  /** The last frame that a key may have. */
  private static final double LAST_OF_ALL = 1e7;

  private final FrameClock clock;
  private final ReadBudget budget;
  private final int lastFrame;

  /**
   * @param lastFrame no frame after it is sampled
   */
  AnimatedCurves(FrameClock clock, ReadBudget budget, int lastFrame) {
    this.clock = clock;
    this.budget = budget;
    this.lastFrame = lastFrame;
  }

  /** A sum of components, key for key: each times its factor. */
  Curve exact(GltfSampler sampler, Vector3d factors) throws FormatException {
    take(sampler.keys(), sampler);
    List<Key> keys = new ArrayList<>();
    double[] frames = frames(sampler);
    for (int i = 0; i < frames.length; i++) {
      double value = sum(factors, sampler.value(i, 0), sampler.value(i, 1), sampler.value(i, 2));
      keys.add(new Key(frames[i], value, tangent(sampler, frames, i, factors)));
    }
    return settled(keys);
  }

  private void take(long keys, GltfSampler sampler) throws FormatException {
    budget.take(ReadBudget.Thing.KEYS, keys, sampler.path());
  }

  /** Not a product with what is zero: it may be nearly infinite. */
  private static double sum(Vector3d factors, double x, double y, double z) {
    return (factors.x == 0 ? 0 : factors.x * x)
        + (factors.y == 0 ? 0 : factors.y * y)
        + (factors.z == 0 ? 0 : factors.z * z);
  }

  /** Frames of the keys; times that fall on one frame in float32 are kept apart. */
  private double[] frames(GltfSampler sampler) throws FormatException {
    double[] frames = new double[sampler.keys()];
    for (int i = 0; i < frames.length; i++) {
      double frame = clock.frame(sampler.times()[i]);
      frames[i] = i == 0 ? frame : Math.max(frame, frames[i - 1] + Key.LEAST_APART);
      if (!(frames[i] <= LAST_OF_ALL)) {
        throw new FormatException(
            sampler.path() + ".input[" + i + "]",
            sampler.times()[i] + " s, frame " + Math.rint(frame),
            "up to frame " + Math.rint(LAST_OF_ALL));
      }
    }
    return frames;
  }

  private static Tangent tangent(GltfSampler sampler, double[] frames, int i, Vector3d factors) {
    switch (sampler.mode()) {
      case STEP:
        return Tangent.Kind.HOLD;
      case LINEAR:
        return Tangent.Kind.STRAIGHT;
      default:
        double in =
            sum(factors, sampler.inSlope(i, 0), sampler.inSlope(i, 1), sampler.inSlope(i, 2));
        double out =
            sum(factors, sampler.outSlope(i, 0), sampler.outSlope(i, 1), sampler.outSlope(i, 2));
        Tangent.Handle none = new Tangent.Handle(0, 0);
        return new Tangent.Free(
            i == 0 ? none : handle(sampler, frames, i - 1, in),
            i == frames.length - 1 ? none : handle(sampler, frames, i, out),
            false,
            true);
    }
  }

  /** A third of the segment: with that, the Bezier curve is the Hermite curve of the file. */
  private static Tangent.Handle handle(
      GltfSampler sampler, double[] frames, int from, double slope) {
    double seconds = sampler.times()[from + 1] - sampler.times()[from];
    return new Tangent.Handle((frames[from + 1] - frames[from]) / 3, slope * seconds / 3);
  }

  /** A value for each whole frame on which it changes, straight between them. */
  Curve everyFrame(GltfSampler sampler, DoubleUnaryOperator valueAtSeconds) throws FormatException {
    List<Double> frames = sampledAt(sampler);
    take(frames.size(), sampler);
    List<Key> keys = new ArrayList<>();
    Tangent.Kind kind = between(sampler);
    for (double frame : frames) {
      keys.add(new Key(frame, valueAtSeconds.applyAsDouble(clock.seconds(frame)), kind));
    }
    return settled(keys);
  }

  static Curve settled(List<Key> keys) {
    double rest = keys.get(0).value();
    Curve curve = new Curve(rest, keys);
    return curve.isConstant() ? Curve.still(rest) : curve;
  }

  /** Pan, tilt and roll curves, in degrees, and whether the keys of the file were kept. */
  record Turning(Curve pan, Curve tilt, Curve roll, boolean keysKept) {}

  /**
   * Turns as pan, tilt and roll: with the file's own keys where that gives the same turn at every
   * moment, else with a key on every frame besides.
   */
  Turning turning(GltfSampler sampler) throws FormatException {
    if (sampler.mode() != GltfSampler.Mode.CUBICSPLINE) {
      take(3L * sampler.keys(), sampler);
      List<Double> own = new ArrayList<>();
      for (double frame : frames(sampler)) {
        own.add(frame);
      }
      Turning kept = turning(sampler, own, true);
      if (sampler.mode() == GltfSampler.Mode.STEP || follows(kept, sampler, own)) {
        return kept;
      }
    }
    List<Double> frames = sampledAt(sampler);
    take(3L * frames.size(), sampler);
    return turning(sampler, frames, frames.size() == sampler.keys());
  }

  private static Tangent.Kind between(GltfSampler sampler) {
    return sampler.mode() == GltfSampler.Mode.STEP ? Tangent.Kind.HOLD : Tangent.Kind.STRAIGHT;
  }

  /** The keys of a sampler where they are, and all whole frames between its first and its last. */
  private List<Double> sampledAt(GltfSampler sampler) throws FormatException {
    double[] own = frames(sampler);
    TreeSet<Double> frames = new TreeSet<>();
    if (sampler.mode() != GltfSampler.Mode.STEP) {
      double last = Math.min(lastFrame, own[own.length - 1]);
      for (double frame = Math.ceil(own[0]); frame <= last; frame++) {
        frames.add(frame);
      }
    }
    for (double frame : own) {
      Double before = frames.floor(frame);
      Double after = frames.ceiling(frame);
      boolean near =
          before != null && frame - before < Key.LEAST_APART
              || after != null && after - frame < Key.LEAST_APART;
      if (!near) {
        frames.add(frame);
      }
    }
    return new ArrayList<>(frames);
  }

  private Turning turning(GltfSampler sampler, List<Double> frames, boolean keysKept) {
    List<List<Key>> keys = List.of(new ArrayList<>(), new ArrayList<>(), new ArrayList<>());
    Tangent.Kind kind = between(sampler);
    double[] near = {0, 0, 0};
    for (int i = 0; i < frames.size(); i++) {
      double seconds = keysKept ? sampler.times()[i] : clock.seconds(frames.get(i));
      near = Turns.panTiltRoll(sampler.turnAt(seconds), near);
      for (int c = 0; c < 3; c++) {
        keys.get(c).add(new Key(frames.get(i), Math.toDegrees(near[c]), kind));
      }
    }
    return new Turning(settled(keys.get(0)), settled(keys.get(1)), settled(keys.get(2)), keysKept);
  }

  private boolean follows(Turning turning, GltfSampler sampler, List<Double> keys) {
    CurvePlayer pan = turning.pan.player();
    CurvePlayer tilt = turning.tilt.player();
    CurvePlayer roll = turning.roll.player();
    for (int i = 0; i + 1 < keys.size(); i++) {
      boolean frameBetween = Math.floor(keys.get(i)) + 1 < keys.get(i + 1);
      if (!frameBetween) {
        continue; // no key could be put in there
      }
      for (double part : LOOKED_AT) {
        double frame = keys.get(i) + part * (keys.get(i + 1) - keys.get(i));
        double seconds = sampler.times()[i] + part * (sampler.times()[i + 1] - sampler.times()[i]);
        Quaterniond mine =
            Turns.quaternion(
                Math.toRadians(pan.at(frame)),
                Math.toRadians(tilt.at(frame)),
                Math.toRadians(roll.at(frame)));
        if (Turns.angleBetween(mine, sampler.turnAt(seconds)) > SAME_TURN) {
          return false;
        }
      }
    }
    return true;
  }
}
