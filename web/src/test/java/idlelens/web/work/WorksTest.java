package idlelens.web.work;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import idlelens.core.rule.StoppedException;
import java.time.Clock;
import java.time.Duration;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicBoolean;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;

class WorksTest {
  private static final long ME = 7;

  private final Works works =
      new Works(
          new WorkSettings(2, 2, 1, 10, 100, Duration.ofMillis(300), Duration.ofMillis(600)),
          Clock.systemUTC());

  @AfterEach
  void end() {
    works.destroy();
  }

  private static int loop(CountDownLatch begun) {
    begun.countDown();
    while (true) {
      StoppedException.check(); // as long loops do
    }
  }

  @Test
  void work_isTold_andStopsWhenItsOwnerAsks_butNotForOthers() throws Exception {
    CountDownLatch begun = new CountDownLatch(1);
    CompletableFuture<Integer> answer =
        works.takeLong(new Works.Order("my-request", ME, "an import"), () -> loop(begun));
    begun.await(5, TimeUnit.SECONDS);
    assertThat(works.of(ME)).hasSize(1);
    assertThat(works.of(ME).get(0).what()).isEqualTo("an import");
    assertThat(works.of(8)).isEmpty();
    assertThat(works.stop(8, "my-request")).isFalse();
    assertThat(works.stop(ME, "my-request")).isTrue();
    assertThatThrownBy(() -> answer.get(5, TimeUnit.SECONDS))
        .hasMessageContaining("Stopped as you asked; nothing of it is saved");
    assertThat(works.of(ME)).isEmpty();
  }

  @Test
  void deadline_answersInTime_andTheThreadIsFreeForOthers() throws Exception {
    CountDownLatch begun = new CountDownLatch(1);
    CompletableFuture<Integer> endless =
        works.takeLong(new Works.Order(ME, "endless"), () -> loop(begun));
    assertThatThrownBy(() -> endless.get(5, TimeUnit.SECONDS))
        .hasMessageContaining("took longer than");
    CompletableFuture<Integer> next = works.takeLong(new Works.Order(8, "next"), () -> 5);
    assertThat(next.get(5, TimeUnit.SECONDS)).isEqualTo(5);
  }

  @Test
  void sealedWork_isNotStopped_andSaysWhatCameOfIt() throws Exception {
    CountDownLatch sealed = new CountDownLatch(1);
    CompletableFuture<String> answer =
        works.takeLong(
            new Works.Order("stored-soon", ME, "a change"),
            () -> {
              Work.tell("storing", 0.9);
              Work.seal();
              sealed.countDown();
              Thread.sleep(900); // longer than its deadline
              return "stored";
            });
    sealed.await(5, TimeUnit.SECONDS);
    assertThat(works.stop(ME, "stored-soon")).isFalse();
    assertThat(answer.get(5, TimeUnit.SECONDS)).isEqualTo("stored");
  }

  @Test
  void changeThatTakesLong_leavesTheQuickThreadsToOthers_andItsShotWaits() throws Exception {
    CountDownLatch go = new CountDownLatch(1);
    CompletableFuture<String> slow =
        works.change(
            1,
            new Works.Order(ME, "slow"),
            () ->
                new Works.Costed<>(
                    true,
                    () -> {
                      go.await(5, TimeUnit.SECONDS);
                      return "slow";
                    }));
    CompletableFuture<String> behind =
        works.change(
            1, new Works.Order(ME, "behind"), () -> new Works.Costed<>(false, () -> "behind"));
    for (int i = 0; i < 4; i++) {
      CompletableFuture<String> other =
          works.change(
              2, new Works.Order(ME, "other"), () -> new Works.Costed<>(false, () -> "other"));
      assertThat(other.get(5, TimeUnit.SECONDS)).isEqualTo("other");
    }
    assertThat(behind).isNotDone();
    go.countDown();
    assertThat(slow.get(5, TimeUnit.SECONDS)).isEqualTo("slow");
    assertThat(behind.get(5, TimeUnit.SECONDS)).isEqualTo("behind");
  }

