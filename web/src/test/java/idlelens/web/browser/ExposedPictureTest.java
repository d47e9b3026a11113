package idlelens.web.browser;

import static com.microsoft.playwright.options.WaitForSelectorState.HIDDEN;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import com.microsoft.playwright.Page;
import idlelens.web.app.RunningApp;
import java.util.Locale;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import tools.jackson.databind.JsonNode;

/**
 * Focus and shutter in the picture, against their formulas: a lamp before a black wall, read back
 * from the canvas as linear light.
 */
class ExposedPictureTest extends BrowserTest {
  private static final double FOCAL_MM = 50;
  private static final double SENSOR_MM = 24.89;
  private static final double TANGENT = SENSOR_MM / (2 * FOCAL_MM);
  private static final double FOCUS_M = 4;
  private static final int FRAME = 1010;
  private static final int PASSES = 64;
  private static final String STILL = ",\"shutter\":0";

  /** Each point of a picture stands for a square of light as large as itself. */
  private static final double DRAWN_VARIANCE = 1.0 / 12;

  /** Fills the picture up and gives middle and variance of its light, with its size. */
  private static final String LIGHT =
      """
      async ({ passes, beforeTone, inLoupe }) => {
        const { picture, desk, store } = idleLens;
        desk.goTo(1010);
        picture.setBlur({ mode: 'true', passes });
        picture.loupe.toggle(inLoupe);
        const { exposing, loupe } = picture;
        const done = () => (inLoupe ? loupe : exposing).reached === passes && exposing.reached === passes;
        while (!done()) await new Promise((resolve) => setTimeout(resolve, 20));
        const { canvas } = inLoupe ? loupe : picture;
        const { width, height } = canvas;
        exposing.accumulation.show();
        const copy = new OffscreenCanvas(width, height);
        const pen = copy.getContext('2d');
        pen.drawImage(canvas, 0, 0);
        const shown = pen.getImageData(0, 0, width, height).data;
        const toned = (v) => (v <= 10 ? v / 255 / 12.92 : ((v / 255 + 0.055) / 1.055) ** 2.4);
        const sums = beforeTone ? exposing.accumulation.read(0, 0, width, height) : null;
        let [sum, x, y, xx, yy] = [0, 0, 0, 0, 0];
        for (let i = 0; i < shown.length; i += 4) {
          const light = sums ? sums[i + 1] / passes : toned(shown[i + 1]);
          const [px, py] = [(i / 4) % width, Math.floor(i / 4 / width)];
          sum += light; x += px * light; y += py * light;
          xx += px * px * light; yy += py * py * light;
        }
        return { x: x / sum + 0.5 - width / 2, y: y / sum + 0.5 - height / 2,
          xx: xx / sum - (x / sum) ** 2, yy: yy / sum - (y / sum) ** 2, sum, width: inLoupe ? store.picture.widthPx : width };
      }
      """;

  /** What a lamp became. */
  private record Light(Map<?, ?> is, double lampM, double distanceM) {
    private double at(String name) {
      return ((Number) is.get(name)).doubleValue();
    }

    double widthPx() {
      return at("width");
    }

    /** Pixels for a tangent. */
    double px(double tangent) {
      return tangent / (2 * TANGENT) * widthPx();
    }

    /** The variance across or up that the blur alone has, without the lamp's own size. */
    double variance(String way) {
      double own = px(lampM / distanceM);
      return at(way) - own * own / 12 - DRAWN_VARIANCE;
    }

    /** How wide or high an even disc of that variance is. */
    double disc(String way) {
      return 4 * Math.sqrt(Math.max(0, variance(way)));
    }

    /** How long an even streak of that variance is. */
    double streak(String way) {
      return Math.sqrt(12 * Math.max(0, variance(way)));
    }

    /** The disc of the formula: {@code (f/N) f/(s-f) |d-s|/d}, in pixels. */
    double formula(double stop) {
      double focal = FOCAL_MM / 1000;
      double disc = FOCAL_MM / stop * focal / (FOCUS_M - focal);
      return disc * Math.abs(distanceM - FOCUS_M) / distanceM / SENSOR_MM * widthPx();
    }
  }

