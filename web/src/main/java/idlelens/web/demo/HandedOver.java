package idlelens.web.demo;

import idlelens.core.curve.Curve;
import idlelens.core.curve.Tangent;
import idlelens.core.edit.Edit;
import idlelens.core.edit.Keep;
import idlelens.core.lens.Gate;
import idlelens.core.part.Carriage;
import idlelens.core.part.Path;
import idlelens.core.scene.Node;
import idlelens.core.scene.NodeBody;
import idlelens.core.scene.Shot;
import idlelens.core.scene.ShotHeader;
import idlelens.core.take.Take;
import idlelens.core.time.FrameRange;
import idlelens.core.time.FrameRate;
import idlelens.exchange.format.FormatException;
import idlelens.exchange.formats.SceneFormats;
import idlelens.exchange.incoming.CameraMotion;
import idlelens.exchange.incoming.Fitting;
import idlelens.exchange.incoming.ReadSettings;
import idlelens.exchange.incoming.SceneImport;
import idlelens.exchange.incoming.SceneReading;
import idlelens.exchange.scenefile.Upload;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;

/**
 * A camera that came from elsewhere, +Z up in centimetres at 25 frames a second with a key on every
 * frame: as it came, and fitted with few keys on a dolly and a head, and framed a little lower.
 */
final class HandedOver {
  /** The name of the shot. */
  static final String NAME = "Hand-off";

  /** The fitted camera. */
  static final String CAMERA = "a-cam";

  /** The file it came in. */
  static final String FILE = "harbour-cam.usda";

  private static final int FIRST = 1001;
  private static final double ASPECT = 16.0 / 9;

  /** Few keys stay within so many millimetres, and hundredths of a degree. */
  private static final double TOLERANCE = 8;

  private HandedOver() {}

  static Shot shot() {
    SetBuilder set = new SetBuilder();
    TernQuay.build(set);
    SceneImport came = came();
    Node.Camera camera = (Node.Camera) came.nodes().get(1);
    List<Node> nodes = new ArrayList<>(set.nodes());
    nodes.add(camera.withBody(camera.body().withName("Harbour cam, as it came")));
    nodes.add(own(camera));
    nodes.add(0, came.nodes().get(0));
    ShotHeader header =
        new ShotHeader(
            NAME,
            FrameRate.of(25),
            new FrameRange(FIRST, came.range().out()),
            0,
            ASPECT,
            1,
            Tangent.Kind.SETTLE);
    Shot shot = new Shot(header, nodes);
    Gate gate = camera.lens().gate(ASPECT, 0);
    Take take = CameraMotion.of(shot, camera.id(), header.range(), gate);
    Fitting few = new Fitting(Keep.FITTED, TOLERANCE, Fitting.Carriers.DOLLY_AND_HEAD);
    for (Edit edit : few.edits(shot, CAMERA, take, FIRST, "a-cam-dolly")) {
      shot = edit.apply(shot);
    }
    return reframed(shot);
  }

  private static Node own(Node.Camera camera) {
    return new Node.Camera(
        new NodeBody(CAMERA, "A-cam", false, Carriage.WORLD, camera.chain()), camera.lens());
  }

  /** The camera upon its head looks a little lower and to the left. */
  private static Shot reframed(Shot shot) {
    Node camera = shot.node(CAMERA);
    return shot.withNode(
        camera.withChain(
            camera.chain().with(Path.TILT, Curve.still(-2.5)).with(Path.PAN, Curve.still(3))));
  }

  private static SceneImport came() {
    try {
      return SceneReading.read(
          SceneFormats.read(Upload.of(FILE, octets())),
          new ReadSettings(FrameRate.of(25), FIRST, OptionalDouble.of(ASPECT), "came"));
    } catch (FormatException e) {
      throw new IllegalStateException("the demo's own file cannot be read", e);
    }
  }

  /** The file. */
  static byte[] octets() {
    try (InputStream in = HandedOver.class.getResourceAsStream("/demo/" + FILE)) {
      return in.readAllBytes();
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }
}
