package idlelens.web.operate;

import static idlelens.web.database.schema.Tables.KEPT_TAKE;

import idlelens.core.rule.RefusedException;
import idlelens.core.take.Take;
import idlelens.core.take.TakeDifference;
import idlelens.exchange.format.FormatException;
import idlelens.exchange.json.JsonLimits;
import idlelens.exchange.json.JsonPlace;
import idlelens.exchange.json.TakeJson;
import idlelens.web.database.Transactions;
import idlelens.web.problem.DamagedException;
import idlelens.web.problem.NotFoundException;
import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.time.LocalDateTime;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import org.jooq.DSLContext;
import org.springframework.stereotype.Repository;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/** The takes of shots. */
@Repository
class TakeRepository {
  /** The most that a shot keeps. */
  static final int MOST = 200;

  private final DSLContext sql;
  private final Transactions transactions;
  private final Clock clock;

  TakeRepository(DSLContext sql, Transactions transactions, Clock clock) {
    this.sql = sql;
    this.transactions = transactions;
    this.clock = clock;
  }

  /** Where a take comes from. */
  enum Source {
    WALK,
    TRACKER
  }

  /**
   * A take as listed.
   *
   * @param start frame of its first sample
   * @param told what is known of how it came, as JSON
   */
  record Listed(
      String name,
      String source,
      double start,
      double rate,
      int samples,
      double pathM,
      String told) {}

  List<Listed> of(long shotId) {
    return sql.select(
            KEPT_TAKE.NAME,
            KEPT_TAKE.SOURCE,
            KEPT_TAKE.START_FRAME,
            KEPT_TAKE.RATE,
            KEPT_TAKE.SAMPLES,
            KEPT_TAKE.PATH_M,
            KEPT_TAKE.TOLD)
        .from(KEPT_TAKE)
        .where(KEPT_TAKE.SHOT_ID.eq(shotId))
        .orderBy(KEPT_TAKE.ID)
        .fetch(
            r ->
                new Listed(
                    r.value1(),
                    r.value2(),
                    r.value3(),
                    r.value4(),
                    r.value5(),
                    r.value6(),
                    r.value7()));
  }

  /** A take with the frame of its first sample. */
  TakeDifference.Placed take(long shotId, String name) {
    var row =
        sql.select(KEPT_TAKE.CONTENT, KEPT_TAKE.START_FRAME)
            .from(KEPT_TAKE)
            .where(KEPT_TAKE.SHOT_ID.eq(shotId))
            .and(KEPT_TAKE.NAME.eq(name))
            .fetchOptional()
            .orElseThrow(() -> none(name));
    try {
      byte[] content = row.value1().getBytes(StandardCharsets.UTF_8);
      JsonPlace place = JsonPlace.parse(content, JsonLimits.EDITS);
      return new TakeDifference.Placed(TakeJson.read(place), row.value2());
    } catch (FormatException e) {
      throw new DamagedException("The take '" + name + "'", e.getMessage());
    }
  }

  private static NotFoundException none(String name) {
    return new NotFoundException("a take named '" + name + "'");
  }

  /**
   * Keeps a take under the next free name, "Take 1" and so on, and gives that.
   *
   * @param start frame of its first sample
   * @param told what is known of how it came, as JSON
   */
  String keep(long shotId, Source source, Take take, double start, String told) {
    ObjectNode content = TakeJson.write(take, JsonNodeFactory.instance.objectNode());
    String text = JsonPlace.mapper().writeValueAsString(content);
    return transactions.write(
        () -> {
          String name = freeName(shotId);
          sql.insertInto(KEPT_TAKE)
              .set(KEPT_TAKE.SHOT_ID, shotId)
              .set(KEPT_TAKE.NAME, name)
              .set(KEPT_TAKE.SOURCE, JsonPlace.word(source))
              .set(KEPT_TAKE.START_FRAME, start)
              .set(KEPT_TAKE.RATE, take.rateHz())
              .set(KEPT_TAKE.SAMPLES, take.length())
              .set(KEPT_TAKE.PATH_M, take.pathM())
              .set(KEPT_TAKE.TOLD, told)
              .set(KEPT_TAKE.CONTENT, text)
              .set(KEPT_TAKE.MADE_AT, LocalDateTime.now(clock))
              .execute();
          return name;
        });
  }

  /** Two who keep a take of one shot at once wait for one another. */
  private String freeName(long shotId) {
    Set<String> names =
        new HashSet<>(
            sql.select(KEPT_TAKE.NAME)
                .from(KEPT_TAKE)
                .where(KEPT_TAKE.SHOT_ID.eq(shotId))
                .forUpdate()
                .fetch(KEPT_TAKE.NAME));
    if (names.size() >= MOST) {
      throw new RefusedException(
          "takes.count", names.size(), "up to " + MOST + " in a shot; delete some first");
    }
    int number = 1;
    while (names.contains("Take " + number)) {
      number++;
    }
    return "Take " + number;
  }

  void rename(long shotId, String name, String to) {
    int rows =
        transactions.write(
            () -> {
              boolean taken =
                  !name.equals(to)
                      && sql.fetchExists(
                          KEPT_TAKE, KEPT_TAKE.SHOT_ID.eq(shotId).and(KEPT_TAKE.NAME.eq(to)));
              if (taken) {
                throw new RefusedException("name", "'" + to + "'", "a name that no take here has");
              }
              return sql.update(KEPT_TAKE)
                  .set(KEPT_TAKE.NAME, to)
                  .where(KEPT_TAKE.SHOT_ID.eq(shotId))
                  .and(KEPT_TAKE.NAME.eq(name))
                  .execute();
            });
    if (rows == 0) {
      throw none(name);
    }
  }

  void remove(long shotId, String name) {
    int rows =
        transactions.write(
            () ->
                sql.deleteFrom(KEPT_TAKE)
                    .where(KEPT_TAKE.SHOT_ID.eq(shotId))
                    .and(KEPT_TAKE.NAME.eq(name))
                    .execute());
    if (rows == 0) {
      throw none(name);
    }
  }
}
