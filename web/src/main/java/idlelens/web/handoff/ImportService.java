package idlelens.web.handoff;

import idlelens.core.edit.AddNodes;
import idlelens.core.edit.Edit;
import idlelens.core.edit.Restore;
import idlelens.core.rule.RefusedException;
import idlelens.core.scene.Node;
import idlelens.core.scene.Shot;
import idlelens.core.scene.ShotHeader;
import idlelens.core.take.Take;
import idlelens.exchange.format.FormatException;
import idlelens.exchange.formats.SceneFormats;
import idlelens.exchange.incoming.CameraMotion;
import idlelens.exchange.incoming.SceneImport;
import idlelens.exchange.json.ShotJson;
import idlelens.exchange.scenefile.SceneFile;
import idlelens.exchange.scenefile.Upload;
import idlelens.web.request.RequestId;
import idlelens.web.request.RequestRepository;
import idlelens.web.shot.Asker;
import idlelens.web.shot.AssetRepository;
import idlelens.web.shot.ShotService;
import idlelens.web.work.Work;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.springframework.stereotype.Service;

/** Makes shots, or nodes of a shot, from files. */
@Service
class ImportService {
  private final ShotService shots;
  private final AssetRepository assets;
  private final HandoffRepository handoffs;
  private final RequestRepository requests;

  ImportService(
      ShotService shots,
      AssetRepository assets,
      HandoffRepository handoffs,
      RequestRepository requests) {
    this.shots = shots;
    this.assets = assets;
    this.handoffs = handoffs;
    this.requests = requests;
  }

  /**
   * @param asker who asks, for which production
   * @param upload the file that counts, with those beside it
   * @param said what is said beside it
   * @param landing where it goes, by what is said
   */
  record Request(Asker asker, Upload upload, Said said, Landing landing) {
    Request(Asker asker, Upload upload, Said said) {
      this(asker, upload, said, Landing.of(said));
    }

    /** The same as a renewal of what came before. */
    Request renewing(Came before) {
      return new Request(asker, upload, said.renewing(before.said()));
    }

    String ending() {
      return SceneFormats.ending(upload.name());
    }

    boolean isShot() {
      return ending().equals("json");
    }

    String title() {
      String name = upload.name();
      int dot = name.lastIndexOf('.');
      String title = (dot > 0 ? name.substring(0, dot) : name).strip();
      return title.isEmpty() ? "Import" : title;
    }
  }

  /** What came of a file. */
  record Imported(long shotId, long revision, List<String> nodes, List<String> notes) {}

  /**
   * What is asked for; of a renewal, as the file came before where nothing else is said.
   *
   * @throws RefusedException if the shot is none of the production
   */
  Request request(Asker asker, Upload upload, Said said) {
    Long shot = said.shot();
    if (shot != null && shots.productionOf(shot) != asker.productionId()) {
      throw new RefusedException("shot", shot, "a shot of this production");
    }
    Request plain = new Request(asker, upload, said);
    return said.renews() ? plain.renewing(handoffs.came(shot, upload.name())) : plain;
  }

  Imported read(Request request) throws FormatException {
    if (request.isShot()) {
      return readShot(request);
    }
    if (request.landing().shotId() == null) {
      return newShot(request);
    }
    if (request.landing().renew()) {
      return renewed(request);
    }
    return request.landing().onto() == null ? intoShot(request) : ontoCamera(request);
  }

  private Imported readShot(Request request) throws FormatException {
    if (request.landing().shotId() != null) {
      throw new RefusedException("file", "a whole shot", "a file of nodes to put into a shot");
    }
    Work.tell("reading", 0.1);
    ShotJson.Parcel parcel = ShotJson.readParcel(request.upload().octets());
    return added(request, parcel.shot(), parcel.assets(), List.of(), Map.of());
  }

  /** A file as it was read. */
  IncomingFile incoming(Request request) throws FormatException {
    Work.tell("reading", 0.1);
    SceneFile scene = SceneFormats.read(request.upload());
    return new IncomingFile(scene, request.said().correction());
  }

  private Imported newShot(Request request) throws FormatException {
    IncomingFile.Made made = incoming(request).asShot(request.title());
    Shot shot = fitted(made.shot(), made.found(), request.landing());
    return added(
        request, shot, made.found().assets(), made.found().notes(), Renewal.paths(shot.nodes()));
  }

  /** The cameras of a new shot, written as it is asked for. */
  Shot fitted(Shot shot, SceneImport found, Landing landing) {
    Shot now = shot;
    for (Edit edit : fittings(shot, found, landing)) {
      now = edit.apply(now);
    }
    return now;
  }

  /** What writes the cameras that came into a shot as it is asked for. */
  private static List<Edit> fittings(Shot with, SceneImport found, Landing landing) {
    if (landing.fitting() == null) {
      return List.of();
    }
    List<String> cameras =
        found.nodes().stream().filter(Node.Camera.class::isInstance).map(Node::id).toList();
    List<Edit> edits = new ArrayList<>(landing.fitting().ofCarriers(with, cameras));
    cameras.forEach(id -> edits.addAll(fitting(with, id, found, landing, with, id)));
    return edits;
  }

  /** What gives a camera of one shot the motion of a camera of another. */
  private static List<Edit> fitting(
      Shot shot, String camera, SceneImport found, Landing landing, Shot from, String source) {
    Node.Camera target = shot.camera(camera);
    Take take =
        CameraMotion.of(
            from,
            source,
            found.range(),
            target.lens().gate(shot.header().aspect(), found.range().in()));
    return landing.fitting().edits(shot, camera, take, found.range().in(), freshId());
  }

