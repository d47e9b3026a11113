package idlelens.core.scene;

import idlelens.core.curve.Curve;
import idlelens.core.curve.Key;
import idlelens.core.rule.RefusedException;
import java.util.Collection;
import java.util.Collections;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.NavigableSet;
import java.util.TreeSet;
import java.util.function.UnaryOperator;

/** One curve for each channel of a node. */
public record Channels(Map<Channel, Curve> curves) {
  public Channels {
    EnumMap<Channel, Curve> copy = new EnumMap<>(Channel.class);
    copy.putAll(curves);
    copy.forEach(Channels::check);
    curves = Collections.unmodifiableMap(copy);
  }

  private static void check(Channel channel, Curve curve) {
    try {
      channel.check(curve.rest());
      for (Key key : curve.keys()) {
        channel.check(key.value());
      }
    } catch (RefusedException e) {
      throw e.inside("channels");
    }
  }

  /** The pose channels, all at rest at zero. */
  public static Channels pose() {
    return usual(Channel.POSE);
  }

  /** Pose and lens channels at their usual values. */
  public static Channels poseAndLens() {
    return usual(List.of(Channel.values()));
  }

  private static Channels usual(Collection<Channel> which) {
    EnumMap<Channel, Curve> curves = new EnumMap<>(Channel.class);
    which.forEach(c -> curves.put(c, Curve.still(c.usual())));
    return new Channels(curves);
  }

  /** The curve of a channel. */
  public Curve get(Channel channel) {
    Curve curve = curves.get(channel);
    if (curve == null) {
      throw new RefusedException(
          "channel",
          channel.id(),
          String.join(", ", curves.keySet().stream().map(Channel::id).toList()));
    }
    return curve;
  }

  public Channels with(Channel channel, Curve curve) {
    get(channel);
    EnumMap<Channel, Curve> next = new EnumMap<>(curves);
    next.put(channel, curve);
    return new Channels(next);
  }

  /** With all of the given curves. */
  public Channels with(Map<Channel, Curve> changed) {
    changed.keySet().forEach(this::get);
    EnumMap<Channel, Curve> next = new EnumMap<>(curves);
    next.putAll(changed);
    return new Channels(next);
  }

  /** With each of the given channels' curves changed. */
  public Channels map(Collection<Channel> which, UnaryOperator<Curve> change) {
    EnumMap<Channel, Curve> next = new EnumMap<>(curves);
    which.forEach(c -> next.put(c, change.apply(get(c))));
    return new Channels(next);
  }

  /** With still values, pose channels only. */
  public Channels restingAt(double x, double y, double z, double pan, double tilt, double roll) {
    double[] values = {x, y, z, pan, tilt, roll};
    EnumMap<Channel, Curve> next = new EnumMap<>(curves);
    Channel.POSE.forEach(c -> next.put(c, get(c).withRest(values[c.ordinal()])));
    return new Channels(next);
  }

  /** Whether any of the channels has keys. */
  public boolean isKeyed(Collection<Channel> which) {
    return which.stream().anyMatch(c -> curves.containsKey(c) && curves.get(c).isKeyed());
  }

  /** All frames at which one of the channels has a key. */
  public NavigableSet<Double> keyFrames(Collection<Channel> which) {
    TreeSet<Double> frames = new TreeSet<>();
    which.stream()
        .filter(curves::containsKey)
        .forEach(c -> curves.get(c).keys().forEach(k -> frames.add(k.frame())));
    return frames;
  }
}
