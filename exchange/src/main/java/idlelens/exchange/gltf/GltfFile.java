package idlelens.exchange.gltf;

import idlelens.exchange.format.FormatException;
import idlelens.exchange.format.ReadBudget;
import idlelens.exchange.json.JsonPlace;
import idlelens.exchange.scenefile.ShotHint;
import java.net.URLDecoder;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Base64;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Pattern;

/** The definitions of a file with their buffers. Every index of the file is resolved here. */
final class GltfFile {
  private static final int MOST_DEFINITIONS = 100_000;
  private static final List<String> KNOWN_NEEDS =
      List.of(
          "KHR_animation_pointer",
          "KHR_lights_punctual",
          "KHR_mesh_quantization",
          "KHR_materials_unlit");
  private static final Pattern LOOKS_ONLY = Pattern.compile("[A-Z]+_(texture|materials)_\\w+");

  private final JsonPlace root;
  private final ByteBuffer binary;
  private final Map<String, byte[]> beside;
  private final List<ByteBuffer> buffers = new ArrayList<>();
  private final Map<String, List<JsonPlace>> definitions = new HashMap<>();
  private final ReadBudget budget;

  private GltfFile(JsonPlace root, ByteBuffer binary, Map<String, byte[]> beside, int jsonOctets) {
    this.root = root;
    this.binary = binary;
    this.beside = beside;
    long octets = binary == null ? 0 : binary.limit();
    for (byte[] each : beside.values()) {
      octets += each.length;
    }
    this.budget = new ReadBudget(octets + jsonOctets);
  }

  /**
   * @param file the {@code .glb} or {@code .gltf}
   * @param beside other files that were sent along, by name
   */
  static GltfFile read(byte[] file, Map<String, byte[]> beside) throws FormatException {
    GlbContainer container = GlbContainer.open(file);
    GltfFile gltf =
        new GltfFile(
            JsonPlace.parse(container.json()), container.binary(), beside, container.json().length);
    String version = gltf.root.get("asset").get("version").text();
    if (!version.startsWith("2.")) {
      throw new FormatException("asset.version", version, "2.0");
    }
    gltf.refuseUnknownNeeds();
    gltf.loadBuffers();
    return gltf;
  }

  /**
   * What only looks otherwise without it may be missing: textures and their finish are not kept.
   */
  private void refuseUnknownNeeds() throws FormatException {
    if (root.has("extensionsRequired")) {
      for (JsonPlace each : root.get("extensionsRequired").list(1000)) {
        String name = each.text();
        if (!KNOWN_NEEDS.contains(name) && !LOOKS_ONLY.matcher(name).matches()) {
          throw each.refusal(
              String.join(", ", KNOWN_NEEDS) + ", and those of textures and materials");
        }
      }
    }
  }

  /** The required extensions that change the look only, which is left out. */
  List<String> leftOutLooks() throws FormatException {
    List<String> names = new ArrayList<>();
    if (root.has("extensionsRequired")) {
      for (JsonPlace each : root.get("extensionsRequired").list(1000)) {
        boolean kept = KNOWN_NEEDS.contains(each.text());
        if (!kept) {
          names.add(each.text());
        }
      }
    }
    return names;
  }

  /** Our own part of a definition's extras, if there is one. */
  static Optional<JsonPlace> ours(JsonPlace definition) throws FormatException {
    if (!definition.has("extras") || !definition.get("extras").node().isObject()) {
      return Optional.empty();
    }
    return definition.get("extras").find(ShotHint.OURS).filter(p -> p.node().isObject());
  }

  ReadBudget budget() {
    return budget;
  }

  JsonPlace root() {
    return root;
  }

  /** All definitions of a kind; none if the file has no such list. */
  List<JsonPlace> all(String kind) throws FormatException {
    List<JsonPlace> known = definitions.get(kind);
    if (known == null) {
      known = root.has(kind) ? root.get(kind).list(MOST_DEFINITIONS) : List.of();
      definitions.put(kind, known);
    }
    return known;
  }

  /** The definition that an index points to. */
  JsonPlace resolve(String kind, JsonPlace index) throws FormatException {
    List<JsonPlace> all = all(kind);
    int i = index.whole();
    if (i < 0 || i >= all.size()) {
      throw new FormatException(
          index.path(),
          i,
          all.isEmpty()
              ? "none (the file has no " + kind + ")"
              : "0 to " + (all.size() - 1) + " (the file has " + all.size() + " " + kind + ")");
    }
    return all.get(i);
  }

  private void loadBuffers() throws FormatException {
    for (JsonPlace buffer : all("buffers")) {
      ByteBuffer data =
          buffer.has("uri") ? littleEndian(fetch(buffer.get("uri"))) : embedded(buffer);
      long length = size(buffer.get("byteLength"));
      if (length > data.limit()) {
        throw new FormatException(
            buffer.path() + ".byteLength",
            length,
            "0 to " + data.limit() + ", the bytes there are");
      }
      buffers.add(data);
    }
  }

  private static ByteBuffer littleEndian(byte[] octets) {
    return ByteBuffer.wrap(octets).order(ByteOrder.LITTLE_ENDIAN);
  }

  private ByteBuffer embedded(JsonPlace buffer) throws FormatException {
    if (binary == null || !buffers.isEmpty()) {
      throw new FormatException(buffer.path() + ".uri", "missing", "a data URI or a file name");
    }
    return binary;
  }

  private byte[] fetch(JsonPlace place) throws FormatException {
    String uri = place.text();
    if (uri.startsWith("data:")) {
      int comma = uri.indexOf(";base64,");
      try {
        if (comma > 0) {
          return Base64.getDecoder().decode(uri.substring(comma + 8));
        }
      } catch (IllegalArgumentException e) {
        throw new FormatException(place.path(), "not base64", "a base64 data URI");
      }
    }
    byte[] data = beside.get(fileName(uri));
    if (data == null) {
      String shown = uri.length() > 60 ? uri.substring(0, 60) + "…" : uri;
      throw new FormatException(
          place.path(), "'" + shown + "'", "a data URI or the plain name of a file sent along");
    }
    return data;
  }

  private static String fileName(String uri) {
    try {
      return URLDecoder.decode(uri.replace("+", "%2B"), StandardCharsets.UTF_8);
    } catch (IllegalArgumentException e) {
      return uri;
    }
  }

  /** The bytes of a buffer. */
  ByteBuffer buffer(JsonPlace index) throws FormatException {
    resolve("buffers", index);
    return buffers.get(index.whole());
  }

  static long size(JsonPlace place) throws FormatException {
    double value = place.number();
    if (!(value >= 0 && value <= Integer.MAX_VALUE) || value != Math.rint(value)) {
      throw place.refusal("a whole number from 0 to " + Integer.MAX_VALUE);
    }
    return (long) value;
  }
}
