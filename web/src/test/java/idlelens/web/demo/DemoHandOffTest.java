package idlelens.web.demo;

import static org.assertj.core.api.Assertions.assertThat;

import idlelens.core.motion.Evaluation;
import idlelens.core.part.Path;
import idlelens.core.scene.Node;
import idlelens.core.scene.Shot;
import idlelens.core.set.Mesh;
import idlelens.core.time.SampleGrid;
import idlelens.exchange.formats.SceneFormats;
import idlelens.exchange.outgoing.HandOff;
import idlelens.exchange.outgoing.SceneOfShot;
import idlelens.exchange.profile.ReceiverProfile;
import idlelens.exchange.scenefile.SceneFormat;
import idlelens.exchange.transfer.CameraReport;
import idlelens.exchange.transfer.TransferCheck;
import idlelens.exchange.transfer.TransferReport;
import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;

/** Every camera of every demo shot, out and back in every format. */
class DemoHandOffTest {

  static Stream<Arguments> everyShotInEveryFormat() {
    return DemoShots.all().stream()
        .flatMap(
            shot ->
                SceneFormats.written().stream()
                    .map(f -> Arguments.of(shot.header().name(), f.id(), shot)));
  }

  private static Mesh none(String hash) {
    throw new AssertionError("the demo shots have no triangles of their own");
  }

  @ParameterizedTest(name = "{0} as {1}")
  @MethodSource("everyShotInEveryFormat")
  void writtenAndReadBack_everyCameraIsWhereItWas_onEveryFrame(String name, String id, Shot shot)
      throws Exception {
    SceneFormat format = SceneFormats.writing(id);
    ReceiverProfile profile =
        name.length() % 2 == 0 ? ReceiverProfile.Y_UP_METRES : ReceiverProfile.Z_UP_CENTIMETRES;
    for (Node camera : shot.cameras()) {
      HandOff handOff =
          new HandOff(
              shot, shot.header().range(), List.of(camera.id()), HandOff.Company.SET, profile);
      byte[] file =
          format.write(SceneOfShot.of(handOff, format.holds(), DemoHandOffTest::none)).octets();
      TransferReport report = TransferCheck.of(handOff, format, file, 1920);
      CameraReport back = report.cameras().get(0);
      boolean single = format.holds().singlePrecision();
      assertThat(CameraReport.most(back.placeMm())).isLessThan(single ? 1e-2 : 1e-6);
      assertThat(CameraReport.most(back.turnMin()) / 60).isLessThan(single ? 1e-4 : 1e-9);
      assertThat(CameraReport.most(back.viewDeg())).isLessThan(1e-6);
      assertThat(report.verdict().sentence()).startsWith("Good: ");
    }
  }

  @Test
  void handOff_hasTheCameraAsItCame_andFittedWithFarFewerKeysNearIt() {
    Shot shot = HandedOver.shot();
    assertThat(shot.header().rate().framesPerSecond()).isEqualTo(25);
    Node came = shot.cameras().get(0);
    assertThat(came.name()).isEqualTo("Harbour cam, as it came");
    Node own = shot.node(HandedOver.CAMERA);
    assertThat(shot.carriersOf(own.id()))
        .extracting(Node::name)
        .contains("A-cam dolly", "A-cam head");
    long before = keys(shot, List.of(came));
    long after = keys(shot, shot.carriersOf(own.id())) + keys(shot, List.of(own));
    assertThat(before).isGreaterThan(600);
    assertThat(after).isLessThan(before / 2);
    Node head = shot.node(own.carriage().carrierId());
    Evaluation motion = Evaluation.of(shot, SampleGrid.over(shot.header().range(), 0), null);
    for (int i = 0; i < motion.grid().count(); i++) {
      double off = motion.pose(came.id(), i).place().distance(motion.pose(own.id(), i).place());
      assertThat(off).as("place at %d", i).isLessThan(0.02);
    }
    assertThat(head.chain().curve(Path.X).keys()).isEmpty();
  }

  private static long keys(Shot shot, List<Node> nodes) {
    return nodes.stream()
        .flatMap(n -> n.chain().paths().stream().map(p -> shot.node(n.id()).chain().curve(p)))
        .mapToLong(c -> c.keys().size())
        .sum();
  }
}
