package idlelens.exchange;

import idlelens.core.curve.Beyond;
import idlelens.core.curve.Curve;
import idlelens.core.curve.Key;
import idlelens.core.curve.Tangent;
import idlelens.core.cut.Cut;
import idlelens.core.cut.Program;
import idlelens.core.geometry.RigidPose;
import idlelens.core.lens.FilmBack;
import idlelens.core.lens.Gate;
import idlelens.core.lens.Iris;
import idlelens.core.lens.LensBody;
import idlelens.core.lens.Projection;
import idlelens.core.lens.ShutterOpens;
import idlelens.core.part.Aim;
import idlelens.core.part.Carriage;
import idlelens.core.part.Chain;
import idlelens.core.part.FocusRule;
import idlelens.core.part.Lens;
import idlelens.core.part.Parameter;
import idlelens.core.part.Part;
import idlelens.core.part.Path;
import idlelens.core.part.Target;
import idlelens.core.part.Window;
import idlelens.core.scene.Marker;
import idlelens.core.scene.Node;
import idlelens.core.scene.NodeBody;
import idlelens.core.scene.PictureFrame;
import idlelens.core.scene.Shot;
import idlelens.core.scene.ShotHeader;
import idlelens.core.scene.TakesKeys;
import idlelens.core.set.Bounds;
import idlelens.core.set.Finish;
import idlelens.core.set.Shape;
import idlelens.core.time.FrameRange;
import idlelens.core.time.FrameRate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;

/** A shot with everything in it that a document can hold. */
public final class Rigs {
  /** SHA-256 of nothing in particular, for an imported piece. */
  public static final String ASSET = "ab".repeat(32);

  private Rigs() {}

  private static Curve keyed(Tangent tangent, double... framesAndValues) {
    List<Key> keys = new ArrayList<>();
    for (int i = 0; i < framesAndValues.length; i += 2) {
      keys.add(new Key(framesAndValues[i], framesAndValues[i + 1], tangent));
    }
    return new Curve(framesAndValues[1], keys);
  }

  private static NodeBody body(String id, Carriage carriage, Chain channels) {
    return new NodeBody(id, "The " + id, id.equals("hidden"), carriage, channels);
  }

  private static Chain moving() {
    return Chain.pose().with(moved());
  }

  private static Map<Path, Curve> moved() {
    Tangent free =
        new Tangent.Free(new Tangent.Handle(3.25, -0.5), new Tangent.Handle(4, 0.125), true, true);
    Tangent reached = new Tangent.Reached(new Tangent.Handle(2, 1), Tangent.Kind.HOLD);
    return Map.of(
        Path.X, keyed(Tangent.Kind.SETTLE, 1001, 0.1, 1020, 3.5, 1040, 2),
        Path.Y, keyed(free, 1001, 1, 1033.5, 1.5),
        Path.Z, keyed(reached, 1001, 0, 1030, -4),
        Path.PAN, keyed(Tangent.Kind.STRAIGHT, 1001, 0, 1048, 730),
        Path.TILT, keyed(Tangent.Kind.FLOW, 1001, -10, 1010, 20, 1048, -30),
        Path.ROLL,
            keyed(Tangent.Kind.SETTLE, 1001, 0, 1012, 8)
                .withBeyond(Beyond.RUN_ON, Beyond.CYCLE_AND_CARRY));
  }

  /** A camera on a head on a dolly, all of which move as an artist would move them. */
  public static Shot calm() {
    Chain dolly =
        Chain.pose()
            .with(
                Map.of(
                    Path.X, keyed(Tangent.Kind.SETTLE, 1001, 0, 1048, 2.5),
                    Path.Z, keyed(Tangent.Kind.FLOW, 1001, 6, 1020, 5.5, 1048, 3),
                    Path.PAN, keyed(Tangent.Kind.SETTLE, 1001, -10, 1048, 25)));
    Chain head =
        Chain.pose()
            .with(
                Map.of(
                    Path.TILT, keyed(Tangent.Kind.SETTLE, 1001, -8, 1030, 6, 1048, 2),
                    Path.PAN, keyed(Tangent.Kind.STRAIGHT, 1001, 0, 1048, 170)));
    Chain camera =
        Chain.poseAndLens()
            .with(Path.ROLL, keyed(Tangent.Kind.SETTLE, 1001, 0, 1048, 4))
            .with(Path.FOCAL, keyed(Tangent.Kind.SETTLE, 1001, 24, 1048, 70));
    RigidPose up = RigidPose.of(0, 1.4, 0.2, 0, 0, 0);
    return new Shot(
        new ShotHeader(
            "Calm",
            FrameRate.of(24),
            new FrameRange(1001, 1048),
            0,
            16.0 / 9,
            1,
            Tangent.Kind.SETTLE),
        List.of(
            new Node.Null(body("dolly", Carriage.WORLD, dolly)),
            new Node.Null(body("head", new Carriage("dolly", up), head)),
            new Node.Camera(body("cam", Carriage.by("head"), camera), Lens.PLAIN)));
  }

  /** A camera at the end of nulls that each carry the next, a hand's breadth on. */
  public static Shot line(int nulls) {
    RigidPose on = RigidPose.of(0.0625, 0, 0, 0, 0, 0);
    List<Node> nodes = new ArrayList<>();
    String before = null;
    for (int i = 0; i < nulls; i++) {
      Carriage carriage = before == null ? Carriage.WORLD : new Carriage(before, on);
      before = "null-" + i;
      nodes.add(new Node.Null(body(before, carriage, Chain.pose())));
    }
    Chain camera =
        Chain.poseAndLens().with(Path.X, keyed(Tangent.Kind.STRAIGHT, 1001, 0, 1048, 0.25));
    nodes.add(new Node.Camera(body("cam", new Carriage(before, on), camera), Lens.PLAIN));
    return new Shot(calm().header(), nodes);
  }