  @Test
  void workThatMemoryCannotHold_isAnswered_andTheThreadGoesOn() throws Exception {
    CompletableFuture<Object> huge =
        works.takeLong(
            new Works.Order(ME, "huge"),
            () -> {
              throw new OutOfMemoryError("for the test");
            });
    assertThatThrownBy(() -> huge.get(5, TimeUnit.SECONDS))
        .hasCauseInstanceOf(OutOfMemoryError.class);
    assertThat(works.takeLong(new Works.Order(ME, "next"), () -> 1).get(5, TimeUnit.SECONDS))
        .isEqualTo(1);
  }

  @Test
  void changeStoppedInItsFirstStep_isNotMade() throws Exception {
    CountDownLatch begun = new CountDownLatch(1);
    CountDownLatch go = new CountDownLatch(1);
    AtomicBoolean made = new AtomicBoolean();
    CompletableFuture<String> answer =
        works.change(
            1,
            new Works.Order("stopped-early", ME, "a change"),
            () -> {
              begun.countDown();
              waitFor(go);
              return new Works.Costed<>(false, () -> make(made));
            });
    begun.await(5, TimeUnit.SECONDS);
    assertThat(works.stop(ME, "stopped-early")).isTrue();
    go.countDown();
    assertThatThrownBy(() -> answer.get(5, TimeUnit.SECONDS)).hasMessageContaining("as you asked");
    Works.Costed<String> next = new Works.Costed<>(false, () -> "next");
    assertThat(works.change(1, new Works.Order(ME, "next"), () -> next).get(5, TimeUnit.SECONDS))
        .isEqualTo("next"); // the lane has gone past the stopped one
    assertThat(made).isFalse();
  }

  @Test
  void changeThatWaitsForAThreadForWhatTakesLong_canBeStopped() throws Exception {
    CountDownLatch go = new CountDownLatch(1);
    works.takeLong(
        new Works.Order(8, "holds the only thread"),
        () -> {
          waitFor(go);
          return 0;
        });
    AtomicBoolean made = new AtomicBoolean();
    CompletableFuture<String> answer =
        works.change(
            1,
            new Works.Order("stopped-between", ME, "a long change"),
            () -> new Works.Costed<>(true, () -> make(made)));
    for (int i = 0; i < 100 && !works.stop(ME, "stopped-between"); i++) {
      Thread.sleep(10);
    }
    go.countDown();
    assertThatThrownBy(() -> answer.get(5, TimeUnit.SECONDS)).hasMessageContaining("as you asked");
    assertThat(works.takeLong(new Works.Order(9, "next"), () -> 1).get(5, TimeUnit.SECONDS))
        .isEqualTo(1);
    assertThat(made).isFalse();
  }

  @Test
  void whatTakesRoomUntilItIsSent_keepsTheAccountsNextWaiting_andNobodyElse() throws Exception {
    CompletableFuture<Void> sent = new CompletableFuture<>();
    works.takeLong(new Works.Order(ME, "a table"), () -> 1, done -> sent).get(5, TimeUnit.SECONDS);
    CompletableFuture<Integer> mine = works.takeLong(new Works.Order(ME, "another"), () -> 2);
    assertThat(works.takeLong(new Works.Order(8, "other"), () -> 3).get(5, TimeUnit.SECONDS))
        .isEqualTo(3);
    assertThat(mine).isNotDone();
    sent.complete(null);
    assertThat(mine.get(5, TimeUnit.SECONDS)).isEqualTo(2);
  }

  private static String make(AtomicBoolean made) {
    made.set(true);
    return "made";
  }

  /** Waits as something does that does not hear that it is stopped. */
  private static void waitFor(CountDownLatch latch) {
    boolean waiting = true;
    while (waiting) {
      try {
        waiting = !latch.await(5, TimeUnit.SECONDS);
      } catch (InterruptedException e) {
        waiting = latch.getCount() > 0;
      }
    }
  }
}
