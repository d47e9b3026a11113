package idlelens.exchange.json;

import idlelens.core.curve.Tangent;
import idlelens.core.cut.Program;
import idlelens.core.rule.RefusedException;
import idlelens.core.scene.Marker;
import idlelens.core.scene.Node;
import idlelens.core.scene.PictureFrame;
import idlelens.core.scene.Shot;
import idlelens.core.scene.ShotHeader;
import idlelens.core.time.FrameRange;
import idlelens.core.time.FrameRate;
import idlelens.exchange.format.FormatException;
import java.util.Base64;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/**
 * The document of a shot. Lengths in metres, angles in degrees, lens lengths in millimetres; see
 * {@code docs/formats.md}.
 */
public final class ShotJson {
  /** Value of the field {@code format}. */
  public static final String FORMAT = "idle-lens/shot";

  /** The version written; older ones are read. */
  public static final int VERSION = 3;

  private static final String[] FIELDS = {
    "format",
    "version",
    "name",
    "rate",
    "in",
    "out",
    "handles",
    "aspect",
    "metresPerUnit",
    "newKeys",
    "nodes",
    "markers",
    "program",
    "picture",
    "assets"
  };

  private ShotJson() {}

  /** A shot with the stored triangles that its imported pieces need, by their SHA-256. */
  public record Parcel(Shot shot, Map<String, byte[]> assets) {}

  /** The document as stored, without assets. */
  public static ObjectNode write(Shot shot) {
    ObjectNode out = head(shot);
    ArrayNode nodes = out.putArray("nodes");
    shot.nodes().forEach(n -> nodes.add(NodeJson.write(n)));
    writeTimeline(shot, out);
    return out;
  }

  /** What stands before the nodes. */
  static ObjectNode head(Shot shot) {
    ObjectNode out = JsonNodeFactory.instance.objectNode();
    out.put("format", FORMAT).put("version", VERSION);
    out.setAll(writeHeader(shot.header()));
    return out;
  }

  static void writeTimeline(Shot shot, ObjectNode out) {
    if (!shot.markers().isEmpty()) {
      out.set("markers", MarkerJson.write(shot.markers()));
    }
    if (!shot.program().isEmpty()) {
      out.set("program", ProgramJson.write(shot.program()));
    }
    if (!shot.picture().equals(PictureFrame.USUAL)) {
      out.set("picture", PictureJson.write(shot.picture()));
    }
  }

  /** The document as octets. */
  public static byte[] bytes(Shot shot) {
    return ShotText.of(shot).octets();
  }

  /** The document with all it needs, for a file. */
  public static byte[] file(Parcel parcel) {
    ObjectNode out = write(parcel.shot());
    ObjectNode assets = out.putObject("assets");
    parcel
        .assets()
        .forEach((hash, data) -> assets.put(hash, Base64.getEncoder().encodeToString(data)));
    return JsonPlace.mapper().writerWithDefaultPrettyPrinter().writeValueAsBytes(out);
  }

  static ObjectNode writeHeader(ShotHeader header) {
    return JsonNodeFactory.instance
        .objectNode()
        .put("name", header.name())
        .put("rate", header.rate().toString())
        .put("in", header.range().in())
        .put("out", header.range().out())
        .put("handles", header.handles())
        .put("aspect", header.aspect())
        .put("metresPerUnit", header.metresPerUnit())
        .put("newKeys", JsonPlace.word(header.newKeys()));
  }

  /**
   * Reads a document.
   *
   * @throws FormatException with the path of what is wrong
   */
  public static Shot read(byte[] text) throws FormatException {
    return readParcel(text).shot();
  }

  /** Reads a document with its assets. */
  public static Parcel readParcel(byte[] text) throws FormatException {
    JsonPlace place = JsonPlace.parse(text);
    if (!place.text("format", "").equals(FORMAT)) {
      throw new FormatException("format", place.text("format", "missing"), FORMAT);
    }
    int version = place.get("version").whole();
    if (version < 1 || version > VERSION) {
      throw new FormatException("version", version, "1 to " + VERSION);
    }
    place.only(FIELDS);
    try {
      return new Parcel(readShot(place), readAssets(place));
    } catch (RefusedException e) {
      throw Refusals.inside("", e);
    }
  }

  private static Shot readShot(JsonPlace place) throws FormatException {
    ShotHeader header = readHeader(place);
    List<Node> nodes = place.get("nodes").list(Shot.MOST_NODES, NodeJson::read);
    List<Marker> markers =
        place.has("markers") ? place.get("markers").list(Marker.MOST, MarkerJson::read) : List.of();
    Program program = place.has("program") ? ProgramJson.read(place.get("program")) : Program.NONE;
    PictureFrame picture =
        place.has("picture") ? PictureJson.read(place.get("picture")) : PictureFrame.USUAL;
    return new Shot(header, nodes, markers, program, picture);
  }

  static ShotHeader readHeader(JsonPlace place) throws FormatException {
    return new ShotHeader(
        place.get("name").text(),
        FrameRate.parse(place.get("rate").text()),
        new FrameRange(place.get("in").whole(), place.get("out").whole()),
        place.has("handles") ? place.get("handles").whole() : 0,
        place.get("aspect").number(),
        place.number("metresPerUnit", 1),
        place.choice("newKeys", Tangent.Kind.class, Tangent.Kind.SETTLE));
  }

  private static Map<String, byte[]> readAssets(JsonPlace place) throws FormatException {
    Map<String, byte[]> assets = new LinkedHashMap<>();
    if (place.has("assets")) {
      JsonPlace all = place.get("assets");
      for (String hash : all.names()) {
        try {
          assets.put(hash, Base64.getDecoder().decode(all.get(hash).text()));
        } catch (IllegalArgumentException e) {
          throw new FormatException("assets." + hash, "not base64", "base64");
        }
      }
    }
    return assets;
  }
}
