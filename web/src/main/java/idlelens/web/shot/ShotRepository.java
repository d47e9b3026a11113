package idlelens.web.shot;

import static idlelens.web.database.schema.Tables.ACCOUNT;
import static idlelens.web.database.schema.Tables.EDIT;
import static idlelens.web.database.schema.Tables.SHOT;

import idlelens.core.edit.Edit;
import idlelens.core.edit.Footprint;
import idlelens.core.scene.ShotHeader;
import idlelens.exchange.format.ContentHash;
import idlelens.exchange.json.EditJson;
import idlelens.web.database.OutcomeUnknownException;
import idlelens.web.database.Transactions;
import idlelens.web.problem.NotFoundException;
import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.time.LocalDateTime;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jooq.DSLContext;
import org.jooq.Query;
import org.jooq.TableField;
import org.springframework.dao.DuplicateKeyException;
import org.springframework.stereotype.Repository;

/** Shots, their revisions and their edits in the database. */
@Repository
class ShotRepository {
  private static final int MOST_SUMMARY = 200;

  private final DSLContext sql;
  private final RevisionRepository revisions;
  private final Transactions transactions;
  private final Clock clock;

  ShotRepository(
      DSLContext sql, RevisionRepository revisions, Transactions transactions, Clock clock) {
    this.sql = sql;
    this.revisions = revisions;
    this.transactions = transactions;
    this.clock = clock;
  }

  /** A shot as listed. */
  record Listed(
      long id,
      long productionId,
      String name,
      long revision,
      LocalDateTime changedAt,
      Integer frames,
      String rate) {}

  /** A shot to store: what is listed of it, and all of it as text in UTF-8. */
  record Document(ShotHeader header, byte[] text) {}

  /** A stored edit, as it is needed to walk back and forth. */
  record Step(long id, long revision, String edits, String inverse, String summary) {}

  /** A stored edit as told to others. */
  record Told(long revision, String author, String edits, Footprint footprint) {}

  /**
   * What is written with a new revision.
   *
   * @param request the id of the request, or null
   */
  record Change(
      Kind kind,
      List<Edit> edits,
      Edit inverse,
      Footprint footprint,
      String summary,
      long author,
      String request) {}

  /** How a revision came about. */
  enum Kind {
    EDIT("edit"),
    UNDO("undo"),
    REDO("redo");

    private final String word;

    Kind(String word) {
      this.word = word;
    }
  }

  List<Listed> of(long productionId) {
    return sql.selectFrom(SHOT)
        .where(SHOT.PRODUCTION_ID.eq(productionId))
        .and(SHOT.DELETED_AT.isNull())
        .orderBy(SHOT.ID)
        .fetch(
            r ->
                new Listed(
                    r.getId(),
                    r.getProductionId(),
                    r.getName(),
                    r.getRevision(),
                    r.getChangedAt(),
                    r.getFrames(),
                    r.getRate()));
  }

  /** The newest revision of a shot that is not deleted. */
  long revision(long shotId) {
    return sql.select(SHOT.REVISION)
        .from(SHOT)
        .where(SHOT.ID.eq(shotId))
        .and(SHOT.DELETED_AT.isNull())
        .fetchOptional(SHOT.REVISION)
        .orElseThrow(() -> new NotFoundException("Shot " + shotId));
  }

  /** Adds a shot at revision 1 and gives its id. */
  long add(long productionId, Document document) {
    return transactions.write(
        () -> {
          LocalDateTime now = LocalDateTime.now(clock);
          long id =
              sql.insertInto(SHOT)
                  .set(SHOT.PRODUCTION_ID, productionId)
                  .set(SHOT.REVISION, 1L)
                  .set(listed(document.header()))
                  .set(SHOT.CREATED_AT, now)
                  .set(SHOT.CHANGED_AT, now)
                  .returning(SHOT.ID)
                  .fetchOne()
                  .getId();
          revisions.insertWhole(id, 1, document.text(), now);
          return id;
        });
  }

