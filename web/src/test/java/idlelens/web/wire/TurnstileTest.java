package idlelens.web.wire;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.atomic.AtomicInteger;
import org.junit.jupiter.api.Test;

class TurnstileTest {
  @Test
  void asManyAsThereArePlaces_areThrough_theOthersInTurn() {
    Turnstile turnstile = new Turnstile(2);
    List<Integer> through = new ArrayList<>();
    for (int i = 0; i < 5; i++) {
      int number = i;
      turnstile.enter(() -> through.add(number));
    }
    assertThat(through).containsExactly(0, 1);
    turnstile.leave();
    assertThat(through).containsExactly(0, 1, 2);
    for (int i = 0; i < 4; i++) {
      turnstile.leave();
    }
    assertThat(through).containsExactly(0, 1, 2, 3, 4);
    turnstile.enter(() -> through.add(5));
    assertThat(through).endsWith(5);
  }

  @Test
  void eventQueue_thatNobodyBeginsToRead_isLetGoToo() {
    AtomicInteger gone = new AtomicInteger();
    EventQueue queue = new EventQueue(3, gone::incrementAndGet);
    for (int i = 0; i < 3; i++) {
      queue.tell(EventQueue.event("beat", "{}"));
    }
    assertThat(gone.get()).isZero();
    queue.tell(EventQueue.event("beat", "{}"));
    assertThat(gone.get()).isEqualTo(1);
    queue.tell(EventQueue.event("beat", "{}"));
    assertThat(gone.get()).isEqualTo(1);
  }
}
