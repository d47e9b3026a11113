package idlelens.core.scene;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import idlelens.core.curve.Curve;
import idlelens.core.curve.Key;
import idlelens.core.curve.Tangent;
import idlelens.core.geometry.RigidPose;
import idlelens.core.lens.FocusRule;
import idlelens.core.lens.LensBody;
import idlelens.core.rule.RefusedException;
import idlelens.core.time.FrameRange;
import idlelens.core.time.FrameRate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import org.junit.jupiter.params.provider.ValueSource;

class ShotTest {
  private static final ShotHeader HEADER =
      new ShotHeader(
          "Shot", FrameRate.of(24), new FrameRange(1, 10), 2, 1.85, 1, Tangent.Kind.SETTLE);

  private static Node nothing(String id, String carrier) {
    return new Node.Null(
        new NodeBody(
            id, "The " + id, false, new Carriage(carrier, RigidPose.IDENTITY), Channels.pose()));
  }

  private static Node camera(String id, FocusRule focus) {
    return new Node.Camera(
        new NodeBody(id, id, false, Carriage.WORLD, Channels.poseAndLens()),
        LensBody.PLAIN.withFocus(focus));
  }

  @Test
  void twoNodesWithOneId_areRefused() {
    List<Node> nodes = List.of(nothing("a", ""), nothing("a", ""));
    assertThatThrownBy(() -> new Shot(HEADER, nodes))
        .hasMessage("nodes.id is 'a' twice; allowed: each id once");
  }

  @Test
  void missingCarrier_isRefusedByTheNameOfTheNode() {
    List<Node> nodes = List.of(nothing("a", "b"));
    assertThatThrownBy(() -> new Shot(HEADER, nodes))
        .hasMessage("The a.carrier is 'b'; allowed: the id of a null of this shot");
  }

  @Test
  void loopOfCarriers_isRefusedByNamingIt() {
    List<Node> nodes = List.of(nothing("a", "c"), nothing("b", "a"), nothing("c", "b"));
    assertThatThrownBy(() -> new Shot(HEADER, nodes))
        .hasMessageContaining("a loop (The a > The c > The b > The a)");
  }

  @Test
  void focusOnItselfOrOnNobody_isRefused() {
    for (String target : List.of("cam", "nobody")) {
      List<Node> nodes = List.of(camera("cam", new FocusRule.Follow(target, 0)));
      assertThatThrownBy(() -> new Shot(HEADER, nodes))
          .hasMessage(
              "cam.focus.node is '" + target + "'; allowed: the id of another node of this shot");
    }
  }

  @Test
  void family_isTheNodeAndAllItCarriesAtAnyDepth() {
    Shot shot =
        new Shot(
            HEADER,
            List.of(
                nothing("leaf", "middle"),
                nothing("middle", "root"),
                nothing("root", ""),
                nothing("other", "")));
    assertThat(shot.family("root")).extracting(Node::id).containsExactly("root", "middle", "leaf");
    assertThat(shot.carriersOf("leaf")).extracting(Node::id).containsExactly("root", "middle");
    assertThat(shot.carriersOf("root")).isEmpty();
    assertThat(shot.carriedBy("root")).extracting(Node::id).containsExactly("middle");
  }

  @Test
  void camera_ofSomethingElse_isRefused() {
    Shot shot = new Shot(HEADER, List.of(nothing("a", ""), camera("b", new FocusRule.Distance())));
    assertThat(shot.cameras()).hasSize(1);
    assertThatThrownBy(() -> shot.camera("a")).hasMessage("camera is 'The a'; allowed: a camera");
    assertThatThrownBy(() -> shot.node("x")).isInstanceOf(RefusedException.class);
  }

  @Test
  void tooManyNodes_areRefused() {
    List<Node> nodes = new ArrayList<>();
    for (int i = 0; i <= Shot.MOST_NODES; i++) {
      nodes.add(nothing("n" + i, ""));
    }
    assertThatThrownBy(() -> new Shot(HEADER, nodes))
        .hasMessage("nodes.count is 2001; allowed: 0 to 2000");
  }

  @ParameterizedTest
  @ValueSource(strings = {"", "a b", "ä", "a/b"})
  void id_withOtherLetters_isRefused(String id) {
    assertThatThrownBy(() -> nothing(id, ""))
        .hasMessage("id is '" + id + "'; allowed: 1 to 60 letters, digits, '-' or '_'");
  }

  @Test
  void name_isTrimmed_andRefusedWhenEmptyLongOrWithControls() {
    NodeBody body = new NodeBody("a", "  Dolly ", false, Carriage.WORLD, Channels.pose());
    assertThat(body.name()).isEqualTo("Dolly");
    assertThatThrownBy(() -> body.withName(" ")).hasMessageContaining("a text of 1 to 80");
    assertThatThrownBy(() -> body.withName("x".repeat(81))).hasMessageContaining("xxx…'");
    assertThatThrownBy(() -> body.withName("a\u0007b")).hasMessageContaining("no control");
  }

  @Test
  void header_outOfRange_isRefused() {
    assertThatThrownBy(
            () ->
                new ShotHeader(
                    "Shot",
                    FrameRate.of(24),
                    new FrameRange(1, 10),
                    2001,
                    1.85,
                    1,
                    Tangent.Kind.SETTLE))
        .hasMessage("handles is 2001; allowed: 0 to 2000");
    assertThatThrownBy(
            () ->
                new ShotHeader(
                    "Shot",
                    FrameRate.of(24),
                    new FrameRange(1, 10),
                    0,
                    Double.NaN,
                    1,
                    Tangent.Kind.SETTLE))
        .hasMessage("aspect is NaN; allowed: 0.2 to 10");
  }

  @ParameterizedTest
  @EnumSource(Channel.class)
  void channel_isFoundByItsName_andHoldsItsUsualValue(Channel channel) {
    assertThat(Channel.of(channel.id())).isEqualTo(channel);
    assertThat(channel.holds(channel.usual())).isTrue();
    assertThat(channel.holds(Double.NaN)).isFalse();
    assertThat(channel.isPose()).isEqualTo(Channel.POSE.contains(channel));
  }

  @Test
  void channels_keyOutOfRange_isRefusedInside() {
    Curve wild = new Curve(2, List.of(new Key(1, 200, Tangent.Kind.SETTLE)));
    assertThatThrownBy(() -> Channels.poseAndLens().with(Channel.F_STOP, wild))
        .hasMessage("channels.fstop is 200.0; allowed: 0.5 to 128");
    assertThatThrownBy(() -> Channels.pose().with(Channel.FOCAL, Curve.still(35)))
        .hasMessage("channel is focal; allowed: x, y, z, pan, tilt, roll");
  }

  @Test
  void channels_keyFrames_areOfAllChannelsInOrderAndOnce() {
    Curve early = new Curve(0, List.of(new Key(5, 1, Tangent.Kind.HOLD)));
    Curve late =
        new Curve(0, List.of(new Key(5, 1, Tangent.Kind.HOLD), new Key(9, 2, Tangent.Kind.HOLD)));
    Channels channels = Channels.pose().with(Map.of(Channel.X, late, Channel.PAN, early));
    assertThat(channels.keyFrames(Channel.POSE)).containsExactly(5.0, 9.0);
    assertThat(channels.isKeyed(List.of(Channel.Y))).isFalse();
    assertThat(channels.isKeyed(List.of(Channel.Y, Channel.PAN))).isTrue();
  }
}
