package idlelens.exchange.scenefile;

import idlelens.core.rule.Require;

/**
 * How the numbers of a file are to be taken.
 *
 * @param order of the angles of a turn
 * @param lens what the number of a lens means
 * @param picture for what is said in pixels
 */
public record Wording(TurnOrder order, LensNumber lens, PictureSpace picture) {
  /** Pan, tilt, roll; focal lengths. */
  public static final Wording OURS =
      new Wording(TurnOrder.PAN_TILT_ROLL, LensNumber.FOCAL_LENGTH, PictureSpace.USUAL);

  public Wording {
    Require.present(order, "order");
    Require.present(lens, "lens");
    Require.present(picture, "picture");
  }
}
