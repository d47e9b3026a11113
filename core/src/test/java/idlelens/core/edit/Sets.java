package idlelens.core.edit;

import idlelens.core.curve.Curve;
import idlelens.core.curve.Key;
import idlelens.core.curve.Tangent;
import idlelens.core.cut.Cut;
import idlelens.core.cut.Program;
import idlelens.core.geometry.RigidPose;
import idlelens.core.part.Aim;
import idlelens.core.part.Backplate;
import idlelens.core.part.Carriage;
import idlelens.core.part.Carried;
import idlelens.core.part.Chain;
import idlelens.core.part.Ease;
import idlelens.core.part.FocusMark;
import idlelens.core.part.FocusRule;
import idlelens.core.part.FrameUp;
import idlelens.core.part.HandOver;
import idlelens.core.part.Hit;
import idlelens.core.part.Hunt;
import idlelens.core.part.Lens;
import idlelens.core.part.Look;
import idlelens.core.part.Move;
import idlelens.core.part.Part;
import idlelens.core.part.Path;
import idlelens.core.part.Pin;
import idlelens.core.part.Pull;
import idlelens.core.part.Recorded;
import idlelens.core.part.Ride;
import idlelens.core.part.RunIn;
import idlelens.core.part.Shake;
import idlelens.core.part.ShakeWay;
import idlelens.core.part.Shine;
import idlelens.core.part.Smooth;
import idlelens.core.part.SmoothWay;
import idlelens.core.part.Target;
import idlelens.core.part.Visible;
import idlelens.core.part.Window;
import idlelens.core.rail.Anchor;
import idlelens.core.rail.Rail;
import idlelens.core.rail.ReadyRails;
import idlelens.core.scene.Marker;
import idlelens.core.scene.Node;
import idlelens.core.scene.NodeBody;
import idlelens.core.scene.PictureFrame;
import idlelens.core.scene.Shot;
import idlelens.core.scene.ShotHeader;
import idlelens.core.scene.TakesKeys;
import idlelens.core.set.Drift;
import idlelens.core.set.Finish;
import idlelens.core.set.Haze;
import idlelens.core.set.Lamp;
import idlelens.core.set.Pictures;
import idlelens.core.set.Repetition;
import idlelens.core.set.Shape;
import idlelens.core.set.Still;
import idlelens.core.shake.Recording;
import idlelens.core.shake.Ring;
import idlelens.core.take.Take;
import idlelens.core.time.FrameRange;
import idlelens.core.time.FrameRate;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.stream.Stream;

/** Small shots to try edits on. */
public final class Sets {
  private Sets() {}

  public static Curve keyed(double... framesAndValues) {
    List<Key> keys = new ArrayList<>();
    for (int i = 0; i < framesAndValues.length; i += 2) {
      keys.add(new Key(framesAndValues[i], framesAndValues[i + 1], Tangent.Kind.SETTLE));
    }
    return new Curve(0, keys);
  }

  static NodeBody body(String id, String carrier, Chain channels) {
    return carrier.isEmpty()
        ? new NodeBody(id, id, false, channels, TakesKeys.ALL)
        : new NodeBody(id, id, false, new Carriage(carrier, RigidPose.IDENTITY), channels);
  }

