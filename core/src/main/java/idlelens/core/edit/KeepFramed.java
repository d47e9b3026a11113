package idlelens.core.edit;

import idlelens.core.curve.Curve;
import idlelens.core.lens.Framing;
import idlelens.core.motion.Subject;
import idlelens.core.part.FrameUp;
import idlelens.core.part.PartBody;
import idlelens.core.part.Path;
import idlelens.core.part.Target;
import idlelens.core.rule.RefusedException;
import idlelens.core.rule.Require;
import idlelens.core.scene.Node;
import idlelens.core.scene.Shot;
import idlelens.core.set.Bounds;
import idlelens.core.set.Mesher;
import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import org.joml.Vector3d;

/**
 * Puts a card into the chain of a camera that keeps a subject where it is to sit in the picture,
 * and at its size, on every frame.
 *
 * @param id the camera
 * @param newId id of the card
 * @param subjects the nodes it is framed on, with the pieces that they carry now
 * @param framing where the middle of the ball around them sits
 * @param size height of that ball in picture heights; none where it only turns
 * @param way what it does besides turning
 */
public record KeepFramed(
    String id,
    String newId,
    List<String> subjects,
    Framing framing,
    OptionalDouble size,
    FrameUp.Way way)
    implements Edit {
  private static final double PERCENT = 100;
  private static final double LEAST_RADIUS_M = 0.001;

  public KeepFramed {
    Require.present(newId, "newId");
    subjects = List.copyOf(subjects);
    Require.within(subjects.size(), 1, FrameUp.MOST_OTHERS, "subjects.count");
    Require.present(framing, "framing");
    Require.present(way, "way");
    size.ifPresent(s -> Require.within(s, 0.01, 3, "size"));
    FrameSubject.requireSize(size, way);
  }

  @Override
  public Shot apply(Shot shot) {
    shot.perspective(id);
    List<String> members = List.copyOf(new Subject(shot, subjects).nodes());
    if (members.size() > FrameUp.MOST_OTHERS) {
      throw new RefusedException(
          "subjects", members.size() + " pieces", "at most " + FrameUp.MOST_OTHERS + " of them");
    }
    members.forEach(member -> FrameSubject.requireApart(shot, id, member));
    Shot added = new AddPart(id, card(shot, members)).apply(shot);
    Node camera = added.node(id);
    return added.withNode(
        camera.withChain(
            camera
                .chain()
                .with(path(FrameUp.ACROSS.id()), Curve.still(framing.x() * PERCENT))
                .with(path(FrameUp.UP.id()), Curve.still(framing.y() * PERCENT))
                .with(
                    path(FrameUp.SIZE.id()),
                    Curve.still(
                        size.isPresent() ? size.getAsDouble() * PERCENT : FrameUp.SIZE.usual()))));
  }

  private Path path(String parameter) {
    return new Path(newId, parameter);
  }

  /** The first one with the ball around it, which is kept should the others be taken out again. */
  private FrameUp card(Shot shot, List<String> members) {
    List<Target> others = new ArrayList<>();
    for (String member : members.subList(1, members.size())) {
      others.add(Target.OfNode.origin(member));
    }
    Node first = shot.node(members.get(0));
    PartBody body = FrameUp.on(newId, Target.OfNode.origin(first.id())).body();
    if (!(first instanceof Node.Piece piece)) {
      if (way != FrameUp.Way.TURN) {
        throw new RefusedException(
            "size", "of what has none", "a piece, or something that carries one");
      }
      return new FrameUp(body, Target.OfNode.origin(first.id()), way, 1, others);
    }
    Bounds box = Mesher.bounds(piece.shape());
    Vector3d low = new Vector3d(box.minX(), box.minY(), box.minZ());
    Vector3d high = new Vector3d(box.maxX(), box.maxY(), box.maxZ());
    Vector3d middle = low.add(high, new Vector3d()).mul(0.5);
    Target target = new Target.OfNode(first.id(), middle.x, middle.y, middle.z);
    double radius = Math.max(LEAST_RADIUS_M, high.distance(middle));
    return new FrameUp(body, target, way, radius, others);
  }

  @Override
  public Footprint footprint(Shot shot) {
    Footprint.Builder places =
        Footprint.of(shot)
            .changes(Place.part(id, newId), Place.parts(id), Place.leans(id))
            .reliesOn(Place.there(id));
    for (String subject : subjects) {
      for (Node node : shot.family(subject)) {
        places.leansOn(node.id()).reliesOn(Place.look(node.id()));
        places.reliesOn(Place.carried(node.id()));
      }
    }
    return places.done();
  }

  @Override
  public String summary() {
    return "Keep framed up";
  }
}
