package idlelens.web.request;

import static idlelens.web.database.schema.Tables.CHANGE_REQUEST;

import idlelens.exchange.json.JsonPlace;
import idlelens.web.database.OutcomeUnknownException;
import idlelens.web.database.Transactions;
import idlelens.web.problem.ConflictException;
import java.time.Clock;
import java.time.Duration;
import java.time.LocalDateTime;
import java.util.Map;
import java.util.Optional;
import java.util.function.Supplier;
import org.jooq.DSLContext;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Repository;

/** What came of requests that add things, as it was answered the first time. */
@Repository
public class RequestRepository {
  /** Nobody sends a request again after this. */
  private static final Duration KEPT = Duration.ofDays(7);

  private final DSLContext sql;
  private final Transactions transactions;
  private final Clock clock;

  RequestRepository(DSLContext sql, Transactions transactions, Clock clock) {
    this.sql = sql;
    this.transactions = transactions;
    this.clock = clock;
  }

  /**
   * Does something once, all in one transaction. The same request sent again, also while the first
   * is still at it, gets the answer of the first.
   *
   * @param place what is asked for and of what, such as {@code shots of 3}
   * @throws ConflictException if the id was given to something else before
   */
  public Map<String, Object> once(
      long accountId, RequestId id, String place, Supplier<Map<String, Object>> work) {
    if (!id.isGiven()) {
      return transactions.write(work);
    }
    Supplier<Map<String, Object>> once = () -> firstOrAgain(accountId, id.text(), place, work);
    try {
      return transactions.write(once);
    } catch (OutcomeUnknownException e) {
      return transactions.askAgain(e, once); // its id keeps it from being done twice
    }
  }

  private Map<String, Object> firstOrAgain(
      long accountId, String id, String place, Supplier<Map<String, Object>> work) {
    int rows = // waits for one that is being made
        sql.insertInto(CHANGE_REQUEST)
            .set(CHANGE_REQUEST.ACCOUNT_ID, accountId)
            .set(CHANGE_REQUEST.REQUEST, id)
            .set(CHANGE_REQUEST.PLACE, place)
            .set(CHANGE_REQUEST.CREATED_AT, LocalDateTime.now(clock))
            .onDuplicateKeyIgnore()
            .execute();
    if (rows == 0) {
      return answered(accountId, id, place).orElseThrow();
    }
    Map<String, Object> answer = work.get();
    sql.update(CHANGE_REQUEST)
        .set(CHANGE_REQUEST.ANSWER, JsonPlace.mapper().writeValueAsString(answer))
        .where(CHANGE_REQUEST.ACCOUNT_ID.eq(accountId))
        .and(CHANGE_REQUEST.REQUEST.eq(id))
        .execute();
    return answer;
  }

  private Optional<Map<String, Object>> answered(long accountId, String id, String place) {
    return sql.select(CHANGE_REQUEST.PLACE, CHANGE_REQUEST.ANSWER)
        .from(CHANGE_REQUEST)
        .where(CHANGE_REQUEST.ACCOUNT_ID.eq(accountId))
        .and(CHANGE_REQUEST.REQUEST.eq(id))
        .forShare()
        .fetchOptional(
            r -> {
              if (!r.value1().equals(place)) {
                throw new ConflictException(
                    "The id of this request stood for something else before: " + r.value1(),
                    Map.of());
              }
              return read(r.value2());
            });
  }

  @SuppressWarnings("unchecked")
  private static Map<String, Object> read(String answer) {
    return JsonPlace.mapper().readValue(answer, Map.class);
  }

  @Scheduled(fixedRate = 3_600_000, initialDelay = 60_000)
  void forgetOld() {
    transactions.write(
        () ->
            sql.deleteFrom(CHANGE_REQUEST)
                .where(CHANGE_REQUEST.CREATED_AT.lt(LocalDateTime.now(clock).minus(KEPT)))
                .execute());
  }
}
