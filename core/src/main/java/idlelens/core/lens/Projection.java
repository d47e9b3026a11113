package idlelens.core.lens;

/** How what a camera sees gets into its picture. */
public enum Projection {
  /** Through the middle of the lens: what is farther off is smaller. */
  PERSPECTIVE,

  /** In parallel: as large at any distance, and sharp at any. */
  ORTHOGRAPHIC
}
