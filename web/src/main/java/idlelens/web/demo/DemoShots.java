package idlelens.web.demo;

import idlelens.core.curve.Beyond;
import idlelens.core.curve.Curve;
import idlelens.core.curve.Key;
import idlelens.core.curve.Tangent;
import idlelens.core.cut.Cut;
import idlelens.core.cut.Program;
import idlelens.core.edit.AddRail;
import idlelens.core.edit.Keying;
import idlelens.core.edit.PinRide;
import idlelens.core.edit.RailSource;
import idlelens.core.edit.RideRail;
import idlelens.core.edit.SetPart;
import idlelens.core.edit.SetValues;
import idlelens.core.geometry.RigidPose;
import idlelens.core.motion.Evaluation;
import idlelens.core.part.Lens;
import idlelens.core.part.Path;
import idlelens.core.part.Ride;
import idlelens.core.scene.Node;
import idlelens.core.scene.Shot;
import idlelens.core.scene.ShotHeader;
import idlelens.core.set.Drift;
import idlelens.core.set.Haze;
import idlelens.core.time.FrameRange;
import idlelens.core.time.FrameRate;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.joml.Vector3d;

/** The shots that show what the product does. */
final class DemoShots {
  private static final double WIDE = 16.0 / 9;
  private static final String LOFT_RIDE = "ride-loft";
  private static final double LOFT_DOOR_OPENS = 1036;
  private static final double LOFT_DOOR_IS_OPEN = 1064;
  static final double LOFT_DOORWAY = 1072;

  private DemoShots() {}

  static List<Shot> all() {
    return List.of(
        quayWalk(),
        lampRoom(),
        netLoft(),
        stairLoop(),
        twoCameras(),
        DeckSwell.shot(),
        HandedOver.shot(),
        FocusPulled.shot());
  }

  /**
   * A walk along the boardwalk: head on shoulder on dolly, focus from the lantern to the keeper.
   * Two things are wrong with it, for the artist to find and mend: the turn of the head creeps in
   * from the first frame, and the dolly swings past its last key.
   */
  static Shot quayWalk() {
    SetBuilder set = new SetBuilder();
    set.carrier(
        "Dolly",
        "",
        poses( // rolls past its last mark, and back
            Tangent.Kind.FLOW,
            new double[] {1001, 0.75, 0, 9.2, 0, 0, 0},
            new double[] {1073, 0.35, 0, 3.9, 0, 0, 0},
            new double[] {1144, -0.25, 0, 3.7, 0, 0, 0}));
    set.carrier(
        "Shoulder",
        "dolly",
        poses(
            Tangent.Kind.FLOW,
            new double[] {1001, 0, 1.56, 0, 0, 0, 0},
            new double[] {1037, 0.03, 1.52, 0, 0, 0, 0.4},
            new double[] {1073, -0.03, 1.58, 0, 0, 0, -0.4},
            new double[] {1109, 0.03, 1.53, 0, 0, 0, 0.3},
            new double[] {1144, 0, 1.56, 0, 0, 0, 0}));
    Map<Path, Curve> head =
        poses(
            Tangent.Kind.SETTLE,
            new double[] {1001, 0, 0, 0, 9, 1.5, 0},
            new double[] {1049, 0, 0, 0, 9, 2, 0},
            new double[] {1085, 0, 0, 0, -7, 0.5, 0},
            new double[] {1144, 0, 0, 0, -9.5, 0, 0});
    head.put(Path.PAN, head.get(Path.PAN).withoutKeys(1049)); // so that the turn creeps in
    set.carrier("Head", "shoulder", head);
    Map<Path, Curve> camera =
        poses(
            Tangent.Kind.SETTLE,
            new double[] {1001, 0, 0.08, -0.1, 0, 0, 0},
            new double[] {1040, 0.05, 0.08, -0.1, 1.2, -0.3, 0},
            new double[] {1063, 0.02, 0.1, -0.1, 0.2, 0.2, 0},
            new double[] {1097, 0, 0.12, -0.14, -1.4, -0.6, 0},
            new double[] {1144, 0, 0.1, -0.18, 0, 0, 0});
    camera.put(Path.FOCAL, Curve.still(32));
    camera.put(Path.F_STOP, Curve.still(2));
    set.camera("A-cam", "head", camera, Lens.PLAIN);
    TernQuay.build(set);
    Shot shot = shot("Quay walk", 1001, 1144, carryFerry(set.nodes()));
    return pullFocus(
        shot,
        "a-cam",
        List.of("lantern", "lantern", "lantern", "keeper", "keeper", "keeper"),
        new double[] {1001, 1025, 1049, 1079, 1110, 1144});
  }

