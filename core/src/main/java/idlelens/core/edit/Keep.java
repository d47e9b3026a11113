package idlelens.core.edit;

/** What stays of a node when it is given to another carrier. */
public enum Keep {
  /** The node's own numbers: it jumps to where they mean in its new space. */
  NUMBERS,
  /** Its place and turn at one frame. */
  PLACE,
  /** Its motion over the shot and its handles, written as a key on every frame. */
  EVERY_FRAME,
  /**
   * The same, with few keys: each channel within a tenth of a millimetre or a thousandth of a
   * degree.
   */
  FITTED;

  public boolean isMotion() {
    return this == EVERY_FRAME || this == FITTED;
  }
}
