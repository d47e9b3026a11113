package idlelens.core.scene;

import idlelens.core.rule.RefusedException;
import idlelens.core.rule.Require;
import java.util.Arrays;
import java.util.List;

/** What can be keyed, with the unit in which its curve is kept and the range it may have. */
public enum Channel {
  X("x", "m", -1e5, 1e5, 0),
  Y("y", "m", -1e5, 1e5, 0),
  Z("z", "m", -1e5, 1e5, 0),
  PAN("pan", "°", -1e6, 1e6, 0),
  TILT("tilt", "°", -1e6, 1e6, 0),
  ROLL("roll", "°", -1e6, 1e6, 0),
  FOCAL("focal", "mm", 1, 5000, 35),
  F_STOP("fstop", "", 0.5, 128, 2.8),
  FOCUS("focus", "m", 0.01, 1e5, 5);

  /** Place and turn, in this order. */
  public static final List<Channel> POSE = List.of(X, Y, Z, PAN, TILT, ROLL);

  /** What only a camera has. */
  public static final List<Channel> LENS = List.of(FOCAL, F_STOP, FOCUS);

  private final String id;
  private final String unit;
  private final double least;
  private final double most;
  private final double usual;

  Channel(String id, String unit, double least, double most, double usual) {
    this.id = id;
    this.unit = unit;
    this.least = least;
    this.most = most;
    this.usual = usual;
  }

  /** The name in files and in the API. */
  public String id() {
    return id;
  }

  public String unit() {
    return unit;
  }

  /** The rest value of a new node. */
  public double usual() {
    return usual;
  }

  public boolean isPose() {
    return ordinal() <= ROLL.ordinal();
  }

  public boolean isTurn() {
    return unit.equals("°");
  }

  /** The value, if it lies in the range of this channel. */
  public double check(double value) {
    return Require.within(value, least, most, id);
  }

  /** Whether a value lies in the range of this channel. */
  public boolean holds(double value) {
    return value >= least && value <= most;
  }

  /** The nearest value in the range, for samples of curves that leave it. */
  public double clamp(double value) {
    return Math.max(least, Math.min(most, value));
  }

  /** The channel of that name. */
  public static Channel of(String id) {
    return Arrays.stream(values())
        .filter(c -> c.id.equals(id))
        .findFirst()
        .orElseThrow(
            () ->
                new RefusedException(
                    "channel",
                    "'" + id + "'",
                    String.join(", ", Arrays.stream(values()).map(Channel::id).toList())));
  }
}
