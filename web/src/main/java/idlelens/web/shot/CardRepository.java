package idlelens.web.shot;

import static idlelens.web.database.schema.Tables.MEMBERSHIP;
import static idlelens.web.database.schema.Tables.SHOT;
import static idlelens.web.database.schema.Tables.SHOT_PICTURE;
import static idlelens.web.database.schema.Tables.SHOT_SKETCH;

import idlelens.exchange.json.JsonPlace;
import idlelens.web.database.Transactions;
import java.time.LocalDateTime;
import java.util.List;
import java.util.Optional;
import org.jooq.DSLContext;
import org.jooq.Record;
import org.springframework.stereotype.Repository;

/** What the cards of shots show, without any document being read. */
@Repository
class CardRepository {
  private static final int MOST_TROUBLE = 400;

  private final DSLContext sql;
  private final Transactions transactions;

  CardRepository(DSLContext sql, Transactions transactions) {
    this.sql = sql;
    this.transactions = transactions;
  }

  /**
   * What is stored for the card of a shot.
   *
   * @param frames its length, if that is known
   * @param rate frames a second as in its document, if that is known
   * @param pictured the revision that its first picture shows, if there is one
   * @param sketched the revision that its sketch shows, if there is one
   * @param sketch its plan, if it could be drawn
   * @param trouble why the shot cannot be shown, if that is so
   */
  record Stored(
      long id,
      long productionId,
      String name,
      long revision,
      LocalDateTime changedAt,
      Optional<Integer> frames,
      Optional<String> rate,
      Optional<Long> pictured,
      Optional<Long> sketched,
      Optional<PlanSketch> sketch,
      Optional<String> trouble) {}

  /** All shots that an account may see, in the order in which they were made. */
  List<Stored> of(long accountId) {
    return sql.select(SHOT.fields())
        .select(SHOT_PICTURE.REVISION, SHOT_SKETCH.REVISION)
        .select(SHOT_SKETCH.SKETCH, SHOT_SKETCH.TROUBLE)
        .from(SHOT)
        .join(MEMBERSHIP)
        .on(MEMBERSHIP.PRODUCTION_ID.eq(SHOT.PRODUCTION_ID))
        .leftJoin(SHOT_PICTURE)
        .on(SHOT_PICTURE.SHOT_ID.eq(SHOT.ID))
        .leftJoin(SHOT_SKETCH)
        .on(SHOT_SKETCH.SHOT_ID.eq(SHOT.ID))
        .where(MEMBERSHIP.ACCOUNT_ID.eq(accountId))
        .and(SHOT.DELETED_AT.isNull())
        .orderBy(SHOT.ID)
        .fetch(CardRepository::stored);
  }

  private static Stored stored(Record r) {
    return new Stored(
        r.get(SHOT.ID),
        r.get(SHOT.PRODUCTION_ID),
        r.get(SHOT.NAME),
        r.get(SHOT.REVISION),
        r.get(SHOT.CHANGED_AT),
        Optional.ofNullable(r.get(SHOT.FRAMES)),
        Optional.ofNullable(r.get(SHOT.RATE)),
        Optional.ofNullable(r.get(SHOT_PICTURE.REVISION)),
        Optional.ofNullable(r.get(SHOT_SKETCH.REVISION)),
        Optional.ofNullable(r.get(SHOT_SKETCH.SKETCH))
            .map(text -> JsonPlace.mapper().readValue(text, PlanSketch.class)),
        Optional.ofNullable(r.get(SHOT_SKETCH.TROUBLE)));
  }

  /** Keeps the sketch of a shot at a revision, with what is listed of it. */
  void put(long shotId, LiveShot shot, PlanSketch sketch) {
    transactions.write(
        () -> {
          put(shotId, shot.revision(), JsonPlace.mapper().writeValueAsString(sketch), null);
          sql.update(SHOT)
              .set(SHOT.FRAMES, shot.shot().header().range().length())
              .set(SHOT.RATE, shot.shot().header().rate().toString())
              .where(SHOT.ID.eq(shotId))
              .and(SHOT.REVISION.eq(shot.revision()))
              .execute();
        });
  }

  /** Keeps why a shot cannot be shown. */
  void putTrouble(long shotId, long revision, String trouble) {
    String text = trouble.length() > MOST_TROUBLE ? trouble.substring(0, MOST_TROUBLE) : trouble;
    transactions.write(() -> put(shotId, revision, null, text));
  }

  private void put(long shotId, long revision, String sketch, String trouble) {
    sql.insertInto(SHOT_SKETCH)
        .set(SHOT_SKETCH.SHOT_ID, shotId)
        .set(SHOT_SKETCH.REVISION, revision)
        .set(SHOT_SKETCH.SKETCH, sketch)
        .set(SHOT_SKETCH.TROUBLE, trouble)
        .onDuplicateKeyUpdate()
        .set(SHOT_SKETCH.REVISION, revision)
        .set(SHOT_SKETCH.SKETCH, sketch)
        .set(SHOT_SKETCH.TROUBLE, trouble)
        .execute();
  }
}