  /** A shot with nothing in it but a wall without light, a lamp before it, and a camera. */
  private Page openStage(double lampM, double distanceM, double stops, String lens, String keys) {
    RunningApp.Answer made =
        app.post(
            "/api/productions/" + app.demoProduction() + "/shots",
            "{\"name\":\"Stage\",\"rate\":\"24\",\"in\":1001,\"out\":1020,\"handles\":8,\"aspect\":1.7777777777777777}");
    long shot = made.json().get("id").longValue();
    double far = distanceM * 3 + 40;
    String black = "\"finish\":{\"kind\":\"matt\",\"colour\":\"#000000\"}";
    String glow = "\"finish\":{\"kind\":\"glow\",\"colour\":\"#ffffff\"}";
    RunningApp.Answer built =
        app.edit(
            shot,
            "{\"edit\":\"remove-nodes\",\"ids\":[\"keeper\",\"ground\",\"sun\"],\"frame\":1001},"
                + "{\"edit\":\"add-nodes\",\"nodes\":["
                + box("wall", far * 4, 50 - far * 2, -far, black, "")
                + ","
                + box(
                    "lamp",
                    lampM,
                    50 - lampM / 2,
                    -distanceM,
                    glow,
                    ",{\"part\":\"look\",\"glow\":" + stops + "}")
                + ",{\"id\":\"eye\",\"name\":\"Eye\",\"kind\":\"camera\",\"chain\":[{\"part\":\"keys\",\"y\":50"
                + keys
                + "},{\"part\":\"lens\",\"focal\":50,\"fstop\":1.4,\"focus\":4"
                + lens
                + "}]}]},{\"edit\":\"remove-nodes\",\"ids\":[\"a-cam\"],\"frame\":1001}");
    assertThat(built.status()).as(built.text()).isEqualTo(200);
    Page page = openFloor(shot);
    page.setViewportSize(960, 600); // each point of the picture costs its time in every pass
    return page;
  }

  private static String box(
      String id, double size, double y, double z, String finish, String more) {
    return String.format(
        Locale.ROOT,
        "{\"id\":\"%s\",\"name\":\"%s\",\"kind\":\"piece\",\"shape\":{\"kind\":\"box\",\"width\":%f,"
            + "\"height\":%f,\"depth\":0.001},%s,\"chain\":[{\"part\":\"keys\",\"y\":%f,\"z\":%f}%s]}",
        id,
        id,
        size,
        size,
        finish,
        y,
        z,
        more);
  }

  private static Light light(Page page, double lampM, double distanceM) {
    return light(page, lampM, distanceM, false);
  }

  private static Light light(Page page, double lampM, double distanceM, boolean beforeTone) {
    Map<String, Object> how = Map.of("passes", PASSES, "beforeTone", beforeTone, "inLoupe", false);
    return new Light((Map<?, ?>) page.evaluate(LIGHT, how), lampM, distanceM);
  }

  /** The same, measured in the loupe. */
  private static Light lightInLoupe(Page page, double lampM, double distanceM) {
    Map<String, Object> how = Map.of("passes", PASSES, "beforeTone", false, "inLoupe", true);
    return new Light((Map<?, ?>) page.evaluate(LIGHT, how), lampM, distanceM);
  }

  @Test
  void lampOutOfFocus_becomesTheDiscOfTheFormula_whereItIs_before_andBehind() {
    for (double distance : new double[] {1.5, 12}) {
      double lamp = 0.005 * distance;
      Page page = openStage(lamp, distance, -1, STILL, "");
      Light light = light(page, lamp, distance);
      double blur = light.formula(1.4);
      assertThat(blur).isGreaterThan(4);
      assertThat(light.disc("xx")).as("across, %s m", distance).isCloseTo(blur, within(0.5));
      assertThat(light.disc("yy")).as("up, %s m", distance).isCloseTo(blur, within(0.5));
      assertThat(Math.hypot(light.at("x"), light.at("y"))).isLessThan(0.3);
      page.close();
    }
  }

