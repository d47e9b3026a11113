package idlelens.core.edit;

import idlelens.core.curve.Curve;
import idlelens.core.curve.Key;
import idlelens.core.curve.Tangent;
import idlelens.core.rule.RefusedException;
import idlelens.core.scene.ChainPart;
import idlelens.core.scene.Channel;
import idlelens.core.scene.Channels;
import idlelens.core.scene.Node;
import idlelens.core.scene.Shot;
import java.util.Collection;
import java.util.EnumMap;
import java.util.LinkedHashSet;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;

/** Writes values into the channels of a node, as keys or as rest values. */
final class Keyed {
  private Keyed() {}

  static Shot write(
      Shot shot, String id, double frame, Map<Channel, Double> values, Keying keying) {
    Node node = shot.node(id);
    Channels channels = node.channels();
    EnumMap<Channel, Curve> next = new EnumMap<>(Channel.class);
    for (Channel channel : affected(values.keySet(), keying)) {
      if (!values.containsKey(channel) && !node.filter().passes(channel)) {
        continue;
      }
      Curve curve = channels.get(channel);
      refuseSwitchedOff(node, channel, curve);
      double value =
          values.containsKey(channel) ? channel.check(values.get(channel)) : curve.at(frame);
      next.put(
          channel,
          keying == Keying.STILL
              ? rest(node, channel, curve, frame, value)
              : curve.withKey(key(shot, curve, frame, value)));
    }
    return shot.withNode(node.withChannels(channels.with(next)));
  }

  /** What is set at a frame must be seen there. */
  private static void refuseSwitchedOff(Node node, Channel channel, Curve curve) {
    ChainPart part = ChainPart.of(channel);
    if (curve.isKeyed() && !node.isOn(part)) {
      throw new RefusedException(
          node.name() + "." + channel.id(),
          "without effect while " + part.title() + " is switched off",
          "to set it after switching " + part.title() + " on");
    }
  }

  static Set<Channel> affected(Collection<Channel> changed, Keying keying) {
    Set<Channel> all = new LinkedHashSet<>(changed);
    if (keying == Keying.WHOLE_POSE && changed.stream().anyMatch(Channel::isPose)) {
      all.addAll(Channel.POSE);
    }
    return all;
  }

  static Set<String> touches(String id, Collection<Channel> changed) {
    return changed.stream().map(c -> id + "/" + c.id()).collect(Collectors.toSet());
  }

  private static Curve rest(Node node, Channel channel, Curve curve, double frame, double value) {
    if (!curve.isKeyed()) {
      return curve.withRest(value);
    }
    int at = curve.indexOf(frame);
    if (at < 0) {
      throw new RefusedException(
          node.name() + "." + channel.id(),
          "keyed, with no key at frame " + frame,
          "to set a key here, or to change it at one of its keys");
    }
    return curve.withKey(curve.keys().get(at).withValue(value));
  }

  /** A key with the tangent of the one it replaces, or with the shot's tangent for new keys. */
  private static Key key(Shot shot, Curve curve, double frame, double value) {
    int at = curve.indexOf(frame);
    Tangent tangent = at >= 0 ? curve.keys().get(at).tangent() : shot.header().newKeys();
    return new Key(frame, value, tangent);
  }
}
