package idlelens.exchange.incoming;

import idlelens.core.curve.Curve;
import idlelens.core.curve.CurvePlayer;
import idlelens.core.curve.Key;
import idlelens.core.curve.Tangent;
import idlelens.core.geometry.Turns;
import idlelens.exchange.format.FormatException;
import idlelens.exchange.format.ReadBudget;
import idlelens.exchange.scenefile.Channel;
import idlelens.exchange.scenefile.Lane;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.TreeSet;
import java.util.function.DoubleUnaryOperator;
import org.joml.Quaterniond;

/** Channels of a file turned into curves of the shot. */
final class AnimatedCurves {
  /** Keys stand for a sampled turn if they stay this close to it, in radians: 0.001 degrees. */
  private static final double SAME_TURN = Math.toRadians(1e-3);

  /** Between two keys a turn is looked at here, as parts of the way. */
  private static final double[] LOOKED_AT = {0.25, 0.5, 0.75};

  /** The last frame that a key may have. */
  private static final double LAST_OF_ALL = 1e7;

  private static final Tangent.Handle NO_HANDLE = new Tangent.Handle(0, 0);

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

  /** The frame of the shot at a time of the file. */
  double frame(double time) {
    return clock.frame(time);
  }

  /** Lanes to be added up, each times its factor, and a number besides. */
  record Sum(List<Lane> lanes, double[] factors, double plus) {
    /** Without what never changes or does not count. */
    private Sum reduced() {
      List<Lane> moving = new ArrayList<>();
      List<Double> by = new ArrayList<>();
      double still = plus;
      for (int i = 0; i < lanes.size(); i++) {
        Lane lane = lanes.get(i);
        if (factors[i] == 0) {
          continue; // not a product with what is zero: it may be nearly infinite
        }
        if (lane.isConstant()) {
          still += factors[i] * lane.channel().value(0, lane.component());
        } else {
          moving.add(lane);
          by.add(factors[i]);
        }
      }
      return new Sum(moving, by.stream().mapToDouble(Double::doubleValue).toArray(), still);
    }

    private double at(double time) {
      double sum = plus;
      for (int i = 0; i < factors.length; i++) {
        sum += factors[i] * lanes.get(i).at(time);
      }
      return sum;
    }

    private double value(int key) {
      double sum = plus;
      for (int i = 0; i < factors.length; i++) {
        Lane lane = lanes.get(i);
        sum += factors[i] * lane.channel().value(key, lane.component());
      }
      return sum;
    }

    private double inSlope(int key) {
      double sum = 0;
      for (int i = 0; i < factors.length; i++) {
        Lane lane = lanes.get(i);
        sum += factors[i] * lane.channel().inSlope(key, lane.component());
      }
      return sum;
    }

    private double outSlope(int key) {
      double sum = 0;
      for (int i = 0; i < factors.length; i++) {
        Lane lane = lanes.get(i);
        sum += factors[i] * lane.channel().outSlope(key, lane.component());
      }
      return sum;
    }
  }

  /** A sum, key for key where its lanes have their keys together; else with one on every frame. */
  Curve sum(Sum of) throws FormatException {
    Sum sum = of.reduced();
    if (sum.lanes.isEmpty()) {
      return Curve.still(sum.plus);
    }
    List<Channel> channels = sum.lanes.stream().map(Lane::channel).distinct().toList();
    boolean joined = channels.size() == 1;
    if (!joined) {
      return everyFrame(channels, sum::at);
    }
    Channel channel = channels.get(0);
    take(channel.keys(), channel.path());
    List<Key> keys = new ArrayList<>();
    double[] frames = frames(channel.times(), channel.path());
    for (int i = 0; i < frames.length; i++) {
      keys.add(new Key(frames[i], sum.value(i), tangent(channel, frames, i, sum)));
    }
    return settled(keys);
  }

  /** A lane key for key. */
  Curve exact(Lane lane, double factor, double plus) throws FormatException {
    return sum(new Sum(List.of(lane), new double[] {factor}, plus));
  }

  private void take(long keys, String path) throws FormatException {
    budget.take(ReadBudget.Thing.KEYS, keys, path);
  }

  /** Frames of the keys; times that fall on one frame in float32 are kept apart. */
  private double[] frames(double[] times, String path) throws FormatException {
    double[] frames = new double[times.length];
    for (int i = 0; i < frames.length; i++) {
      double frame = clock.frame(times[i]);
      frames[i] = i == 0 ? frame : Math.max(frame, frames[i - 1] + Key.LEAST_APART);
      if (!(Math.abs(frames[i]) <= LAST_OF_ALL)) {
        throw new FormatException(
            path + ".input[" + i + "]",
            times[i] + ", frame " + Math.rint(frame),
            "up to frame " + Math.rint(LAST_OF_ALL));
      }
    }
    return frames;
  }

