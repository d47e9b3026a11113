package idlelens.web.demo;

import idlelens.core.curve.Curve;
import idlelens.core.geometry.RigidPose;
import idlelens.core.part.Carriage;
import idlelens.core.part.Chain;
import idlelens.core.part.Lens;
import idlelens.core.part.Path;
import idlelens.core.scene.Node;
import idlelens.core.scene.NodeBody;
import idlelens.core.set.Drift;
import idlelens.core.set.Finish;
import idlelens.core.set.Haze;
import idlelens.core.set.Lamp;
import idlelens.core.set.Repetition;
import idlelens.core.set.Shape;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;

/**
 * Puts nodes on set, one line each. Metres and degrees; places are those in the carrier's space.
 */
final class SetBuilder {
  private final List<Node> nodes = new ArrayList<>();

  /** Where a node stands: place, pan, and its carrier's id. */
  record At(String carrier, double x, double y, double z, double pan) {
    static At world(double x, double y, double z) {
      return new At("", x, y, z, 0);
    }

    static At on(String carrier, double x, double y, double z) {
      return new At(carrier, x, y, z, 0);
    }

    At turned(double degrees) {
      return new At(carrier, x, y, z, degrees);
    }
  }

  SetBuilder group(String name, At at) {
    nodes.add(new Node.Null(body(id(name), name, at)));
    return this;
  }

  SetBuilder piece(String name, Shape shape, String colour, At at) {
    return piece(name, shape, Finish.matt(colour), at);
  }

  SetBuilder glow(String name, Shape shape, String colour, At at) {
    return piece(name, shape, new Finish(colour, Finish.Kind.GLOW), at);
  }

  SetBuilder piece(String name, Shape shape, Finish finish, At at) {
    nodes.add(new Node.Piece(body(id(name), name, at), shape, finish));
    return this;
  }

  SetBuilder sun(String name, String colour, double strength, double pan, double tilt) {
    Chain channels = Chain.pose().restingAt(10, 14, -6, pan, tilt, 0);
    nodes.add(
        new Node.Sun(
            new NodeBody(id(name), name, false, Carriage.WORLD, channels), colour, strength));
    return this;
  }

  SetBuilder light(String name, Lamp lamp, At at, double tilt) {
    Chain chain = Chain.pose().restingAt(at.x(), at.y(), at.z(), at.pan(), tilt, 0);
    nodes.add(
        new Node.Light(
            new NodeBody(
                id(name), name, false, new Carriage(at.carrier(), RigidPose.IDENTITY), chain),
            lamp));
    return this;
  }

  SetBuilder mist(String name, At at, Drift drift) {
    nodes.add(new Node.Mist(body(id(name), name, at), drift));
    return this;
  }

  SetBuilder haze(String name, Haze haze) {
    nodes.add(new Node.Hazy(body(id(name), name, At.world(0, 0, 0)), haze));
    return this;
  }

  SetBuilder repeat(String name, At at, Repetition repetition) {
    nodes.add(new Node.Repeat(body(id(name), name, at), repetition));
    return this;
  }

  SetBuilder carrier(String name, String carriedBy, Map<Path, Curve> curves) {
    nodes.add(new Node.Null(moving(name, carriedBy, Chain.pose().with(curves))));
    return this;
  }

  SetBuilder camera(String name, String carriedBy, Map<Path, Curve> curves, Lens lens) {
    nodes.add(new Node.Camera(moving(name, carriedBy, Chain.poseAndLens().with(curves)), lens));
    return this;
  }

  private static NodeBody moving(String name, String carriedBy, Chain channels) {
    return new NodeBody(
        id(name), name, false, new Carriage(carriedBy, RigidPose.IDENTITY), channels);
  }

  private static NodeBody body(String id, String name, At at) {
    Chain channels = Chain.pose().restingAt(at.x(), at.y(), at.z(), at.pan(), 0, 0);
    return new NodeBody(id, name, false, new Carriage(at.carrier(), RigidPose.IDENTITY), channels);
  }

  /** Keys a channel of a node that is on set. */
  SetBuilder moved(String id, Path path, Curve curve) {
    nodes.replaceAll(n -> n.id().equals(id) ? n.withChain(n.chain().with(path, curve)) : n);
    return this;
  }

  /** The id that a name gives. */
  static String id(String name) {
    return name.toLowerCase(Locale.ROOT).replace(' ', '-');
  }

  List<Node> nodes() {
    return nodes;
  }
}
