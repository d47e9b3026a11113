package idlelens.web.shot;

import static org.assertj.core.api.Assertions.assertThat;

import idlelens.core.curve.Tangent;
import idlelens.core.edit.Edit;
import idlelens.core.edit.Keying;
import idlelens.core.edit.Rename;
import idlelens.core.edit.SetValues;
import idlelens.core.part.Path;
import idlelens.core.scene.Shot;
import idlelens.core.scene.ShotHeader;
import idlelens.core.time.FrameRange;
import idlelens.core.time.FrameRate;
import java.util.List;
import java.util.Map;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.function.Supplier;
import org.junit.jupiter.api.Test;

class LiveShotsTest {
  private static final Shot SHOT =
      NewShot.with(
          new ShotHeader(
              "New", FrameRate.of(24), new FrameRange(1, 10), 2, 1.5, 1, Tangent.Kind.SETTLE));

  @Test
  void manyShots_theLongestUnusedIsForgotten() {
    LiveShots live = new LiveShots();
    for (long id = 0; id < 48; id++) {
      live.put(id, new LiveShot(1, SHOT));
    }
    assertThat(live.find(0)).isPresent(); // used just now, so 1 is the longest unused
    live.put(99, new LiveShot(1, SHOT));
    assertThat(live.find(0)).isPresent();
    assertThat(live.find(1)).isEmpty();
    live.forget(0);
    assertThat(live.find(0)).isEmpty();
  }

  @Test
  void next_lendsTheMotionOn() {
    LiveShot before = new LiveShot(1, SHOT);
    LiveShot after = before.next(2, new Rename("keeper", "Watch").apply(SHOT));
    assertThat(after.motion().of("a-cam").world()).isSameAs(before.motion().of("a-cam").world());
    assertThat(after.motion().grid().count()).isEqualTo(14);
  }

  /** Every frame of the keeper's walk is another sample. */
  private static Shot walking(int step) {
    Edit walk =
        new SetValues("keeper", step, Map.of(new Path("keys", "x"), (double) step), Keying.TOUCHED);
    return Edit.applyAll(SHOT, List.of(KEY, walk)).shot();
  }

  private static final Edit KEY =
      new SetValues("keeper", 1, Map.of(new Path("keys", "x"), 0.5), Keying.TOUCHED);

  @Test
  void revisionsThatWeighTooMuch_goFromTheOldestOn_theNewestStays() {
    LiveShots live = new LiveShots(3 * 14); // three times the keeper's samples
    LiveShot shot = new LiveShot(1, walking(2));
    shot.motion();
    live.put(7, shot);
    for (int revision = 2; revision <= 8; revision++) {
      shot = shot.next(revision, walking(revision + 1));
      shot.motion();
      assertThat(shot.weight()).isEqualTo(14 + 2 + 2); // its two keys, and a little for the nodes
      live.put(7, shot);
    }
    assertThat(live.find(7)).contains(shot);
    assertThat(live.find(7, 7)).isPresent();
    assertThat(live.find(7, 2)).isEmpty();
    live.put(8, shot); // another shot takes the room of the one not worked on
    assertThat(live.find(7)).isEmpty();
  }

  @Test
  void answers_areMadeOnceForAllWhoAskAlike_untilItIsNoLongerTheNewest() {
    LiveShot shot = new LiveShot(1, SHOT);
    AtomicInteger made = new AtomicInteger();
    Supplier<byte[]> making = () -> new byte[] {(byte) made.incrementAndGet()};
    LiveShot.Asked plain = new LiveShot.Asked(1, new DrawnCurves(List.of(), false));
    LiveShot.Asked curves = new LiveShot.Asked(1, new DrawnCurves(List.of("keeper"), false));
    assertThat(shot.answer(plain, making)).containsExactly(1);
    assertThat(shot.answer(plain, making)).containsExactly(1);
    assertThat(shot.answer(curves, making)).containsExactly(2);
    shot.grewOld();
    assertThat(shot.answer(plain, making)).containsExactly(3);
  }

  @Test
  void keysOfCurvesThatAreNew_weighToo_sharedOnesDoNot() {
    LiveShot first = new LiveShot(1, walking(2)); // two keys, not evaluated yet
    assertThat(first.weight()).isEqualTo(2 + 2);
    LiveShot renamed = first.next(2, new Rename("keeper", "Watch").apply(first.shot()));
    assertThat(renamed.weight()).isEqualTo(2);
    LiveShot keyed = renamed.next(3, walking(3));
    assertThat(keyed.weight()).isEqualTo(2 + 2);
  }

  @Test
  void shotThatIsBeingComputed_keepsNobodyWaiting() throws Exception {
    LiveShots live = new LiveShots();
    LiveShot slow = new LiveShot(1, SHOT);
    live.put(1, slow);
    synchronized (slow) { // as its evaluation does
      CompletableFuture<Boolean> others =
          CompletableFuture.supplyAsync(
              () -> {
                for (int i = 0; i < 10; i++) {
                  live.put(2 + i, new LiveShot(1, SHOT));
                }
                live.put(1, new LiveShot(2, SHOT));
                return live.find(3).isPresent();
              });
      assertThat(others.get(5, TimeUnit.SECONDS)).isTrue();
    }
  }
}
