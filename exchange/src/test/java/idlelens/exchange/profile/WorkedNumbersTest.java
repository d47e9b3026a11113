package idlelens.exchange.profile;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import idlelens.core.curve.Tangent;
import idlelens.core.geometry.RigidPose;
import idlelens.core.lens.SensorFormat;
import idlelens.core.part.Carriage;
import idlelens.core.part.Chain;
import idlelens.core.part.Lens;
import idlelens.core.scene.Node;
import idlelens.core.scene.NodeBody;
import idlelens.core.scene.Shot;
import idlelens.core.scene.ShotHeader;
import idlelens.core.time.FrameRange;
import idlelens.core.time.FrameRate;
import idlelens.exchange.formats.SceneFormats;
import idlelens.exchange.json.JsonPlace;
import idlelens.exchange.outgoing.HandOff;
import idlelens.exchange.outgoing.SceneOfShot;
import idlelens.exchange.scenefile.LensNumber;
import idlelens.exchange.scenefile.PictureSpace;
import idlelens.exchange.scenefile.SceneFormat;
import idlelens.exchange.scenefile.Wording;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/**
 * A camera at 1, 2, 3 m, pan 30°, tilt 10°, roll 5°, 35 mm on 36 x 24 mm, a picture of 1920 x 1080:
 * what is written for each profile, against numbers worked by hand (docs/receiver-profiles.md).
 */
class WorkedNumbersTest {
  private static final double AS_WORKED = 1e-9;

  private static final Shot SHOT = shot();

  private static Shot shot() {
    ShotHeader header =
        new ShotHeader(
            "Worked",
            FrameRate.of(24),
            new FrameRange(1001, 1002),
            0,
            16.0 / 9,
            1,
            Tangent.Kind.SETTLE);
    Chain chain = Chain.pose().restingAt(1, 2, 3, 30, 10, 5).withLens();
    NodeBody body =
        new NodeBody("cam", "A-cam", false, new Carriage("", RigidPose.IDENTITY), chain);
    Lens lens = Lens.PLAIN.withSensor(SensorFormat.FULL_FRAME.back());
    return new Shot(header, List.of(new Node.Camera(body, lens)));
  }

  private static ReceiverProfile named(String name) {
    return ReceiverProfile.BUILT_IN.stream().filter(p -> p.name().equals(name)).findFirst().get();
  }

  private static String written(String format, ReceiverProfile profile) {
    SceneFormat to = SceneFormats.writing(format);
    HandOff handOff =
        new HandOff(SHOT, SHOT.header().range(), List.of("cam"), HandOff.Company.CARRIERS, profile);
    byte[] file = to.write(SceneOfShot.of(handOff, to.holds(), hash -> null)).octets();
    return new String(file, StandardCharsets.ISO_8859_1);
  }

  @ParameterizedTest
  @CsvSource({
    "Y-up metres, 1, 2, 3, 30, 10, 5",
    "Y-up centimetres, 100, 200, 300, 12.7758738636, 29.0118528194, 5.6324893681",
    "Z-up metres, 1, -3, 2, 100.0374230459, -4.9238497548, 29.1296153250",
    "Z-up centimetres, 100, -300, 200, 100.0374230459, -4.9238497548, 29.1296153250",
    "Left-handed Y-up metres, 1, 2, -3, -10, -30, 5",
    "'Picture space, pixels', 100, -200, -300, 11.5083933658, -29.4987042311, 0.7251051734",
  })
  void table_hasTheNumbersThatWereWorkedByHand(
      String profile, double x, double y, double z, double a, double b, double c) {
    String[] lines = written("csv", named(profile)).split("\n");
    double[] row = Arrays.stream(lines[3].split(",")).mapToDouble(Double::parseDouble).toArray();
    double[] worked = {1001, x, y, z, a, b, c, 35, 54.4322231146, 32.2688021711};
    for (int i = 0; i < worked.length; i++) {
      assertThat(row[i]).as(lines[1].split(",")[i]).isCloseTo(worked[i], within(AS_WORKED));
    }
    boolean picture = profile.startsWith("Picture");
    assertThat(lines[1].contains("zoom_px")).isEqualTo(picture);
    if (picture) {
      assertThat(row[10]).isCloseTo(1920 * 35 / 36.0, within(AS_WORKED));
    }
    assertThat(row[row.length - 2]).isEqualTo(5); // focus, in metres whatever the unit
    assertThat(row[row.length - 1]).isEqualTo(2.8);
  }

  @Test
  void picture_countedFromItsCorner_isShiftedByHalfOfIt() {
    ReceiverProfile corner =
        new ReceiverProfile(
            "Corner",
            ReceiverProfile.PICTURE.conventions(),
            ReceiverProfile.PICTURE.order(),
            Optional.empty(),
            OptionalInt.empty(),
            Optional.empty(),
            ReceiverProfile.PICTURE.fit(),
            LensNumber.ZOOM,
            Keeping.BAKE,
            false,
            Naming.AS_HERE,
            new PictureSpace(1920, 1, PictureSpace.Origin.CORNER));
    assertThat(written("csv", corner)).contains("\n1001,1060,340,-300,");
    assertThat(corner.isProven()).isFalse();
  }

