package idlelens.exchange.incoming;

import idlelens.exchange.scenefile.Channel;
import idlelens.exchange.scenefile.Lane;
import idlelens.exchange.scenefile.Op;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.TreeSet;
import org.joml.Quaterniond;
import org.joml.Vector3d;

/**
 * How something turns over the time of a file.
 *
 * @param factors turns and spins, of which the last stands nearest to what is turned
 * @param path where they stand in the file
 */
record TurnPath(List<Op> factors, String path) {
  private static final double ON_AXIS = 1e-9;

  /** Pan, tilt and roll, about these in this order. */
  private static final List<Vector3d> AXES =
      List.of(new Vector3d(0, 1, 0), new Vector3d(1, 0, 0), new Vector3d(0, 0, 1));

  TurnPath {
    factors = List.copyOf(factors);
  }

  /** With a still turn behind all others. */
  TurnPath then(Quaterniond turn) {
    double angle = turn.angle();
    if (Math.abs(Math.sin(angle / 2)) < ON_AXIS) {
      return this;
    }
    Vector3d axis = new Vector3d(turn.x, turn.y, turn.z).normalize();
    List<Op> all = new ArrayList<>(factors);
    all.add(new Op.Spin(axis, Lane.still(path, Math.toDegrees(angle))));
    return new TurnPath(all, path);
  }

  TurnPath in(AxisMap axes) {
    return new TurnPath(axes.factors(factors), path);
  }

  /** The turn at a time of the file. */
  Quaterniond at(double time) {
    Quaterniond all = new Quaterniond();
    for (Op op : factors) {
      all.mul(op instanceof Op.Spin spin ? spin.turnAt(time) : ((Op.Turn) op).turns().turnAt(time));
    }
    return all.normalize();
  }

  List<Channel> moving() {
    return factors.stream()
        .flatMap(op -> op.channels().stream())
        .filter(channel -> !channel.isStill())
        .toList();
  }

  /** The times of all keys. */
  double[] times() {
    TreeSet<Double> times = new TreeSet<>();
    for (Channel channel : moving()) {
      for (double time : channel.times()) {
        times.add(time);
      }
    }
    return times.stream().mapToDouble(Double::doubleValue).toArray();
  }

  /** Whether its keys are held, all of them. */
  boolean isHeld() {
    return moving().stream().allMatch(c -> c.between() == Channel.Between.STEP);
  }

  /** Whether it goes evenly from key to key. */
  boolean isLinear() {
    return moving().stream().allMatch(c -> c.between() == Channel.Between.LINEAR);
  }

  /**
   * An angle that is one lane of the file.
   *
   * @param lane what moves it, if anything does
   * @param sign 1 or -1
   * @param plus degrees besides
   */
  record Angle(Optional<Lane> lane, double sign, double plus) {}

  /** Pan, tilt and roll as lanes of the file, where its turns are just these. */
  Optional<List<Angle>> angles() {
    Angle[] angles = new Angle[AXES.size()];
    Arrays.fill(angles, new Angle(Optional.empty(), 1, 0));
    int before = 0;
    for (Op op : factors) {
      if (!(op instanceof Op.Spin spin)) {
        return Optional.empty();
      }
      int slot = slot(spin.axis());
      if (slot < before) {
        return Optional.empty();
      }
      Optional<Angle> joined = joined(angles[slot], spin, spin.axis().dot(AXES.get(slot)));
      if (joined.isEmpty()) {
        return Optional.empty();
      }
      angles[slot] = joined.get();
      before = slot;
    }
    return Optional.of(List.of(angles));
  }

  private static int slot(Vector3d axis) {
    for (int i = 0; i < AXES.size(); i++) {
      if (Math.abs(Math.abs(axis.dot(AXES.get(i))) - 1) < ON_AXIS) {
        return i;
      }
    }
    return -1;
  }

  private static Optional<Angle> joined(Angle angle, Op.Spin spin, double along) {
    double sign = Math.signum(along);
    if (spin.degrees().isConstant()) {
      double more = sign * spin.degrees().channel().value(0, spin.degrees().component());
      return Optional.of(new Angle(angle.lane, angle.sign, angle.plus + more));
    }
    return angle.lane.isPresent()
        ? Optional.empty()
        : Optional.of(new Angle(Optional.of(spin.degrees()), sign, angle.plus));
  }
}
