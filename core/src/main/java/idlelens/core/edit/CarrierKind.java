package idlelens.core.edit;

/** A ready carrier. */
public enum CarrierKind {
  /** Pan, tilt and roll, each on a null of its own, at the place of what it carries. */
  GIMBAL("Gimbal"),
  /** Turns about the vertical through the centre of a subject. */
  TURNTABLE("Turntable"),
  /** Swings and lifts what it carries at the end of an arm. */
  BOOM("Boom"),
  /** Rolls over the ground below what it carries, ahead along its view. */
  DOLLY("Dolly"),
  /** Where an operator carries a camera: sways and turns a little below it. */
  SHOULDER("Shoulder");

  private final String label;

  CarrierKind(String label) {
    this.label = label;
  }

  /** As its nulls are called. */
  public String label() {
    return label;
  }
}
