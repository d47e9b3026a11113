package idlelens.web.shot;

import static idlelens.web.database.schema.Tables.SHOT;
import static idlelens.web.database.schema.Tables.SHOT_REVISION;

import idlelens.core.edit.Edit;
import idlelens.core.rule.RefusedException;
import idlelens.core.scene.Shot;
import idlelens.exchange.format.ContentHash;
import idlelens.exchange.format.FormatException;
import idlelens.exchange.json.EditJson;
import idlelens.exchange.json.JsonPlace;
import idlelens.exchange.json.ShotJson;
import idlelens.web.database.Transactions;
import idlelens.web.problem.DamagedException;
import idlelens.web.problem.NotFoundException;
import java.nio.charset.StandardCharsets;
import java.time.LocalDateTime;
import java.util.Arrays;
import java.util.List;
import java.util.function.BooleanSupplier;
import java.util.function.Consumer;
import org.jooq.Condition;
import org.jooq.DSLContext;
import org.jooq.Query;
import org.jooq.Record2;
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
    insertion(shotId, revision, null, PackedText.pack(text), ContentHash.of(text), now).execute();
  }

  /** What stores a revision that follows another, in whichever way takes less room. */
  Query insertionOfNext(long shotId, long revision, Step step, LocalDateTime now) {
    byte[] difference = revision % WHOLE_EVERY == 1 ? null : difference(step);
    if (difference == null) {
      requireReadable(step.text());
    }
    String hash = ContentHash.of(step.text());
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

  /**
   * Refuses a text that could not be read again as what it says.
   *
   * @param text the document in UTF-8
   */
  static void requireReadable(byte[] text) {
    String why = "it reads as another one";
    try {
      if (Arrays.equals(ShotJson.bytes(ShotJson.read(text)), text)) {
        return;
      }
    } catch (FormatException | RefusedException e) {
      why = e.getMessage();
    }
    throw new RefusedException(
        "shot", "one that could not be read again (" + why + ")", "a shot that reads as it is");
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

  /**
   * A revision as it is stored, whether it can be read or not: the last whole one, and what leads
   * on from it, one after another.
   *
   * @param text as it was written; empty where it cannot be unpacked
   * @param octets what stands in the database, where it cannot be unpacked
   */
  record Stored(long revision, boolean whole, String text, byte[] octets) {}

  /** All that a revision is made from. */
  List<Stored> stored(long shotId, long revision) {
    return rows(shotId, revision).map(RevisionRepository::stored);
  }

  private static Stored stored(Record4<Long, Long, byte[], String> row) {
    boolean whole = row.value2() == null;
    try {
      String text = new String(PackedText.unpack(row.value3()), StandardCharsets.UTF_8);
      return new Stored(row.value1(), whole, text, null);
    } catch (RuntimeException e) { // damaged: given out as it stands
      return new Stored(row.value1(), whole, "", row.value3());
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
    if (!ContentHash.of(text).equals(row.value4())) {
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

  /**
   * Shows all that is stored of all revisions, one text after another; what cannot be unpacked is
   * passed over as it stands.
   *
   * @param enough asked before each: whether no more are needed
   */
  void forEachText(Consumer<String> seeing, BooleanSupplier enough) {
    for (Long shotId : sql.select(SHOT.ID).from(SHOT).fetch(SHOT.ID)) {
      long after = 0;
      while (!enough.getAsBoolean()) {
        Record2<Long, byte[]> next = nextAfter(shotId, after);
        if (next == null) {
          break;
        }
        after = next.value1();
        seeing.accept(readable(next.value2()));
      }
    }
  }

  private Record2<Long, byte[]> nextAfter(long shotId, long revision) {
    return sql.select(SHOT_REVISION.REVISION, SHOT_REVISION.DOCUMENT)
        .from(SHOT_REVISION)
        .where(SHOT_REVISION.SHOT_ID.eq(shotId))
        .and(SHOT_REVISION.REVISION.gt(revision))
        .orderBy(SHOT_REVISION.REVISION)
        .limit(1)
        .fetchOne();
  }

  private static String readable(byte[] document) {
    try {
      return new String(PackedText.unpack(document), StandardCharsets.UTF_8);
    } catch (RuntimeException e) {
      return new String(document, StandardCharsets.ISO_8859_1);
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
