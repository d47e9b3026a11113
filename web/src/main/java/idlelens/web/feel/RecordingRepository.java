package idlelens.web.feel;

import static idlelens.web.database.schema.Tables.KEPT_RECORDING;

import idlelens.core.shake.Recording;
import idlelens.exchange.json.JsonPlace;
import idlelens.exchange.json.RecordedJson;
import idlelens.web.database.Transactions;
import idlelens.web.kept.KeptRepository;
import java.util.List;
import java.util.Map;
import org.jooq.DSLContext;
import org.springframework.stereotype.Repository;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/** The recordings that productions keep. */
@Repository
public class RecordingRepository {
  private static final int MOST = 200;

  private final KeptRepository kept;

  RecordingRepository(DSLContext sql, Transactions transactions) {
    this.kept = new KeptRepository(sql, transactions, KEPT_RECORDING, "recording", MOST);
  }

  /** A recording as listed. */
  record Listed(String name, double rate, int samples) {}

  List<Listed> of(long productionId) {
    return kept.all(
        productionId,
        List.of(KEPT_RECORDING.NAME, KEPT_RECORDING.RATE, KEPT_RECORDING.SAMPLES),
        r ->
            new Listed(
                r.get(KEPT_RECORDING.NAME),
                r.get(KEPT_RECORDING.RATE),
                r.get(KEPT_RECORDING.SAMPLES)));
  }

  /** A recording as JSON: rate and samples. */
  String content(long productionId, String name) {
    return kept.find(productionId, name, KEPT_RECORDING.CONTENT).orElseThrow(() -> kept.none(name));
  }

  /** Keeps a recording, in place of the one of its name. */
  public void keep(long productionId, String name, Recording recording) {
    ObjectNode out = JsonNodeFactory.instance.objectNode();
    RecordedJson.write(recording, out);
    kept.keep(
        productionId,
        name,
        Map.of(
            KEPT_RECORDING.RATE,
            recording.rateHz(),
            KEPT_RECORDING.SAMPLES,
            recording.length(),
            KEPT_RECORDING.CONTENT,
            JsonPlace.mapper().writeValueAsString(out)));
  }

  void remove(long productionId, String name) {
    kept.remove(productionId, name);
  }
}
