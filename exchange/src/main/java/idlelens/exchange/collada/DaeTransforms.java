package idlelens.exchange.collada;

import idlelens.exchange.format.FormatException;
import idlelens.exchange.scenefile.Channel;
import idlelens.exchange.scenefile.Lane;
import idlelens.exchange.scenefile.Op;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.joml.Matrix4d;
import org.joml.Vector3d;

/** The transform of a node: its elements in their order, with what moves them. */
final class DaeTransforms {
  private static final int MATRIX = 16;
  private static final Set<String> KINDS =
      Set.of("translate", "rotate", "scale", "matrix", "lookat", "skew");

  private final DaeAnimations animations;
  private final Set<String> notes;

  DaeTransforms(DaeAnimations animations, Set<String> notes) {
    this.animations = animations;
    this.notes = notes;
  }

  List<Op> read(Element node) throws FormatException {
    List<Op> ops = new ArrayList<>();
    for (Element child : node.children()) {
      if (KINDS.contains(child.name())) {
        ops.add(op(node, child));
      }
    }
    return ops;
  }

  private Op op(Element node, Element place) throws FormatException {
    Map<String, Channel> moving = animations.of(node.attribute("id"), place.attribute("sid"));
    switch (place.name()) {
      case "translate":
        return vector(place, moving, (x, y, z) -> new Op.Place(x, y, z));
      case "scale":
        return vector(place, moving, (x, y, z) -> new Op.Size(x, y, z));
      case "rotate":
        return rotate(place, moving);
      case "matrix":
        return matrix(place, moving);
      case "lookat":
        sayStill(place, moving);
        return new Op.Whole(Channel.still(place.place(), lookAt(place)));
      default:
        throw place.refusal("a skew", "translate, rotate, scale, matrix and lookat");
    }
  }

  /** Makes an op of three lanes. */
  private interface Three {
    Op of(Lane x, Lane y, Lane z);
  }

  private Op vector(Element place, Map<String, Channel> moving, Three three)
      throws FormatException {
    double[] still = place.numbers(3);
    Lane[] lanes = new Lane[3];
    Channel whole = moving.get("");
    for (int i = 0; i < 3; i++) {
      Channel own = first(moving, "." + "XYZ".charAt(i), "(" + i + ")");
      if (own != null) {
        lanes[i] = Lane.of(scalar(place, own));
      } else if (whole != null) {
        requireStride(place, whole, 3);
        lanes[i] = new Lane(whole, i);
      } else {
        lanes[i] = Lane.still(place.place(), still[i]);
      }
    }
    return three.of(lanes[0], lanes[1], lanes[2]);
  }

  private static Channel first(Map<String, Channel> moving, String... names) {
    for (String name : names) {
      if (moving.containsKey(name)) {
        return moving.get(name);
      }
    }
    return null;
  }

  private static Channel scalar(Element place, Channel channel) throws FormatException {
    requireStride(place, channel, 1);
    return channel;
  }

  private static void requireStride(Element place, Channel channel, int components)
      throws FormatException {
    if (channel.components() != components) {
      throw place.refusal(
          "moved by " + channel.components() + " numbers a key", components + " numbers a key");
    }
  }

  private Op rotate(Element place, Map<String, Channel> moving) throws FormatException {
    double[] still = place.numbers(4);
    Vector3d axis = new Vector3d(still[0], still[1], still[2]);
    if (!(axis.length() > 1e-9) || !Double.isFinite(axis.length())) {
      throw place.refusal("about an axis of length " + axis.length(), "an axis");
    }
    axis.normalize();
    Channel angle = first(moving, ".ANGLE", "(3)");
    Channel whole = moving.get("");
    if (angle == null && whole != null) {
      requireStride(place, whole, 4);
      sayAxisStays(place, whole, axis);
      return new Op.Spin(axis, new Lane(whole, 3));
    }
    return new Op.Spin(
        axis, angle == null ? Lane.still(place.place(), still[3]) : Lane.of(scalar(place, angle)));
  }

  private void sayAxisStays(Element place, Channel whole, Vector3d axis) {
    for (int k = 0; k < whole.keys(); k++) {
      Vector3d own = new Vector3d(whole.value(k, 0), whole.value(k, 1), whole.value(k, 2));
      if (own.length() > 0 && own.normalize().distance(axis) > 1e-6) {
        notes.add(place.place() + ": its axis moves; only its angle is taken");
        return;
      }
    }
  }

  private Op matrix(Element place, Map<String, Channel> moving) throws FormatException {
    double[] still = place.numbers(MATRIX);
    Channel whole = moving.get("");
    if (whole == null) {
      sayStill(place, moving);
      return new Op.Whole(Channel.still(place.place(), columns(still, 0)));
    }
    requireStride(place, whole, MATRIX);
    double[] values = new double[whole.values().length];
    for (int k = 0; k < whole.keys(); k++) {
      System.arraycopy(columns(whole.values(), k * MATRIX), 0, values, k * MATRIX, MATRIX);
    }
    return new Op.Whole(new Channel(whole.times(), values, whole.between(), MATRIX, whole.path()));
  }

  private void sayStill(Element place, Map<String, Channel> moving) {
    if (!moving.isEmpty()) {
      notes.add(place.place() + ": animation of its elements is left out");
    }
  }

  /** A matrix stands by rows; ours by columns. */
  private static double[] columns(double[] rows, int from) {
    double[] out = new double[MATRIX];
    for (int row = 0; row < 4; row++) {
      for (int column = 0; column < 4; column++) {
        out[column * 4 + row] = rows[from + row * 4 + column];
      }
    }
    return out;
  }

  private static double[] lookAt(Element place) throws FormatException {
    double[] v = place.numbers(9);
    Matrix4d view = new Matrix4d().lookAt(v[0], v[1], v[2], v[3], v[4], v[5], v[6], v[7], v[8]);
    if (!view.isFinite()) {
      throw place.refusal("without a direction", "an eye, a point before it, and up");
    }
    return view.invertAffine().get(new double[MATRIX]);
  }
}
