package idlelens.exchange.opentrackio;

import idlelens.core.time.FrameRate;
import idlelens.exchange.format.TextOut;
import idlelens.exchange.scenefile.Content;
import idlelens.exchange.scenefile.FileNode;
import idlelens.exchange.scenefile.Op;
import idlelens.exchange.scenefile.SceneFile;
import idlelens.exchange.scenefile.ShotHint;
import idlelens.exchange.scenefile.TurnOrder;
import idlelens.exchange.scenefile.View;
import org.joml.Vector3d;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/** The one camera of a scene as lines of OpenTrackIO. */
final class TrackSceneWriter {
  private static final int MINUTE = 60;
  private static final int DAY_HOURS = 24;

  private final SceneFile scene;
  private final FileNode node;
  private final Content.Camera camera;
  private final FrameRate rate;
  private double[] near = new double[3];

  private TrackSceneWriter(SceneFile scene) {
    this.scene = scene;
    this.node = scene.nodes().get(0);
    this.camera = (Content.Camera) node.contents().get(0);
    this.rate = scene.clock().rate().orElseThrow();
  }

  static byte[] write(SceneFile scene) {
    TrackSceneWriter writer = new TrackSceneWriter(scene);
    TextOut out = new TextOut();
    int first = (int) scene.clock().first();
    int last = (int) scene.clock().last().orElse(first);
    for (int frame = first; frame <= last; frame++) {
      out.add(writer.sample(frame, frame - first).toString()).add('\n');
    }
    return out.octets();
  }

  private ObjectNode sample(int frame, int number) {
    ObjectNode out = JsonNodeFactory.instance.objectNode();
    ObjectNode protocol = out.putObject("protocol").put("name", "OpenTrackIO");
    protocol.putArray("version").add(1).add(0).add(0);
    View.Focal view = (View.Focal) camera.view();
    ObjectNode still = out.putObject("static").putObject("camera").put("label", node.name());
    still
        .putObject("activeSensorPhysicalDimensions")
        .put("width", view.widthMm().at(frame))
        .put("height", view.heightMm().at(frame));
    timing(out.putObject("timing"), frame, number);
    ObjectNode lens = out.putObject("lens");
    lens.put("pinholeFocalLength", view.focalMm().at(frame));
    camera.focus().ifPresent(focus -> lens.put("focusDistance", focus.at(frame)));
    camera.fStop().ifPresent(stop -> lens.put("fStop", stop.at(frame)));
    transform(out.putArray("transforms").addObject(), frame);
    if (number == 0) {
      own(out);
    }
    return out;
  }

  /** What only we read, once. */
  private void own(ObjectNode out) {
    ObjectNode own = out.putObject("custom").putObject(ShotHint.OURS);
    scene.hint().ifPresent(h -> h.write(own.putObject("shot")));
    camera
        .ours()
        .filter(o -> o.node().has("lens"))
        .ifPresent(o -> own.set("lens", o.node().get("lens")));
  }

  private void timing(ObjectNode out, int frame, int number) {
    out.putObject("sampleRate").put("num", rate.numerator()).put("denom", rate.denominator());
    out.put("sequenceNumber", number);
    int base = rate.timecodeBase();
    int day = base * MINUTE * MINUTE * DAY_HOURS;
    int within = Math.floorMod(frame, day);
    ObjectNode code = out.putObject("timecode");
    code.put("hours", within / (base * MINUTE * MINUTE));
    code.put("minutes", within / (base * MINUTE) % MINUTE);
    code.put("seconds", within / base % MINUTE);
    code.put("frames", within % base);
    code.putObject("frameRate").put("num", rate.numerator()).put("denom", rate.denominator());
  }

  private void transform(ObjectNode out, int frame) {
    Vector3d p = ((Op.Place) node.ops().get(0)).shiftAt(frame);
    var turn = ((Op.Turn) node.ops().get(1)).turns().turnAt(frame);
    near = TurnOrder.PAN_TILT_ROLL.angles(turn, scene.conventions().axes(), near);
    out.put("id", "Camera");
    out.putObject("translation").put("x", p.x).put("y", p.y).put("z", p.z);
    out.putObject("rotation")
        .put("pan", Math.toDegrees(near[0]))
        .put("tilt", Math.toDegrees(near[1]))
        .put("roll", -Math.toDegrees(near[2])); // there about the line of sight, away
  }
}
