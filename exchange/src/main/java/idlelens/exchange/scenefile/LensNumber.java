package idlelens.exchange.scenefile;

/** What the number of a lens means to a receiver. */
public enum LensNumber {
  /** Focal length in millimetres, on the receiver's film back. */
  FOCAL_LENGTH("Focal length, mm"),
  /** Full angle across, in degrees. */
  HORIZONTAL_ANGLE("Angle across, degrees"),
  /** Full angle up, in degrees. */
  VERTICAL_ANGLE("Angle up, degrees"),
  /** How far behind the picture plane the eye stands, in pixels: width / (2 tan(across / 2)). */
  ZOOM("Zoom, pixels");

  private final String label;

  LensNumber(String label) {
    this.label = label;
  }

  /** In words. */
  public String label() {
    return label;
  }
}
