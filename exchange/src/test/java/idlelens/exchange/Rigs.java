package idlelens.exchange;

import idlelens.core.curve.Beyond;
import idlelens.core.curve.Curve;
import idlelens.core.curve.Key;
import idlelens.core.curve.Tangent;
import idlelens.core.geometry.RigidPose;
import idlelens.core.lens.FilmBack;
import idlelens.core.lens.FocusRule;
import idlelens.core.lens.Gate;
import idlelens.core.lens.LensBody;
import idlelens.core.scene.Carriage;
import idlelens.core.scene.ChainPart;
import idlelens.core.scene.Channel;
import idlelens.core.scene.Channels;
import idlelens.core.scene.KeyFilter;
import idlelens.core.scene.Marker;
import idlelens.core.scene.Node;
import idlelens.core.scene.NodeBody;
import idlelens.core.scene.Shot;
import idlelens.core.scene.ShotHeader;
import idlelens.core.set.Bounds;
import idlelens.core.set.Finish;
import idlelens.core.set.Shape;
import idlelens.core.time.FrameRange;
import idlelens.core.time.FrameRate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
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

  private static NodeBody body(String id, Carriage carriage, Channels channels) {
    return new NodeBody(id, "The " + id, id.equals("hidden"), carriage, channels);
  }

  private static Channels moving() {
    Tangent free =
        new Tangent.Free(new Tangent.Handle(3.25, -0.5), new Tangent.Handle(4, 0.125), true, true);
    Tangent reached = new Tangent.Reached(new Tangent.Handle(2, 1), Tangent.Kind.HOLD);
    return Channels.pose()
        .with(
            Map.of(
                Channel.X, keyed(Tangent.Kind.SETTLE, 1001, 0.1, 1020, 3.5, 1040, 2),
                Channel.Y, keyed(free, 1001, 1, 1033.5, 1.5),
                Channel.Z, keyed(reached, 1001, 0, 1030, -4),
                Channel.PAN, keyed(Tangent.Kind.STRAIGHT, 1001, 0, 1048, 730),
                Channel.TILT, keyed(Tangent.Kind.FLOW, 1001, -10, 1010, 20, 1048, -30),
                Channel.ROLL,
                    keyed(Tangent.Kind.SETTLE, 1001, 0, 1012, 8)
                        .withBeyond(Beyond.RUN_ON, Beyond.CYCLE_AND_CARRY)));
  }

  public static Shot everything() {
    RigidPose offset = RigidPose.of(0.5, -1, 2, 0.4, 0.1, -0.2);
    LensBody lens =
        new LensBody(
            new FilmBack(36, 24),
            Gate.Fit.HEIGHT,
            1.33,
            0.3,
            OptionalDouble.of(0.025),
            new FocusRule.Follow("crate", -0.2));
    Channels camera =
        Channels.poseAndLens()
            .with(moving().curves())
            .with(Channel.FOCAL, keyed(Tangent.Kind.SETTLE, 1001, 24, 1048, 70))
            .with(Channel.F_STOP, Curve.still(4));
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
                    .withFilter(new KeyFilter(Set.of(Channel.ROLL), Set.of(Channel.Y)))),
            new Node.Null(body("head", new Carriage("dolly", offset), moving())),
            new Node.Camera(body("cam", new Carriage("head", offset), camera), lens),
            new Node.Camera(
                body("still-cam", Carriage.WORLD, Channels.poseAndLens()), LensBody.PLAIN),
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
            new Node.Null(
                body("parked", Carriage.by("dolly"), moving())
                    .withOff(Set.of(ChainPart.KEYS, ChainPart.CARRIED))),
            piece("hull", new Shape.Hull(4, 2, 12)),
            new Node.Sun(
                body("sun", Carriage.WORLD, Channels.pose().restingAt(0, 9, 0, 30, -20, 0)),
                "#ffd9a6",
                1.25)),
        List.of(
            new Marker("door", 1010, "Door opens", Marker.Kind.HIT, ""),
            new Marker("note", 1020.5, "Look here", Marker.Kind.NOTE, "cam")));
  }

  private static Node piece(String id, Shape shape) {
    Channels at = Channels.pose().restingAt(id.length(), 0, -8, 10, 0, 0);
    return new Node.Piece(
        body(id, Carriage.WORLD, at), shape, new Finish("#a9675a", Finish.Kind.MATT));
  }

  public static Node imported() {
    return piece("imported", new Shape.Imported(ASSET, new Bounds(-1, 0, -1, 1, 2, 1), 12));
  }
}
