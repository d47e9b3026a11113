package idlelens.exchange.incoming;

import idlelens.exchange.scenefile.Channel;
import idlelens.exchange.scenefile.FileNode;
import idlelens.exchange.scenefile.Lane;
import idlelens.exchange.scenefile.Op;
import java.util.ArrayList;
import java.util.List;
import org.joml.Matrix3d;
import org.joml.Matrix4d;
import org.joml.Quaterniond;
import org.joml.Vector3d;

/**
 * How a node stands in its parent: where its factors are shifts, then turns, then sizes, as these;
 * otherwise as their product, still or moving.
 */
final class LocalMotion {
  private final String path;
  private final List<Op> ops;
  private final List<Op.Place> shifts = new ArrayList<>();
  private final List<Op> turns = new ArrayList<>();
  private final List<Op.Size> sizes = new ArrayList<>();
  private final boolean ordered;
  private final boolean constant;

  private LocalMotion(String path, List<Op> ops) {
    this.path = path;
    this.ops = ops;
    this.constant = ops.stream().allMatch(Op::isConstant);
    this.ordered = sort();
  }

  static LocalMotion of(FileNode node) {
    return new LocalMotion(node.where(), node.ops().stream().filter(LocalMotion::does).toList());
  }

  /** Whether an op does anything. */
  private static boolean does(Op op) {
    return !op.isConstant() || !op.at(0).equals(new Matrix4d(), 0);
  }

  /** Whether the factors are shifts, then turns, then sizes. */
  private boolean sort() {
    for (Op op : ops) {
      if (op instanceof Op.Place place && turns.isEmpty() && sizes.isEmpty()) {
        shifts.add(place);
      } else if ((op instanceof Op.Turn || op instanceof Op.Spin) && sizes.isEmpty()) {
        turns.add(op);
      } else if (op instanceof Op.Size size) {
        sizes.add(size);
      } else {
        return false;
      }
    }
    return true;
  }

  String path() {
    return path;
  }

  /** Whether shifts, turns and sizes can be told apart at all times. */
  boolean isOrdered() {
    return ordered || constant;
  }

  boolean moves() {
    return !constant;
  }

  /** What turns it, while that moves. */
  boolean isTurning() {
    return turns.stream().anyMatch(op -> !op.isConstant()) && ordered;
  }

  /** Whether its sizes move. */
  boolean isResizing() {
    return sizes.stream().anyMatch(op -> !op.isConstant()) && ordered;
  }

  boolean isShifting() {
    return shifts.stream().anyMatch(op -> !op.isConstant()) && ordered;
  }

  /** Whether its turn or its size moves. */
  boolean changes() {
    return isTurning() || isResizing() || !isOrdered();
  }

  TurnPath turning() {
    return new TurnPath(turns, path);
  }

  /** The lanes of all shifts, along one axis after another. */
  List<Lane> lanes() {
    return shifts.stream().flatMap(s -> s.lanes().stream()).toList();
  }

  private double start() {
    return ops.stream()
        .flatMap(op -> op.channels().stream())
        .filter(c -> !c.isStill())
        .mapToDouble(c -> c.times()[0])
        .min()
        .orElse(0);
  }

  Vector3d place() {
    return placeAt(start());
  }

  Vector3d placeAt(double time) {
    if (!ordered) {
      return Op.product(ops, time).getTranslation(new Vector3d());
    }
    Vector3d sum = new Vector3d();
    shifts.forEach(s -> sum.add(s.shiftAt(time)));
    return sum;
  }

  /** Its turn while that stands still. */
  Quaterniond turn() {
    if (ordered) {
      return turning().at(start());
    }
    Matrix3d turn = Sizes.turnOf(linear(), new Matrix3d());
    return turn.getNormalizedRotation(new Quaterniond()).normalize();
  }

  /** Its sizes at the start. */
  Vector3d sizes() {
    return sizesAt(start());
  }

  Vector3d sizesAt(double time) {
    Vector3d all = new Vector3d(1);
    sizes.forEach(s -> all.mul(s.sizesAt(time)));
    return all;
  }

  /** The linear part at the start. */
  Matrix3d linear() {
    return linearAt(start());
  }

  Matrix3d linearAt(double time) {
    return ordered
        ? new Matrix3d().rotation(turning().at(time)).scale(sizesAt(time))
        : Op.product(ops, time).get3x3(new Matrix3d());
  }

  /** Whether its sizes stay above zero along y and z, so that they turn nothing. */
  boolean keepsItsTurn() {
    if (!ordered) {
      return false;
    }
    for (Op.Size size : sizes) {
      for (Lane lane : List.of(size.y(), size.z())) {
        Channel channel = lane.channel();
        for (int k = 0; k < channel.keys(); k++) {
          if (!(channel.value(k, lane.component()) > 0)) {
            return false;
          }
        }
      }
    }
    return true;
  }
}