  private static Map<TableField<?, ?>, Object> listed(ShotHeader header) {
    return Map.of(
        SHOT.NAME,
        header.name(),
        SHOT.FRAMES,
        header.range().length(),
        SHOT.RATE,
        header.rate().toString());
  }

  /** Takes a transaction back in which the shot was found at another revision. */
  private static final class MovedOnException extends RuntimeException {
    private static final long serialVersionUID = 1;
  }

  /**
   * Writes the next revision with what led to it, all or nothing.
   *
   * @param seen the revision it was made from
   * @param walked the edit that is taken back or done again; null for new work
   * @return false, with nothing written, if the shot is at another revision by now or the request
   *     was made before
   */
  boolean write(long shotId, long seen, RevisionRepository.Step step, Change change, Step walked) {
    LocalDateTime now = LocalDateTime.now(clock);
    List<Query> all = new ArrayList<>();
    all.add(moveOn(shotId, seen, step, now));
    all.add(revisions.insertionOfNext(shotId, seen + 1, step, now));
    if (change.kind() == Kind.EDIT) {
      all.add(dropUndone(shotId));
    }
    all.add(insertion(shotId, seen + 1, change, now));
    if (walked != null) {
      all.add(mark(walked, change.kind()));
    }
    try {
      transactions.write(() -> sendTogether(all));
    } catch (MovedOnException | DuplicateKeyException e) {
      return false;
    }
    return true;
  }

  /**
   * Writes a shot that could be read as the next revision of one that cannot. What was done since
   * can not be walked back to.
   *
   * @param seen the revision that cannot be read
   * @return false, with nothing written, if the shot is at another revision by now
   */
  boolean setBack(long shotId, long seen, RevisionRepository.Step step, Change change) {
    LocalDateTime now = LocalDateTime.now(clock);
    try {
      transactions.write(
          () -> {
            if (moveOn(shotId, seen, step, now).execute() == 0) {
              throw new MovedOnException();
            }
            revisions.insertWhole(shotId, seen + 1, step.text(), now);
            sql.update(EDIT)
                .set(EDIT.STATE, "dropped")
                .where(EDIT.SHOT_ID.eq(shotId))
                .and(EDIT.STATE.in("done", "undone"))
                .execute();
            insertion(shotId, seen + 1, change, now).execute();
          });
    } catch (MovedOnException | DuplicateKeyException e) {
      return false;
    }
    return true;
  }

  /** One journey to the database instead of one for each; the first has to find its row. */
  private void sendTogether(List<Query> all) {
    if (sql.batch(all).execute()[0] == 0) {
      throw new MovedOnException();
    }
  }

  private Query moveOn(long shotId, long seen, RevisionRepository.Step step, LocalDateTime now) {
    return sql.update(SHOT)
        .set(SHOT.REVISION, seen + 1)
        .set(listed(step.after().header()))
        .set(SHOT.CHANGED_AT, now)
        .where(SHOT.ID.eq(shotId))
        .and(SHOT.REVISION.eq(seen))
        .and(SHOT.DELETED_AT.isNull());
  }

  private Query dropUndone(long shotId) {
    return sql.update(EDIT)
        .set(EDIT.STATE, "dropped")
        .where(EDIT.SHOT_ID.eq(shotId))
        .and(EDIT.STATE.eq("undone"));
  }

  private Query mark(Step walked, Kind kind) {
    return sql.update(EDIT)
        .set(EDIT.STATE, kind == Kind.UNDO ? "undone" : "done")
        .where(EDIT.ID.eq(walked.id()));
  }

  private Query insertion(long shotId, long revision, Change change, LocalDateTime now) {
    return sql.insertInto(EDIT)
        .set(EDIT.SHOT_ID, shotId)
        .set(EDIT.REVISION, revision)
        .set(EDIT.KIND, change.kind().word)
        .set(EDIT.STATE, change.kind() == Kind.EDIT ? "done" : "walk")
        .set(EDIT.SUMMARY, shorten(change.summary()))
        .set(EDIT.EDITS, packed(change.edits()))
        .set(EDIT.INVERSE, packed(List.of(change.inverse())))
        .set(EDIT.TOUCHES, FootprintText.write(change.footprint()))
        .set(EDIT.AUTHOR_ID, change.author())
        .set(EDIT.REQUEST, change.request())
        .set(EDIT.CREATED_AT, now);
  }