  private Tangent tangent(Channel channel, double[] frames, int i, Sum sum) {
    boolean first = i == 0;
    boolean last = i == frames.length - 1;
    return switch (channel.between()) {
      case STEP -> Tangent.Kind.HOLD;
      case LINEAR -> Tangent.Kind.STRAIGHT;
      case HERMITE ->
          new Tangent.Free(
              first ? NO_HANDLE : third(channel, frames, i - 1, sum.inSlope(i)),
              last ? NO_HANDLE : third(channel, frames, i, sum.outSlope(i)),
              false,
              true);
      case BEZIER ->
          new Tangent.Free(
              first ? NO_HANDLE : handle(channel, i, channel.inHandle(i), -sum.factors[0]),
              last ? NO_HANDLE : handle(channel, i, channel.outHandle(i), sum.factors[0]),
              false,
              true);
    };
  }

  /** A third of the segment: with that, the Bezier curve is the Hermite curve of the file. */
  private static Tangent.Handle third(Channel channel, double[] frames, int from, double slope) {
    double ticks = channel.times()[from + 1] - channel.times()[from];
    return new Tangent.Handle((frames[from + 1] - frames[from]) / 3, slope * ticks / 3);
  }

  private Tangent.Handle handle(Channel channel, int key, double[] at, double factor) {
    double ticks = Math.abs(at[0] - channel.times()[key]);
    return new Tangent.Handle(
        ticks * clock.framesPerTick(), (at[1] - channel.value(key, 0)) * factor);
  }

  /** A value for each whole frame on which it changes, straight between them. */
  Curve everyFrame(List<Channel> channels, DoubleUnaryOperator valueAtTime) throws FormatException {
    TreeSet<Double> times = new TreeSet<>();
    boolean held = true;
    for (Channel channel : channels) {
      held &= channel.between() == Channel.Between.STEP;
      for (double time : channel.times()) {
        times.add(time);
      }
    }
    double[] own = times.stream().mapToDouble(Double::doubleValue).toArray();
    List<Double> frames = sampledAt(own, held, channels.get(0).path());
    take(frames.size(), channels.get(0).path());
    List<Key> keys = new ArrayList<>();
    for (double frame : frames) {
      keys.add(new Key(frame, valueAtTime.applyAsDouble(clock.time(frame)), between(held)));
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
  Turning turning(TurnPath path) throws FormatException {
    Optional<List<TurnPath.Angle>> angles = path.angles();
    if (angles.isPresent()) {
      List<TurnPath.Angle> all = angles.get();
      return new Turning(exact(all.get(0)), exact(all.get(1)), exact(all.get(2)), true);
    }
    double[] times = path.times();
    if (path.isHeld() || path.isLinear()) {
      take(3L * times.length, path.path());
      List<Double> own = new ArrayList<>();
      for (double frame : frames(times, path.path())) {
        own.add(frame);
      }
      Turning kept = turning(path, own, Optional.of(times));
      if (path.isHeld() || follows(kept, path, own, times)) {
        return kept;
      }
    }
    List<Double> frames = sampledAt(times, path.isHeld(), path.path());
    take(3L * frames.size(), path.path());
    boolean same = frames.size() == times.length;
    return turning(path, frames, same ? Optional.of(times) : Optional.empty());
  }

  private Curve exact(TurnPath.Angle angle) throws FormatException {
    return angle.lane().isEmpty()
        ? Curve.still(angle.plus())
        : exact(angle.lane().get(), angle.sign(), angle.plus());
  }

  private static Tangent.Kind between(boolean held) {
    return held ? Tangent.Kind.HOLD : Tangent.Kind.STRAIGHT;
  }

  /** The keys of a channel where they are, and all whole frames between its first and its last. */
  private List<Double> sampledAt(double[] times, boolean held, String path) throws FormatException {
    double[] own = frames(times, path);
    TreeSet<Double> frames = new TreeSet<>();
    if (!held) {
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

  /**
   * @param times those of the frames, where they are the file's own
   */
  private Turning turning(TurnPath path, List<Double> frames, Optional<double[]> times) {
    List<List<Key>> keys = List.of(new ArrayList<>(), new ArrayList<>(), new ArrayList<>());
    Tangent.Kind kind = between(path.isHeld());
    double[] near = {0, 0, 0};
    for (int i = 0; i < frames.size(); i++) {
      double time = times.isPresent() ? times.get()[i] : clock.time(frames.get(i));
      near = Turns.panTiltRoll(path.at(time), near);
      for (int c = 0; c < 3; c++) {
        keys.get(c).add(new Key(frames.get(i), Math.toDegrees(near[c]), kind));
      }
    }
    return new Turning(
        settled(keys.get(0)), settled(keys.get(1)), settled(keys.get(2)), times.isPresent());
  }

  private static boolean follows(
      Turning turning, TurnPath path, List<Double> keys, double[] times) {
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
        double time = times[i] + part * (times[i + 1] - times[i]);
        Quaterniond mine =
            Turns.quaternion(
                Math.toRadians(pan.at(frame)),
                Math.toRadians(tilt.at(frame)),
                Math.toRadians(roll.at(frame)));
        if (Turns.angleBetween(mine, path.at(time)) > SAME_TURN) {
          return false;
        }
      }
    }
    return true;
  }
}
