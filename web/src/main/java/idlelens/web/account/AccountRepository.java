package idlelens.web.account;

import static idlelens.web.database.schema.Tables.ACCOUNT;
import static idlelens.web.database.schema.Tables.MEMBERSHIP;
import static idlelens.web.database.schema.Tables.PRODUCTION;

import idlelens.core.rule.RefusedException;
import idlelens.core.rule.Require;
import idlelens.web.access.Role;
import idlelens.web.database.Transactions;
import idlelens.web.database.schema.tables.records.AccountRecord;
import idlelens.web.problem.NotFoundException;
import java.time.Clock;
import java.time.LocalDateTime;
import java.util.List;
import java.util.Optional;
import org.jooq.DSLContext;
import org.springframework.stereotype.Repository;

/** Accounts in the database. Names are the same only if they are written the same. */
@Repository
public class AccountRepository {
  private static final int MOST_NAME = 60;
  private static final int MOST_SHOWN_NAME = 80;

  /** No password can have this as its hash. */
  private static final String NO_PASSWORD = "removed";

  private final DSLContext sql;
  private final Transactions transactions;
  private final Clock clock;

  AccountRepository(DSLContext sql, Transactions transactions, Clock clock) {
    this.sql = sql;
    this.transactions = transactions;
    this.clock = clock;
  }

  public Optional<AccountUser> find(String name) {
    return sql.selectFrom(ACCOUNT)
        .where(ACCOUNT.NAME.eq(name))
        .and(ACCOUNT.PASSWORD_HASH.ne(NO_PASSWORD))
        .fetchOptional(AccountRepository::user);
  }

  private static AccountUser user(AccountRecord r) {
    return new AccountUser(r.getId(), r.getName(), r.getShownName(), r.getPasswordHash());
  }

  /** Whether an account has that name, or had it. */
  public boolean isTaken(String name) {
    return sql.fetchExists(sql.selectOne().from(ACCOUNT).where(ACCOUNT.NAME.eq(name)));
  }

  /** Whether an account still has the password that it logged in with. */
  boolean isCurrent(AccountUser user) {
    return sql.fetchExists(
        sql.selectOne()
            .from(ACCOUNT)
            .where(ACCOUNT.ID.eq(user.id()))
            .and(ACCOUNT.PASSWORD_HASH.eq(user.passwordHash())));
  }

  /** The names of all accounts that can log in. */
  List<String> names() {
    return sql.select(ACCOUNT.NAME)
        .from(ACCOUNT)
        .where(ACCOUNT.PASSWORD_HASH.ne(NO_PASSWORD))
        .orderBy(ACCOUNT.NAME)
        .fetch(ACCOUNT.NAME);
  }

  /**
   * Adds an account and gives its id.
   *
   * @throws RefusedException if there is one of that name
   */
  public long add(String name, String shownName, String passwordHash) {
    String checked = Require.name(name, MOST_NAME, "name");
    String shown = Require.name(shownName, MOST_SHOWN_NAME, "shown name");
    return transactions.write(
        () -> {
          refuseKnown(checked);
          return sql.insertInto(ACCOUNT)
              .set(ACCOUNT.NAME, checked)
              .set(ACCOUNT.SHOWN_NAME, shown)
              .set(ACCOUNT.PASSWORD_HASH, passwordHash)
              .set(ACCOUNT.CREATED_AT, LocalDateTime.now(clock))
              .returning(ACCOUNT.ID)
              .fetchOne()
              .getId();
        });
  }

  private void refuseKnown(String name) {
    boolean known =
        !sql.select(ACCOUNT.ID)
            .from(ACCOUNT)
            .where(ACCOUNT.NAME.eq(name))
            .forUpdate()
            .fetch()
            .isEmpty();
    if (known) {
      throw new RefusedException("name", "'" + name + "'", "a name that no account has or had");
    }
  }

  /** Gives an account another password; its log-ins end. */
  public void setPassword(String name, String passwordHash) {
    int rows =
        transactions.write(
            () ->
                sql.update(ACCOUNT)
                    .set(ACCOUNT.PASSWORD_HASH, passwordHash)
                    .where(ACCOUNT.NAME.eq(name))
                    .and(ACCOUNT.PASSWORD_HASH.ne(NO_PASSWORD))
                    .execute());
    if (rows == 0) {
      throw new NotFoundException("Account “" + name + "”");
    }
  }

  /**
   * Ends an account: it can not log in, and belongs to nothing. What it made keeps its name.
   *
   * @return the names of productions that have no owner any more
   */
  List<String> remove(String name) {
    return transactions.write(
        () -> {
          List<Long> left =
              sql.select(MEMBERSHIP.PRODUCTION_ID)
                  .from(MEMBERSHIP)
                  .join(ACCOUNT)
                  .on(ACCOUNT.ID.eq(MEMBERSHIP.ACCOUNT_ID))
                  .where(ACCOUNT.NAME.eq(name))
                  .fetch(MEMBERSHIP.PRODUCTION_ID);
          setPassword(name, NO_PASSWORD);
          sql.deleteFrom(MEMBERSHIP)
              .where(
                  MEMBERSHIP.ACCOUNT_ID.in(
                      sql.select(ACCOUNT.ID).from(ACCOUNT).where(ACCOUNT.NAME.eq(name))))
              .execute();
          return withoutOwner(left);
        });
  }

  private List<String> withoutOwner(List<Long> productions) {
    return sql.select(PRODUCTION.NAME)
        .from(PRODUCTION)
        .where(PRODUCTION.ID.in(productions))
        .andNotExists(
            sql.selectOne()
                .from(MEMBERSHIP)
                .where(MEMBERSHIP.PRODUCTION_ID.eq(PRODUCTION.ID))
                .and(MEMBERSHIP.ROLE.eq(Role.OWNER.word())))
        .fetch(PRODUCTION.NAME);
  }
}