  /**
   * Finds out whether a revision was written after all, once the database answers again.
   *
   * @throws OutcomeUnknownException the given one, if it does not answer in time
   */
  boolean isWritten(long shotId, long revision, byte[] text, OutcomeUnknownException unknown) {
    String hash = ContentHash.of(text);
    return transactions.askAgain(unknown, () -> revisions.hash(shotId, revision).equals(hash));
  }

  private static byte[] packed(List<Edit> edits) {
    return PackedText.pack(EditJson.text(edits).getBytes(StandardCharsets.UTF_8));
  }

  private static String unpacked(byte[] edits) {
    return new String(PackedText.unpack(edits), StandardCharsets.UTF_8);
  }

  /** A revision of a shot that a request led to. */
  record Done(long shotId, long revision) {}

  /** What came of a request of an account, if anything did. */
  Optional<Done> doneBy(long accountId, String request) {
    return sql.select(EDIT.SHOT_ID, EDIT.REVISION)
        .from(EDIT)
        .where(EDIT.AUTHOR_ID.eq(accountId))
        .and(EDIT.REQUEST.eq(request))
        .fetchOptional(r -> new Done(r.value1(), r.value2()));
  }

  private static String shorten(String text) {
    return text.codePointCount(0, text.length()) > MOST_SUMMARY
        ? text.substring(0, text.offsetByCodePoints(0, MOST_SUMMARY - 1)) + "…"
        : text;
  }

  /** The edit that undo takes back next. */
  Optional<Step> lastDone(long shotId) {
    return step(shotId, "done", true);
  }

  /** The edit that redo does again next. */
  Optional<Step> firstUndone(long shotId) {
    return step(shotId, "undone", false);
  }

  private Optional<Step> step(long shotId, String state, boolean newest) {
    return sql.selectFrom(EDIT)
        .where(EDIT.SHOT_ID.eq(shotId))
        .and(EDIT.STATE.eq(state))
        .orderBy(newest ? EDIT.ID.desc() : EDIT.ID.asc())
        .limit(1)
        .fetchOptional(
            r ->
                new Step(
                    r.getId(),
                    r.getRevision(),
                    unpacked(r.getEdits()),
                    unpacked(r.getInverse()),
                    r.getSummary()));
  }

  /** What others did after a revision. */
  List<Told> since(long shotId, long revision) {
    return sql.select(EDIT.REVISION, ACCOUNT.SHOWN_NAME, EDIT.EDITS, EDIT.TOUCHES)
        .from(EDIT)
        .join(ACCOUNT)
        .on(ACCOUNT.ID.eq(EDIT.AUTHOR_ID))
        .where(EDIT.SHOT_ID.eq(shotId))
        .and(EDIT.REVISION.gt(revision))
        .orderBy(EDIT.REVISION)
        .fetch(
            r ->
                new Told(
                    r.value1(), r.value2(), unpacked(r.value3()), FootprintText.read(r.value4())));
  }

  void delete(long shotId) {
    setDeleted(shotId, LocalDateTime.now(clock));
  }

  void undelete(long shotId) {
    setDeleted(shotId, null);
  }

  private void setDeleted(long shotId, LocalDateTime when) {
    transactions.write(
        () -> sql.update(SHOT).set(SHOT.DELETED_AT, when).where(SHOT.ID.eq(shotId)).execute());
  }

  /** The production of a shot that is not deleted. */
  long productionOf(long shotId) {
    return sql.select(SHOT.PRODUCTION_ID)
        .from(SHOT)
        .where(SHOT.ID.eq(shotId))
        .and(SHOT.DELETED_AT.isNull())
        .fetchOptional(SHOT.PRODUCTION_ID)
        .orElseThrow(() -> new NotFoundException("Shot " + shotId));
  }
}