  /** Once around the lit lamp in five seconds, without a seam. */
  static Shot lampRoom() {
    SetBuilder set = new SetBuilder();
    TernQuay.build(set);
    Map<Path, Curve> turning = still(0, 10.3, -30, 0, 0, 0);
    turning.put(Path.PAN, running(0, 360, 120));
    set.carrier("Turntable", "", turning);
    Map<Path, Curve> camera = still(0, 1.1, 9.5, 0, -6.5, 0);
    camera.put(Path.FOCAL, Curve.still(28));
    camera.put(Path.F_STOP, Curve.still(2.8));
    set.camera("Lamp cam", "turntable", camera, Lens.PLAIN.following("lamp"));
    set.mist(
        "Sea mist",
        SetBuilder.At.world(0, 2.5, -30),
        new Drift(260, 7, 60, 6, 60, 3.4, 1.5, 0, 0.5, "#e9eef0", 0.12, true));
    set.haze("Evening haze", new Haze("#e8d9c0", 170));
    return shot("Lamp room", 1001, 1120, set.nodes());
  }

  /**
   * Along a rail from the boardwalk through the roller door of the net loft: the camera is in the
   * doorway at the frame of a timing pin, when the door is open.
   */
  static Shot netLoft() {
    SetBuilder set = new SetBuilder();
    TernQuay.build(set);
    Map<Path, Curve> camera = still(0, 0, 0, 0, 0, 0);
    camera.put(Path.FOCAL, Curve.still(24));
    camera.put(Path.F_STOP, Curve.still(2.8));
    set.camera("Loft cam", "", camera, Lens.PLAIN.following("lamp-oil"));
    TernQuay.openLoft(set, LOFT_DOOR_OPENS, LOFT_DOOR_IS_OPEN);
    Shot shot = shot("Net loft", 1001, 1120, TernQuay.withoutClosedLoft(set.nodes()));
    List<Double> anchors =
        List.of(
            0.3, 0.0, -1.0, 0.0, 0.0, -5.5, -1.6, 0.0, -8.9, -4.6, 0.0, -9.7, -7.0, 0.0, -10.0,
            -8.9, 0.0, -11.6);
    shot =
        new AddRail("loft-rail", "Loft rail", 0, 0, 0, 0, new RailSource.Placed(anchors, false))
            .apply(shot);
    shot = new RideRail("loft-cam", "loft-rail", 1001, 1120, LOFT_RIDE).apply(shot);
    shot =
        new SetValues("loft-cam", 1001, Map.of(new Path(LOFT_RIDE, "height"), 1.5), Keying.STILL)
            .apply(shot);
    Ride ride = shot.node("loft-cam").chain().ride("loft-rail").orElseThrow();
    Ride looking =
        new Ride(ride.body(), "loft-rail", Ride.Turn.LEVEL, Ride.Banking.NONE, 1.5, ride.pins());
    shot = new SetPart("loft-cam", looking).apply(shot);
    return new PinRide("loft-cam", "loft-rail", LOFT_DOORWAY, Optional.of("a4"), "pin").apply(shot);
  }

  /**
   * Up the stair in the lamp house, for ever: in four seconds a sixth of a turn and one flight, by
   * which the stair repeats itself. The light rides along.
   */
  static Shot stairLoop() {
    SetBuilder set = new SetBuilder();
    Map<Path, Curve> rising = still(0, 0, 0, 0, 0, 0);
    rising.put(Path.PAN, running(0, StairWell.TURN, 96));
    rising.put(Path.Y, running(0, StairWell.RISE_M, 96));
    set.carrier("Climb", "", rising);
    Map<Path, Curve> camera = still(0, 1.75, 2.05, -72, 4, 0);
    camera.put(Path.FOCAL, Curve.still(21));
    camera.put(Path.F_STOP, Curve.still(4));
    camera.put(Path.FOCUS, Curve.still(2.6));
    set.camera("Stair cam", "climb", camera, Lens.PLAIN);
    StairWell.build(set, "climb");
    return shot("Stair loop", 1001, 1096, set.nodes());
  }

  /** At an even pace from 1001 on, so much in so many frames, and on like that for ever. */
  private static Curve running(double from, double by, int frames) {
    return new Curve(
        from,
        List.of(
            new Key(1001, from, Tangent.Kind.STRAIGHT),
            new Key(1001 + frames, from + by, Tangent.Kind.STRAIGHT)),
        Beyond.CYCLE_AND_CARRY,
        Beyond.CYCLE_AND_CARRY);
  }

