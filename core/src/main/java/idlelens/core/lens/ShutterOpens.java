package idlelens.core.lens;

/** When the shutter is open, seen from the moment of the frame. */
public enum ShutterOpens {
  /** Half of the time before it, half of it after. */
  CENTRED(-0.5),
  /** All of it after. */
  FORWARD(0);

  private final double begins;

  ShutterOpens(double begins) {
    this.begins = begins;
  }

  /** Where it opens, in parts of the time that it is open, counted from the frame. */
  public double begins() {
    return begins;
  }
}
