package idlelens.core.motion;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import idlelens.core.check.ShotSize;
import idlelens.core.curve.Curve;
import idlelens.core.curve.Key;
import idlelens.core.curve.Tangent;
import idlelens.core.geometry.RigidPose;
import idlelens.core.part.Carriage;
import idlelens.core.part.Chain;
import idlelens.core.part.Lens;
import idlelens.core.part.Part;
import idlelens.core.part.Path;
import idlelens.core.part.Smooth;
import idlelens.core.part.SmoothWay;
import idlelens.core.scene.Node;
import idlelens.core.scene.NodeBody;
import idlelens.core.scene.Shot;
import idlelens.core.scene.ShotHeader;
import idlelens.core.time.FrameRange;
import idlelens.core.time.FrameRate;
import idlelens.core.time.SampleGrid;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.NavigableSet;
import java.util.concurrent.Callable;
import java.util.concurrent.FutureTask;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/**
 * A camera at the end of as many nulls as a shot can have. Each stands 0.25 m further along x than
 * what carries it; the first jumps by 2 m at frame 20. On a thread with little room, so that
 * nothing may go from node to node by calling itself.
 */
class DeepRigTest {
  private static final int NULLS = Shot.MOST_NODES - 1;
  private static final int LITTLE_ROOM = 256 * 1024;
  private static final RigidPose ON = RigidPose.of(0.25, 0, 0, 0, 0, 0);

  private static Shot line(boolean carriersFirst, Part... onCamera) {
    List<Node> nodes = new ArrayList<>();
    Curve jump =
        new Curve(0, List.of(new Key(1, 0, Tangent.Kind.HOLD), new Key(20, 2, Tangent.Kind.HOLD)));
    Chain first = Chain.pose().with(Path.X, jump);
    nodes.add(new Node.Null(new NodeBody("n0", "n0", false, Carriage.WORLD, first)));
    for (int i = 1; i < NULLS; i++) {
      Carriage by = new Carriage("n" + (i - 1), ON);
      nodes.add(new Node.Null(new NodeBody("n" + i, "n" + i, false, by, Chain.pose())));
    }
    List<Part> parts = new ArrayList<>(Chain.poseAndLens().parts());
    parts.addAll(parts.size() - 1, List.of(onCamera));
    Carriage by = new Carriage("n" + (NULLS - 1), ON);
    nodes.add(new Node.Camera(new NodeBody("cam", "cam", false, by, new Chain(parts)), Lens.PLAIN));
    if (!carriersFirst) {
      Collections.reverse(nodes);
    }
    return new Shot(
        new ShotHeader(
            "Deep", FrameRate.of(24), new FrameRange(1, 40), 0, 1.5, 1, Tangent.Kind.SETTLE),
        nodes);
  }

  private static <T> T withLittleRoom(Callable<T> work) throws Exception {
    FutureTask<T> task = new FutureTask<>(work);
    new Thread(null, task, "little room", LITTLE_ROOM).start();
    return task.get();
  }

  @ParameterizedTest
  @ValueSource(booleans = {true, false})
  void itsCameraStandsAtTheEnd_onAFrameAndOnAll(boolean carriersFirst) throws Exception {
    double end = 0.25 * NULLS;
    Shot shot = withLittleRoom(() -> line(carriersFirst));
    RigidPose alone = withLittleRoom(() -> Evaluation.at(shot, 30).of("cam").world().pose(0));
    assertThat(alone.place().x).isCloseTo(end + 2, within(1e-9));
    SampleGrid grid = SampleGrid.over(shot.header().range(), 0);
    PoseTrack all = withLittleRoom(() -> Evaluation.of(shot, grid, null).of("cam").world());
    assertThat(all.pose(18).place().x).isCloseTo(end, within(1e-9));
    assertThat(all.pose(19).place().x).isCloseTo(end + 2, within(1e-9));
  }

  @ParameterizedTest
  @ValueSource(booleans = {true, false})
  void itJumpsWhereItsFirstCarrierJumps(boolean carriersFirst) throws Exception {
    Shot shot = line(carriersFirst);
    NavigableSet<Double> jumps = withLittleRoom(() -> Jumps.of(shot, shot.node("cam")));
    assertThat(jumps).containsExactly(20.0);
  }

  @ParameterizedTest
  @ValueSource(booleans = {true, false})
  void whatSmoothsIt_stopsAtTheJump(boolean carriersFirst) throws Exception {
    Shot shot = line(carriersFirst, Smooth.of("smooth-a", new SmoothWay.Gaussian(2)));
    PoseTrack track = withLittleRoom(() -> Evaluation.of(shot).of("cam").world());
    assertThat(track.pose(18).place().x).isCloseTo(0.25 * NULLS, within(1e-9));
    assertThat(track.pose(19).place().x).isCloseTo(0.25 * NULLS + 2, within(1e-9));
  }

  @ParameterizedTest
  @ValueSource(booleans = {true, false})
  void allOfItMoves(boolean carriersFirst) throws Exception {
    Shot shot = line(carriersFirst);
    assertThat(withLittleRoom(() -> ShotSize.of(shot)).samples()).isEqualTo(40L * Shot.MOST_NODES);
  }
}