  /** A keyed camera on a keyed arm on a still base, another null, and a crate. */
  public static Shot rig() {
    Chain arm =
        Chain.pose()
            .restingAt(1, 2, 3, 20, 10, 5)
            .with(Path.PAN, keyed(1, 10, 50, 80))
            .with(Path.Y, keyed(1, 1, 30, 2));
    Chain camera =
        Chain.poseAndLens()
            .restingAt(0.5, 0, 2, -15, 4, 1)
            .with(Path.X, keyed(1, 0, 20, 2, 40, 1))
            .with(Path.TILT, keyed(1, 0, 40, -30));
    return new Shot(
        new ShotHeader(
            "Rig", FrameRate.of(24), new FrameRange(1, 50), 4, 16.0 / 9, 1, Tangent.Kind.SETTLE),
        List.of(
            new Node.Null(body("base", "", Chain.pose().restingAt(2, 0, -4, 35, 0, 0))),
            new Node.Null(body("arm", "base", arm)),
            new Node.Null(body("other", "", Chain.pose().restingAt(-3, 1, 2, -70, 12, 30))),
            new Node.Camera(
                body("cam", "arm", camera),
                Lens.PLAIN.withFocus(new FocusRule.Follow(Target.OfNode.origin("crate"), 0.1))),
            new Node.Piece(
                body("crate", "", Chain.pose().restingAt(1, 0, -9, 12, 0, 0)),
                new Shape.Box(1, 1, 1),
                Finish.matt("#a9834c")),
            new Node.Null(body("pointer", "other", pointing())),
            new Node.Camera(body("framer", "other", framing()), Lens.PLAIN),
            new Node.Camera(body("zoomer", "", zooming()), Lens.PLAIN),
            new Node.Camera(
                body("puller", "", with(plate(), Chain.poseAndLens())),
                Lens.PLAIN.withFocus(pulls())),
            new Node.Camera(body("shaker", "", shaking()), Lens.PLAIN),
            new Node.Null(body("settler", "", smoothing())),
            new Node.Null(body("walker", "", handedOver())),
            new Node.Rail(
                body("rail", "other", Chain.pose().with(Path.X, keyed(1, 0, 50, 3))), bend()),
            new Node.Null(body("rider", "rail", riding())),
            new Node.Null(body("mover", "", moving())),
            new Node.Rail(
                body("other-rail", "", Chain.pose().restingAt(1, 0, 6, 30, 0, 0)),
                ReadyRails.circle(2).withClosed(false)),
            new Node.Null(
                body("other-child", "other", Chain.pose().restingAt(0.5, 1, -1, 20, -10, 5))),
            new Node.Repeat(
                body("row", "", Chain.pose().restingAt(-5, 0, 3, 15, 0, 0)),
                new Repetition(-1, 4, 1, 0.5, 0, 30, 0, 0, 3, 2, 7)),
            new Node.Piece(
                body(
                    "flag",
                    "row",
                    with(Look.USUAL, Chain.pose().with(Path.ROLL, keyed(1, 0, 30, 40)))
                        .with(new Path("look", "size"), keyed(1, 1, 40, 2).withRest(1))),
                new Shape.Card(0.6, 0.4),
                Finish.matt("#c2452d")),
            new Node.Light(
                body("lamp", "", with(Shine.USUAL, Chain.pose())),
                new Lamp(Lamp.Kind.KEY, "#ffe0b0", 3, 9, true)),
            new Node.Mist(
                body("mist", "", with(Visible.ALWAYS, Chain.pose())),
                new Drift(40, 3, 8, 2, 6, 0.7, 0.5, 0, -0.1, "#dfe6ea", 0.3, false)),
            new Node.Hazy(body("haze", "", Chain.pose()), new Haze("#c9d4da", 60)),
            new Node.Sun(body("sun", "", Chain.pose()), "#ffd9a6", 1)),
        List.of(new Marker("bell", 12, "Bell", Marker.Kind.HIT, "crate")),
        new Program(List.of(new Cut(1, "cam"), new Cut(15, "framer"), new Cut(30, "zoomer", 6))),
        new PictureFrame(2048, 1, Set.of(PictureFrame.Guide.GRID), Optional.empty(), 5, 3));
  }

  private static Backplate plate() {
    Pictures pictures =
        new Pictures(
            List.of(new Still("0a".repeat(32), 64, 36, 2), new Still("0b".repeat(32), 64, 36, 1)),
            FrameRate.of(12),
            4,
            Pictures.After.CYCLE);
    return new Backplate(
        Backplate.EMPTY.body(),
        Optional.of(pictures),
        0.5,
        Backplate.Fit.WIDTH,
        Backplate.Lies.BEHIND);
  }

  private static FocusRule pulls() {
    FocusMark near = new FocusMark("near", "Near", Optional.empty(), 1.5);
    FocusMark crate =
        new FocusMark("crate", "Crate", Optional.of(Target.OfNode.origin("crate")), -0.2);
    Pull there = Pull.of("there", 10, 12, "crate");
    Hunt hunt = new Hunt(0.1, new Ring(3, 0.4));
    Pull back = new Pull("back", 30, 6, "near", Ease.thirds(6), hunt);
    return new FocusRule.Pulls(FocusRule.Along.RING, List.of(near, crate), List.of(there, back));
  }

  /**
   * On the arm, from a moment between two frames on the crate, then where it stands in the world.
   */
  private static Chain handedOver() {
    Carried carried =
        Carried.WORLD
            .withBy(Carriage.by("arm"))
            .with(new HandOver("to-crate", 20.5, "crate", Optional.empty()))
            .with(new HandOver("to-world", 35, "", Optional.of(RigidPose.IDENTITY)));
    return Chain.pose()
        .restingAt(0, 0.5, 1, 30, 0, 5)
        .with(Path.Z, keyed(5, 1, 45, 3))
        .with(carried);
  }

  /** Four anchors with heights, the third of them a corner. */
  private static Rail bend() {
    return new Rail(
        List.of(
            Anchor.smooth("a1", 0, 0, 0),
            Anchor.smooth("a2", 2, 0.5, -3),
            Anchor.corner("a3", 5, 1, -3),
            Anchor.smooth("a4", 7, 0.5, 1)),
        false);
  }

