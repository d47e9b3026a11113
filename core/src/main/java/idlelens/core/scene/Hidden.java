package idlelens.core.scene;

/**
 * Where a node is not shown.
 *
 * @param views in plan, side and outside
 * @param picture in pictures
 * @param files in files that go out; elsewhere it goes along, marked as hidden
 */
public record Hidden(boolean views, boolean picture, boolean files) {
  /** Shown everywhere. */
  public static final Hidden NOWHERE = new Hidden(false, false, false);

  /** Out of sight on the page, and still in files. */
  public static final Hidden IN_SIGHT = new Hidden(true, true, false);

  public static Hidden of(boolean inSight) {
    return inSight ? IN_SIGHT : NOWHERE;
  }
}
