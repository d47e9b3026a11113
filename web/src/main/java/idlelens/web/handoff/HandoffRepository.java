package idlelens.web.handoff;

import static idlelens.web.database.schema.Tables.ACCOUNT;
import static idlelens.web.database.schema.Tables.HANDOFF;

import idlelens.web.database.Transactions;
import java.time.Clock;
import java.time.LocalDateTime;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import org.jooq.DSLContext;
import org.springframework.stereotype.Repository;

/** What went out and what came in. */
@Repository
public class HandoffRepository {
  private static final int LISTED = 50;

  private final DSLContext sql;
  private final Transactions transactions;
  private final Clock clock;

  HandoffRepository(DSLContext sql, Transactions transactions, Clock clock) {
    this.sql = sql;
    this.transactions = transactions;
    this.clock = clock;
  }

  /**
   * One hand-off.
   *
   * @param profile for whom a file went out, or ""
   * @param told what came of its check, or ""
   */
  record Entry(
      String direction,
      String format,
      String fileName,
      long revision,
      String author,
      LocalDateTime at,
      List<String> notes,
      String profile,
      String told) {}

  /** A file that went out. */
  public void addOut(long shotId, long revision, WrittenFile file, long authorId) {
    add(
        shotId,
        revision,
        new Row(
            "out",
            file.format(),
            file.name(),
            file.notes(),
            file.profile(),
            file.told(),
            Came.NOTHING),
        authorId);
  }

  /**
   * A file that came in.
   *
   * @param came what became of it
   */
  public void addIn(
      long shotId,
      long revision,
      String format,
      String fileName,
      List<String> notes,
      Came came,
      long authorId) {
    Row row = new Row("in", format, fileName, notes, Optional.empty(), Optional.empty(), came);
    add(shotId, revision, row, authorId);
  }

  /** What became of a file of that name when it last came into a shot; nothing if it never did. */
  Came came(long shotId, String fileName) {
    return sql.select(HANDOFF.CAME, HANDOFF.SAID)
        .from(HANDOFF)
        .where(HANDOFF.SHOT_ID.eq(shotId))
        .and(HANDOFF.DIRECTION.eq("in"))
        .and(HANDOFF.FILE_NAME.eq(fileName))
        .and(HANDOFF.CAME.isNotNull())
        .orderBy(HANDOFF.ID.desc())
        .limit(1)
        .fetchOptional(r -> Came.stored(r.get(HANDOFF.CAME), r.get(HANDOFF.SAID)))
        .orElse(Came.NOTHING);
  }

  private record Row(
      String direction,
      String format,
      String fileName,
      List<String> notes,
      Optional<String> profile,
      Optional<String> told,
      Came came) {}

  private void add(long shotId, long revision, Row row, long authorId) {
    transactions.write(
        () ->
            sql.insertInto(HANDOFF)
                .set(HANDOFF.SHOT_ID, shotId)
                .set(HANDOFF.REVISION, revision)
                .set(HANDOFF.DIRECTION, row.direction())
                .set(HANDOFF.FORMAT, row.format())
                .set(HANDOFF.FILE_NAME, row.fileName())
                .set(HANDOFF.NOTES, String.join("\n", row.notes()))
                .set(HANDOFF.PROFILE, row.profile().orElse(null))
                .set(HANDOFF.TOLD, row.told().orElse(null))
                .set(HANDOFF.CAME, Came.json(row.came().nodes()))
                .set(HANDOFF.SAID, Came.json(row.came().said()))
                .set(HANDOFF.AUTHOR_ID, authorId)
                .set(HANDOFF.CREATED_AT, LocalDateTime.now(clock))
                .execute());
  }

  /** The latest hand-offs of a shot, newest first. */
  List<Entry> of(long shotId) {
    return sql.select(HANDOFF.fields())
        .select(ACCOUNT.SHOWN_NAME)
        .from(HANDOFF)
        .join(ACCOUNT)
        .on(ACCOUNT.ID.eq(HANDOFF.AUTHOR_ID))
        .where(HANDOFF.SHOT_ID.eq(shotId))
        .orderBy(HANDOFF.ID.desc())
        .limit(LISTED)
        .fetch(
            r ->
                new Entry(
                    r.get(HANDOFF.DIRECTION),
                    r.get(HANDOFF.FORMAT),
                    r.get(HANDOFF.FILE_NAME),
                    r.get(HANDOFF.REVISION),
                    r.get(ACCOUNT.SHOWN_NAME),
                    r.get(HANDOFF.CREATED_AT),
                    r.get(HANDOFF.NOTES).isEmpty()
                        ? List.of()
                        : List.of(r.get(HANDOFF.NOTES).split("\n")),
                    Objects.requireNonNullElse(r.get(HANDOFF.PROFILE), ""),
                    Objects.requireNonNullElse(r.get(HANDOFF.TOLD), "")));
  }
}