  /** Keyed, with an orbit about the crate and a pedestal at once, one of them weighted. */
  private static Chain moving() {
    Move orbit =
        Move.of("move-a", Move.Way.ORBIT, 70, 5, 30)
            .withTargets(List.of(Target.OfNode.origin("crate")));
    Move pedestal = Move.of("move-b", Move.Way.PEDESTAL, 2, 12, 44);
    List<Part> parts =
        new ArrayList<>(
            Chain.pose().restingAt(3, 1, 0, 40, -5, 0).with(Path.X, keyed(1, 3, 40, 5)).parts());
    parts.addAll(1, List.of(orbit, pedestal));
    return new Chain(parts).with(new Path("move-b", "weight"), keyed(1, 1, 50, 0.5));
  }

  /** At its own pace, pinned to the second anchor at frame 20, leaning, with keys on top. */
  private static Chain riding() {
    Ride ride =
        new Ride(
                Ride.on("ride-a", "rail").body(),
                "rail",
                Ride.Turn.LEVEL,
                new Ride.Banking(0.5, 20, 2),
                0.3,
                List.of(new Pin("pin-1", 20, "a2")))
            .withPace(keyed(1, 0, 20, 100, 50, 190));
    List<Part> parts = new ArrayList<>(Chain.pose().with(Path.PAN, keyed(1, 0, 40, 25)).parts());
    parts.add(1, ride);
    return new Chain(parts);
  }

  private static Chain with(Part part, Chain chain) {
    List<Part> parts = new ArrayList<>(chain.parts());
    parts.add(part);
    return new Chain(parts);
  }

  /**
   * Handheld, keyed in strength and speed, over some frames; a swell that closes; jolts, one struck
   * and others strewn.
   */
  private static Chain shaking() {
    Window window = new Window(OptionalDouble.of(8), OptionalDouble.of(42), 6, 4);
    Shake hand = Shake.of("shake-a", new ShakeWay.Handheld(3, 0.5), 7, 4);
    Shake swell =
        new Shake(
            Shake.of("shake-b", ShakeWay.Swell.USUAL, 1, 1).body(),
            new ShakeWay.Swell(ShakeWay.Swell.USUAL.phasesDeg(), 0.2, 0.5),
            1,
            true,
            1);
    Shake jolts =
        Shake.of(
            "shake-c",
            new ShakeWay.Jolt(
                0.3, List.of(new Hit("hit-1", 17.5)), Optional.of(new ShakeWay.Strewn(1.5, 0.4))),
            5,
            1);
    List<Part> parts = new ArrayList<>(Chain.poseAndLens().restingAt(1, 1, 5, 10, 3, 2).parts());
    parts.addAll(
        parts.size() - 1,
        List.of(hand.withBody(hand.body().withWindow(window)), swell, jolts, replayed()));
    return new Chain(parts)
        .with(new Path("shake-a", "weight"), keyed(1, 1, 50, 0.5).withRest(1))
        .with(new Path("shake-a", "x"), keyed(1, 2, 40, 5))
        .with(new Path("shake-a", "pan"), Curve.still(1.5))
        .with(new Path("shake-a", "panHz"), keyed(1, 0.8, 45, 2).withRest(1))
        .with(new Path("shake-a", "focal"), Curve.still(0.7))
        .with(new Path("shake-b", "y"), Curve.still(12))
        .with(new Path("shake-b", "roll"), Curve.still(4))
        .with(new Path("shake-b", "focus"), Curve.still(0.2))
        .with(new Path("shake-c", "tilt"), keyed(1, 1, 50, 3))
        .with(new Path("shake-c", "tiltHz"), Curve.still(6))
        .with(new Path("recorded-a", "speed"), keyed(1, 0.5, 50, 2).withRest(1));
  }

  private static Recorded replayed() {
    Recorded once = Recorded.of("recorded-a", "Rec", recording(), 3);
    return new Recorded(once.body(), "Rec", recording(), 3, true, 0.2);
  }

  /** A second of a swinging x and tilt, ten samples a second. */
  /** A take of forty samples that walks, looks around past the back, and zooms. */
  static Take take(double rateHz) {
    double[][] all = new double[Take.COLUMNS.size()][40];
    for (int i = 0; i < 40; i++) {
      double s = i / 40.0;
      double[] now = {
        2 * s,
        1.5 + 0.1 * Math.sin(9 * s),
        3 - s,
        160 + 60 * s,
        10 * Math.cos(5 * s),
        2 * s,
        35 + s,
        4 + s
      };
      for (int c = 0; c < now.length; c++) {
        all[c][i] = now[c];
      }
    }
    return new Take(rateHz, Stream.of(all).map(Optional::of).toList());
  }

