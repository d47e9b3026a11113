package idlelens.web.handoff;

import idlelens.core.edit.Keep;
import idlelens.core.rule.RefusedException;
import idlelens.exchange.incoming.Fitting;

/**
 * Where what came in goes, and how it is written.
 *
 * @param shotId the shot that it is put into, or null for one of its own
 * @param onto the camera of the shot whose motion it replaces, or null
 * @param camera the name of the file's camera that counts, or null for the first
 * @param renew whether what came from a file of that name before is renewed
 * @param fitting how the motion of cameras is written, or null to leave it as it came
 */
record Landing(Long shotId, String onto, String camera, boolean renew, Fitting fitting) {
  private static final double USUAL_TOLERANCE = 1;

  static Landing of(
      Long shot, String onto, String camera, String keys, Double tolerance, boolean carriers) {
    boolean plain = keys == null || keys.isBlank() || keys.equals("as-they-came");
    if (!plain && !keys.equals("few") && !keys.equals("every-frame")) {
      throw new RefusedException("keys", "'" + keys + "'", "as-they-came, few or every-frame");
    }
    boolean onCamera = onto != null && !onto.isBlank();
    boolean written = !plain || onCamera || carriers;
    Fitting fitting =
        written
            ? new Fitting(
                "few".equals(keys) ? Keep.FITTED : Keep.EVERY_FRAME,
                tolerance == null ? USUAL_TOLERANCE : tolerance,
                carriers ? Fitting.Carriers.DOLLY_AND_HEAD : Fitting.Carriers.AS_IT_IS)
            : null;
    if (onCamera && shot == null) {
      throw new RefusedException("onto", "'" + onto + "' without a shot", "a camera of a shot");
    }
    return new Landing(shot, onCamera ? onto : null, camera, false, fitting);
  }

  /** What came from the file before is renewed. */
  Landing renewing() {
    if (shotId == null || onto != null || fitting != null) {
      throw new RefusedException(
          "renew", "with a new shot, a camera or other keys", "a shot, and keys as they came");
    }
    return new Landing(shotId, null, camera, true, null);
  }
}
