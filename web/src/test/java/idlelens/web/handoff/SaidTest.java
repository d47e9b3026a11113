package idlelens.web.handoff;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import idlelens.core.edit.Keep;
import idlelens.core.rule.RefusedException;
import idlelens.exchange.incoming.Fitting;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** What is said beside a file, now and the last time. */
class SaidTest {
  private static final Map<String, String> BEFORE =
      Map.of(
          "rate", "25",
          "firstFrame", "990",
          "axes", "z-up",
          "metresPerUnit", "0.01",
          "scale", "2.0",
          "keys", "few",
          "tolerance", "5.0",
          "carriers", "true");

  private static final Said NOTHING = said(null, null, null, null, null);

  private static Said said(
      Integer first, String axes, String keys, Double tolerance, Boolean carriers) {
    return new Said(4L, null, null, null, first, axes, null, null, keys, tolerance, carriers, true);
  }

  @Test
  void whatLasts_comesBackAsItWasSaid() {
    Said all = new Said(4L, null, "B-cam", "25", 990, "z-up", 0.01, 2.0, "few", 5.0, true, null);
    assertThat(all.lasting()).isEqualTo(BEFORE);
    assertThat(NOTHING.renewing(all.lasting()).lasting()).isEqualTo(BEFORE);
    assertThat(NOTHING.lasting()).isEmpty();
  }

  @Test
  void whatIsSaidNow_counts_andTheRestIsAsBefore() {
    Said now = said(1001, "y-up", null, null, null).renewing(BEFORE);
    assertThat(now.firstFrame()).isEqualTo(1001);
    assertThat(now.axes()).isEqualTo("y-up");
    assertThat(now.rate()).isEqualTo("25");
    assertThat(now.metresPerUnit()).isEqualTo(0.01);
    assertThat(now.scale()).isEqualTo(2);
    assertThat(now.renews()).isTrue();
  }

  /** A tolerance belongs to the keys that it was said for; on what cameras ride stays. */
  @ParameterizedTest
  @CsvSource({
    ",             , few,          5",
    ",             2, few,          2",
    "few,          , few,",
    "every-frame,  , every-frame,",
    "as-they-came, , as-they-came,",
  })
  void keys_areSaidWithTheirTolerance(String keys, Double tolerance, String then, Double loose) {
    Said now = said(null, null, keys, tolerance, false).renewing(BEFORE);
    assertThat(now.keys()).isEqualTo(then);
    assertThat(now.tolerance()).isEqualTo(loose);
    assertThat(now.onCarriers()).isTrue();
    assertThat(said(null, null, keys, tolerance, true).renewing(Map.of()).onCarriers()).isFalse();
  }

  @Test
  void blankFields_areNotSaid() {
    Said blank = new Said(4L, " ", "", " ", null, "", null, null, "  ", null, null, null);
    assertThat(blank.lasting()).isEmpty();
    assertThat(Landing.of(blank)).isEqualTo(new Landing(4L, null, null, false, null));
  }

  @Test
  void landings_areWrittenAsItIsSaid() {
    Fitting few = Landing.of(said(null, null, "few", 3.0, null)).fitting();
    assertThat(few).isEqualTo(new Fitting(Keep.FITTED, 3, Fitting.Carriers.AS_IT_IS));
    Fitting riding = Landing.of(said(null, null, "as-they-came", null, true)).fitting();
    assertThat(riding).isEqualTo(new Fitting(Keep.EVERY_FRAME, 1, Fitting.Carriers.DOLLY_AND_HEAD));
    assertThat(Landing.of(said(null, null, "as-they-came", null, null)).fitting()).isNull();
  }

  @Test
  void whatContradictsItself_isRefused() {
    assertRefused(said(null, null, "some", null, null), "keys is 'some'");
    assertRefused(
        new Said(null, "cam", null, null, null, null, null, null, null, null, null, null),
        "onto is 'cam' without a shot");
    assertRefused(
        new Said(null, null, null, null, null, null, null, null, null, null, null, true),
        "renew is with a new shot or a camera");
    assertRefused(
        new Said(4L, "cam", null, null, null, null, null, null, null, null, null, true),
        "renew is with a new shot or a camera");
  }

  private static void assertRefused(Said said, String words) {
    assertThatThrownBy(() -> Landing.of(said))
        .isInstanceOf(RefusedException.class)
        .hasMessageStartingWith(words);
  }
}
