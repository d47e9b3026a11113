package idlelens.exchange.formats;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import idlelens.core.motion.Evaluation;
import idlelens.core.motion.LensTrack;
import idlelens.core.part.Path;
import idlelens.core.scene.Shot;
import idlelens.core.time.FrameRate;
import idlelens.core.time.SampleGrid;
import idlelens.exchange.QuayFiles;
import idlelens.exchange.collada.ColladaFormat;
import idlelens.exchange.scenefile.Axes;
import idlelens.exchange.scenefile.SceneFile;
import idlelens.exchange.scenefile.Upload;
import idlelens.exchange.usd.UsdFormat;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Files of others against the tables that were made with other libraries. */
class QuayTruthTest {

  private static SceneFile usd(String name) throws Exception {
    return new UsdFormat().read(Upload.of(name, QuayFiles.bytes(name)));
  }

  @ParameterizedTest
  @ValueSource(strings = {"quay-rail.usda", "quay-rail-crlf.usda"})
  void quayRail_followsItsTruth_andItsLens(String name) throws Exception {
    SceneFile file = usd(name);
    assertThat(file.conventions().axes()).isEqualTo(Axes.Z_UP);
    assertThat(file.conventions().metresPerUnit()).isEqualTo(0.01);
    Shot shot = Exchanged.read(file);
    assertThat(shot.header().range().in()).isEqualTo(1001);
    assertThat(shot.header().range().out()).isEqualTo(1049);
    String camera = Exchanged.camera(shot, "Rail_cam");
    Exchanged.assertFollows(shot, camera, QuayFiles.truth("quay-rail.yup-m.truth.csv"), 1e-5);
    List<double[]> truth = QuayFiles.truth("quay-rail.lens.truth.csv");
    LensTrack lens =
        Evaluation.of(shot, new SampleGrid(1001, 49, 1), null).of(camera).lens().orElseThrow();
    for (int i = 0; i < truth.size(); i++) {
      assertThat(lens.fStop()[i]).as("stop at %d", i).isCloseTo(truth.get(i)[5], within(1e-5));
      assertThat(lens.focusM()[i])
          .as("focus at %d", i)
          .isCloseTo(truth.get(i)[4] / 100, within(1e-6));
    }
  }

  @Test
  void ferryPass_followsItsTruth_andKeepsTheKeysOfItsCurves() throws Exception {
    SceneFile file =
        new ColladaFormat().read(Upload.of("ferry-pass.dae", QuayFiles.bytes("ferry-pass.dae")));
    Shot shot = Exchanged.read(file, FrameRate.of(24), 0);
    String camera = Exchanged.camera(shot, "Ferry-cam");
    Exchanged.assertFollows(shot, camera, QuayFiles.truth("ferry-pass.yup-m.truth.csv"), 1e-5);
    int keys = shot.node(camera).chain().curve(Path.X).keys().size();
    assertThat(keys).isBetween(2, 10);
  }
}
