package idlelens.web.handoff;

import idlelens.core.curve.Tangent;
import idlelens.core.edit.AddNodes;
import idlelens.core.rule.RefusedException;
import idlelens.core.scene.Node;
import idlelens.core.scene.Shot;
import idlelens.core.scene.ShotHeader;
import idlelens.core.time.FrameRange;
import idlelens.core.time.FrameRate;
import idlelens.exchange.format.FormatException;
import idlelens.exchange.gltf.GltfHints;
import idlelens.exchange.gltf.GltfImport;
import idlelens.exchange.gltf.GltfReader;
import idlelens.exchange.json.ShotJson;
import idlelens.web.request.RequestId;
import idlelens.web.request.RequestRepository;
import idlelens.web.shot.Asker;
import idlelens.web.shot.AssetRepository;
import idlelens.web.shot.ShotService;
import idlelens.web.work.Work;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import org.springframework.stereotype.Service;

/** Makes shots, or nodes of a shot, from files. */
@Service
class ImportService {
  private static final FrameRate USUAL_RATE = FrameRate.of(24);
  private static final int USUAL_FIRST_FRAME = 1001;
  private static final int USUAL_HANDLES = 8;

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
   * @param shotId the shot to put nodes into, or null for a new one
   * @param fileName the file that counts
   * @param files all files by name
   * @param rate frames per second, or null
   * @param firstFrame the frame at time 0, or null
   */
  record Request(
      Asker asker,
      Long shotId,
      String fileName,
      Map<String, byte[]> files,
      FrameRate rate,
      Integer firstFrame) {
    byte[] main() {
      return files.get(fileName);
    }

    String ending() {
      return ImportService.ending(fileName);
    }

    String title() {
      int dot = fileName.lastIndexOf('.');
      String title = (dot > 0 ? fileName.substring(0, dot) : fileName).strip();
      return title.isEmpty() ? "Import" : title;
    }
  }

  /** The letters behind the last dot of a name, in lower case. */
  static String ending(String name) {
    return name.substring(name.lastIndexOf('.') + 1).toLowerCase(Locale.ROOT);
  }

  /** What came of a file. */
  record Imported(long shotId, long revision, List<String> nodes, List<String> notes) {}

  Imported read(Request request) throws FormatException {
    if (request.shotId() != null
        && shots.productionOf(request.shotId()) != request.asker().productionId()) {
      throw new RefusedException("shot", request.shotId(), "a shot of this production");
    }
    return switch (request.ending()) {
      case "json" -> readShot(request);
      case "glb", "gltf" -> request.shotId() == null ? newShot(request) : intoShot(request);
      default ->
          throw new FormatException(
              "file", "'" + request.fileName() + "'", "a .glb, .gltf or .json file");
    };
  }

  private Imported readShot(Request request) throws FormatException {
    if (request.shotId() != null) {
      throw new RefusedException("file", "a whole shot", "a .glb or .gltf to put into a shot");
    }
    Work.tell("reading", 0.1);
    ShotJson.Parcel parcel = ShotJson.readParcel(request.main());
    return added(request, parcel.shot(), parcel.assets(), List.of());
  }

  private Imported newShot(Request request) throws FormatException {
    Optional<GltfHints> hints = GltfHints.find(request.main(), request.files());
    FrameRate rate =
        request.rate() != null ? request.rate() : hints.map(GltfHints::rate).orElse(USUAL_RATE);
    int first =
        request.firstFrame() != null
            ? request.firstFrame()
            : hints.map(h -> h.range().in()).orElse(USUAL_FIRST_FRAME);
    OptionalDouble aspect =
        hints.isPresent() ? OptionalDouble.of(hints.get().aspect()) : OptionalDouble.empty();
    Work.tell("reading", 0.1);
    GltfImport found =
        GltfReader.read(
            request.main(),
            request.files(),
            new GltfReader.Settings(rate, first - lead(hints), aspect, "in"));
    int length =
        Math.max(
            found.range().out() - trail(hints) - first + 1,
            hints.map(h -> h.range().length()).orElse(1));
    double picture = aspect.orElse(found.aspect().orElse(16.0 / 9));
    ShotHeader header =
        new ShotHeader(
            request.title(),
            rate,
            new FrameRange(first, first + length - 1),
            hints.map(h -> h.handles().orElse(USUAL_HANDLES)).orElse(USUAL_HANDLES),
            Math.max(0.2, Math.min(10, picture)),
            1,
            Tangent.Kind.SETTLE);
    return added(request, new Shot(header, found.nodes()), found.assets(), found.notes());
  }

  /** Frames of handles that come before the range of the shot which a file was made of. */
  private static int lead(Optional<GltfHints> hints) {
    return hints.map(h -> Math.max(0, h.range().in() - h.first())).orElse(0);
  }

  /** Frames of handles after it: there are some if there are some before it. */
  private static int trail(Optional<GltfHints> hints) {
    return lead(hints) == 0 ? 0 : hints.map(h -> h.handles().orElse(0)).orElse(0);
  }

  private Imported added(
      Request request, Shot shot, Map<String, byte[]> triangles, List<String> notes) {
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
              note(request, id, 1, notes);
              return Map.of("id", id);
            });
    long id = ((Number) made.get("id")).longValue();
    return new Imported(id, 1, shot.nodes().stream().map(Node::id).toList(), notes);
  }

  private void note(Request request, long shotId, long revision, List<String> notes) {
    handoffs.add(
        shotId,
        revision,
        "in",
        request.ending(),
        request.fileName(),
        notes,
        request.asker().accountId());
  }

  private Imported intoShot(Request request) throws FormatException {
    ShotHeader header = shots.current(request.shotId()).shot().header();
    Optional<GltfHints> hints = GltfHints.find(request.main(), request.files());
    int first = request.firstFrame() != null ? request.firstFrame() : header.range().in();
    String prefix = "in" + Long.toString(System.nanoTime() & 0xFFFFFFFFFL, 36) + "-";
    Work.tell("reading", 0.1);
    GltfImport found =
        GltfReader.read(
            request.main(),
            request.files(),
            new GltfReader.Settings(
                header.rate(), first - lead(hints), OptionalDouble.of(header.aspect()), prefix));
    List<String> notes = new ArrayList<>(found.notes());
    if (hints.isPresent() && !hints.get().rate().equals(header.rate())) {
      notes.add(
          "the file was made at "
              + hints.get().rate().label()
              + ", this shot runs at "
              + header.rate().label()
              + ": times were kept");
    }
    if (found.range().out() - trail(hints) > header.range().out()) {
      notes.add(
          "the motion runs to frame "
              + found.range().out()
              + ", past the shot's last frame "
              + header.range().out());
    }
    Work.tell("storing", 0.8);
    assets.put(request.asker().productionId(), found.assets());
    ShotService.Applied applied =
        shots.apply(request.shotId(), List.of(new AddNodes(found.nodes())), request.asker());
    if (!applied.again()) {
      note(request, request.shotId(), applied.revision(), notes);
    }
    return new Imported(request.shotId(), applied.revision(), applied.added(), notes);
  }
}
