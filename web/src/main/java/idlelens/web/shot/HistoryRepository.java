package idlelens.web.shot;

import static idlelens.web.database.schema.Tables.ACCOUNT;
import static idlelens.web.database.schema.Tables.EDIT;
import static idlelens.web.database.schema.Tables.SHOT;
import static idlelens.web.database.schema.Tables.VERSION;

import idlelens.web.database.Transactions;
import idlelens.web.problem.ConflictException;
import idlelens.web.problem.NotFoundException;
import java.time.Clock;
import java.time.LocalDateTime;
import java.util.List;
import java.util.Map;
import org.jooq.DSLContext;
import org.springframework.stereotype.Repository;

/** What was done to shots, and the versions kept of them, in the database. */
@Repository
class HistoryRepository {
  private final DSLContext sql;
  private final Transactions transactions;
  private final Clock clock;

  HistoryRepository(DSLContext sql, Transactions transactions, Clock clock) {
    this.sql = sql;
    this.transactions = transactions;
    this.clock = clock;
  }

  /**
   * One thing that was done.
   *
   * @param state done, undone, dropped (undone, and then something else was done), or walk (an undo
   *     or redo)
   */
  record Entry(long revision, String state, String summary, String author, LocalDateTime at) {}

  /** A named, kept state. */
  record Version(long id, String name, long revision, String author, LocalDateTime at) {}

  /** What was done up to a revision, the latest first. */
  List<Entry> entries(long shotId, long upTo, int most) {
    return sql.select(EDIT.REVISION, EDIT.STATE, EDIT.SUMMARY, ACCOUNT.SHOWN_NAME, EDIT.CREATED_AT)
        .from(EDIT)
        .join(ACCOUNT)
        .on(ACCOUNT.ID.eq(EDIT.AUTHOR_ID))
        .where(EDIT.SHOT_ID.eq(shotId))
        .and(EDIT.REVISION.le(upTo))
        .orderBy(EDIT.REVISION.desc())
        .limit(most)
        .fetch(r -> new Entry(r.value1(), r.value2(), r.value3(), r.value4(), r.value5()));
  }

  /** The versions of a shot, the latest kept first. */
  List<Version> versions(long shotId) {
    return sql.select(
            VERSION.ID, VERSION.NAME, VERSION.REVISION, ACCOUNT.SHOWN_NAME, VERSION.CREATED_AT)
        .from(VERSION)
        .join(ACCOUNT)
        .on(ACCOUNT.ID.eq(VERSION.AUTHOR_ID))
        .where(VERSION.SHOT_ID.eq(shotId))
        .orderBy(VERSION.ID.desc())
        .fetch(r -> new Version(r.value1(), r.value2(), r.value3(), r.value4(), r.value5()));
  }

  /**
   * Keeps a revision under a name.
   *
   * @throws ConflictException if the name stands for another state already
   */
  long keep(long shotId, long revision, String name, long author) {
    return transactions.write(
        () -> {
          lock(shotId);
          refuseKnown(shotId, name);
          return sql.insertInto(VERSION)
              .set(VERSION.SHOT_ID, shotId)
              .set(VERSION.REVISION, revision)
              .set(VERSION.NAME, name)
              .set(VERSION.AUTHOR_ID, author)
              .set(VERSION.CREATED_AT, LocalDateTime.now(clock))
              .returning(VERSION.ID)
              .fetchOne()
              .getId();
        });
  }

  /** Several who keep a state by one name at once are taken one after another. */
  private void lock(long shotId) {
    sql.select(SHOT.ID).from(SHOT).where(SHOT.ID.eq(shotId)).forUpdate().fetch();
  }

  private void refuseKnown(long shotId, String name) {
    versions(shotId).stream()
        .filter(v -> v.name().equals(name))
        .findFirst()
        .ifPresent(
            v -> {
              throw new ConflictException(
                  "“" + v.name() + "” is already the name of revision " + v.revision(), Map.of());
            });
  }

  /** Lets a name go; the revision stays. */
  void forget(long shotId, long versionId) {
    int rows =
        transactions.write(
            () ->
                sql.deleteFrom(VERSION)
                    .where(VERSION.SHOT_ID.eq(shotId))
                    .and(VERSION.ID.eq(versionId))
                    .execute());
    if (rows == 0) {
      throw new NotFoundException("Version " + versionId + " of shot " + shotId);
    }
  }
}
