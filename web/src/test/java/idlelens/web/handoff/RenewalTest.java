package idlelens.web.handoff;

import static org.assertj.core.api.Assertions.assertThat;

import idlelens.core.curve.Curve;
import idlelens.core.curve.Tangent;
import idlelens.core.edit.Edit;
import idlelens.core.part.Carriage;
import idlelens.core.part.Chain;
import idlelens.core.part.Lens;
import idlelens.core.part.Path;
import idlelens.core.scene.Node;
import idlelens.core.scene.NodeBody;
import idlelens.core.scene.Shot;
import idlelens.core.scene.ShotHeader;
import idlelens.core.set.Finish;
import idlelens.core.set.Shape;
import idlelens.core.time.FrameRange;
import idlelens.core.time.FrameRate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;

/** A pier with a post on it and a camera on that, as a file has them, and as a shot has. */
class RenewalTest {
  private static Node nul(String id, String name, String by, double x) {
    Chain chain = Chain.pose().with(Path.X, Curve.still(x));
    return new Node.Null(new NodeBody(id, name, false, Carriage.by(by), chain));
  }

  private static Node camera(String id, String by, double focal, double stop) {
    Chain chain =
        Chain.poseAndLens()
            .with(Path.FOCAL, Curve.still(focal))
            .with(Path.F_STOP, Curve.still(stop));
    return new Node.Camera(new NodeBody(id, "Cam", false, Carriage.by(by), chain), Lens.PLAIN);
  }

  private static Shot shot(Node... nodes) {
    ShotHeader header =
        new ShotHeader(
            "Pier", FrameRate.of(24), new FrameRange(1, 9), 0, 16.0 / 9, 1, Tangent.Kind.SETTLE);
    return new Shot(header, List.of(nodes));
  }

  private static Shot applied(Shot shot, Renewal renewal) {
    Shot now = shot;
    for (Edit edit : renewal.edits(shot)) {
      now = edit.apply(now);
    }
    return now;
  }

  /** 2,000 nodes with long names, each upon the last: their paths in full are 160 MB. */
  @Test
  void paths_ofADeepRig_stayShortAndTellAllApart() {
    List<Node> nodes = new ArrayList<>();
    for (int i = 0; i < Shot.MOST_NODES; i++) {
      nodes.add(nul("n" + i, "Plank ".repeat(12) + i % 7, i == 0 ? "" : "n" + (i - 1), 0));
    }
    Map<String, String> paths = Renewal.paths(nodes);
    assertThat(paths).hasSize(Shot.MOST_NODES).isEqualTo(Renewal.paths(nodes));
    assertThat(paths.keySet()).allSatisfy(path -> assertThat(path).hasSizeLessThan(2200));
  }

  @Test
  void paths_areNamesAlongTheCarriers_inWhateverOrderTheyStand() {
    Node pier = nul("a", "Pier", "", 0);
    Node post = nul("b", "Post", "a", 0);
    Node other = nul("c", "Post", "a", 0);
    Map<String, String> paths =
        Map.of("/null:Pier", "a", "/null:Pier/null:Post", "b", "/null:Pier/null:Post#2", "c");
    assertThat(Renewal.paths(List.of(pier, post, other))).isEqualTo(paths);
    assertThat(Renewal.paths(List.of(post, other, pier))).isEqualTo(paths);
  }

  @Test
  void whatCame_getsTheNewNumbers_andKeepsItsNameItsPlaceAndWhatItRides() {
    Shot was =
        shot(nul("a", "My pier", "", 1), nul("mine", "Crane", "", 7), camera("c", "mine", 35, 4));
    Map<String, String> before = Map.of("/null:Pier", "a", "/null:Pier/camera:Cam", "c");
    List<Node> found = List.of(nul("n1", "Pier", "", 5), camera("n2", "n1", 50, 8));
    Renewal renewal = Renewal.of(was, before, found);
    Shot is = applied(was, renewal);
    assertThat(renewal.added()).isEmpty();
    assertThat(renewal.missing()).isEmpty();
    assertThat(is.nodes()).extracting(Node::id).containsExactly("a", "mine", "c");
    assertThat(is.node("a").name()).isEqualTo("My pier");
    assertThat(is.node("a").chain().curve(Path.X).at(1)).isEqualTo(5);
    assertThat(is.node("c").carriage().carrierId()).isEqualTo("mine");
    assertThat(is.node("c").chain().curve(Path.FOCAL).at(1)).isEqualTo(50);
    assertThat(is.node("c").chain().curve(Path.F_STOP).at(1)).isEqualTo(8);
    assertThat(is.node("mine")).isEqualTo(was.node("mine"));
    assertThat(renewal.notes())
        .containsExactly("2 nodes that came from the file before are renewed");
  }

  @Test
  void whatIsNew_ridesOnWhatCameBefore_andIsKnownFromThenOn() {
    Shot was = shot(nul("a", "Pier", "", 1));
    List<Node> found = List.of(nul("n1", "Pier", "", 1), nul("n2", "Post", "n1", 2));
    Renewal renewal = Renewal.of(was, Map.of("/null:Pier", "a"), found);
    Shot is = applied(was, renewal);
    assertThat(is.node("n2").carriage().carrierId()).isEqualTo("a");
    assertThat(renewal.came()).isEqualTo(Map.of("/null:Pier", "a", "/null:Pier/null:Post", "n2"));
    Renewal again = Renewal.of(is, renewal.came(), found);
    assertThat(again.added()).isEmpty();
    assertThat(again.renewed()).hasSize(2);
  }

  @Test
  void whatIsGoneFromTheFile_stays_andIsSaid_whatIsGoneFromTheShotComesAnew() {
    Shot was = shot(nul("a", "Pier", "", 1), nul("b", "Post", "a", 2));
    Map<String, String> before =
        Map.of("/null:Pier", "a", "/null:Pier/null:Post", "b", "/null:Buoy", "gone");
    List<Node> found = List.of(nul("n1", "Pier", "", 3), nul("n2", "Buoy", "", 4));
    Renewal renewal = Renewal.of(was, before, found);
    Shot is = applied(was, renewal);
    assertThat(renewal.missing()).containsExactly("Post");
    assertThat(is.node("b")).isEqualTo(was.node("b"));
    assertThat(is.node("n2").name()).isEqualTo("Buoy");
    assertThat(renewal.came().get("/null:Buoy")).isEqualTo("n2");
    assertThat(renewal.notes())
        .containsExactly(
            "1 node that came from the file before is renewed",
            "1 is new in it",
            "Post: is no more in the file, and stays as it was");
  }

  @Test
  void aPiece_getsItsNewShape_andKeepsItsFinish() {
    Finish own = Finish.matt("#123456");
    NodeBody body = new NodeBody("p", "Crate", false, Carriage.WORLD, Chain.pose());
    Shot was = shot(new Node.Piece(body, new Shape.Box(1, 1, 1), own));
    NodeBody now = new NodeBody("n", "Crate", false, Carriage.WORLD, Chain.pose());
    Node found = new Node.Piece(now, new Shape.Box(2, 1, 1), Finish.matt("#ffffff"));
    Shot is = applied(was, Renewal.of(was, Map.of("/piece:Crate", "p"), List.of(found)));
    Node.Piece piece = (Node.Piece) is.node("p");
    assertThat(piece.shape()).isEqualTo(new Shape.Box(2, 1, 1));
    assertThat(piece.finish()).isEqualTo(own);
  }
}
