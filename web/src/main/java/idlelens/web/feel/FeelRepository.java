package idlelens.web.feel;

import static idlelens.web.database.schema.Tables.KEPT_FEEL;

import idlelens.core.rule.RefusedException;
import idlelens.web.database.Transactions;
import idlelens.web.problem.NotFoundException;
import java.util.List;
import org.jooq.DSLContext;
import org.springframework.stereotype.Repository;

/** The feels that productions keep. */
@Repository
class FeelRepository {
  /** The most that a production keeps. */
  static final int MOST = 200;

  private final DSLContext sql;
  private final Transactions transactions;

  FeelRepository(DSLContext sql, Transactions transactions) {
    this.sql = sql;
    this.transactions = transactions;
  }

  /** A feel: its name and its layers as JSON. */
  record Kept(String name, String layers) {}

  List<Kept> of(long productionId) {
    return sql.select(KEPT_FEEL.NAME, KEPT_FEEL.LAYERS)
        .from(KEPT_FEEL)
        .where(KEPT_FEEL.PRODUCTION_ID.eq(productionId))
        .orderBy(KEPT_FEEL.NAME)
        .fetch(r -> new Kept(r.value1(), r.value2()));
  }

  /** Keeps a feel, in place of the one of its name. */
  void keep(long productionId, String name, String layers) {
    transactions.write(
        () -> {
          sql.insertInto(KEPT_FEEL)
              .set(KEPT_FEEL.PRODUCTION_ID, productionId)
              .set(KEPT_FEEL.NAME, name)
              .set(KEPT_FEEL.LAYERS, layers)
              .onDuplicateKeyUpdate()
              .set(KEPT_FEEL.LAYERS, layers)
              .execute();
          int count = sql.fetchCount(KEPT_FEEL, KEPT_FEEL.PRODUCTION_ID.eq(productionId));
          if (count > MOST) {
            throw new RefusedException("feels.count", count, "up to " + MOST + " in a production");
          }
          return count;
        });
  }

  void remove(long productionId, String name) {
    int rows =
        transactions.write(
            () ->
                sql.deleteFrom(KEPT_FEEL)
                    .where(KEPT_FEEL.PRODUCTION_ID.eq(productionId))
                    .and(KEPT_FEEL.NAME.eq(name))
                    .execute());
    if (rows == 0) {
      throw new NotFoundException("a feel named '" + name + "'");
    }
  }
}