  /** Point for point as in a picture of 1,920 pixels, though that on the screen is smaller. */
  @Test
  void loupe_showsTheDiscInThePixelsOfThePicture_andIsMovedOverIt() {
    double distance = 12;
    double lamp = 0.005 * distance;
    Page page = openStage(lamp, distance, -1, STILL, "");
    Light light = lightInLoupe(page, lamp, distance);
    assertThat(light.widthPx()).isEqualTo(1920);
    double blur = light.formula(1.4);
    assertThat(blur).isBetween(20.0, 100.0);
    assertThat(light.disc("xx")).isCloseTo(blur, within(0.5));
    assertThat(light.disc("yy")).isCloseTo(blur, within(0.5));
    assertThat(Math.hypot(light.at("x"), light.at("y"))).isLessThan(0.3);
    page.waitForSelector("#loupe small:has-text('at 960, 540 of 1920 × 1080 px · pass 64 of 64')");
    walkTo(page, ".loupe-part");
    for (int i = 0; i < 5; i++) {
      page.keyboard().press("ArrowRight");
    }
    page.waitForSelector("#loupe small:has-text('at 980, 540 of 1920 × 1080 px · pass 64 of 64')");
    Light moved = lightInLoupe(page, lamp, distance);
    assertThat(moved.at("x")).as("20 px to the left now").isCloseTo(-20, within(0.3));
    page.click("#blur-choice button:text-is('off')");
    page.waitForSelector("#loupe small:has-text('sharp and still')");
    page.click(".loupe-switch");
    page.waitForSelector("#loupe", new Page.WaitForSelectorOptions().setState(HIDDEN));
    page.close();
  }

  @Test
  void whatIsInFocus_staysSharp() {
    Page page = openStage(0.02, FOCUS_M, -1, STILL, "");
    Light light = light(page, 0.02, FOCUS_M);
    assertThat(Math.sqrt(Math.abs(light.variance("xx")))).isLessThan(0.25);
    assertThat(Math.sqrt(Math.abs(light.variance("yy")))).isLessThan(0.25);
    page.close();
  }

  @Test
  void squeezedIris_givesTheSqueezedDisc_alsoOfALampSixStopsOverWhite() {
    Page page = openStage(0.002, 0.6, 6, STILL + ",\"squeeze\":2", "");
    // a lens squeezed twice sees twice as wide, so that all is half as large in the picture
    Light light = light(page, 0.001, 0.6, true);
    double high = light.formula(1.4) / 2;
    assertThat(light.disc("yy")).isCloseTo(high, within(0.5));
    assertThat(light.disc("xx")).isCloseTo(high / 2, within(0.5));
    // a glow of white is 1.15 times white; nothing of 64 times that is lost before it is spread
    double all = 1.15 * 64 * Math.pow(light.px(0.001 / 0.6), 2);
    assertThat(light.at("sum")).isCloseTo(all, within(0.06 * all));
    page.close();
  }

  /** A truck of 0.12 m a frame past a lamp in focus, with the shutter open for 240°. */
  @Test
  void movingPoint_leavesAStreakOfItsSpeedTimesTheOpenPart() {
    String truck = ",\"x\":{\"keys\":[[1000,-1.2,\"straight\"],[1020,1.2,\"straight\"]]}";
    Page page = openStage(0.02, FOCUS_M, 0, ",\"shutter\":240", truck);
    Light light = light(page, 0.02, FOCUS_M);
    double streak = light.px(0.12 / FOCUS_M) * 240 / 360;
    assertThat(streak).isGreaterThan(10);
    assertThat(light.streak("xx")).isCloseTo(streak, within(0.5));
    assertThat(Math.abs(light.at("x"))).isLessThan(0.3);
    assertThat(Math.sqrt(Math.abs(light.variance("yy")))).isLessThan(0.25);
    page.close();
  }

  /** Wide open and far behind the focus: sharp all the same, and as large as at any distance. */
  @ParameterizedTest
  @ValueSource(doubles = {1.5, 12})
  void orthographicCamera_showsAllSharp_andStreaksByItsWidth(double distance) {
    String truck = ",\"x\":{\"keys\":[[1000,-1.2,\"straight\"],[1020,1.2,\"straight\"]]}";
    String parallel = ",\"projection\":\"orthographic\",\"width\":4,\"shutter\":240";
    Page page = openStage(0.04, distance, 0, parallel, truck);
    double asFar = 4 / (2 * TANGENT); // there a lens in perspective sees 4 m across
    Light light = light(page, 0.04, asFar);
    double streak = light.px(0.12 / asFar) * 240 / 360;
    assertThat(light.streak("xx")).isCloseTo(streak, within(0.5));
    assertThat(Math.sqrt(Math.abs(light.variance("yy")))).isLessThan(0.25);
    assertThat(Math.abs(light.at("x"))).isLessThan(0.3);
    page.close();
  }