  private static double[] numbersAfter(String text, String start) {
    Matcher found =
        Pattern.compile(Pattern.quote(start) + "\\W*?((?:[-\\d.e]+[, ]*)+)").matcher(text);
    assertThat(found.find()).as(start).isTrue();
    return Arrays.stream(found.group(1).split("[, ]+")).mapToDouble(Double::parseDouble).toArray();
  }

  private static void assertNumbers(String text, String start, double... worked) {
    double[] found = numbersAfter(text, start);
    for (int i = 0; i < worked.length; i++) {
      assertThat(found[i]).as("%s %d", start, i).isCloseTo(worked[i], within(AS_WORKED));
    }
  }

  @Test
  void usd_hasThem() {
    String text = written("usda", ReceiverProfile.Z_UP_CENTIMETRES);
    assertThat(text).contains("upAxis = \"Z\"").contains("metersPerUnit = 0.01");
    assertNumbers(text, "xformOp:translate = (", 100, -300, 200);
    assertNumbers(
        text, "xformOp:orient = (", 0.6130374391, 0.7478861311, 0.1658023635, 0.1932899621);
    assertNumbers(text, "focalLength = ", 35);
    assertNumbers(text, "horizontalAperture = ", 36);
    assertNumbers(text, "verticalAperture = ", 20.25);
    assertNumbers(text, "focusDistance = ", 500);
    String metres = written("usda", ReceiverProfile.Y_UP_METRES);
    assertNumbers(metres, "focalLength = ", 0.35); // tenths of a metre
    assertNumbers(metres, "horizontalAperture = ", 0.36);
    assertNumbers(
        metres, "xformOp:orient = (", 0.9623182852, 0.0953524246, 0.2539166185, 0.0194366673);
  }

  @Test
  void collada_hasThem() {
    String text = written("dae", ReceiverProfile.Z_UP_CENTIMETRES);
    assertThat(text).contains("<up_axis>Z_UP</up_axis>").contains("meter=\"0.01\"");
    double[] rows = {
      0.8702971336,
      0.0110146097,
      0.4924038765,
      100.0000000000,
      0.4849905431,
      -0.1933893490,
      -0.8528685320,
      -300.0000000000,
      0.0858316512,
      0.9810602622,
      -0.1736481777,
      200.0000000000,
      0,
      0,
      0,
      1
    };
    assertNumbers(text, "<matrix sid=\"transform\">", rows);
    assertNumbers(text, "<yfov sid=\"yfov\">", 32.2688021711);
  }

  @Test
  void openTrackIo_hasThem_whateverTheProfile() throws Exception {
    for (ReceiverProfile profile : ReceiverProfile.BUILT_IN) {
      String line = written("opentrackio", profile).split("\n")[0];
      JsonPlace sample = JsonPlace.parse(line.getBytes(StandardCharsets.UTF_8));
      JsonPlace transform = sample.get("transforms").at(0);
      String[] ways = {"translation x 1", "translation y -3", "translation z 2"};
      String[] turns = {"rotation pan 30", "rotation tilt 10", "rotation roll -5"};
      for (String way : List.of(ways[0], ways[1], ways[2], turns[0], turns[1], turns[2])) {
        String[] words = way.split(" ");
        assertThat(transform.get(words[0]).get(words[1]).number())
            .as("%s, %s", profile.name(), way)
            .isCloseTo(Double.parseDouble(words[2]), within(AS_WORKED));
      }
      JsonPlace sensor = sample.get("static").get("camera").get("activeSensorPhysicalDimensions");
      assertThat(sensor.get("width").number()).isEqualTo(36);
      assertThat(sensor.get("height").number()).isCloseTo(20.25, within(AS_WORKED));
    }
  }

  @Test
  void gltf_hasThem() {
    String text = written("glb", ReceiverProfile.Z_UP_CENTIMETRES); // has one unit, and +Y up
    assertNumbers(text, "\"translation\":[", 1, 2, 3);
    assertNumbers(text, "\"rotation\":[", 0.0953524246, 0.2539166185, 0.0194366673, 0.9623182852);
    assertNumbers(text, "\"yfov\":", Math.toRadians(32.26880217111643));
  }

  @Test
  void names_areThoseThatAReceiverAllows_andOnceEach() {
    var once = new Naming("cam ", Naming.Letters.PLAIN).once();
    assertThat(once.apply("Bühne 1")).isEqualTo("cam_Buhne_1");
    assertThat(once.apply("Bühne-1")).isEqualTo("cam_Buhne_1_2");
    assertThat(new Naming("", Naming.Letters.PLAIN).once().apply("2nd")).isEqualTo("_2nd");
    assertThat(Wording.OURS.lens()).isEqualTo(LensNumber.FOCAL_LENGTH);
    assertThat(String.format(Locale.ROOT, "%.3f", PictureSpace.USUAL.heightPx(16.0 / 9)))
        .isEqualTo("1080.000");
  }
}
