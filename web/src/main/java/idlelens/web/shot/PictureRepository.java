package idlelens.web.shot;

import static idlelens.web.database.schema.Tables.SHOT_PICTURE;

import idlelens.web.database.Transactions;
import java.time.Clock;
import java.time.LocalDateTime;
import java.util.Optional;
import org.jooq.DSLContext;
import org.springframework.stereotype.Repository;

/** The first pictures of shots in the database: one for each, the newest. */
@Repository
class PictureRepository {
  private final DSLContext sql;
  private final Transactions transactions;
  private final Clock clock;

  PictureRepository(DSLContext sql, Transactions transactions, Clock clock) {
    this.sql = sql;
    this.transactions = transactions;
    this.clock = clock;
  }

  /** Keeps a picture, unless one of a later revision is there. */
  void put(long shotId, long revision, byte[] content) {
    if (revision(shotId).filter(r -> r > revision).isPresent()) {
      return;
    }
    LocalDateTime now = LocalDateTime.now(clock);
    transactions.write(
        () ->
            sql.insertInto(SHOT_PICTURE)
                .set(SHOT_PICTURE.SHOT_ID, shotId)
                .set(SHOT_PICTURE.REVISION, revision)
                .set(SHOT_PICTURE.CONTENT, content)
                .set(SHOT_PICTURE.CREATED_AT, now)
                .onDuplicateKeyUpdate()
                .set(SHOT_PICTURE.REVISION, revision)
                .set(SHOT_PICTURE.CONTENT, content)
                .set(SHOT_PICTURE.CREATED_AT, now)
                .execute());
  }

  /** The revision that the picture of a shot shows. */
  Optional<Long> revision(long shotId) {
    return sql.select(SHOT_PICTURE.REVISION)
        .from(SHOT_PICTURE)
        .where(SHOT_PICTURE.SHOT_ID.eq(shotId))
        .fetchOptional(SHOT_PICTURE.REVISION);
  }

  Optional<byte[]> content(long shotId) {
    return sql.select(SHOT_PICTURE.CONTENT)
        .from(SHOT_PICTURE)
        .where(SHOT_PICTURE.SHOT_ID.eq(shotId))
        .fetchOptional(SHOT_PICTURE.CONTENT);
  }
}