  static Recording recording() {
    List<Optional<double[]>> channels =
        new ArrayList<>(Collections.nCopies(Recording.CHANNELS, Optional.empty()));
    channels.set(0, Optional.of(new double[] {0, 1, 2, 1, 0, -1, -2, -1, 0, 1, 0}));
    channels.set(4, Optional.of(new double[] {0, 0.5, 0, -0.5, 0, 0.4, 0, -0.3, 0, 0.2, 0}));
    return new Recording(10, channels);
  }

  /** Keyed with a cut at frame 30, smoothed without lag, then by a spring within a limit. */
  private static Chain smoothing() {
    Smooth bell = Smooth.of("smooth-a", new SmoothWay.Gaussian(3));
    Window window = new Window(OptionalDouble.of(6), OptionalDouble.of(44), 5, 0);
    Smooth spring =
        new Smooth(
            Smooth.of("smooth-b", new SmoothWay.Spring(0.7, 2)).body().withWindow(window),
            new SmoothWay.Spring(0.7, 2),
            new Smooth.Of(true, false, false),
            new Smooth.Within(OptionalDouble.of(8), OptionalDouble.empty()));
    Curve cut =
        new Curve(
            0,
            List.of(
                new Key(1, 0, Tangent.Kind.SETTLE),
                new Key(20, 1.5, Tangent.Kind.HOLD),
                new Key(30, 4, Tangent.Kind.SETTLE),
                new Key(48, 3, Tangent.Kind.SETTLE)));
    List<Part> parts =
        new ArrayList<>(Chain.pose().restingAt(0, 1, 0, 15, 0, 0).with(Path.X, cut).parts());
    parts.addAll(List.of(bell, spring, RunIn.USUAL));
    return new Chain(parts).with(new Path("smooth-a", "weight"), keyed(1, 0.5, 40, 1).withRest(1));
  }

  /** Keeps the crate and the flag together in the picture, by zooming, half way at the end. */
  private static Chain zooming() {
    FrameUp both =
        new FrameUp(
            FrameUp.on("frame-z", Target.OfNode.origin("crate")).body(),
            Target.OfNode.origin("crate"),
            FrameUp.Way.ZOOM,
            1,
            List.of(Target.OfNode.origin("flag")));
    List<Part> parts = new ArrayList<>(Chain.poseAndLens().restingAt(6, 3, 30, 5, -4, 0).parts());
    parts.add(parts.size() - 1, both);
    return new Chain(parts)
        .with(new Path("frame-z", "weight"), keyed(1, 1, 50, 0.5).withRest(1))
        .with(new Path("frame-z", "size"), Curve.still(60));
  }

  /** Keeps the crate at a third of the picture and at its size, over some frames. */
  private static Chain framing() {
    FrameUp third =
        new FrameUp(
            FrameUp.on("frame-a", Target.OfNode.origin("crate")).body(),
            new Target.OfNode("crate", 0, 0.5, 0),
            FrameUp.Way.DOLLY,
            0.87);
    Window window = new Window(OptionalDouble.of(10), OptionalDouble.of(40), 5, 5);
    List<Part> parts =
        new ArrayList<>(
            Chain.poseAndLens()
                .restingAt(2, 1, 8, 20, 5, 4)
                .with(Path.FOCAL, keyed(1, 35, 50, 70).withRest(35))
                .parts());
    parts.add(parts.size() - 1, third.withBody(third.body().withWindow(window)));
    return new Chain(parts)
        .with(new Path("frame-a", "across"), keyed(1, -17, 50, 17))
        .with(new Path("frame-a", "size"), keyed(1, 20, 50, 40).withRest(20));
  }

  /** Looks at the crate over some frames, then with its top from there to a place in the world. */
  private static Chain pointing() {
    Aim crate = Aim.at("aim-a", new Target.OfNode("crate", 0, 0.5, 0));
    Aim place =
        new Aim(
            Aim.at("aim-b", Target.OfNode.origin("crate")).body(),
            Aim.Side.TOP,
            Aim.Roll.LEVELLED,
            Target.OfNode.origin("crate"),
            Optional.of(new Target.Place(4, 2, 1)));
    Window window = new Window(OptionalDouble.of(5), OptionalDouble.of(30), 4, 0);
    List<Part> parts = new ArrayList<>(Chain.pose().restingAt(0, 3, 0, 0, 0, 0).parts());
    parts.add(crate.withBody(crate.body().withWindow(window)));
    parts.add(place);
    return new Chain(parts)
        .with(new Path("aim-a", "weight"), keyed(1, 0.25, 25, 1))
        .with(new Path("aim-b", "blend"), keyed(10, 0, 40, 1));
  }
}
