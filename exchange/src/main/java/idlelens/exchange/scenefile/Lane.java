package idlelens.exchange.scenefile;

/** One component of a channel. */
public record Lane(Channel channel, int component) {
  /** The only component of a channel. */
  public static Lane of(Channel channel) {
    return new Lane(channel, 0);
  }

  /** A number that never changes. */
  public static Lane still(String path, double value) {
    return of(Channel.still(path, value));
  }

  public double at(double time) {
    return channel.at(time, component);
  }

  /** Whether it has one value at all times. */
  public boolean isConstant() {
    for (int k = 0; k < channel.keys(); k++) {
      if (channel.value(k, component) != channel.value(0, component)) {
        return false;
      }
    }
    return channel.isStill() || !bends();
  }

  private boolean bends() {
    for (int k = 0; k < channel.keys(); k++) {
      boolean bends =
          switch (channel.between()) {
            case LINEAR, STEP -> false;
            case HERMITE ->
                channel.inSlope(k, component) != 0 || channel.outSlope(k, component) != 0;
            case BEZIER -> !channel.isConstant();
          };
      if (bends) {
        return true;
      }
    }
    return false;
  }

  public Lane times(double factor) {
    return new Lane(channel.times(factor), component);
  }
}
