package idlelens.web.shot;

import static idlelens.web.database.schema.Tables.ACCOUNT;
import static idlelens.web.database.schema.Tables.MEMBERSHIP;
import static idlelens.web.database.schema.Tables.PRODUCTION;
import static idlelens.web.database.schema.Tables.SHOT;

import java.util.Collection;
import java.util.Set;
import org.jooq.DSLContext;
import org.springframework.stereotype.Repository;

/** Who may hear of which shots. */
@Repository
class ListenerRepository {
  private final DSLContext sql;

  ListenerRepository(DSLContext sql) {
    this.sql = sql;
  }

  /** That an account may hear of a shot, with the password that it has. */
  record Allowed(long shotId, long accountId, String proof) {}

  /** All who may hear of some shots that are there. */
  Set<Allowed> allowed(Collection<Long> shotIds) {
    return sql.select(SHOT.ID, MEMBERSHIP.ACCOUNT_ID, ACCOUNT.PASSWORD_HASH)
        .from(SHOT)
        .join(MEMBERSHIP)
        .on(MEMBERSHIP.PRODUCTION_ID.eq(SHOT.PRODUCTION_ID))
        .join(ACCOUNT)
        .on(ACCOUNT.ID.eq(MEMBERSHIP.ACCOUNT_ID))
        .join(PRODUCTION)
        .on(PRODUCTION.ID.eq(SHOT.PRODUCTION_ID))
        .where(SHOT.ID.in(shotIds))
        .and(PRODUCTION.DELETED_AT.isNull())
        .and(SHOT.DELETED_AT.isNull())
        .fetchSet(r -> new Allowed(r.value1(), r.value2(), r.value3()));
  }

  Set<Long> shotsOf(long productionId) {
    return sql.select(SHOT.ID)
        .from(SHOT)
        .where(SHOT.PRODUCTION_ID.eq(productionId))
        .fetchSet(SHOT.ID);
  }
}
