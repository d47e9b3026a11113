package idlelens.core.check;

import idlelens.core.clearance.Obstacle;
import idlelens.core.clearance.TriangleTree;
import idlelens.core.geometry.RigidPose;
import idlelens.core.motion.Copies;
import idlelens.core.motion.Evaluation;
import idlelens.core.rule.RefusedException;
import idlelens.core.scene.Node;
import idlelens.core.set.Mesh;
import idlelens.core.set.Repetition;
import idlelens.core.set.Shape;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Function;
import java.util.function.IntFunction;
import java.util.function.IntPredicate;
import java.util.function.IntToDoubleFunction;

/** The pieces that can be seen, and their copies, as obstacles; equal shapes share their tree. */
public final class SetObstacles {
  /** More than this, shapes that are equal counted once, takes more room than there is. */
  private static final long MOST_TRIANGLES = 4_000_000;

  private final Evaluation motion;
  private final Function<Shape, Mesh> meshes;
  private final Map<Shape, TriangleTree> trees = new HashMap<>();
  private final Copies copies;
  private final Set<String> hidden;
  private long triangles;

  /**
   * @param motion one sample a frame
   * @param meshes gives the triangles of a shape
   */
  public SetObstacles(Evaluation motion, Function<Shape, Mesh> meshes) {
    this.motion = motion;
    this.meshes = meshes;
    this.copies = new Copies(motion);
    this.hidden = motion.shot().hiddenInPictures();
  }

  /** Whether a node, or what carries it, is hidden in the picture. */
  public boolean isHidden(String id) {
    return hidden.contains(id);
  }

  /** All of them but some pieces, with their copies. */
  public List<Obstacle> allBut(Set<String> ids) {
    List<Obstacle> all = new ArrayList<>();
    for (Node node : motion.shot().nodes()) {
      if (node instanceof Node.Piece piece
          && !hidden.contains(node.id())
          && !ids.contains(node.id())) {
        add(all, piece);
      }
    }
    return all;
  }

  /** How many triangles there are, shapes that are equal counted once. */
  public long triangles() {
    return triangles;
  }

  private TriangleTree tree(Shape shape) {
    Mesh mesh = meshes.apply(shape);
    triangles += mesh.triangles();
    if (triangles > MOST_TRIANGLES) {
      throw new RefusedException(
          "clearance",
          "among " + triangles + " triangles",
          "at most 4,000,000; hide large pieces in the picture, and they are left out");
    }
    return new TriangleTree(mesh);
  }

  private void add(List<Obstacle> all, Node.Piece piece) {
    TriangleTree tree = trees.computeIfAbsent(piece.shape(), this::tree);
    Node.Repeat repeat = motion.shot().repeatOf(piece.id()).orElse(null);
    if (repeat == null) {
      boolean still = motion.isStill(piece.id());
      all.add(
          new Obstacle(
              piece.id(),
              tree,
              tree.radius(),
              posed(still, i -> motion.pose(piece.id(), i)),
              sizes(piece.id()),
              shown(piece.id())));
      return;
    }
    Repetition times = repeat.repetition();
    boolean still = motion.isStill(repeat.id()) && copies.own(piece, repeat).isStill();
    for (int k = times.first(); k <= times.last(); k++) {
      int copy = k;
      all.add(
          new Obstacle(
              piece.id(),
              tree,
              tree.radius(),
              posed(still, i -> copies.pose(piece, repeat, copy, i)),
              sizes(piece.id()),
              shown(piece.id())));
    }
  }

  private IntPredicate shown(String id) {
    return motion.isAlwaysShown(id) ? i -> true : i -> motion.isShown(id, i);
  }

  private IntToDoubleFunction sizes(String id) {
    double first = motion.size(id, 0);
    return motion.isOneSize(id) ? i -> first : i -> motion.size(id, i);
  }

  /** What stands still is asked once. */
  private static IntFunction<RigidPose> posed(boolean still, IntFunction<RigidPose> poses) {
    if (!still) {
      return poses;
    }
    RigidPose pose = poses.apply(0);
    return i -> pose;
  }
}
