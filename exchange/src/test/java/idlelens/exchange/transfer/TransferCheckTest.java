package idlelens.exchange.transfer;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import idlelens.core.check.PictureOffset;
import idlelens.core.geometry.RigidPose;
import idlelens.core.lens.Sight;
import idlelens.core.scene.Shot;
import idlelens.core.time.FrameRate;
import idlelens.exchange.Rigs;
import idlelens.exchange.formats.SceneFormats;
import idlelens.exchange.outgoing.HandOff;
import idlelens.exchange.outgoing.SceneOfShot;
import idlelens.exchange.profile.Keeping;
import idlelens.exchange.profile.ReceiverProfile;
import idlelens.exchange.scenefile.SceneFile;
import idlelens.exchange.scenefile.SceneFormat;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class TransferCheckTest {
  private static final Shot SHOT = Rigs.everything();
  private static final int WIDTH = 1920;

  private static HandOff handOff(ReceiverProfile profile) {
    return new HandOff(
        SHOT, SHOT.header().range(), List.of("cam"), HandOff.Company.CARRIERS, profile);
  }

  private static byte[] written(HandOff handOff, SceneFormat format) {
    SceneFile scene = SceneOfShot.of(handOff, format.holds(), hash -> null);
    return format.write(scene).octets();
  }

  private static TransferReport report(HandOff handOff, SceneFormat format, byte[] file)
      throws Exception {
    return TransferCheck.of(handOff, format, file, WIDTH);
  }

  @ParameterizedTest
  @ValueSource(strings = {"glb", "usda", "dae", "opentrackio", "csv"})
  void whatIsWritten_isGood_andNearlyNothingOff(String id) throws Exception {
    SceneFormat format = SceneFormats.writing(id);
    HandOff handOff = handOff(ReceiverProfile.Y_UP_METRES);
    TransferReport report = report(handOff, format, written(handOff, format));
    assertThat(report.verdict().sentence()).startsWith("Good: ");
    CameraReport camera = report.cameras().get(0);
    assertThat(CameraReport.most(camera.mostPx())).isLessThan(id.equals("glb") ? 0.05 : 1e-6);
    assertThat(camera.mostPx()).hasSize(SHOT.header().range().length());
  }

  /** A turn of a hundredth of a degree moves the middle by f px/rad times that. */
  @Test
  void aTurnedFile_isNotGood_byThePixelsThatTheTurnTakes() throws Exception {
    SceneFormat format = SceneFormats.writing("csv");
    HandOff handOff = handOff(ReceiverProfile.Y_UP_METRES);
    String[] lines = new String(written(handOff, format), StandardCharsets.UTF_8).split("\n");
    int late = 3 + 7;
    String[] cells = lines[late].split(",");
    cells[4] = Double.toString(Double.parseDouble(cells[4]) + 0.01);
    lines[late] = String.join(",", cells);
    byte[] wrong = String.join("\n", lines).getBytes(StandardCharsets.UTF_8);
    TransferReport report = report(handOff, format, wrong);
    int frame = SHOT.header().range().in() + 7;
    assertThat(report.verdict().good()).isFalse();
    assertThat(report.verdict().sentence())
        .startsWith("Not good: The cam")
        .contains("at frame " + frame);
    CameraReport camera = report.cameras().get(0);
    assertThat(CameraReport.worst(camera.mostPx())).isEqualTo(7);
    assertThat(camera.turnMin()[7]).isBetween(0.1, 0.61);
    assertThat(camera.placeMm()[7]).isLessThan(1e-6);
  }

  @Test
  void fewKeys_stayWithinTheirTolerance_andAreSaid() throws Exception {
    SceneFormat format = SceneFormats.writing("usda");
    HandOff all = handOff(ReceiverProfile.Y_UP_METRES);
    HandOff few = handOff(ReceiverProfile.Y_UP_METRES.withKeys(new Keeping(true, 2, 0.05)));
    byte[] fewer = written(few, format);
    assertThat(fewer.length).isLessThan(written(all, format).length);
    TransferReport report = report(few, format, fewer);
    assertThat(report.verdict().reasons().toString()).contains("few keys: up to 2 mm and 0.05°");
    assertThat(CameraReport.most(report.cameras().get(0).placeMm())).isBetween(1e-3, 40.0);
  }

  @Test
  void anotherRate_isLookedAtAtItsOwnMoments_andIsExactThere() throws Exception {
    ReceiverProfile at30 =
        ReceiverProfile.Z_UP_CENTIMETRES.withTime(Optional.of(FrameRate.of(30)), OptionalInt.of(1));
    HandOff handOff = handOff(at30);
    SceneFormat format = SceneFormats.writing("usda");
    TransferReport report = report(handOff, format, written(handOff, format));
    assertThat(report.firstFrame()).isEqualTo(1);
    assertThat(CameraReport.most(report.cameras().get(0).mostPx())).isLessThan(1e-6);
    assertThat(report.verdict().reasons().toString()).contains("another rate");
  }

  @Test
  void aProfileThatNobodyWorkedByHand_isNotCalledGood() throws Exception {
    ReceiverProfile own =
        ReceiverProfile.Z_UP_METRES.withConventions(
            ReceiverProfile.Z_UP_METRES.conventions().withUnit(0.0254));
    HandOff handOff = handOff(own);
    SceneFormat format = SceneFormats.writing("usda");
    Verdict verdict = report(handOff, format, written(handOff, format)).verdict();
    assertThat(verdict.good()).isTrue();
    assertThat(verdict.proven()).isFalse();
    assertThat(verdict.sentence()).doesNotContain("Good").contains("not worked by hand");
  }

  /** Shifted sideways by s, points at depth d move by s / (2 d tan) picture widths. */
  @Test
  void pixels_ofAShift_areThoseOfTheNearestDepth() {
    Sight one = Sight.straight(RigidPose.IDENTITY, 0.5, 0.28125);
    Sight other = Sight.straight(RigidPose.of(0.01, 0, 0, 0, 0, 0), 0.5, 0.28125);
    PictureOffset offset = PictureOffset.of(one, other, 5, WIDTH);
    double near = 0.01 / (2 * 2.5 * 0.5) * WIDTH;
    double mean = near * (1 + 0.5 + 0.125) / 3;
    assertThat(offset.mostPx()).isCloseTo(near, within(1e-9));
    assertThat(offset.meanPx()).isCloseTo(mean, within(1e-9));
  }
}