  /** With some parameters of its lens keyed, each within its range. */
  public static Node setTo(Node camera, List<Parameter> parameters) {
    Node set = camera;
    for (Parameter parameter : parameters) {
      double to = parameter.usual() + 0.01 * (parameter.most() - parameter.usual());
      Curve curve = keyed(Tangent.Kind.STRAIGHT, 1005, parameter.usual(), 1040, to);
      set = set.withChain(set.chain().with(new Path("lens", parameter.id()), curve));
    }
    return set;
  }

  public static Shot everything() {
    RigidPose offset = RigidPose.of(0.5, -1, 2, 0.4, 0.1, -0.2);
    Lens lens =
        new Lens(
            Lens.PLAIN.body(),
            new LensBody(
                new FilmBack(36, 24),
                Gate.Fit.HEIGHT,
                0.3,
                OptionalDouble.of(0.025),
                new Iris(7, 0.4),
                ShutterOpens.FORWARD,
                Projection.PERSPECTIVE),
            new FocusRule.Follow(Target.OfNode.origin("crate"), -0.2));
    Chain camera =
        Chain.poseAndLens()
            .with(moved())
            .with(Path.FOCAL, keyed(Tangent.Kind.SETTLE, 1001, 24, 1048, 70))
            .with(Path.F_STOP, Curve.still(4))
            .with(Path.SQUEEZE, keyed(Tangent.Kind.FLOW, 1001, 1.33, 1048, 2))
            .with(Path.parse("shutter"), Curve.still(144));
    return new Shot(
        new ShotHeader(
            "Everything",
            new FrameRate(24000, 1001),
            new FrameRange(1001, 1048),
            6,
            2.39,
            1,
            Tangent.Kind.STRAIGHT),
        List.of(
            new Node.Null(
                body("dolly", Carriage.WORLD, moving())
                    .withTakesKeys(new TakesKeys(Set.of(Path.ROLL), Set.of(Path.Y)))),
            new Node.Null(body("head", new Carriage("dolly", offset), moving())),
            new Node.Camera(body("cam", new Carriage("head", offset), camera), lens),
            new Node.Camera(body("still-cam", Carriage.WORLD, Chain.poseAndLens()), Lens.PLAIN),
            piece("crate", new Shape.Box(1, 0.8, 0.6)),
            piece("drum", new Shape.Cylinder(0.4, 0.3, 1)),
            piece("ball", new Shape.Sphere(0.4)),
            piece("floor", new Shape.Plane(9, 8)),
            piece("keeper", new Shape.Person(1.72)),
            piece("stair", new Shape.Stair(3, 0.2, 0.25, 4, true)),
            piece("arch", new Shape.Arch(3, 3, 0.5, 1.6)),
            piece("hidden", new Shape.Card(1, 2)),
            piece("deck", new Shape.Decking(4, 10, 0.8, 0.05)),
            piece("roof", new Shape.Roof(4, 1, 5)),
            new Node.Null(body("parked", Carriage.by("dolly"), parked())),
            piece("hull", new Shape.Hull(4, 2, 12)),
            new Node.Sun(
                body("sun", Carriage.WORLD, Chain.pose().restingAt(0, 9, 0, 30, -20, 0)),
                "#ffd9a6",
                1.25)),
        List.of(
            new Marker("door", 1010, "Door opens", Marker.Kind.HIT, ""),
            new Marker("note", 1020.5, "Look here", Marker.Kind.NOTE, "cam")),
        new Program(List.of(new Cut(1001, "cam"), new Cut(1020, "still-cam", 7))),
        PictureFrame.USUAL);
  }

  /** Off in two parts, and aiming in all ways there are. */
  private static Chain parked() {
    List<Part> parts = new ArrayList<>();
    for (Part part : moving().parts()) {
      parts.add(part.withBody(part.body().withOn(false)));
    }
    Aim aim = Aim.at("aim-3c", new Target.OfNode("keeper", 0, 1.6, 0));
    Window window = new Window(OptionalDouble.of(1010), OptionalDouble.empty(), 6, 0);
    parts.add(aim.withBody(aim.body().withWindow(window)));
    parts.add(
        new Aim(
            Aim.at("aim-4", Target.OfNode.origin("cam")).body().withOn(false),
            Aim.Side.TOP,
            Aim.Roll.LEVELLED,
            new Target.Place(1, 2.5, -3),
            Optional.of(Target.OfNode.origin("crate"))));
    return new Chain(parts)
        .with(new Path("aim-3c", "weight"), keyed(Tangent.Kind.FLOW, 1001, 0, 1020, 1))
        .with(new Path("aim-4", "blend"), Curve.still(0.25));
  }

  private static Node piece(String id, Shape shape) {
    Chain at = Chain.pose().restingAt(id.length(), 0, -8, 10, 0, 0);
    return new Node.Piece(
        body(id, Carriage.WORLD, at), shape, new Finish("#a9675a", Finish.Kind.MATT));
  }

  public static Node imported() {
    return piece("imported", new Shape.Imported(ASSET, new Bounds(-1, 0, -1, 1, 2, 1), 12));
  }
}