  static String freshId() {
    return "in" + UUID.randomUUID().toString().substring(0, 8);
  }

  private Imported added(
      Request request,
      Shot shot,
      Map<String, byte[]> triangles,
      List<String> notes,
      Map<String, String> came) {
    Work.tell("storing", 0.8);
    long production = request.asker().productionId();
    Map<String, Object> made =
        requests.once(
            request.asker().accountId(),
            new RequestId(request.asker().request()),
            "an import into production " + production,
            () -> {
              assets.put(production, triangles);
              assets.require(production, shot.nodes());
              long id = shots.add(production, shot);
              note(request, id, 1, notes, came);
              return Map.of("id", id);
            });
    long id = ((Number) made.get("id")).longValue();
    return new Imported(id, 1, shot.nodes().stream().map(Node::id).toList(), notes);
  }

  private void note(
      Request request, long shotId, long revision, List<String> notes, Map<String, String> came) {
    handoffs.addIn(
        shotId,
        revision,
        request.ending(),
        request.upload().name(),
        notes,
        new Came(came, request.said().lasting()),
        request.asker().accountId());
  }

  private Imported renewed(Request request) throws FormatException {
    long id = request.landing().shotId();
    IncomingFile file = incoming(request);
    ShotService.Revised seen = shots.current(id);
    Shot shot = seen.shot();
    SceneImport found = file.into(shot.header(), freshId() + "-");
    Map<String, String> before = handoffs.came(id, request.upload().name()).nodes();
    Renewal renewal = Renewal.of(shot, before, written(shot.header(), found, request.landing()));
    if (renewal.renewed().isEmpty()) {
      throw new RefusedException(
          "renew",
          "'" + request.upload().name() + "', of which nothing is in the shot",
          "a file that came into this shot before");
    }
    List<String> notes = new ArrayList<>(renewal.notes());
    notes.addAll(found.notes());
    SceneImport told =
        new SceneImport(found.nodes(), found.range(), found.aspect(), found.assets(), notes);
    return applied(request, seen.revision(), renewal.edits(shot), told, renewal.came());
  }

  /**
   * How many nodes of a shot came from a file of that name before, and are in it now; 0 if it
   * cannot be taken as it was then.
   */
  int renewable(Request request, SceneFile scene) throws FormatException {
    Landing landing = request.landing();
    if (landing.shotId() == null || landing.onto() != null) {
      return 0;
    }
    Came before = handoffs.came(landing.shotId(), request.upload().name());
    if (before.nodes().isEmpty()) {
      return 0;
    }
    try {
      Request again = request.renewing(before);
      Shot shot = shots.current(landing.shotId()).shot();
      IncomingFile file = new IncomingFile(scene, again.said().correction());
      SceneImport found = file.into(shot.header(), freshId() + "-");
      List<Node> nodes = written(shot.header(), found, again.landing());
      return Renewal.of(shot, before.nodes(), nodes).renewed().size();
    } catch (RefusedException e) {
      return 0;
    }
  }

  /** What came in, with its cameras written as it is asked for. */
  private List<Node> written(ShotHeader header, SceneImport found, Landing landing) {
    return fitted(new Shot(header, found.nodes()), found, landing).nodes();
  }

  private Imported intoShot(Request request) throws FormatException {
    IncomingFile file = incoming(request);
    ShotService.Revised shot = shots.current(request.landing().shotId());
    SceneImport found = file.into(shot.shot().header(), freshId() + "-");
    List<Node> nodes = written(shot.shot().header(), found, request.landing());
    return applied(
        request, shot.revision(), List.of(new AddNodes(nodes)), found, Renewal.paths(nodes));
  }

  private Imported ontoCamera(Request request) throws FormatException {
    IncomingFile file = incoming(request);
    ShotService.Revised seen = shots.current(request.landing().shotId());
    SceneImport found = file.into(seen.shot().header(), freshId() + "-");
    Shot alone = new Shot(seen.shot().header(), found.nodes());
    List<Edit> edits =
        fitting(
            seen.shot(),
            request.landing().onto(),
            found,
            request.landing(),
            alone,
            source(alone, request.landing().camera()));
    return applied(request, seen.revision(), edits, found, Map.of());
  }

  /** The camera of a file that counts: by its name, or the first. */
  static String source(Shot file, String name) {
    List<Node.Camera> cameras = file.cameras();
    boolean any = name == null || name.isBlank();
    return cameras.stream()
        .filter(c -> any || c.name().equals(name))
        .findFirst()
        .map(Node::id)
        .orElseThrow(
            () ->
                new RefusedException(
                    "camera",
                    any ? "none in the file" : "'" + name + "'",
                    cameras.isEmpty() ? "a file with a camera" : names(cameras)));
  }

  private static String names(List<Node.Camera> cameras) {
    return String.join(", ", cameras.stream().map(Node::name).toList());
  }

  private Imported applied(
      Request request, long seen, List<Edit> edits, SceneImport found, Map<String, String> came) {
    Work.tell("storing", 0.8);
    boolean keeps = edits.stream().anyMatch(e -> e instanceof AddNodes || e instanceof Restore);
    if (keeps) {
      assets.put(request.asker().productionId(), found.assets());
    }
    long shot = request.landing().shotId();
    ShotService.Applied applied = shots.apply(shot, seen, edits, request.asker());
    if (!applied.again()) {
      note(request, shot, applied.revision(), found.notes(), came);
    }
    return new Imported(shot, applied.revision(), applied.added(), found.notes());
  }
}
