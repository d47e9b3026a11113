package idlelens.web.shot;

import static idlelens.web.database.schema.Tables.SHOT_REVISION;

import idlelens.core.edit.Edit;
import idlelens.core.rule.RefusedException;
import idlelens.core.scene.Shot;
import idlelens.exchange.format.FormatException;
import idlelens.exchange.json.EditJson;
import idlelens.exchange.json.JsonPlace;
import idlelens.exchange.json.ShotJson;
import idlelens.exchange.mesh.MeshOctets;
import idlelens.web.database.Transactions;
import idlelens.web.problem.DamagedException;
import idlelens.web.problem.NotFoundException;
import java.nio.charset.StandardCharsets;
import java.time.LocalDateTime;
import java.util.Arrays;
import java.util.List;
import org.jooq.Condition;
import org.jooq.DSLContext;
import org.jooq.Query;
import org.jooq.Record4;
import org.jooq.Result;
import org.jooq.impl.DSL;
import org.springframework.stereotype.Repository;

/**
 * The revisions of shots in the database: every 32nd whole, those between as what leads to them
 * from the one before; all compressed, and each with the SHA-256 of its whole text, which is
 * checked when it is read.
 */
@Repository
class RevisionRepository {
  /** The most differences that are read for one revision. */
  static final int WHOLE_EVERY = 32;

  /** A difference longer than this part of the text is not worth it. */
  private static final int SHARE = 2;

  private final DSLContext sql;
  private final Transactions transactions;

  RevisionRepository(DSLContext sql, Transactions transactions) {
    this.sql = sql;
    this.transactions = transactions;
  }

  /** A revision that was read. */
  record Read(long revision, Shot shot) {}

  /**
   * Stores the first revision of a shot, or one that stands for itself.
   *
   * @param text the document in UTF-8
   */
  void insertWhole(long shotId, long revision, byte[] text, LocalDateTime now) {
    insertion(shotId, revision, null, PackedText.pack(text), MeshOctets.hash(text), now).execute();
  }

  /** What stores a revision that follows another, in whichever way takes less room. */
  Query insertionOfNext(long shotId, long revision, Step step, LocalDateTime now) {
    byte[] difference = revision % WHOLE_EVERY == 1 ? null : difference(step);
    String hash = MeshOctets.hash(step.text());
    return difference == null
        ? insertion(shotId, revision, null, PackedText.pack(step.text()), hash, now)
        : insertion(shotId, revision, revision - 1, difference, hash, now);
  }

  /**
   * From one revision to the next.
   *
   * @param text the document of the second in UTF-8
   */
  record Step(Shot before, Shot after, byte[] text) {}

  /** What leads from one to the other, packed; null if it does not do so, or is no shorter. */
  static byte[] difference(Step step) {
    String written = EditJson.text(List.of(Edit.between(step.before(), step.after())));
    byte[] text = written.getBytes(StandardCharsets.UTF_8);
    if (text.length > step.text().length / SHARE) {
      return null;
    }
    // what is stored is read back first
    return applied(step.before(), text).equals(step.after()) ? PackedText.pack(text) : null;
  }

  private Query insertion(
      long shotId, long revision, Long base, byte[] document, String hash, LocalDateTime now) {
    return sql.insertInto(SHOT_REVISION)
        .set(SHOT_REVISION.SHOT_ID, shotId)
        .set(SHOT_REVISION.REVISION, revision)
        .set(SHOT_REVISION.BASE, base)
        .set(SHOT_REVISION.DOCUMENT, document)
        .set(SHOT_REVISION.SHA256, hash)
        .set(SHOT_REVISION.CREATED_AT, now);
  }

  boolean has(long shotId, long revision) {
    return sql.fetchExists(
        sql.selectOne()
            .from(SHOT_REVISION)
            .where(SHOT_REVISION.SHOT_ID.eq(shotId))
            .and(SHOT_REVISION.REVISION.eq(revision)));
  }

  /** The SHA-256 of a revision's text, once nobody is writing it; empty if there is none. */
  String hash(long shotId, long revision) {
    return sql.select(SHOT_REVISION.SHA256)
        .from(SHOT_REVISION)
        .where(SHOT_REVISION.SHOT_ID.eq(shotId))
        .and(SHOT_REVISION.REVISION.eq(revision))
        .forShare()
        .fetchOptional(SHOT_REVISION.SHA256)
        .orElse("");
  }

