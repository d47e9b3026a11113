package idlelens.web.database;

import java.util.function.Supplier;
import org.springframework.stereotype.Component;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.TransactionDefinition;
import org.springframework.transaction.TransactionException;
import org.springframework.transaction.TransactionStatus;

/**
 * Writes, all or nothing. What two transactions did to one another is done again here, so that
 * nobody outside hears of it; whether something was stored is never guessed.
 */
@Component
public class Transactions {
  private static final int TRIES = 3;
  private static final int ASKED_AGAIN = 6;
  private static final int PAUSE_MS = 500;

  private final PlatformTransactionManager manager;

  Transactions(PlatformTransactionManager manager) {
    this.manager = manager;
  }

  /**
   * Does some work in one transaction; three times at most where others held what it needed.
   *
   * @throws OutcomeUnknownException if the connection broke while it was committed; after every
   *     other exception nothing of it is stored
   */
  public <T> T write(Supplier<T> work) {
    for (int i = 1; ; i++) {
      TransactionStatus status = manager.getTransaction(TransactionDefinition.withDefaults());
      T result;
      try {
        result = work.get();
      } catch (RuntimeException | Error e) {
        takeBack(status);
        boolean again = status.isNewTransaction() && i < TRIES;
        if (again && DatabaseTrouble.of(e) == DatabaseTrouble.LOCKED) {
          continue;
        }
        throw e;
      }
      commit(status);
      return result;
    }
  }

  /** The same for work that gives nothing. */
  public void write(Runnable work) {
    write(
        () -> {
          work.run();
          return null;
        });
  }

  /**
   * Does something in a transaction as soon as the database answers again, after one of which the
   * outcome is not known.
   *
   * @param work asks what came of that one, or does it again where that is the same as once
   * @throws OutcomeUnknownException the given one, if the database does not answer in time
   */
  public <T> T askAgain(OutcomeUnknownException unknown, Supplier<T> work) {
    for (int i = 0; i < ASKED_AGAIN; i++) {
      try {
        return write(work);
      } catch (OutcomeUnknownException again) {
        pause();
      } catch (RuntimeException e) {
        if (DatabaseTrouble.of(e) != DatabaseTrouble.LOST) {
          throw e;
        }
        pause();
      }
    }
    throw unknown;
  }

  private static void pause() {
    try {
      Thread.sleep(PAUSE_MS);
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
    }
  }

  private void commit(TransactionStatus status) {
    try {
      manager.commit(status);
    } catch (TransactionException e) {
      throw new OutcomeUnknownException(e);
    }
  }

  private void takeBack(TransactionStatus status) {
    try {
      manager.rollback(status);
    } catch (TransactionException gone) {
      // the connection is gone, and with it all that was not committed
    }
  }
}
