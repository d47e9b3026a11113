package idlelens.exchange.cuts;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import idlelens.core.curve.Tangent;
import idlelens.core.cut.Cut;
import idlelens.core.cut.Program;
import idlelens.core.part.Carriage;
import idlelens.core.part.Chain;
import idlelens.core.part.Lens;
import idlelens.core.scene.Node;
import idlelens.core.scene.NodeBody;
import idlelens.core.scene.Shot;
import idlelens.core.scene.ShotHeader;
import idlelens.core.time.FrameRange;
import idlelens.core.time.FrameRate;
import idlelens.exchange.format.FormatException;
import idlelens.exchange.json.JsonPlace;
import idlelens.exchange.outgoing.HandOff;
import idlelens.exchange.profile.ReceiverProfile;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;
import org.junit.jupiter.api.Test;

/** 48 frames at 24 a second: one camera, from 1013 on another, from 1025 on the first again. */
class CutsTest {
  private static final String LONG_NAME = "Harbour camera";
  private static final String OTHER_NAME = "Harbour camera, close";
  private static final Program PROGRAM =
      new Program(List.of(new Cut(1001, "a"), new Cut(1013, "b"), new Cut(1025, "a")));

  private static Node camera(String id, String name) {
    Chain chain = Chain.poseAndLens();
    return new Node.Camera(new NodeBody(id, name, false, Carriage.WORLD, chain), Lens.PLAIN);
  }

  private static HandOff handOff(Optional<FrameRate> rate, OptionalInt first) {
    ShotHeader header =
        new ShotHeader(
            "Cuts",
            FrameRate.of(24),
            new FrameRange(1001, 1048),
            0,
            16.0 / 9,
            1,
            Tangent.Kind.SETTLE);
    Shot shot = new Shot(header, List.of(camera("a", LONG_NAME), camera("b", OTHER_NAME)));
    return new HandOff(
        shot,
        header.range(),
        List.of("a", "b"),
        HandOff.Company.CARRIERS,
        ReceiverProfile.Y_UP_METRES.withTime(rate, first));
  }

  private static List<FrameRange> frames(HandOff handOff) {
    return CutList.of(handOff, PROGRAM).events().stream().map(CutList.Event::frames).toList();
  }

  @Test
  void frames_areThoseOfTheReceiver() {
    assertThat(frames(handOff(Optional.empty(), OptionalInt.empty())))
        .containsExactly(
            new FrameRange(1001, 1012), new FrameRange(1013, 1024), new FrameRange(1025, 1048));
    assertThat(frames(handOff(Optional.empty(), OptionalInt.of(1))))
        .containsExactly(new FrameRange(1, 12), new FrameRange(13, 24), new FrameRange(25, 48));
    // half a second is 15 frames of 30
    assertThat(frames(handOff(Optional.of(FrameRate.of(30)), OptionalInt.of(0))))
        .containsExactly(new FrameRange(0, 14), new FrameRange(15, 29), new FrameRange(30, 59));
  }

  @Test
  void aCameraAlone_keepsTheNumbersThatItsFramesHaveAmongAll() {
    FrameRange seen = new FrameRange(1013, 1024);
    HandOff alone = handOff(Optional.empty(), OptionalInt.of(1)).only("b", seen);
    assertThat(alone.firstFrame()).isEqualTo(13);
    assertThat(alone.grid().first()).isEqualTo(1013);
    HandOff plain = handOff(Optional.empty(), OptionalInt.empty()).only("b", seen);
    assertThat(plain.firstFrame()).isEqualTo(1013);
    HandOff other = handOff(Optional.of(FrameRate.of(30)), OptionalInt.of(1)).only("b", seen);
    assertThat(other.firstFrame()).isEqualTo(1);
    assertThat(other.frames()).isEqualTo(new FrameRange(1001, 1048));
  }

