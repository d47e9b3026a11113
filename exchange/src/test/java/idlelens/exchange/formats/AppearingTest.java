package idlelens.exchange.formats;

import static org.assertj.core.api.Assertions.assertThat;

import idlelens.core.curve.Curve;
import idlelens.core.curve.Key;
import idlelens.core.curve.Tangent;
import idlelens.core.motion.Evaluation;
import idlelens.core.part.Chain;
import idlelens.core.part.Part;
import idlelens.core.part.Path;
import idlelens.core.part.Visible;
import idlelens.core.scene.Node;
import idlelens.core.scene.Shot;
import idlelens.exchange.Rigs;
import idlelens.exchange.outgoing.HandOff;
import idlelens.exchange.outgoing.SceneOfShot;
import idlelens.exchange.profile.ReceiverProfile;
import idlelens.exchange.scenefile.SceneFile;
import idlelens.exchange.scenefile.SceneFormat;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;

/** What appears and vanishes, in files that can carry it and in those that cannot. */
class AppearingTest {
  private static final Path SHOWN = Path.parse("visible.shown");

  /** The dolly is there from 1005 until before 1020, and from 1030 on. */
  private static Shot shot() {
    Shot shot = Rigs.everything();
    Node dolly = shot.node("dolly");
    List<Part> parts = new ArrayList<>(dolly.chain().parts());
    parts.add(Visible.ALWAYS);
    List<Key> keys = new ArrayList<>();
    for (double[] key : new double[][] {{1001, 0}, {1005, 1}, {1020, 0}, {1030, 1}}) {
      keys.add(new Key(key[0], key[1], Tangent.Kind.HOLD));
    }
    return shot.withNode(dolly.withChain(new Chain(parts).with(SHOWN, new Curve(0, keys))));
  }

  private static List<Boolean> shown(Shot shot, String name) {
    String id =
        shot.nodes().stream().filter(n -> n.name().equals(name)).findFirst().orElseThrow().id();
    return IntStream.rangeClosed(1001, 1040)
        .mapToObj(frame -> Evaluation.at(shot, frame).isShown(id, 0))
        .toList();
  }

  @Test
  void usda_carriesIt_thereAndBack() throws Exception {
    SceneFormat usda = SceneFormats.writing("usda");
    HandOff handOff = Exchanged.handOff(shot(), "cam", ReceiverProfile.Y_UP_METRES);
    byte[] file = Exchanged.write(handOff, usda);
    assertThat(new String(file, StandardCharsets.UTF_8))
        .contains("token visibility.timeSamples = {", "1020: \"invisible\",");
    Shot back = Exchanged.read(usda, file);
    assertThat(shown(shot(), "The dolly")).contains(true, false);
    assertThat(shown(back, "The dolly")).isEqualTo(shown(shot(), "The dolly"));
    assertThat(shown(back, "The cam")).isEqualTo(shown(shot(), "The cam"));
  }

  @Test
  void otherFormats_sayThatItStays() {
    for (String id : List.of("glb", "dae")) {
      SceneFormat format = SceneFormats.writing(id);
      HandOff handOff = Exchanged.handOff(shot(), "cam", ReceiverProfile.Y_UP_METRES);
      SceneFile scene = SceneOfShot.of(handOff, format.holds(), Exchanged::sphere);
      assertThat(scene.notes()).contains("The dolly: when it appears and vanishes stays here");
    }
  }
}