  /**
   * A wide and a long lens on the arriving ferry, which a gull follows; five cuts between them, one
   * of them a dissolve.
   */
  static Shot twoCameras() {
    SetBuilder set = new SetBuilder();
    TernQuay.build(set);
    Map<Path, Curve> wide =
        poses(
            Tangent.Kind.SETTLE,
            new double[] {1001, 1.9, 2.2, 8.6, -12, 0, 0},
            new double[] {1096, 1.2, 1.9, 7.2, -8, 0.5, 0});
    wide.put(Path.FOCAL, Curve.still(24));
    wide.put(Path.F_STOP, Curve.still(5.6));
    wide.put(Path.FOCUS, Curve.still(12));
    set.camera("A-cam", "", wide, Lens.PLAIN);
    Map<Path, Curve> closer =
        poses(
            Tangent.Kind.SETTLE,
            new double[] {1001, -1.5, 2.6, 2, -27.2, 1, 0},
            new double[] {1096, -1.5, 2.6, 2, -31.2, 1, 0});
    closer.put(Path.FOCAL, Curve.still(50));
    closer.put(Path.F_STOP, Curve.still(2));
    set.camera("B-cam", "", closer, Lens.PLAIN.following("wheelhouse"));
    TernQuay.gull(set);
    Program program =
        new Program(
            List.of(
                new Cut(1001, "a-cam"),
                new Cut(1022, "b-cam"),
                new Cut(1041, "a-cam"),
                new Cut(1058, "b-cam", 10),
                new Cut(1080, "a-cam")));
    return shot("Two cameras", 1001, 1096, carryFerry(set.nodes())).withProgram(program);
  }

  static Shot shot(String name, int in, int out, List<Node> nodes) {
    ShotHeader header =
        new ShotHeader(
            name, FrameRate.of(24), new FrameRange(in, out), 8, WIDE, 1, Tangent.Kind.SETTLE);
    return new Shot(header, nodes);
  }

  /** The ferry comes in slowly and rolls a little. */
  static List<Node> carryFerry(List<Node> nodes) {
    List<Node> all = new ArrayList<>(nodes);
    all.replaceAll(
        n -> {
          if (!n.id().equals("ferry-ottoline")) {
            return n;
          }
          Map<Path, Curve> moving = new LinkedHashMap<>();
          moving.put(
              Path.Z,
              keyed(Tangent.Kind.SETTLE, new double[] {1001, -24}, new double[] {1144, -18.5}));
          moving.put(
              Path.ROLL,
              new Curve(
                  0,
                  List.of(
                      new Key(1001, -0.7, Tangent.Kind.SETTLE),
                      new Key(1037, 0.7, Tangent.Kind.SETTLE),
                      new Key(1073, -0.7, Tangent.Kind.SETTLE)),
                  Beyond.CYCLE,
                  Beyond.CYCLE));
          return n.withChain(n.chain().with(moving));
        });
    return all;
  }

  /** Keys the focus distance with the distance each node has at its frame. */
  private static Shot pullFocus(Shot shot, String camera, List<String> nodes, double[] frames) {
    List<Key> keys = new ArrayList<>();
    for (int i = 0; i < frames.length; i++) {
      Evaluation now = Evaluation.at(shot, frames[i]);
      RigidPose pose = now.pose(camera, 0);
      Vector3d to = now.pose(nodes.get(i), 0).place().sub(pose.place());
      double distance = Math.round(to.dot(pose.forward()) * 1000) / 1000.0;
      keys.add(new Key(frames[i], distance, Tangent.Kind.SETTLE));
    }
    Node node = shot.node(camera);
    Curve focus = new Curve(keys.get(0).value(), keys);
    return shot.withNode(node.withChain(node.chain().with(Path.FOCUS, focus)));
  }

  static Map<Path, Curve> still(
      double x, double y, double z, double pan, double tilt, double roll) {
    Map<Path, Curve> curves = new LinkedHashMap<>();
    double[] values = {x, y, z, pan, tilt, roll};
    Path.POSE.forEach(c -> curves.put(c, Curve.still(values[Path.POSE.indexOf(c)])));
    return curves;
  }

  /** Whole-pose keys: frame, then x, y, z, pan, tilt, roll. */
  static Map<Path, Curve> poses(Tangent.Kind tangent, double[]... rows) {
    Map<Path, Curve> curves = new LinkedHashMap<>();
    for (Path channel : Path.POSE) {
      double[][] keys = new double[rows.length][];
      for (int i = 0; i < rows.length; i++) {
        keys[i] = new double[] {rows[i][0], rows[i][1 + Path.POSE.indexOf(channel)]};
      }
      curves.put(channel, keyed(tangent, keys));
    }
    return curves;
  }

  private static Curve keyed(Tangent.Kind tangent, double[]... keys) {
    List<Key> list = new ArrayList<>();
    for (double[] key : keys) {
      list.add(new Key(key[0], key[1], tangent));
    }
    return new Curve(list.get(0).value(), list);
  }
}
