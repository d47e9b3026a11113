package idlelens.web.shot;

import idlelens.core.check.Pace;
import idlelens.core.motion.Evaluation;
import idlelens.core.motion.Jumps;
import idlelens.core.motion.NodeMotion;
import idlelens.core.motion.PoseTrack;
import idlelens.core.part.Path;
import idlelens.core.rail.Rail;
import idlelens.core.scene.Node;
import idlelens.core.set.Mesh;
import idlelens.core.set.Shape;
import idlelens.core.time.FrameRate;
import idlelens.core.time.SampleGrid;
import idlelens.exchange.json.EditJson;
import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.NavigableSet;
import org.joml.Vector3d;
import org.springframework.stereotype.Component;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** Motion and triangles as the browser gets them; layout in {@code docs/formats.md}. */
@Component
class ShotOctets {
  private final AssetRepository assets;

  ShotOctets(AssetRepository assets) {
    this.assets = assets;
  }

  /**
   * The motion of some nodes.
   *
   * @param drawn those of them whose curves are drawn
   */
  OctetBundle samples(LiveShot shot, Collection<String> nodeIds, DrawnCurves drawn) {
    return samples(shot, shot, nodeIds, drawn);
  }

  /**
   * The motion of some nodes at the moments of another state's frames, which number the samples.
   */
  OctetBundle samples(
      LiveShot shot, LiveShot alongside, Collection<String> nodeIds, DrawnCurves drawn) {
    OctetBundle bundle = new OctetBundle();
    Evaluation motion = shot.alongside(alongside);
    boolean ownFrames = motion == shot.motion();
    addHead(bundle, shot.revision(), ownFrames ? motion.grid() : alongside.motion().grid());
    addNodes(bundle, motion, nodeIds, drawn);
    return bundle;
  }

  /** The triangles of some pieces, those of equal shape once. */
  OctetBundle meshes(LiveShot shot, List<Node.Piece> pieces) {
    OctetBundle bundle = new OctetBundle();
    addHead(bundle, shot);
    addMeshes(bundle, pieces);
    return bundle;
  }

  /** What changed, for a window that has the shot as it was before. */
  byte[] outcome(EditOutcome outcome, DrawnCurves drawn) {
    OctetBundle bundle = new OctetBundle();
    addHead(bundle, outcome.after());
    bundle.head().put("stored", outcome.stored());
    bundle.head().set("patch", EditJson.write(outcome.patch()));
    addNodes(bundle, outcome.after().motion(), outcome.changed(), drawn);
    addMeshes(bundle, outcome.reshaped());
    return bundle.pack();
  }

  private static void addHead(OctetBundle bundle, LiveShot shot) {
    addHead(bundle, shot.revision(), shot.motion().grid());
  }

  private static void addHead(OctetBundle bundle, long revision, SampleGrid grid) {
    bundle.head().put("revision", revision);
    bundle
        .head()
        .putObject("grid")
        .put("first", grid.first())
        .put("count", grid.count())
        .put("stepsPerFrame", grid.stepsPerFrame());
  }

  private static void addNodes(
      OctetBundle bundle, Evaluation motion, Collection<String> ids, DrawnCurves drawn) {
    ArrayNode nodes = bundle.head().putArray("nodes");
    RepeatOctets repeats = new RepeatOctets(bundle, motion);
    Jumps jumping = new Jumps(motion.shot());
    for (String id : ids) {
      NodeMotion node = motion.of(id);
      ObjectNode out = nodes.addObject().put("id", id);
      addPose(bundle, out, node.world());
      NavigableSet<Double> jumps = jumping.of(motion.shot().node(id));
      if (!jumps.isEmpty()) {
        jumps.forEach(out.putArray("jumps")::add);
      }
      FrameRate rate = motion.shot().header().rate();
      bundle.add(out, "pace", Pace.metresPerSecond(node.world(), rate, jumps), 1);
      addOwn(bundle, out, node);
      node.lens().ifPresent(lens -> LensOctets.add(bundle, out, lens));
      if (motion.shot().node(id) instanceof Node.Camera camera) {
        LensOctets.addIris(bundle, out, camera.lens().lens().iris());
      }
      if (motion.shot().node(id) instanceof Node.Rail rail) {
        bundle.add(out, "anchors", anchors(rail.rail()));
      }
      if (motion.shot().node(id) instanceof Node.Mist mist) {
        MistOctets.add(bundle, out, motion.shot().header(), mist);
      }
      repeats.add(out, motion.shot().node(id));
      PlayedOctets.add(bundle, out, motion.grid(), motion.shot().node(id), rate);
      RideOctets.add(bundle, out, motion, id);
      Findings.add(out, motion.shot(), motion.shot().node(id));
      if (drawn.curves().contains(id)) {
        CurveOctets.add(bundle, out, motion, id, drawn.slopes());
      }
    }
  }

  /** Ten numbers an anchor: its distance, the ends of its tangents with its place between them. */
  private static float[] anchors(Rail rail) {
    float[] out = new float[rail.anchors().size() * 10 + 1];
    int at = 0;
    for (int i = 0; i < rail.anchors().size(); i++) {
      Vector3d place = rail.anchors().get(i).place();
      out[at++] = (float) rail.curve().distanceOf(i);
      for (Vector3d point :
          List.of(rail.in(i).vector().add(place), place, rail.out(i).vector().add(place))) {
        out[at++] = (float) point.x;
        out[at++] = (float) point.y;
        out[at++] = (float) point.z;
      }
    }
    out[at] = (float) rail.curve().length();
    return out;
  }

  static void addPose(OctetBundle bundle, ObjectNode out, PoseTrack pose) {
    bundle.add(out, "x", pose.x(), 1);
    bundle.add(out, "y", pose.y(), 1);
    bundle.add(out, "z", pose.z(), 1);
    bundle.add(out, "qx", pose.qx(), 1);
    bundle.add(out, "qy", pose.qy(), 1);
    bundle.add(out, "qz", pose.qz(), 1);
    bundle.add(out, "qw", pose.qw(), 1);
  }

  /** The parameters of all parts, by their paths. */
  private static void addOwn(OctetBundle bundle, ObjectNode out, NodeMotion node) {
    ObjectNode own = out.putObject("own");
    node.parts()
        .forEach(
            (part, track) ->
                track
                    .parameters()
                    .forEach(
                        p ->
                            bundle.add(
                                own, new Path(part, p.id()).toString(), track.values(p), 1)));
  }

  private void addMeshes(OctetBundle bundle, List<Node.Piece> pieces) {
    Map<Shape, ObjectNode> byShape = new LinkedHashMap<>();
    ArrayNode meshes = bundle.head().putArray("meshes");
    for (Node.Piece piece : pieces) {
      ObjectNode out = byShape.get(piece.shape());
      if (out == null) {
        out = meshes.addObject();
        byShape.put(piece.shape(), out);
        out.putArray("nodes");
        Mesh mesh = assets.meshOf(piece.shape());
        bundle.add(out, "positions", mesh.positions());
        bundle.add(out, "normals", mesh.normals());
        bundle.add(out, "shades", mesh.shades());
        bundle.add(out, "indices", mesh.indices());
      }
      ((ArrayNode) out.get("nodes")).add(piece.id());
    }
  }
}
