package idlelens.web.feel;

import static idlelens.web.database.schema.Tables.KEPT_RECORDING;

import idlelens.core.rule.RefusedException;
import idlelens.core.shake.Recording;
import idlelens.exchange.json.JsonPlace;
import idlelens.exchange.json.RecordedJson;
import idlelens.web.database.Transactions;
import idlelens.web.problem.NotFoundException;
import java.util.List;
import org.jooq.DSLContext;
import org.springframework.stereotype.Repository;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/** The recordings that productions keep. */
@Repository
public class RecordingRepository {
  private static final int MOST = 200;

  private final DSLContext sql;
  private final Transactions transactions;

  RecordingRepository(DSLContext sql, Transactions transactions) {
    this.sql = sql;
    this.transactions = transactions;
  }

  /** A recording as listed. */
  record Listed(String name, double rate, int samples) {}

  List<Listed> of(long productionId) {
    return sql.select(KEPT_RECORDING.NAME, KEPT_RECORDING.RATE, KEPT_RECORDING.SAMPLES)
        .from(KEPT_RECORDING)
        .where(KEPT_RECORDING.PRODUCTION_ID.eq(productionId))
        .orderBy(KEPT_RECORDING.NAME)
        .fetch(r -> new Listed(r.value1(), r.value2(), r.value3()));
  }

  /** A recording as JSON: rate and samples. */
  String content(long productionId, String name) {
    return sql.select(KEPT_RECORDING.CONTENT)
        .from(KEPT_RECORDING)
        .where(KEPT_RECORDING.PRODUCTION_ID.eq(productionId))
        .and(KEPT_RECORDING.NAME.eq(name))
        .fetchOptional(KEPT_RECORDING.CONTENT)
        .orElseThrow(() -> none(name));
  }

  private static NotFoundException none(String name) {
    return new NotFoundException("a recording named '" + name + "'");
  }

  /** Keeps a recording, in place of the one of its name. */
  public void keep(long productionId, String name, Recording recording) {
    ObjectNode out = JsonNodeFactory.instance.objectNode();
    RecordedJson.write(recording, out);
    String content = JsonPlace.mapper().writeValueAsString(out);
    transactions.write(
        () -> {
          sql.insertInto(KEPT_RECORDING)
              .set(KEPT_RECORDING.PRODUCTION_ID, productionId)
              .set(KEPT_RECORDING.NAME, name)
              .set(KEPT_RECORDING.RATE, recording.rateHz())
              .set(KEPT_RECORDING.SAMPLES, recording.length())
              .set(KEPT_RECORDING.CONTENT, content)
              .onDuplicateKeyUpdate()
              .set(KEPT_RECORDING.RATE, recording.rateHz())
              .set(KEPT_RECORDING.SAMPLES, recording.length())
              .set(KEPT_RECORDING.CONTENT, content)
              .execute();
          int count = sql.fetchCount(KEPT_RECORDING, KEPT_RECORDING.PRODUCTION_ID.eq(productionId));
          if (count > MOST) {
            throw new RefusedException("recordings.count", count, "up to " + MOST);
          }
          return count;
        });
  }

  void remove(long productionId, String name) {
    int rows =
        transactions.write(
            () ->
                sql.deleteFrom(KEPT_RECORDING)
                    .where(KEPT_RECORDING.PRODUCTION_ID.eq(productionId))
                    .and(KEPT_RECORDING.NAME.eq(name))
                    .execute());
    if (rows == 0) {
      throw none(name);
    }
  }
}
