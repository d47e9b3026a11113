package idlelens.web.access;

import static idlelens.web.database.schema.Tables.ACCOUNT;
import static idlelens.web.database.schema.Tables.MEMBERSHIP;
import static idlelens.web.database.schema.Tables.PRODUCTION;
import static idlelens.web.database.schema.Tables.SHOT;

import idlelens.core.rule.RefusedException;
import idlelens.web.database.Transactions;
import idlelens.web.problem.LastOwnerException;
import idlelens.web.problem.NotFoundException;
import java.util.List;
import java.util.Optional;
import org.jooq.Condition;
import org.jooq.DSLContext;
import org.jooq.impl.DSL;
import org.springframework.stereotype.Repository;

/** Who belongs to which production, and as what. */
@Repository
public class MembershipRepository {
  private final DSLContext sql;
  private final Transactions transactions;

  MembershipRepository(DSLContext sql, Transactions transactions) {
    this.sql = sql;
    this.transactions = transactions;
  }

  /** A member as listed. */
  public record Member(String name, String shownName, String role) {}

  /** An account's membership in a production. */
  Optional<Membership> inProduction(long accountId, long productionId, boolean evenDeleted) {
    Condition there = evenDeleted ? DSL.noCondition() : PRODUCTION.DELETED_AT.isNull();
    return sql.select(MEMBERSHIP.ROLE)
        .from(MEMBERSHIP)
        .join(PRODUCTION)
        .on(PRODUCTION.ID.eq(MEMBERSHIP.PRODUCTION_ID))
        .where(MEMBERSHIP.ACCOUNT_ID.eq(accountId))
        .and(there)
        .and(MEMBERSHIP.PRODUCTION_ID.eq(productionId))
        .fetchOptional(r -> new Membership(productionId, Role.of(r.value1())));
  }

  /** An account's membership in the production of a shot. */
  Optional<Membership> ofShot(long accountId, long shotId, boolean evenDeleted) {
    Condition there = evenDeleted ? DSL.noCondition() : SHOT.DELETED_AT.isNull();
    return sql.select(SHOT.PRODUCTION_ID, MEMBERSHIP.ROLE)
        .from(SHOT)
        .join(PRODUCTION)
        .on(PRODUCTION.ID.eq(SHOT.PRODUCTION_ID))
        .join(MEMBERSHIP)
        .on(MEMBERSHIP.PRODUCTION_ID.eq(SHOT.PRODUCTION_ID))
        .where(SHOT.ID.eq(shotId))
        .and(there)
        .and(PRODUCTION.DELETED_AT.isNull())
        .and(MEMBERSHIP.ACCOUNT_ID.eq(accountId))
        .fetchOptional(r -> new Membership(r.value1(), Role.of(r.value2())));
  }

  /** The members of a production by name. */
  public List<Member> members(long productionId) {
    return sql.select(ACCOUNT.NAME, ACCOUNT.SHOWN_NAME, MEMBERSHIP.ROLE)
        .from(MEMBERSHIP)
        .join(ACCOUNT)
        .on(ACCOUNT.ID.eq(MEMBERSHIP.ACCOUNT_ID))
        .where(MEMBERSHIP.PRODUCTION_ID.eq(productionId))
        .orderBy(ACCOUNT.NAME)
        .fetch(r -> new Member(r.value1(), r.value2(), r.value3()));
  }

  /**
   * Gives an account a role in a production, in place of the one it has.
   *
   * @throws RefusedException if there is no such account
   * @throws LastOwnerException if no owner would be left
   */
  public void put(long productionId, String accountName, Role role) {
    long account = account(accountName);
    transactions.write(
        () -> {
          lock(productionId);
          sql.insertInto(MEMBERSHIP)
              .set(MEMBERSHIP.ACCOUNT_ID, account)
              .set(MEMBERSHIP.PRODUCTION_ID, productionId)
              .set(MEMBERSHIP.ROLE, role.word())
              .onDuplicateKeyUpdate()
              .set(MEMBERSHIP.ROLE, role.word())
              .execute();
          requireOwner(productionId);
        });
  }

  /** Takes an account out of a production, and gives its id. */
  public long remove(long productionId, String accountName) {
    long account = account(accountName);
    transactions.write(
        () -> {
          lock(productionId);
          int rows =
              sql.deleteFrom(MEMBERSHIP)
                  .where(MEMBERSHIP.ACCOUNT_ID.eq(account))
                  .and(MEMBERSHIP.PRODUCTION_ID.eq(productionId))
                  .execute();
          if (rows == 0) {
            throw new NotFoundException("Member “" + accountName + "”");
          }
          requireOwner(productionId);
        });
    return account;
  }

  /** Two owners who remove one another at once are taken one after the other. */
  private void lock(long productionId) {
    sql.select(MEMBERSHIP.ACCOUNT_ID)
        .from(MEMBERSHIP)
        .where(MEMBERSHIP.PRODUCTION_ID.eq(productionId))
        .forUpdate()
        .fetch();
  }

  private void requireOwner(long productionId) {
    boolean owned =
        sql.fetchExists(
            sql.selectOne()
                .from(MEMBERSHIP)
                .where(MEMBERSHIP.PRODUCTION_ID.eq(productionId))
                .and(MEMBERSHIP.ROLE.eq(Role.OWNER.word())));
    if (!owned) {
      throw new LastOwnerException();
    }
  }

  private long account(String name) {
    return sql.select(ACCOUNT.ID)
        .from(ACCOUNT)
        .where(ACCOUNT.NAME.eq(name))
        .fetchOptional(ACCOUNT.ID)
        .orElseThrow(
            () ->
                new RefusedException(
                    "name", "'" + name + "'", "the name of an account; an operator adds accounts"));
  }
}
