package idlelens.web.shot;

import idlelens.core.part.Carriage;
import idlelens.core.part.Chain;
import idlelens.core.part.Lens;
import idlelens.core.scene.Node;
import idlelens.core.scene.NodeBody;
import idlelens.core.scene.Shot;
import idlelens.core.scene.ShotHeader;
import idlelens.core.set.Finish;
import idlelens.core.set.Shape;
import java.util.List;

/**
 * What stands in a shot that has just been made: a camera, a keeper to judge sizes by, a ground.
 */
final class NewShot {
  private NewShot() {}

  static Shot with(ShotHeader header) {
    return new Shot(
        header,
        List.of(
            new Node.Camera(
                body("a-cam", "A-cam", Chain.poseAndLens().restingAt(0, 1.55, 6, 0, -2, 0)),
                Lens.PLAIN),
            new Node.Piece(
                body("keeper", "Keeper", Chain.pose()),
                new Shape.Person(Shape.Person.USUAL_HEIGHT),
                Finish.matt("#3b6b80")),
            new Node.Piece(
                body("ground", "Ground", Chain.pose()),
                new Shape.Plane(60, 60),
                Finish.matt("#b9ab93")),
            new Node.Sun(
                body("sun", "Low sun", Chain.pose().restingAt(8, 10, -4, 55, -28, 0)),
                "#ffdcae",
                1)));
  }

  private static NodeBody body(String id, String name, Chain channels) {
    return new NodeBody(id, name, false, Carriage.WORLD, channels);
  }
}
