package idlelens.web.account;

import static idlelens.web.database.schema.Tables.ACCOUNT;

import java.time.Clock;
import java.time.LocalDateTime;
import java.util.Optional;
import org.jooq.DSLContext;
import org.springframework.stereotype.Repository;

/** Accounts in the database. */
@Repository
public class AccountRepository {
  private final DSLContext sql;
  private final Clock clock;

  AccountRepository(DSLContext sql, Clock clock) {
    this.sql = sql;
    this.clock = clock;
  }

  public Optional<AccountUser> find(String name) {
    return sql.selectFrom(ACCOUNT)
        .where(ACCOUNT.NAME.eq(name))
        .fetchOptional(
            r -> new AccountUser(r.getId(), r.getName(), r.getShownName(), r.getPasswordHash()));
  }

  /** Adds an account and gives its id. */
  public long add(String name, String shownName, String passwordHash) {
    return sql.insertInto(ACCOUNT)
        .set(ACCOUNT.NAME, name)
        .set(ACCOUNT.SHOWN_NAME, shownName)
        .set(ACCOUNT.PASSWORD_HASH, passwordHash)
        .set(ACCOUNT.CREATED_AT, LocalDateTime.now(clock))
        .returning(ACCOUNT.ID)
        .fetchOne()
        .getId();
  }
}
