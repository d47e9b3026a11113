package idlelens.web.shot;

import static idlelens.web.database.schema.Tables.ACCOUNT;
import static idlelens.web.database.schema.Tables.EDIT;
import static idlelens.web.database.schema.Tables.SHOT;
import static idlelens.web.database.schema.Tables.SHOT_REVISION;

import idlelens.core.edit.Edit;
import idlelens.core.edit.Footprint;
import idlelens.exchange.json.EditJson;
import idlelens.exchange.mesh.MeshOctets;
import idlelens.web.problem.NotFoundException;
import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.time.LocalDateTime;
import java.util.List;
import java.util.Optional;
import org.jooq.DSLContext;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;

/** Shots, their revisions and their edits in the database. */
@Repository
class ShotRepository {
  private final DSLContext sql;
  private final Clock clock;

  ShotRepository(DSLContext sql, Clock clock) {
    this.sql = sql;
    this.clock = clock;
  }

  /** A shot as listed. */
  record Listed(long id, long productionId, String name, long revision, LocalDateTime changedAt) {}

  /** A document to store: the name of the shot, and all of it as text in UTF-8. */
  record Document(String name, byte[] text) {}

  /** A stored document. */
  record Stored(long revision, String document) {}

  /** A stored edit, as it is needed to walk back and forth. */
  record Step(long id, long revision, String edits, String inverse, String summary) {}

  /** A stored edit as told to others. */
  record Told(long revision, String author, String edits, Footprint footprint) {}

  /** What is written with a new revision. */
  record Change(
      Kind kind,
      List<Edit> edits,
      Edit inverse,
      Footprint footprint,
      String summary,
      long author) {}

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
                    r.getChangedAt()));
  }

  /** The newest document of a shot. */
  Stored newest(long shotId) {
    return sql.select(SHOT_REVISION.REVISION, SHOT_REVISION.DOCUMENT)
        .from(SHOT)
        .join(SHOT_REVISION)
        .on(SHOT_REVISION.SHOT_ID.eq(SHOT.ID))
        .and(SHOT_REVISION.REVISION.eq(SHOT.REVISION))
        .where(SHOT.ID.eq(shotId))
        .fetchOptional(r -> new Stored(r.value1(), r.value2()))
        .orElseThrow(() -> new NotFoundException("Shot " + shotId));
  }

  long revision(long shotId) {
    return sql.select(SHOT.REVISION)
        .from(SHOT)
        .where(SHOT.ID.eq(shotId))
        .fetchOptional(SHOT.REVISION)
        .orElseThrow(() -> new NotFoundException("Shot " + shotId));
  }

  /** Adds a shot at revision 1 and gives its id. */
  @Transactional
  public long add(long productionId, Document document) {
    LocalDateTime now = LocalDateTime.now(clock);
    long id =
        sql.insertInto(SHOT)
            .set(SHOT.PRODUCTION_ID, productionId)
            .set(SHOT.NAME, document.name())
            .set(SHOT.REVISION, 1L)
            .set(SHOT.CREATED_AT, now)
            .set(SHOT.CHANGED_AT, now)
            .returning(SHOT.ID)
            .fetchOne()
            .getId();
    insertRevision(id, 1, document, now);
    return id;
  }

  /**
   * Writes the next revision with what led to it, all or nothing.
   *
   * @param seen the revision it was made from
   * @return false, with nothing written, if the shot is at another revision by now
   */
  @Transactional
  public boolean write(long shotId, long seen, Document document, Change change) {
    LocalDateTime now = LocalDateTime.now(clock);
    int rows =
        sql.update(SHOT)
            .set(SHOT.REVISION, seen + 1)
            .set(SHOT.NAME, document.name())
            .set(SHOT.CHANGED_AT, now)
            .where(SHOT.ID.eq(shotId))
            .and(SHOT.REVISION.eq(seen))
            .execute();
    if (rows == 0) {
      return false;
    }
    insertRevision(shotId, seen + 1, document, now);
    if (change.kind() == Kind.EDIT) {
      sql.update(EDIT)
          .set(EDIT.STATE, "dropped")
          .where(EDIT.SHOT_ID.eq(shotId))
          .and(EDIT.STATE.eq("undone"))
          .execute();
    }
    sql.insertInto(EDIT)
        .set(EDIT.SHOT_ID, shotId)
        .set(EDIT.REVISION, seen + 1)
        .set(EDIT.KIND, change.kind().word)
        .set(EDIT.STATE, change.kind() == Kind.EDIT ? "done" : "walk")
        .set(EDIT.SUMMARY, shorten(change.summary()))
        .set(EDIT.EDITS, EditJson.text(change.edits()))
        .set(EDIT.INVERSE, EditJson.text(List.of(change.inverse())))
        .set(EDIT.TOUCHES, FootprintText.write(change.footprint()))
        .set(EDIT.AUTHOR_ID, change.author())
        .set(EDIT.CREATED_AT, now)
        .execute();
    return true;
  }

  /** Writes the revision that taking an edit back, or doing it again, leads to. */
  @Transactional
  public boolean writeWalk(long shotId, long seen, Document document, Change change, Step step) {
    if (!write(shotId, seen, document, change)) {
      return false;
    }
    sql.update(EDIT)
        .set(EDIT.STATE, change.kind() == Kind.UNDO ? "undone" : "done")
        .where(EDIT.ID.eq(step.id()))
        .execute();
    return true;
  }

  private static String shorten(String text) {
    return text.length() > 200 ? text.substring(0, 199) + "…" : text;
  }

  private void insertRevision(long shotId, long revision, Document document, LocalDateTime now) {
    byte[] text = document.text();
    sql.insertInto(SHOT_REVISION)
        .set(SHOT_REVISION.SHOT_ID, shotId)
        .set(SHOT_REVISION.REVISION, revision)
        .set(SHOT_REVISION.DOCUMENT, new String(text, StandardCharsets.UTF_8))
        .set(SHOT_REVISION.SHA256, MeshOctets.hash(text))
        .set(SHOT_REVISION.CREATED_AT, now)
        .execute();
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
                new Step(r.getId(), r.getRevision(), r.getEdits(), r.getInverse(), r.getSummary()));
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
        .fetch(r -> new Told(r.value1(), r.value2(), r.value3(), FootprintText.read(r.value4())));
  }

  void delete(long shotId) {
    sql.update(SHOT)
        .set(SHOT.DELETED_AT, LocalDateTime.now(clock))
        .where(SHOT.ID.eq(shotId))
        .execute();
  }

  void undelete(long shotId) {
    sql.update(SHOT).setNull(SHOT.DELETED_AT).where(SHOT.ID.eq(shotId)).execute();
  }

  /** The production of a shot, deleted or not. */
  long productionOf(long shotId) {
    return sql.select(SHOT.PRODUCTION_ID)
        .from(SHOT)
        .where(SHOT.ID.eq(shotId))
        .fetchOptional(SHOT.PRODUCTION_ID)
        .orElseThrow(() -> new NotFoundException("Shot " + shotId));
  }
}
