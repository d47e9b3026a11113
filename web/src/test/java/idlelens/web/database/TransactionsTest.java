package idlelens.web.database;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.mockito.ArgumentMatchers.any;
import static org.mockito.Mockito.doThrow;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.never;
import static org.mockito.Mockito.verify;
import static org.mockito.Mockito.when;

import java.sql.SQLException;
import java.util.concurrent.atomic.AtomicInteger;
import org.jooq.exception.DataAccessException;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.transaction.CannotCreateTransactionException;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.TransactionStatus;
import org.springframework.transaction.TransactionSystemException;
import org.springframework.transaction.support.SimpleTransactionStatus;

/** What is known of a transaction, and what is not. */
class TransactionsTest {
  private final PlatformTransactionManager manager = mock(PlatformTransactionManager.class);
  private final Transactions transactions = new Transactions(manager);
  private final TransactionStatus status = new SimpleTransactionStatus(true);

  @BeforeEach
  void begin() {
    when(manager.getTransaction(any())).thenReturn(status);
  }

  @Test
  void brokenWhileCommitting_isNotKnown() {
    doThrow(new TransactionSystemException("Socket error")).when(manager).commit(status);
    assertThatThrownBy(() -> transactions.write(() -> 1))
        .isInstanceOf(OutcomeUnknownException.class);
  }

  @Test
  void brokenBefore_isKnownNotToBeStored() {
    IllegalStateException failed = new IllegalStateException("in the middle");
    assertThatThrownBy(
            () ->
                transactions.write(
                    () -> {
                      throw failed;
                    }))
        .isSameAs(failed);
    verify(manager).rollback(status);
    verify(manager, never()).commit(any());
    when(manager.getTransaction(any())).thenThrow(new CannotCreateTransactionException("none"));
    AtomicInteger run = new AtomicInteger();
    assertThatThrownBy(() -> transactions.write(run::incrementAndGet))
        .isInstanceOf(CannotCreateTransactionException.class);
    assertThat(run.get()).isZero();
  }

  @Test
  void deadlock_isTriedThreeTimes_thenTold() {
    AtomicInteger run = new AtomicInteger();
    DataAccessException deadlock =
        new DataAccessException("told", new SQLException("Deadlock", "40001", 1213));
    assertThatThrownBy(
            () ->
                transactions.write(
                    () -> {
                      run.incrementAndGet();
                      throw deadlock;
                    }))
        .isSameAs(deadlock);
    assertThat(run.get()).isEqualTo(3);
  }
}
