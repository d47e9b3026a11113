package idlelens.web.production;

import static idlelens.web.database.schema.Tables.MEMBERSHIP;
import static idlelens.web.database.schema.Tables.PRODUCTION;
import static idlelens.web.database.schema.Tables.SHOT;

import idlelens.web.problem.NotFoundException;
import java.time.Clock;
import java.time.LocalDateTime;
import java.util.List;
import org.jooq.DSLContext;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;

/** Productions in the database, and the one place that decides who may see what. */
@Repository
public class ProductionRepository {
  private final DSLContext sql;
  private final Clock clock;

  ProductionRepository(DSLContext sql, Clock clock) {
    this.sql = sql;
    this.clock = clock;
  }

  /** A production as listed. */
  public record Production(long id, String name) {}

  public List<Production> of(long accountId) {
    return sql.select(PRODUCTION.ID, PRODUCTION.NAME)
        .from(PRODUCTION)
        .join(MEMBERSHIP)
        .on(MEMBERSHIP.PRODUCTION_ID.eq(PRODUCTION.ID))
        .where(MEMBERSHIP.ACCOUNT_ID.eq(accountId))
        .orderBy(PRODUCTION.ID)
        .fetch(r -> new Production(r.value1(), r.value2()));
  }

  /** Adds a production that belongs to an account, and gives its id. */
  @Transactional
  public long add(String name, long accountId) {
    long id =
        sql.insertInto(PRODUCTION)
            .set(PRODUCTION.NAME, name)
            .set(PRODUCTION.CREATED_AT, LocalDateTime.now(clock))
            .returning(PRODUCTION.ID)
            .fetchOne()
            .getId();
    sql.insertInto(MEMBERSHIP)
        .set(MEMBERSHIP.ACCOUNT_ID, accountId)
        .set(MEMBERSHIP.PRODUCTION_ID, id)
        .set(MEMBERSHIP.ROLE, "owner")
        .execute();
    return id;
  }

  /** Lets an account in to a production, or refuses as if the production were not there. */
  public void require(long accountId, long productionId) {
    boolean member =
        sql.fetchExists(
            sql.selectFrom(MEMBERSHIP)
                .where(MEMBERSHIP.ACCOUNT_ID.eq(accountId))
                .and(MEMBERSHIP.PRODUCTION_ID.eq(productionId)));
    if (!member) {
      throw new NotFoundException("Production " + productionId);
    }
  }

  /**
   * Lets an account in to a shot, or refuses as if the shot were not there.
   *
   * @return the id of the shot's production
   */
  public long requireShot(long accountId, long shotId) {
    return sql.select(SHOT.PRODUCTION_ID)
        .from(SHOT)
        .join(MEMBERSHIP)
        .on(MEMBERSHIP.PRODUCTION_ID.eq(SHOT.PRODUCTION_ID))
        .where(SHOT.ID.eq(shotId))
        .and(SHOT.DELETED_AT.isNull())
        .and(MEMBERSHIP.ACCOUNT_ID.eq(accountId))
        .fetchOptional(SHOT.PRODUCTION_ID)
        .orElseThrow(() -> new NotFoundException("Shot " + shotId));
  }
}
