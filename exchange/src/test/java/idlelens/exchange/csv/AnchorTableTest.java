package idlelens.exchange.csv;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import idlelens.core.curve.Tangent;
import idlelens.core.part.Carriage;
import idlelens.core.part.Chain;
import idlelens.core.part.Lens;
import idlelens.core.scene.Node;
import idlelens.core.scene.NodeBody;
import idlelens.core.scene.Shot;
import idlelens.core.scene.ShotHeader;
import idlelens.core.set.Finish;
import idlelens.core.set.Mesher;
import idlelens.core.set.Shape;
import idlelens.core.time.FrameRange;
import idlelens.core.time.FrameRate;
import idlelens.exchange.outgoing.HandOff;
import idlelens.exchange.profile.ReceiverProfile;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** A crate of a cubic metre, 5 m before a level camera, and what comes between. */
class AnchorTableTest {
  private static final Finish PINE = Finish.matt("#9e7845");

  private static Node piece(String id, Shape shape, String by, double x, double z, boolean hidden) {
    Chain chain = Chain.pose().restingAt(x, 0, z, 0, 0, 0);
    return new Node.Piece(new NodeBody(id, id, hidden, Carriage.by(by), chain), shape, PINE);
  }

  private static String[] crate(Node... others) {
    Chain level = Chain.pose().restingAt(0, 0.5, 5, 0, 0, 0).withLens();
    Node camera =
        new Node.Camera(new NodeBody("cam", "A-cam", false, Carriage.WORLD, level), Lens.PLAIN);
    List<Node> nodes = new ArrayList<>(List.of(others));
    nodes.add(0, camera);
    ShotHeader header =
        new ShotHeader(
            "Crate", FrameRate.of(24), new FrameRange(1, 2), 0, 16.0 / 9, 1, Tangent.Kind.SETTLE);
    HandOff handOff =
        new HandOff(
            new Shot(header, nodes),
            header.range(),
            List.of("cam"),
            HandOff.Company.NULLS,
            ReceiverProfile.Y_UP_METRES);
    String table =
        new String(AnchorTable.write(handOff, "cam", Mesher::mesh), StandardCharsets.UTF_8);
    return table.lines().filter(l -> l.startsWith("1,\"crate\"")).findFirst().get().split(",");
  }

  private static Node crateAt(String by, double x, double z, boolean hidden) {
    return piece("crate", new Shape.Box(1, 1, 1), by, x, z, hidden);
  }

  @Test
  void aCrate_hasItsSizeAndDepth_andStandsInTheMiddle() {
    String[] cells = crate(crateAt("", 0, 0, false));
    assertThat(Double.parseDouble(cells[2])).isCloseTo(0, within(1e-9));
    assertThat(Double.parseDouble(cells[3])).isCloseTo(0, within(1e-9));
    assertThat(Double.parseDouble(cells[4])).isCloseTo(5, within(1e-9));
    assertThat(cells).endsWith("1", "1", "1", "1");
    double right = Double.parseDouble(crate(crateAt("", 1, 0, false))[2]);
    double farther = Double.parseDouble(crate(crateAt("", 1, -5, false))[2]);
    assertThat(right).isPositive();
    assertThat(farther).isCloseTo(right / 2, within(1e-9));
  }

  @ParameterizedTest
  @CsvSource({
    // a wall before it, one beside the way, one behind it, a hidden one
    "0, 2, false, 0",
    "3, 2, false, 1",
    "0, -2, false, 1",
    "0, 2, true, 1",
  })
  void seen_asksWhatStandsBetween(double x, double z, boolean hidden, String seen) {
    Node wall = piece("wall", new Shape.Box(2, 2, 0.1), "", x, z, hidden);
    assertThat(crate(crateAt("", 0, 0, false), wall)[5]).isEqualTo(seen);
  }

  @Test
  void seen_whatItCarriesDoesNotHideIt_whatCarriesItDoes() {
    Node lid = piece("lid", new Shape.Box(2, 2, 0.1), "crate", 0, 2, false);
    assertThat(crate(crateAt("", 0, 0, false), lid)[5]).isEqualTo("1");
    Node stage = piece("stage", new Shape.Box(2, 2, 0.1), "", 0, 2, false);
    assertThat(crate(stage, crateAt("stage", 0, -2, false))[5]).isEqualTo("0");
  }

  @Test
  void seen_isNothingOutsideThePicture_behindTheCamera_orHiddenWithItsCarrier() {
    assertThat(crate(crateAt("", 40, 0, false))[5]).isEqualTo("0");
    assertThat(crate(crateAt("", 0, 9, false))[5]).isEqualTo("0");
    Node stage = piece("stage", new Shape.Box(2, 0.1, 2), "", 0, 0, true);
    assertThat(crate(stage, crateAt("stage", 0, 0, false))[5]).isEqualTo("0");
  }
}
