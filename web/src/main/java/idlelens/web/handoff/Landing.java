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

  static Landing of(Said said) {
    String keys = said.keys();
    boolean plain = keys == null || keys.equals("as-they-came");
    if (!plain && !keys.equals("few") && !keys.equals("every-frame")) {
      throw new RefusedException("keys", "'" + keys + "'", "as-they-came, few or every-frame");
    }
    if (said.onto() != null && said.shot() == null) {
      throw new RefusedException(
          "onto", "'" + said.onto() + "' without a shot", "a camera of a shot");
    }
    if (said.renews() && (said.shot() == null || said.onto() != null)) {
      throw new RefusedException("renew", "with a new shot or a camera", "a shot");
    }
    boolean written = !plain || said.onto() != null || said.onCarriers();
    return new Landing(
        said.shot(), said.onto(), said.camera(), said.renews(), written ? fitting(said) : null);
  }

  private static Fitting fitting(Said said) {
    return new Fitting(
        "few".equals(said.keys()) ? Keep.FITTED : Keep.EVERY_FRAME,
        said.tolerance() == null ? USUAL_TOLERANCE : said.tolerance(),
        said.onCarriers() ? Fitting.Carriers.DOLLY_AND_HEAD : Fitting.Carriers.AS_IT_IS);
  }
}
