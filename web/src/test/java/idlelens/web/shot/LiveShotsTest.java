package idlelens.web.shot;

import static org.assertj.core.api.Assertions.assertThat;

import idlelens.core.curve.Tangent;
import idlelens.core.edit.Rename;
import idlelens.core.scene.Shot;
import idlelens.core.scene.ShotHeader;
import idlelens.core.time.FrameRange;
import idlelens.core.time.FrameRate;
import org.junit.jupiter.api.Test;

class LiveShotsTest {
  private static final Shot SHOT =
      NewShot.with(
          new ShotHeader(
              "New", FrameRate.of(24), new FrameRange(1, 10), 2, 1.5, 1, Tangent.Kind.SETTLE));

  @Test
  void manyShots_theLongestUnusedIsForgotten() {
    LiveShots live = new LiveShots();
    for (long id = 0; id < 24; id++) {
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
}
