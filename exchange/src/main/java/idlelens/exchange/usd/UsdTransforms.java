package idlelens.exchange.usd;

import idlelens.exchange.format.FormatException;
import idlelens.exchange.scenefile.Channel;
import idlelens.exchange.scenefile.Lane;
import idlelens.exchange.scenefile.Op;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.joml.Vector3d;

/** The transform of a prim: its {@code xformOp}s in their order. */
final class UsdTransforms {
  private static final String INVERT = "!invert!";
  static final String RESET = "!resetXformStack!";
  private static final int MOST_OPS = 100;
  private static final int MATRIX = 16;

  private final UsdPrim prim;

  private UsdTransforms(UsdPrim prim) {
    this.prim = prim;
  }

  /** Whether a prim stands in the world, whatever carries it. */
  static boolean resets(UsdPrim prim) {
    return prim.words("xformOpOrder").contains(RESET);
  }

  static List<Op> read(UsdPrim prim) throws FormatException {
    List<String> order = prim.words("xformOpOrder");
    if (order.size() > MOST_OPS) {
      throw new FormatException(
          prim.path() + ".xformOpOrder", order.size() + " ops", "at most 100");
    }
    List<Op> all = new ArrayList<>();
    for (String word : order.subList(order.lastIndexOf(RESET) + 1, order.size())) {
      boolean inverted = word.startsWith(INVERT);
      String name = inverted ? word.substring(INVERT.length()) : word;
      List<Op> ops = new UsdTransforms(prim).op(name);
      if (inverted) {
        for (int i = ops.size() - 1; i >= 0; i--) {
          all.add(new Op.Undone(ops.get(i)));
        }
      } else {
        all.addAll(ops);
      }
    }
    return all;
  }

  private List<Op> op(String name) throws FormatException {
    String[] parts = name.split(":");
    if (parts.length < 2 || !parts[0].equals("xformOp")) {
      throw new FormatException(
          prim.path() + ".xformOpOrder", "'" + name + "'", "xformOp:translate and the like");
    }
    String kind = parts[1];
    switch (kind) {
      case "translate":
        return List.of(Op.Place.of(channel(name, 3)));
      case "scale":
        return List.of(Op.Size.of(channel(name, 3)));
      case "orient":
        // the real part comes first in a file
        return List.of(
            new Op.Turn(
                channel(name, 4)
                    .picked(new int[] {1, 2, 3, 0}, new double[] {1, 1, 1, 1})
                    .checked()));
      case "transform":
        return List.of(new Op.Whole(channel(name, MATRIX)));
      default:
        return spins(name, kind);
    }
  }

  /** {@code rotateX} about one axis; {@code rotateXYZ} about three, X first. */
  private List<Op> spins(String name, String kind) throws FormatException {
    String letters = kind.startsWith("rotate") ? kind.substring("rotate".length()) : "";
    if (!letters.matches("[XYZ]|XYZ|XZY|YXZ|YZX|ZXY|ZYX")) {
      throw new FormatException(
          prim.path() + "." + name,
          "'" + kind + "'",
          "translate, scale, orient, transform, rotateX, rotateY, rotateZ, rotateXYZ and its orders");
    }
    Channel degrees = channel(name, letters.length());
    List<Op> spins = new ArrayList<>();
    for (int i = letters.length() - 1; i >= 0; i--) {
      int axis = letters.charAt(i) - 'X';
      Vector3d about = new Vector3d(axis == 0 ? 1 : 0, axis == 1 ? 1 : 0, axis == 2 ? 1 : 0);
      spins.add(new Op.Spin(about, new Lane(degrees, letters.length() == 1 ? 0 : axis)));
    }
    return spins;
  }

  private Channel channel(String name, int components) throws FormatException {
    return find(prim, name, components)
        .orElseThrow(
            () ->
                new FormatException(
                    prim.path() + "." + name, "without a value", components + " numbers"));
  }

  /** A property with so many numbers, still or over time; nothing if it has no value. */
  static Optional<Channel> find(UsdPrim prim, String name, int components) throws FormatException {
    String path = prim.path() + "." + name;
    UsdValue.Samples samples = prim.samples.get(name);
    if (samples != null) {
      requireCount(path, samples.each(), components);
      Channel channel =
          new Channel(samples.times(), samples.values(), Channel.Between.LINEAR, components, path);
      return Optional.of(channel.checked());
    }
    Optional<double[]> still = prim.numbers(name);
    if (still.isEmpty()) {
      return Optional.empty();
    }
    requireCount(path, still.get().length, components);
    return Optional.of(Channel.still(path, still.get()).checked());
  }

  private static void requireCount(String path, int found, int allowed) throws FormatException {
    if (found != allowed) {
      throw new FormatException(path, found + " numbers", allowed + " numbers");
    }
  }
}