  @Test
  void editList_hasAnEventForEachStretch_andAReelForEachCamera() {
    CutList cuts = CutList.of(handOff(Optional.empty(), OptionalInt.empty()), PROGRAM);
    String[] lines = new String(EdlWriter.write(cuts), StandardCharsets.US_ASCII).split("\r\n");
    assertThat(lines)
        .containsExactly(
            "TITLE: Cuts",
            "FCM: NON-DROP FRAME",
            "",
            "001  HARBOURC V     C        00:00:41:17 00:00:42:05 01:00:00:00 01:00:00:12",
            "* FROM CLIP NAME: " + LONG_NAME,
            "002  HARBOUR2 V     C        00:00:42:05 00:00:42:17 01:00:00:12 01:00:01:00",
            "* FROM CLIP NAME: " + OTHER_NAME,
            "003  HARBOURC V     C        00:00:42:17 00:00:43:17 01:00:01:00 01:00:02:00",
            "* FROM CLIP NAME: " + LONG_NAME);
  }

  private static final Program FADING =
      new Program(List.of(new Cut(1001, "a"), new Cut(1013, "b", 6)));

  /** The camera that goes stands at its frame for no time, then the other comes over six frames. */
  @Test
  void dissolve_hasTwoLinesInTheEditList_andATransitionInTheTimeline() throws FormatException {
    CutList cuts = CutList.of(handOff(Optional.empty(), OptionalInt.empty()), FADING);
    String[] lines = new String(EdlWriter.write(cuts), StandardCharsets.US_ASCII).split("\r\n");
    assertThat(lines)
        .contains(
            "002  HARBOURC V     C        00:00:42:05 00:00:42:05 01:00:00:12 01:00:00:12",
            "002  HARBOUR2 V     D    006 00:00:42:05 00:00:43:17 01:00:00:12 01:00:02:00",
            "* TO CLIP NAME: " + OTHER_NAME);
    JsonPlace timeline = JsonPlace.parse(OtioWriter.write(cuts));
    JsonPlace all = timeline.get("tracks").get("children").at(0).get("children");
    assertThat(all.list(9)).hasSize(3);
    JsonPlace fade = all.at(1);
    assertThat(fade.get("OTIO_SCHEMA").text()).isEqualTo("Transition.1");
    assertThat(fade.get("transition_type").text()).isEqualTo("SMPTE_Dissolve");
    assertThat(fade.get("in_offset").get("value").number()).isZero();
    assertThat(fade.get("out_offset").get("value").number()).isEqualTo(6);
  }

  /** Where the frames that go out end within it, it lasts as long as they do. */
  @Test
  void dissolve_isNoLongerThanWhatIsSeenOfIt_norThanAnEditListCanSay() {
    Shot shot = handOff(Optional.empty(), OptionalInt.empty()).shot();
    assertThat(CutList.of(shot, FADING, new FrameRange(1001, 1015)).events())
        .extracting(CutList.Event::dissolve)
        .containsExactly(0, 3);
    Program slow = new Program(List.of(new Cut(1001, "a"), new Cut(1013, "b", 1200)));
    CutList cuts = CutList.of(shot, slow, new FrameRange(1001, 4000));
    assertThatThrownBy(() -> EdlWriter.write(cuts))
        .hasMessage("dissolve in an edit list is 1200; allowed: 1 to 999");
  }

  /** A quarter of a second, at whatever rate. */
  @Test
  void dissolve_lastsAsLongAtTheReceiver() {
    CutList cuts = CutList.of(handOff(Optional.of(FrameRate.of(48)), OptionalInt.of(0)), FADING);
    assertThat(cuts.events()).extracting(CutList.Event::dissolve).containsExactly(0, 12);
  }

  @Test
  void timeline_hasAClipForEachStretch() throws FormatException {
    CutList cuts = CutList.of(handOff(Optional.empty(), OptionalInt.of(1)), PROGRAM);
    JsonPlace timeline = JsonPlace.parse(OtioWriter.write(cuts));
    assertThat(timeline.get("global_start_time").get("value").number()).isEqualTo(1);
    JsonPlace clips = timeline.get("tracks").get("children").at(0).get("children");
    assertThat(clips.list(9)).hasSize(3);
    JsonPlace second = clips.at(1);
    assertThat(second.get("name").text()).isEqualTo(OTHER_NAME);
    JsonPlace range = second.get("source_range");
    assertThat(range.get("start_time").get("value").number()).isEqualTo(13);
    assertThat(range.get("duration").get("value").number()).isEqualTo(12);
    assertThat(range.get("duration").get("rate").number()).isEqualTo(24);
  }
}