  @Test
  void turnOf40DegreesAFrame_isFollowedAtEachMoment() {
    String whip = ",\"pan\":{\"keys\":[[1000,-400,\"straight\"],[1020,400,\"straight\"]]}";
    Page page = openStage(0.02, FOCUS_M, 0, ",\"shutter\":18", whip);
    Light light = light(page, 0.02, FOCUS_M);
    // 18 of 360 degrees of a frame of 40 degrees: 1 degree to each side
    double streak = light.px(2 * Math.tan(Math.toRadians(1)));
    assertThat(light.streak("xx")).isCloseTo(streak, within(0.5));
    assertThat(Math.abs(light.at("x"))).isLessThan(0.3);
    page.close();
  }

  /** Against the pan that the server gives for every sixteenth of a frame, which is another way. */
  @Test
  void shakeOf15Hertz_isFollowedBetweenTheFrames() {
    Page page = openStage(0.02, FOCUS_M, 0, ",\"shutter\":360", "");
    page.evaluate(
        "() => idleLens.store.edit([{ edit: 'add-part', id: 'eye', part: { part: 'shake', id: 'sea',"
            + " way: 'swell', seed: 1, pan: 1.2, panHz: 15 } }])");
    page.waitForFunction("() => idleLens.store.motion.get('eye').qy.length > 1");
    Light light = light(page, 0.02, FOCUS_M);
    double[] across = acrossFinely(page, light);
    double mean = 0;
    double squares = 0;
    for (double px : across) {
      mean += px / across.length;
      squares += px * px / across.length;
    }
    double variance = squares - mean * mean;
    assertThat(Math.sqrt(12 * variance)).as("it moves").isGreaterThan(15);
    assertThat(light.streak("xx")).isCloseTo(Math.sqrt(12 * variance), within(0.5));
    assertThat(light.at("x")).isCloseTo(mean, within(0.5));
    page.close();
  }

  /** Where the lamp is seen, in pixels, on sixteen moments of the frame. */
  private double[] acrossFinely(Page page, Light light) {
    long shot = ((Number) page.evaluate("() => Number(idleLens.store.id)")).longValue();
    JsonNode columns =
        app.get(
                "/api/shots/"
                    + shot
                    + "/samples?nodes=eye&step=0.0625&from="
                    + (FRAME - 0.46875)
                    + "&to="
                    + (FRAME + 0.46875))
            .json()
            .get("nodes")
            .get(0);
    double[] px = new double[columns.get("qy").size()];
    for (int i = 0; i < px.length; i++) {
      double pan =
          2 * Math.atan2(columns.get("qy").get(i).asDouble(), columns.get("qw").get(i).asDouble());
      px[i] = light.px(Math.tan(pan));
    }
    return px;
  }

  /** What the canvas shows, coarsely. */
  private static final String CORNERS =
      """
      async () => {
        const { picture } = idleLens;
        await new Promise(requestAnimationFrame);
        picture.exposing.showAgain();
        const pen = new OffscreenCanvas(16, 9).getContext('2d');
        pen.drawImage(picture.canvas, 0, 0, 16, 9);
        return `${picture.exposing.reached} ${pen.getImageData(0, 0, 16, 9).data}`;
      }
      """;

  /** While something moves, it says that it is rough; a change at rest begins anew. */
  @Test
  void fillingUp_isCounted_andBeginsAnewWithEveryChange() {
    Page page = openStage(0.1, 12, 0, "", "");
    page.click("#blur-choice button:text-is('true')");
    page.selectOption("#blur-choice select", "16");
    page.waitForSelector("#blur-choice small:has-text('pass 16 of 16')");
    Object filled = page.evaluate(CORNERS);
    page.evaluate("() => idleLens.picture.shot(1005, 64)");
    assertThat(page.evaluate(CORNERS)).as("a picture made besides leaves it").isEqualTo(filled);
    page.click("#step-on");
    page.waitForSelector("#blur-choice small:has-text('fast, roughly')");
    page.waitForSelector("#blur-choice small:has-text('pass 16 of 16')");
    page.click("#blur-choice button:text-is('off')");
    assertThat(page.locator("#blur-choice small").first().textContent()).isEmpty();
    page.reload();
    page.waitForSelector("#blur-choice button[aria-pressed=true]:text-is('off')");
    page.close();
  }
}
