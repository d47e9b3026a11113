package idlelens.exchange.json;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import idlelens.core.edit.Edit;
import idlelens.core.motion.Evaluation;
import idlelens.core.motion.LensTrack;
import idlelens.core.motion.NodeMotion;
import idlelens.core.motion.PoseTrack;
import idlelens.core.scene.Node;
import idlelens.core.scene.Shot;
import idlelens.core.time.SampleGrid;
import java.io.IOException;
import java.io.InputStream;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import tools.jackson.databind.JsonNode;

/**
 * Documents of version 2 with their samples, and edits with what they led to, kept as they were.
 */
class GoldenFilesTest {
  private static final double STORED = 1e-12;

  private static byte[] golden(String name) throws IOException {
    try (InputStream in = GoldenFilesTest.class.getResourceAsStream("/golden/" + name)) {
      return in.readAllBytes();
    }
  }

  @ParameterizedTest
  @ValueSource(strings = {"everything", "quay-walk", "lamp-room", "two-cameras"})
  void document_isReadAndStaysTheSame(String name) throws Exception {
    Shot shot = ShotJson.read(golden(name + ".json"));
    assertThat(ShotJson.read(ShotJson.bytes(shot))).isEqualTo(shot);
  }

  @ParameterizedTest
  @ValueSource(strings = {"everything", "quay-walk", "lamp-room", "two-cameras"})
  void samples_areWhatTheyWere(String name) throws Exception {
    Shot shot = ShotJson.read(golden(name + ".json"));
    JsonNode kept = JsonPlace.mapper().readTree(golden(name + ".samples.json"));
    SampleGrid grid =
        new SampleGrid(
            kept.get("first").asDouble(),
            kept.get("count").asInt(),
            kept.get("stepsPerFrame").asDouble());
    Evaluation motion = Evaluation.of(shot, grid, null);
    for (Node node : shot.nodes()) {
      JsonNode columns = kept.get("nodes").get(node.id());
      Map<String, double[]> now = columns(motion.of(node.id()));
      assertThat(now.keySet()).containsExactlyElementsOf(columns.propertyNames());
      now.forEach((column, values) -> compare(node.id() + "." + column, values, columns));
    }
  }

  private static void compare(String name, double[] values, JsonNode columns) {
    JsonNode column = columns.get(name.substring(name.indexOf('.') + 1));
    assertThat(values).as(name).hasSize(column.size());
    for (int i = 0; i < values.length; i++) {
      double was = column.get(i).isNull() ? Double.POSITIVE_INFINITY : column.get(i).asDouble();
      if (Double.isInfinite(was)) {
        assertThat(values[i]).as(name).isInfinite();
      } else {
        assertThat(values[i]).as(name).isCloseTo(was, within(STORED * (1 + Math.abs(was))));
      }
    }
  }

  private static Map<String, double[]> columns(NodeMotion motion) {
    PoseTrack p = motion.world();
    Map<String, double[]> all = new LinkedHashMap<>();
    all.put("x", p.x());
    all.put("y", p.y());
    all.put("z", p.z());
    all.put("qx", p.qx());
    all.put("qy", p.qy());
    all.put("qz", p.qz());
    all.put("qw", p.qw());
    if (motion.lens().isPresent()) {
      LensTrack l = motion.lens().get();
      all.put("focalMm", l.focalMm());
      all.put("fStop", l.fStop());
      all.put("focusM", l.focusM());
      all.put("nearM", l.nearM());
      all.put("farM", l.farM());
      all.put("hyperfocalM", l.hyperfocalM());
      all.put("horizontalRad", l.horizontalRad());
      all.put("verticalRad", l.verticalRad());
    }
    return all;
  }

  @Test
  void edits_leadWhereTheyLed() throws Exception {
    Shot shot = ShotJson.read(golden("everything.json"));
    JsonNode all = JsonPlace.mapper().readTree(golden("edits.json"));
    assertThat(all.size()).isGreaterThan(40);
    for (JsonNode one : all) {
      Edit edit = edit(one.get("edit"));
      if (one.has("leads")) {
        byte[] expected = ShotJson.bytes(edit(one.get("leads")).apply(shot));
        assertThat(ShotJson.bytes(edit.apply(shot)))
            .as(one.get("edit").toString())
            .isEqualTo(expected);
      } else {
        assertThatThrownBy(() -> edit.apply(shot)).hasMessage(one.get("refused").stringValue());
      }
    }
  }

  private static Edit edit(JsonNode json) throws Exception {
    return EditJson.readList(JsonPlace.parse(("[" + json + "]").getBytes("UTF-8"))).get(0);
  }

  @Test
  void edits_areReadAsTheyAreWrittenNow() throws Exception {
    for (JsonNode one : JsonPlace.mapper().readTree(golden("edits.json"))) {
      Edit edit = edit(one.get("edit"));
      byte[] now = EditJson.text(List.of(edit)).getBytes("UTF-8");
      Edit again = EditJson.readList(JsonPlace.parse(now)).get(0);
      // two edits that hold a ramp are equal in what they do, not as records
      assertThat(EditJson.write(again)).isEqualTo(EditJson.write(edit));
    }
  }
}