  /**
   * Reads a revision, through all differences since the last whole one.
   *
   * @throws NotFoundException if there is none of that number
   * @throws DamagedException if it is not what was stored
   */
  Shot read(long shotId, long revision) {
    Result<Record4<Long, Long, byte[], String>> rows = rows(shotId, revision);
    if (rows.isEmpty() || rows.get(rows.size() - 1).value1() != revision) {
      throw new NotFoundException("Revision " + revision + " of shot " + shotId);
    }
    try {
      byte[] whole = PackedText.unpack(rows.get(0).value3());
      check(shotId, rows.get(0), whole);
      Shot shot = ShotJson.read(whole);
      for (int i = 1; i < rows.size(); i++) {
        shot = applied(shot, PackedText.unpack(rows.get(i).value3()));
      }
      if (rows.size() > 1) {
        check(shotId, rows.get(rows.size() - 1), ShotJson.bytes(shot));
      }
      return shot;
    } catch (FormatException | RefusedException e) {
      throw new DamagedException(name(shotId, revision), e.getMessage());
    }
  }

  private Result<Record4<Long, Long, byte[], String>> rows(long shotId, long revision) {
    return sql.select(
            SHOT_REVISION.REVISION,
            SHOT_REVISION.BASE,
            SHOT_REVISION.DOCUMENT,
            SHOT_REVISION.SHA256)
        .from(SHOT_REVISION)
        .where(SHOT_REVISION.SHOT_ID.eq(shotId))
        .and(SHOT_REVISION.REVISION.le(revision))
        .and(
            SHOT_REVISION.REVISION.ge(
                DSL.select(DSL.max(SHOT_REVISION.REVISION))
                    .from(SHOT_REVISION)
                    .where(SHOT_REVISION.SHOT_ID.eq(shotId))
                    .and(SHOT_REVISION.REVISION.le(revision))
                    .and(SHOT_REVISION.BASE.isNull())))
        .orderBy(SHOT_REVISION.REVISION)
        .fetch();
  }

  private static void check(long shotId, Record4<Long, Long, byte[], String> row, byte[] text) {
    if (!MeshOctets.hash(text).equals(row.value4())) {
      throw new DamagedException(name(shotId, row.value1()), "its SHA-256 is another one");
    }
  }

  private static String name(long shotId, long revision) {
    return "Revision " + revision + " of shot " + shotId;
  }

  private static Shot applied(Shot shot, byte[] difference) {
    try {
      List<Edit> edits = EditJson.readList(JsonPlace.parse(difference));
      return Edit.applyAgain(shot, edits).shot();
    } catch (FormatException e) {
      throw new RefusedException("difference", e.getMessage(), "edits");
    }
  }

  /** The shots of which revisions are still stored plain. */
  List<Long> shotsWithPlain() {
    return sql.selectDistinct(SHOT_REVISION.SHOT_ID)
        .from(SHOT_REVISION)
        .where(isPlain())
        .fetch(SHOT_REVISION.SHOT_ID);
  }

  /** Revisions of a shot from one on, as far as they are still stored plain, the oldest first. */
  List<Long> plain(long shotId, long from, int most) {
    return sql.select(SHOT_REVISION.REVISION)
        .from(SHOT_REVISION)
        .where(SHOT_REVISION.SHOT_ID.eq(shotId))
        .and(SHOT_REVISION.REVISION.ge(from))
        .and(isPlain())
        .orderBy(SHOT_REVISION.REVISION)
        .limit(most)
        .fetch(SHOT_REVISION.REVISION);
  }

  private static Condition isPlain() {
    return DSL.field("ascii({0})", Integer.class, SHOT_REVISION.DOCUMENT).eq((int) '{');
  }

  /**
   * Packs a revision that is stored plain: as what leads to it from the one before if that gives
   * its text to the letter, else whole.
   *
   * @param before the one before, or null if it is to stand for itself
   */
  void pack(long shotId, long revision, Shot before) {
    byte[] text =
        sql.select(SHOT_REVISION.DOCUMENT)
            .from(SHOT_REVISION)
            .where(SHOT_REVISION.SHOT_ID.eq(shotId))
            .and(SHOT_REVISION.REVISION.eq(revision))
            .fetchSingle(SHOT_REVISION.DOCUMENT);
    Shot after = read(shotId, revision);
    boolean sameText = Arrays.equals(ShotJson.bytes(after), text);
    byte[] difference =
        before == null || !sameText ? null : difference(new Step(before, after, text));
    byte[] packed = difference == null ? PackedText.pack(text) : difference;
    transactions.write(
        () ->
            sql.update(SHOT_REVISION)
                .set(SHOT_REVISION.BASE, difference == null ? null : (Long) (revision - 1))
                .set(SHOT_REVISION.DOCUMENT, packed)
                .where(SHOT_REVISION.SHOT_ID.eq(shotId))
                .and(SHOT_REVISION.REVISION.eq(revision))
                .execute());
  }
}
