package idlelens.web.production;

import static idlelens.web.database.schema.Tables.MEMBERSHIP;
import static idlelens.web.database.schema.Tables.PRODUCTION;

import idlelens.web.access.Role;
import idlelens.web.database.Transactions;
import java.time.Clock;
import java.time.LocalDateTime;
import java.util.List;
import org.jooq.Condition;
import org.jooq.DSLContext;
import org.springframework.stereotype.Repository;

/** Productions in the database. */
@Repository
public class ProductionRepository {
  private final DSLContext sql;
  private final Transactions transactions;
  private final Clock clock;

  ProductionRepository(DSLContext sql, Transactions transactions, Clock clock) {
    this.sql = sql;
    this.transactions = transactions;
    this.clock = clock;
  }

  /** A production as listed. */
  public record Production(long id, String name, String role) {}

  /** The productions that an account belongs to and that are there. */
  public List<Production> of(long accountId) {
    return listed(accountId, PRODUCTION.DELETED_AT.isNull());
  }

  /** The deleted productions that an account may put back. */
  public List<Production> deletedOf(long accountId) {
    return listed(
        accountId, PRODUCTION.DELETED_AT.isNotNull().and(MEMBERSHIP.ROLE.eq(Role.OWNER.word())));
  }

  private List<Production> listed(long accountId, Condition which) {
    return sql.select(PRODUCTION.ID, PRODUCTION.NAME, MEMBERSHIP.ROLE)
        .from(PRODUCTION)
        .join(MEMBERSHIP)
        .on(MEMBERSHIP.PRODUCTION_ID.eq(PRODUCTION.ID))
        .where(MEMBERSHIP.ACCOUNT_ID.eq(accountId))
        .and(which)
        .orderBy(PRODUCTION.ID)
        .fetch(r -> new Production(r.value1(), r.value2(), r.value3()));
  }

  void rename(long productionId, String name) {
    transactions.write(
        () ->
            sql.update(PRODUCTION)
                .set(PRODUCTION.NAME, name)
                .where(PRODUCTION.ID.eq(productionId))
                .execute());
  }

  void delete(long productionId) {
    setDeleted(productionId, LocalDateTime.now(clock));
  }

  void putBack(long productionId) {
    setDeleted(productionId, null);
  }

  private void setDeleted(long productionId, LocalDateTime when) {
    transactions.write(
        () ->
            sql.update(PRODUCTION)
                .set(PRODUCTION.DELETED_AT, when)
                .where(PRODUCTION.ID.eq(productionId))
                .execute());
  }

  /** Adds a production that belongs to an account, and gives its id. */
  public long add(String name, long accountId) {
    return transactions.write(
        () -> {
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
              .set(MEMBERSHIP.ROLE, Role.OWNER.word())
              .execute();
          return id;
        });
  }
}
