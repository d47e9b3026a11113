package idlelens.exchange.csv;

import idlelens.exchange.format.TextOut;
import idlelens.exchange.scenefile.Channel;
import idlelens.exchange.scenefile.Content;
import idlelens.exchange.scenefile.FileNode;
import idlelens.exchange.scenefile.LensNumber;
import idlelens.exchange.scenefile.Op;
import idlelens.exchange.scenefile.SceneFile;
import idlelens.exchange.scenefile.View;
import org.joml.Quaterniond;
import org.joml.Vector3d;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/**
 * A camera as a table: {@code frame, x, y, z, pan, tilt, roll, focal_mm, hfov_deg, vfov_deg,
 * focus_m, fstop}, a row a frame, straight between them. A first line says in JSON how the numbers
 * are to be taken; without it they are metres, +Y up.
 */
final class CameraTableWriter {
  static final String MARK = "# idle-lens/camera ";

  private CameraTableWriter() {}

  /** The table of the one camera of a scene. */
  static byte[] write(SceneFile scene) {
    FileNode node = scene.nodes().get(0);
    Content.Camera camera = (Content.Camera) node.contents().get(0);
    View.Focal view = (View.Focal) camera.view();
    CameraColumns columns =
        new CameraColumns(
            node.name(),
            scene.conventions(),
            scene.wording(),
            camera.aspect().orElseThrow(),
            view.widthMm().at(0),
            view.heightMm().at(0));
    TextOut out = new TextOut();
    ObjectNode head = JsonNodeFactory.instance.objectNode();
    head.set("columns", columns.write());
    scene.hint().ifPresent(h -> h.write(head.putObject("shot")));
    camera
        .ours()
        .filter(o -> o.node().has("lens"))
        .ifPresent(o -> head.set("lens", o.node().get("lens")));
    out.add(MARK).add(head.toString()).add('\n');
    out.add(String.join(",", columns.columns())).add('\n');
    out.add("# ").add(String.join(",", columns.units())).add('\n');
    new Rows(scene, columns, node, camera, view).write(out);
    return out.octets();
  }

  /** The rows in the making. */
  private record Rows(
      SceneFile scene,
      CameraColumns columns,
      FileNode node,
      Content.Camera camera,
      View.Focal view) {
    void write(TextOut out) {
      Op.Place place = (Op.Place) node.ops().get(0);
      Channel turns = ((Op.Turn) node.ops().get(1)).turns();
      double[] origin = columns.origin();
      double[] near = new double[3];
      int first = (int) scene.clock().first();
      int last = (int) scene.clock().last().orElse(first);
      for (int frame = first; frame <= last; frame++) {
        Vector3d p = place.shiftAt(frame);
        Quaterniond turn = turns.turnAt(frame);
        near = columns.wording().order().angles(turn, columns.conventions().axes(), near);
        out.add((double) frame);
        out.add(',').add(p.x + origin[0]).add(',').add(p.y + origin[1]).add(',').add(p.z);
        for (double angle : near) {
          out.add(',').add(Math.toDegrees(angle));
        }
        lens(out, frame);
        out.add('\n');
      }
    }

    private void lens(TextOut out, double frame) {
      double focal = view.focalMm().at(frame);
      double across = 2 * Math.atan(view.widthMm().at(frame) / (2 * focal));
      double up = 2 * Math.atan(view.heightMm().at(frame) / (2 * focal));
      out.add(',').add(focal);
      out.add(',').add(Math.toDegrees(across)).add(',').add(Math.toDegrees(up));
      if (columns.wording().lens() == LensNumber.ZOOM) {
        out.add(',').add(columns.wording().picture().zoomPx(across));
      }
      double metres = columns.conventions().metresPerUnit();
      out.add(',').add(camera.focus().orElseThrow().at(frame) * metres);
      out.add(',').add(camera.fStop().orElseThrow().at(frame));
    }
  }
}
