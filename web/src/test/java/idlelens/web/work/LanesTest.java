package idlelens.web.work;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;

class LanesTest {
  private final ExecutorService threads = Executors.newFixedThreadPool(3);
  private final Lanes lanes = new Lanes(4, 8);

  @AfterEach
  void end() {
    threads.shutdownNow();
  }

  private void submit(Object lane, Runnable work) {
    lanes.submit(
        lane,
        threads,
        () -> {
          work.run();
          return CompletableFuture.completedFuture(null);
        });
  }

  @Test
  void oneLane_keepsTheOrder_andNeverRunsTwoAtOnce() throws Exception {
    List<Integer> done = Collections.synchronizedList(new ArrayList<>());
    CountDownLatch all = new CountDownLatch(4);
    for (int i = 0; i < 4; i++) {
      int number = i;
      submit(
          "a",
          () -> {
            done.add(number);
            done.add(number); // another one in between would stand between these two
            all.countDown();
          });
    }
    assertThat(all.await(5, TimeUnit.SECONDS)).isTrue();
    assertThat(done).containsExactly(0, 0, 1, 1, 2, 2, 3, 3);
  }

  @Test
  void otherLanes_doNotWait_andWhatWaitsHoldsNoThread() throws Exception {
    CompletableFuture<Void> held = new CompletableFuture<>();
    lanes.submit("slow", threads, () -> held);
    for (int i = 0; i < 3; i++) {
      submit("slow", () -> {});
    }
    CountDownLatch others = new CountDownLatch(3);
    CountDownLatch together = new CountDownLatch(3); // all three threads at once
    for (int i = 0; i < 3; i++) {
      submit(
          "lane " + i,
          () -> {
            together.countDown();
            try {
              together.await(5, TimeUnit.SECONDS);
            } catch (InterruptedException e) {
              Thread.currentThread().interrupt();
            }
            others.countDown();
          });
    }
    assertThat(others.await(5, TimeUnit.SECONDS)).isTrue();
    held.complete(null);
  }

  @Test
  void tooMuch_isRefused_inALaneAndInAll_andThereIsRoomAgainAfterwards() throws Exception {
    CompletableFuture<Void> held = new CompletableFuture<>();
    for (int i = 0; i < 4; i++) {
      lanes.submit("a", threads, () -> held);
    }
    assertThatThrownBy(() -> submit("a", () -> {}))
        .isInstanceOf(BusyException.class)
        .hasMessageContaining("was not begun, nothing of it is saved");
    for (int i = 0; i < 4; i++) {
      lanes.submit("b", threads, () -> held);
    }
    assertThatThrownBy(() -> submit("c", () -> {})).isInstanceOf(BusyException.class);
    held.complete(null);
    CountDownLatch again = new CountDownLatch(1);
    for (int i = 0; i < 100 && again.getCount() == 1; i++) {
      try {
        submit("c", again::countDown);
      } catch (BusyException notYet) {
        Thread.sleep(20);
      }
    }
    assertThat(again.await(5, TimeUnit.SECONDS)).isTrue();
  }

  @Test
  void taskThatFails_doesNotStopItsLane() throws Exception {
    lanes.submit("a", threads, () -> CompletableFuture.failedFuture(new IllegalStateException()));
    CountDownLatch next = new CountDownLatch(1);
    submit("a", next::countDown);
    assertThat(next.await(5, TimeUnit.SECONDS)).isTrue();
  }
}
