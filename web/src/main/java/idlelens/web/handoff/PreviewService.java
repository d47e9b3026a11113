package idlelens.web.handoff;

import idlelens.core.check.Difference;
import idlelens.core.edit.AddNodes;
import idlelens.core.motion.Evaluation;
import idlelens.core.part.Path;
import idlelens.core.scene.Node;
import idlelens.core.scene.Shot;
import idlelens.core.time.SampleGrid;
import idlelens.exchange.format.FormatException;
import idlelens.exchange.formats.SceneFormats;
import idlelens.exchange.incoming.SceneImport;
import idlelens.exchange.incoming.ScenePreview;
import idlelens.exchange.json.JsonPlace;
import idlelens.exchange.json.ShotJson;
import idlelens.exchange.scenefile.Conventions;
import idlelens.web.shot.ShotService;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import org.springframework.stereotype.Service;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/** What is inside a file, and what would become of it. */
@Service
class PreviewService {
  private final ImportService imports;
  private final ShotService shots;

  PreviewService(ImportService imports, ShotService shots) {
    this.imports = imports;
    this.shots = shots;
  }

  ObjectNode of(ImportService.Request request) throws FormatException {
    ObjectNode out = JsonNodeFactory.instance.objectNode();
    out.put("fileName", request.upload().name());
    if (request.isShot()) {
      Shot shot = ShotJson.readParcel(request.upload().octets()).shot();
      out.put("format", "Idle Lens shot");
      SceneImport found =
          new SceneImport(
              shot.nodes(),
              shot.header().range(),
              OptionalDouble.of(shot.header().aspect()),
              Map.of(),
              List.of());
      write(ScenePreview.of(shot, found, Conventions.OURS), out);
      return out;
    }
    out.put("format", SceneFormats.reading(request.upload().name()).orElseThrow().label());
    IncomingFile file = imports.incoming(request);
    IncomingFile.Made made = file.asShot(request.title());
    IncomingFile.Made landed = landed(request, file, made);
    write(ScenePreview.of(made.shot(), landed.found(), file.conventions()), out);
    out.put("renewable", imports.renewable(request, file.scene()));
    if (request.landing().fitting() != null && !made.shot().cameras().isEmpty()) {
      fitted(
          request.landing().onto() == null ? landed : made,
          request.landing(),
          out.putArray("fitted"));
    }
    return out;
  }

  /** The file in the shot that it goes into; for one that is made of it, as that shot. */
  private IncomingFile.Made landed(
      ImportService.Request request, IncomingFile file, IncomingFile.Made made)
      throws FormatException {
    if (request.landing().shotId() == null) {
      return made;
    }
    Shot shot = shots.current(request.landing().shotId()).shot();
    SceneImport found = file.into(shot.header(), ImportService.freshId() + "-");
    return new IncomingFile.Made(new AddNodes(found.nodes()).apply(shot), found);
  }

  private static void write(ScenePreview preview, ObjectNode out) {
    out.put("axes", JsonPlace.word(preview.conventions().axes()));
    out.put("axesLabel", preview.conventions().axes().label());
    out.put("metresPerUnit", preview.conventions().metresPerUnit());
    out.put("rate", preview.rate().toString()).put("rateLabel", preview.rate().label());
    out.put("firstFrame", preview.firstFrame()).put("lastFrame", preview.lastFrame());
    ArrayNode cameras = out.putArray("cameras");
    preview.cameras().forEach(cameras::add);
    out.put("nulls", preview.nulls()).put("pieces", preview.pieces());
    out.put("triangles", preview.triangles()).put("suns", preview.suns());
    out.put("keys", preview.keys()).put("cameraHeightM", preview.cameraHeightM());
    numbers(out.putArray("low"), preview.low());
    numbers(out.putArray("high"), preview.high());
    ArrayNode notes = out.putArray("notes");
    preview.notes().forEach(notes::add);
  }

  private static void numbers(ArrayNode out, double[] values) {
    for (double value : values) {
      out.add(Double.isFinite(value) ? value : 0);
    }
  }

  /** Of each camera: keys before and after, and how far off it is then. */
  private void fitted(IncomingFile.Made made, Landing landing, ArrayNode out) {
    Shot before = made.shot();
    Shot after = imports.fitted(before, made.found(), landing);
    SampleGrid grid = SampleGrid.over(before.header().range(), 0);
    Evaluation was = Evaluation.of(before, grid, null);
    Evaluation is = Evaluation.of(after, grid, null);
    List<Node> cameras =
        made.found().nodes().stream().filter(Node.Camera.class::isInstance).toList();
    for (Node camera : cameras) {
      Difference off = Difference.between(was, is, camera.id());
      ObjectNode one = out.addObject().put("name", camera.name());
      one.put("keysBefore", keys(line(before, camera.id())));
      one.put("keysAfter", keys(line(after, camera.id())));
      one.put("placeMm", off.place().amount() * 1000);
      one.put("turnDeg", off.turn().amount());
      one.put("focalMm", off.focal().map(Difference.Peak::amount).orElse(0.0));
    }
  }

  /** A node and what carries it. */
  private static List<Node> line(Shot shot, String id) {
    List<Node> line = new ArrayList<>();
    for (String up = id; !up.isEmpty(); up = shot.node(up).carriage().carrierId()) {
      line.add(shot.node(up));
    }
    return line;
  }

  private static long keys(List<Node> nodes) {
    long sum = 0;
    for (Node node : nodes) {
      for (Path path : node.chain().paths()) {
        sum += node.chain().curve(path).keys().size();
      }
    }
    return sum;
  }
}
