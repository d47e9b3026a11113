package idlelens.core.scene;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import idlelens.core.curve.Curve;
import idlelens.core.curve.Key;
import idlelens.core.curve.Tangent;
import idlelens.core.edit.Carry;
import idlelens.core.edit.Keep;
import idlelens.core.edit.Sets;
import idlelens.core.geometry.RigidPose;
import idlelens.core.part.Carriage;
import idlelens.core.part.Chain;
import idlelens.core.part.FocusRule;
import idlelens.core.part.HandOver;
import idlelens.core.part.Lens;
import idlelens.core.part.Parameter;
import idlelens.core.part.PartKind;
import idlelens.core.part.Parts;
import idlelens.core.part.Path;
import idlelens.core.part.Target;
import idlelens.core.rule.RefusedException;
import idlelens.core.set.Finish;
import idlelens.core.set.Repetition;
import idlelens.core.set.Shape;
import idlelens.core.time.FrameRange;
import idlelens.core.time.FrameRate;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class ShotTest {
  private static final ShotHeader HEADER =
      new ShotHeader(
          "Shot", FrameRate.of(24), new FrameRange(1, 10), 2, 1.85, 1, Tangent.Kind.SETTLE);

  private static Node nothing(String id, String carrier) {
    return new Node.Null(
        new NodeBody(
            id, "The " + id, false, new Carriage(carrier, RigidPose.IDENTITY), Chain.pose()));
  }

  private static Node camera(String id, FocusRule focus) {
    return new Node.Camera(
        new NodeBody(id, id, false, Carriage.WORLD, Chain.poseAndLens()),
        Lens.PLAIN.withFocus(focus));
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
        .hasMessage(
            "The a.carrier is 'b'; allowed: the id of a null, a piece, a rail or a repeat of this shot");
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
      List<Node> nodes =
          List.of(camera("cam", new FocusRule.Follow(Target.OfNode.origin(target), 0)));
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
    NodeBody body = new NodeBody("a", "  Dolly ", false, Carriage.WORLD, Chain.pose());
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

  @Test
  void everyParameter_holdsItsUsualValue_andIsFoundByItsPath() {
    for (PartKind kind : Parts.KINDS) {
      for (Parameter parameter : kind.parameters()) {
        assertThat(parameter.check(parameter.usual())).isEqualTo(parameter.usual());
        assertThatThrownBy(() -> parameter.check(Double.NaN)).isInstanceOf(RefusedException.class);
        Path path = new Path(kind.many() ? kind.word() + "-1" : kind.word(), parameter.id());
        assertThat(Path.parse(path.toString())).isEqualTo(path);
      }
    }
  }

  @Test
  void channels_keyOutOfRange_isRefusedInside() {
    Curve wild = new Curve(2, List.of(new Key(1, 200, Tangent.Kind.SETTLE)));
    assertThatThrownBy(() -> Chain.poseAndLens().with(Path.F_STOP, wild))
        .hasMessage("fstop is 200.0; allowed: 0.05 to 128");
    assertThatThrownBy(() -> Chain.pose().with(Path.FOCAL, Curve.still(35)))
        .hasMessage("channel is focal; allowed: x, y, z, pan, tilt, roll");
  }

  @Test
  void channels_keyFrames_areOfAllChannelsInOrderAndOnce() {
    Curve early = new Curve(0, List.of(new Key(5, 1, Tangent.Kind.HOLD)));
    Curve late =
        new Curve(0, List.of(new Key(5, 1, Tangent.Kind.HOLD), new Key(9, 2, Tangent.Kind.HOLD)));
    Chain channels = Chain.pose().with(Map.of(Path.X, late, Path.PAN, early));
    assertThat(channels.keyFrames(Path.POSE)).containsExactly(5.0, 9.0);
    assertThat(channels.isKeyed(List.of(Path.Y))).isFalse();
    assertThat(channels.isKeyed(List.of(Path.Y, Path.PAN))).isTrue();
  }

  private static Node repeat(String id, String carrier, Repetition repetition) {
    NodeBody body =
        new NodeBody(id, id, false, new Carriage(carrier, RigidPose.IDENTITY), Chain.pose());
    return new Node.Repeat(body, repetition);
  }

  private static Node box(int i, String carrier) {
    NodeBody body =
        new NodeBody(
            "box-" + i, "Box", false, new Carriage(carrier, RigidPose.IDENTITY), Chain.pose());
    return new Node.Piece(body, new Shape.Box(1, 1, 1), Finish.matt("#808080"));
  }

  private static Shot repeating(int boxes, Repetition repetition) {
    List<Node> nodes = new ArrayList<>(List.of(repeat("row", "", repetition)));
    for (int i = 0; i < boxes; i++) {
      nodes.add(box(i, "row"));
    }
    return new Shot(Sets.rig().header(), nodes);
  }

  @Test
  void repeats_ofRepeats_andMoreThanCanBeDrawn_areRefused() {
    Repetition many = Repetition.row(2000, 1, 0, 0);
    assertThat(repeating(50, many).nodes()).hasSize(51);
    assertThatThrownBy(() -> repeating(51, many))
        .hasMessageContaining("102000 copies in the shot; allowed: at most 100,000");
    Repetition late = new Repetition(0, 2, 1, 0, 0, 0, 0, 0, 20_000, 0, 1);
    assertThat(repeating(50, late).nodes()).hasSize(51);
    assertThatThrownBy(() -> repeating(51, late)).hasMessageContaining("at most 1,000,000");
    List<Node> nested = List.of(repeat("a", "", many), repeat("b", "a", many));
    assertThatThrownBy(() -> new Shot(Sets.rig().header(), nested))
        .hasMessageContaining("which would repeat a repeat");
    Shot two = new Shot(Sets.rig().header(), List.of(repeat("a", "", many), repeat("b", "", many)));
    assertThatThrownBy(() -> new Carry("b", "a", 1, Keep.PLACE).apply(two))
        .hasMessageContaining("which would repeat a repeat");
  }

  /**
   * At any depth and in any order; not what is beside it, nor what it carries only until a frame.
   */
  @Test
  void whatRepeatsANode_isWhatCarriesItForAllFrames() {
    Node row = repeat("row", "post", Repetition.row(3, 1, 0, 0));
    Node other = repeat("other", "", Repetition.row(2, 1, 0, 0));
    Node lent = box(4, "inner");
    HandOver away = new HandOver("away", 5, "", Optional.empty());
    Node handedOver = lent.withChain(lent.chain().with(lent.chain().carried().with(away)));
    List<Node> nodes =
        new ArrayList<>(
            List.of(
                nothing("post", ""),
                row,
                nothing("inner", "row"),
                nothing("deep", "inner"),
                other,
                box(1, "deep"),
                box(2, "post"),
                box(3, "other"),
                handedOver));
    for (int turn = 0; turn < nodes.size(); turn++) {
      Collections.rotate(nodes, 1);
      Shot shot = new Shot(HEADER, nodes);
      for (String id : List.of("inner", "deep", "box-1")) {
        assertThat(shot.repeatOf(id)).as(id).contains((Node.Repeat) row);
      }
      assertThat(shot.repeatOf("box-3")).contains((Node.Repeat) other);
      for (String id : List.of("post", "row", "other", "box-2", "box-4")) {
        assertThat(shot.repeatOf(id)).as(id).isEmpty();
      }
    }
  }

  @Test
  void whatRepeatsANode_isAskedAnewWhenItIsCarriedOtherwise() {
    Shot shot = repeating(1, Repetition.row(3, 1, 0, 0));
    assertThat(shot.repeatOf("box-0")).isPresent();
    Shot free = new Carry("box-0", "", 1, Keep.PLACE).apply(shot);
    assertThat(free.repeatOf("box-0")).isEmpty();
    Node.Repeat longer = (Node.Repeat) repeat("row", "", Repetition.row(9, 1, 0, 0));
    assertThat(shot.withNode(longer).repeatOf("box-0")).contains(longer);
  }
}
