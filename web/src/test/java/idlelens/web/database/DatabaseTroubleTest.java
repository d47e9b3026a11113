package idlelens.web.database;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import idlelens.web.app.IdleLensExtension;
import idlelens.web.app.RunningApp;
import java.sql.SQLException;
import java.sql.SQLNonTransientConnectionException;
import java.sql.SQLTransientConnectionException;
import java.util.concurrent.CyclicBarrier;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicInteger;
import org.jooq.DSLContext;
import org.jooq.exception.DataAccessException;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;

/** What the codes of the database mean, on made-up exceptions and on the real one. */
@ExtendWith(IdleLensExtension.class)
class DatabaseTroubleTest {

  private static DatabaseTrouble of(SQLException e) {
    return DatabaseTrouble.of(new DataAccessException("told by jOOQ", e));
  }

  @Test
  void onlyWhatMayPass_isWorthTryingAgain() {
    assertThat(of(new SQLException("Deadlock found", "40001", 1213)))
        .isEqualTo(DatabaseTrouble.LOCKED);
    assertThat(of(new SQLException("Lock wait timeout", "HY000", 1205)))
        .isEqualTo(DatabaseTrouble.LOCKED);
    assertThat(of(new SQLNonTransientConnectionException("Socket error", "08000")))
        .isEqualTo(DatabaseTrouble.LOST);
    assertThat(of(new SQLTransientConnectionException("no connection available")))
        .isEqualTo(DatabaseTrouble.LOST);
    assertThat(of(new SQLException("The table 'edit' is full", "HY000", 1114)))
        .isEqualTo(DatabaseTrouble.FULL);
    assertThat(of(new SQLException("Got a packet bigger than 'max_allowed_packet'", "08S01", 1153)))
        .isEqualTo(DatabaseTrouble.TOO_LARGE);
    assertThat(of(new SQLException("Data too long for column", "22001", 1406)))
        .isEqualTo(DatabaseTrouble.REFUSED);
    assertThat(of(new SQLException("Duplicate entry", "23000", 1062)))
        .isEqualTo(DatabaseTrouble.REFUSED);
    for (DatabaseTrouble trouble : DatabaseTrouble.values()) {
      boolean passes = trouble == DatabaseTrouble.LOST || trouble == DatabaseTrouble.LOCKED;
      assertThat(trouble.isWorthRetrying()).as(trouble.name()).isEqualTo(passes);
    }
  }

  @Test
  void tooLong_andTwice_areRefusals_onTheRealDatabase(RunningApp app) {
    DSLContext sql = app.bean(DSLContext.class);
    assertThatThrownBy(
            () ->
                sql.execute("insert into account values (null, repeat('x', 61), 'x', 'x', now())"))
        .satisfies(e -> assertThat(DatabaseTrouble.of(e)).isEqualTo(DatabaseTrouble.REFUSED));
    assertThatThrownBy(
            () -> sql.execute("insert into account values (null, 'demo', 'x', 'x', now())"))
        .satisfies(e -> assertThat(DatabaseTrouble.of(e)).isEqualTo(DatabaseTrouble.REFUSED));
  }

  @Test
  void deadlock_isDoneAgainByTheServerItself(RunningApp app) throws Exception {
    DSLContext sql = app.bean(DSLContext.class);
    Transactions transactions = app.bean(Transactions.class);
    sql.execute("create table two_rows (id int primary key, n int not null)");
    sql.execute("insert into two_rows values (1, 0), (2, 0)");
    ExecutorService both = Executors.newFixedThreadPool(2);
    AtomicInteger begun = new AtomicInteger();
    try {
      CyclicBarrier eachHasOne = new CyclicBarrier(2);
      Future<?> first = both.submit(() -> cross(sql, transactions, 1, 2, eachHasOne, begun));
      Future<?> second = both.submit(() -> cross(sql, transactions, 2, 1, eachHasOne, begun));
      first.get(20, TimeUnit.SECONDS);
      second.get(20, TimeUnit.SECONDS);
      assertThat(begun.get()).as("one of the two was begun again").isEqualTo(3);
      assertThat(sql.fetchOne("select sum(n) from two_rows").get(0, Integer.class)).isEqualTo(4);
    } finally {
      both.shutdownNow();
      sql.execute("drop table two_rows");
    }
  }

  private static void cross(
      DSLContext sql,
      Transactions transactions,
      int mine,
      int other,
      CyclicBarrier eachHasOne,
      AtomicInteger begun) {
    AtomicInteger tries = new AtomicInteger();
    transactions.write(
        () -> {
          begun.incrementAndGet();
          sql.execute("update two_rows set n = n + 1 where id = " + mine);
          if (tries.getAndIncrement() == 0) {
            await(eachHasOne);
          }
          sql.execute("update two_rows set n = n + 1 where id = " + other);
        });
  }

  private static void await(CyclicBarrier barrier) {
    try {
      barrier.await(10, TimeUnit.SECONDS);
    } catch (Exception e) {
      throw new IllegalStateException(e);
    }
  }
}
