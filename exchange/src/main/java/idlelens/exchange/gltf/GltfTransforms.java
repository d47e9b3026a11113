package idlelens.exchange.gltf;

import idlelens.exchange.format.FormatException;
import idlelens.exchange.json.JsonPlace;
import idlelens.exchange.scenefile.Channel;
import idlelens.exchange.scenefile.Op;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;

/** How a node stands in its parent, from its three properties or its matrix and what moves them. */
final class GltfTransforms {
  private static final int MATRIX = 16;
  private static final double SHORTEST = 0.5;
  private static final double LONGEST = 2;

  private GltfTransforms() {}

  static List<Op> read(JsonPlace node, int index, GltfAnimations animations)
      throws FormatException {
    Optional<Channel> places = animations.find(index, "translation");
    Optional<Channel> turns = animations.find(index, "rotation");
    Optional<Channel> sizes = animations.find(index, "scale");
    boolean moves = places.isPresent() || turns.isPresent() || sizes.isPresent();
    if (node.has("matrix")) {
      Op whole = new Op.Whole(numbers(node.get("matrix"), MATRIX));
      if (!moves) {
        return List.of(whole);
      }
    }
    List<Op> ops = new ArrayList<>();
    ops.add(Op.Place.of(places.orElse(vector(node, "translation", 0))));
    ops.add(new Op.Turn(turns.orElse(turn(node))));
    ops.add(Op.Size.of(sizes.orElse(vector(node, "scale", 1))));
    return ops;
  }

  private static Channel turn(JsonPlace node) throws FormatException {
    if (!node.has("rotation")) {
      return Channel.still(node.path(), 0, 0, 0, 1);
    }
    Channel turn = numbers(node.get("rotation"), 4);
    double length = Math.sqrt(Arrays.stream(turn.values()).map(v -> v * v).sum());
    if (!(length > SHORTEST && length < LONGEST)) {
      throw new FormatException(turn.path(), "of length " + length, "a quaternion of length 1");
    }
    return turn;
  }

  private static Channel vector(JsonPlace node, String field, double otherwise)
      throws FormatException {
    return node.has(field)
        ? numbers(node.get(field), 3)
        : Channel.still(node.path(), otherwise, otherwise, otherwise);
  }

  private static Channel numbers(JsonPlace place, int count) throws FormatException {
    double[] all = new double[count];
    for (int i = 0; i < count; i++) {
      all[i] = place.at(i).number();
    }
    return Channel.still(place.path(), all);
  }
}
