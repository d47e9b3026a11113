package idlelens.core.edit;

import idlelens.core.curve.Curve;
import idlelens.core.curve.Key;
import idlelens.core.curve.Tangent;
import idlelens.core.geometry.RigidPose;
import idlelens.core.lens.FocusRule;
import idlelens.core.lens.LensBody;
import idlelens.core.scene.Carriage;
import idlelens.core.scene.Channel;
import idlelens.core.scene.Channels;
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

  static NodeBody body(String id, String carrier, Channels channels) {
    return new NodeBody(id, id, false, new Carriage(carrier, RigidPose.IDENTITY), channels);
  }

  /** A keyed camera on a keyed arm on a still base, another null, and a crate. */
  public static Shot rig() {
    Channels arm =
        Channels.pose()
            .restingAt(1, 2, 3, 20, 10, 5)
            .with(Channel.PAN, keyed(1, 10, 50, 80))
            .with(Channel.Y, keyed(1, 1, 30, 2));
    Channels camera =
        Channels.poseAndLens()
            .restingAt(0.5, 0, 2, -15, 4, 1)
            .with(Channel.X, keyed(1, 0, 20, 2, 40, 1))
            .with(Channel.TILT, keyed(1, 0, 40, -30));
    return new Shot(
        new ShotHeader(
            "Rig", FrameRate.of(24), new FrameRange(1, 50), 4, 16.0 / 9, 1, Tangent.Kind.SETTLE),
        List.of(
            new Node.Null(body("base", "", Channels.pose().restingAt(2, 0, -4, 35, 0, 0))),
            new Node.Null(body("arm", "base", arm)),
            new Node.Null(body("other", "", Channels.pose().restingAt(-3, 1, 2, -70, 12, 30))),
            new Node.Camera(
                body("cam", "arm", camera),
                LensBody.PLAIN.withFocus(new FocusRule.Follow("crate", 0.1))),
            new Node.Piece(
                body("crate", "", Channels.pose().restingAt(1, 0, -9, 12, 0, 0)),
                new Shape.Box(1, 1, 1),
                Finish.matt("#a9834c"))));
  }
}
