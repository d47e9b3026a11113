package idlelens.exchange.gltf;

import idlelens.core.curve.Curve;
import idlelens.core.curve.Key;
import idlelens.core.curve.Tangent;
import idlelens.core.geometry.Turns;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.function.DoubleUnaryOperator;
import org.joml.Quaterniond;

/** Samplers turned into curves of the shot. */
final class AnimatedCurves {
  /** Keys stand for a sampled turn if they stay this close to it, in radians. */
  private static final double SAME_TURN = 1e-7;

  private final FrameClock clock;

  AnimatedCurves(FrameClock clock) {
    this.clock = clock;
  }

  /** One component, key for key; its values are multiplied by a factor. */
  Curve exact(GltfSampler sampler, int component, double factor) {
    List<Key> keys = new ArrayList<>();
    for (int i = 0; i < sampler.keys(); i++) {
      double frame = frame(sampler, i, keys);
      keys.add(new Key(frame, sampler.value(i, component) * factor, Tangent.Kind.STRAIGHT));
    }
    for (int i = 0; i < keys.size(); i++) {
      keys.set(i, keys.get(i).withTangent(tangent(sampler, keys, i, component, factor)));
    }
    return settled(keys);
  }

  /** Frame of a key; two times that fall on one frame in float32 are kept apart. */
  private double frame(GltfSampler sampler, int i, List<Key> before) {
    double frame = clock.frame(sampler.times()[i]);
    double last = before.isEmpty() ? -1e9 : before.get(before.size() - 1).frame();
    return frame > last ? frame : Math.nextUp(last);
  }

  private static Tangent tangent(
      GltfSampler sampler, List<Key> keys, int i, int component, double factor) {
    switch (sampler.mode()) {
      case STEP:
        return Tangent.Kind.HOLD;
      case LINEAR:
        return Tangent.Kind.STRAIGHT;
      default:
        return new Tangent.Free(
            i == 0
                ? new Tangent.Handle(0, 0)
                : handle(sampler, keys, i - 1, i, sampler.inSlope(i, component) * factor),
            i == keys.size() - 1
                ? new Tangent.Handle(0, 0)
                : handle(sampler, keys, i, i + 1, sampler.outSlope(i, component) * factor),
            false,
            true);
    }
  }

  /** A third of the segment: with that, the Bezier curve is the Hermite curve of the file. */
  private static Tangent.Handle handle(
      GltfSampler sampler, List<Key> keys, int from, int to, double slope) {
    double seconds = sampler.times()[to] - sampler.times()[from];
    double frames = keys.get(to).frame() - keys.get(from).frame();
    return new Tangent.Handle(frames / 3, slope * seconds / 3);
  }

  /** A value for each whole frame, straight between them. */
  Curve everyFrame(int from, int to, DoubleUnaryOperator valueAtSeconds) {
    List<Key> keys = new ArrayList<>();
    for (int frame = from; frame <= to; frame++) {
      double value = valueAtSeconds.applyAsDouble(clock.seconds(frame));
      keys.add(new Key(frame, value, Tangent.Kind.STRAIGHT));
    }
    return settled(keys);
  }

  private static Curve settled(List<Key> keys) {
    double rest = keys.get(0).value();
    Curve curve = new Curve(rest, keys);
    return curve.isConstant() ? Curve.still(rest) : curve;
  }

  /** Pan, tilt and roll curves, in degrees, and whether the keys of the file were kept. */
  record Turning(Curve pan, Curve tilt, Curve roll, boolean keysKept) {}

  /**
   * Turns as pan, tilt and roll: with the file's own keys where that gives the same turn at every
   * frame, else with a key on every frame.
   */
  Turning turning(GltfSampler sampler) {
    if (sampler.mode() != GltfSampler.Mode.CUBICSPLINE) {
      Turning kept = fromKeys(sampler);
      if (follows(kept, sampler)) {
        return kept;
      }
    }
    int first = (int) Math.floor(clock.frame(sampler.times()[0]));
    int last = (int) Math.ceil(clock.frame(sampler.times()[sampler.keys() - 1]));
    List<Double> frames = new ArrayList<>();
    for (int frame = first; frame <= last; frame++) {
      frames.add((double) frame);
    }
    return turning(sampler, frames, Tangent.Kind.STRAIGHT, false);
  }

  private Turning fromKeys(GltfSampler sampler) {
    List<Double> frames = new ArrayList<>();
    for (double time : sampler.times()) {
      double frame = clock.frame(time);
      double last = frames.isEmpty() ? -1e9 : frames.get(frames.size() - 1);
      frames.add(frame > last ? frame : Math.nextUp(last));
    }
    Tangent.Kind kind =
        sampler.mode() == GltfSampler.Mode.STEP ? Tangent.Kind.HOLD : Tangent.Kind.STRAIGHT;
    return turning(sampler, frames, kind, true);
  }

  private Turning turning(
      GltfSampler sampler, List<Double> frames, Tangent.Kind kind, boolean keysKept) {
    List<List<Key>> keys = List.of(new ArrayList<>(), new ArrayList<>(), new ArrayList<>());
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

  private boolean follows(Turning turning, GltfSampler sampler) {
    int first = (int) Math.ceil(clock.frame(sampler.times()[0]));
    int last = (int) Math.floor(clock.frame(sampler.times()[sampler.keys() - 1]));
    Set<Double> keyed = new HashSet<>();
    for (double time : sampler.times()) {
      keyed.add(clock.frame(time));
    }
    for (int frame = first; frame <= last; frame++) {
      if (keyed.contains((double) frame)) {
        continue; // on a key they agree
      }
      Quaterniond mine =
          Turns.quaternion(
              Math.toRadians(turning.pan.at(frame)),
              Math.toRadians(turning.tilt.at(frame)),
              Math.toRadians(turning.roll.at(frame)));
      if (Turns.angleBetween(mine, sampler.turnAt(clock.seconds(frame))) > SAME_TURN) {
        return false;
      }
    }
    return true;
  }
}
