package idlelens.exchange.obj;

import idlelens.core.set.Finish;
import idlelens.exchange.format.FormatException;
import idlelens.exchange.format.Growing;
import idlelens.exchange.format.NumberScan;
import idlelens.exchange.format.ReadBudget;
import idlelens.exchange.scenefile.Axes;
import idlelens.exchange.scenefile.Content;
import idlelens.exchange.scenefile.Conventions;
import idlelens.exchange.scenefile.Corners;
import idlelens.exchange.scenefile.FileClock;
import idlelens.exchange.scenefile.FileNode;
import idlelens.exchange.scenefile.Rest;
import idlelens.exchange.scenefile.SceneFile;
import idlelens.exchange.scenefile.Upload;
import idlelens.exchange.scenefile.Wording;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/** Reads {@code .obj}: a piece for each object and material. It says no unit: metres, +Y up. */
final class ObjReader {
  private static final Finish PLAIN = Finish.matt("#c8c4bc");
  private static final int MOST_LINE = 1 << 20;
  private static final int MOST_CORNERS = 10_000;
  private static final Set<String> PASSED =
      Set.of("s", "vt", "vp", "mg", "o", "g", "usemtl", "mtllib");

  private final ReadBudget budget;
  private final Upload upload;
  private final Growing positions = new Growing();
  private final Growing normals = new Growing();
  private final List<FileNode> nodes = new ArrayList<>();
  private final Set<String> notes = new LinkedHashSet<>();
  private final Map<String, Finish> colours = new HashMap<>();
  private String name = "Object";
  private Finish finish = PLAIN;
  private Growing corners = new Growing();
  private Growing cornerNormals = new Growing();
  private Growing counts = new Growing();
  private int line;

  private ObjReader(Upload upload) {
    this.upload = upload;
    long beside = upload.beside().values().stream().mapToLong(b -> b.length).sum();
    this.budget = new ReadBudget(upload.octets().length + beside);
  }

  static SceneFile read(Upload upload) throws FormatException {
    ObjReader reader = new ObjReader(upload);
    reader.lines(upload.octets(), reader::statement);
    reader.close();
    if (reader.nodes.isEmpty()) {
      throw new FormatException("the file", "without faces", "at least one face (f)");
    }
    reader.notes.add("an .obj says neither unit nor axes: metres, +Y up");
    return new SceneFile(
        new Conventions(Axes.Y_UP, 1, Rest.OWN_Z),
        Wording.OURS,
        FileClock.SECONDS,
        reader.nodes,
        Optional.empty(),
        reader.budget,
        List.copyOf(reader.notes));
  }

  /** Takes the words of a line. */
  private interface Statement {
    void of(String[] words) throws FormatException;
  }

  private void lines(byte[] octets, Statement each) throws FormatException {
    int from = 0;
    line = 0;
    StringBuilder whole = new StringBuilder();
    while (from <= octets.length) {
      int to = from;
      while (to < octets.length && octets[to] != '\n') {
        to++;
      }
      line++;
      String text = new String(octets, from, to - from, StandardCharsets.UTF_8);
      from = to + 1;
      boolean goesOn = text.stripTrailing().endsWith("\\");
      whole.append(goesOn ? text.stripTrailing().replaceAll("\\\\$", " ") : text);
      if (whole.length() > MOST_LINE) {
        throw refusal("longer than " + MOST_LINE + " letters", "shorter lines");
      }
      if (!goesOn) {
        String bare = whole.toString().replaceAll("#.*", "").strip();
        whole.setLength(0);
        if (!bare.isEmpty()) {
          each.of(bare.split("\\s+"));
        }
      }
    }
  }

  private FormatException refusal(Object found, String allowed) {
    return new FormatException("line " + line, found, allowed);
  }

  private void statement(String[] words) throws FormatException {
    switch (words[0]) {
      case "v":
        vector(words, positions);
        break;
      case "vn":
        vector(words, normals);
        break;
      case "f":
        face(words);
        break;
      case "o", "g":
        close();
        name = rest(words, "Object");
        break;
      case "usemtl":
        close();
        finish = colours.getOrDefault(rest(words, ""), PLAIN);
        break;
      case "mtllib":
        materials(rest(words, ""));
        break;
      default:
        if (!PASSED.contains(words[0])) {
          notes.add("'" + shown(words[0]) + "' is left out");
        }
    }
  }

  private static String shown(String word) {
    return word.length() > 20 ? word.substring(0, 20) + "…" : word;
  }

  private static String rest(String[] words, String otherwise) {
    String rest = String.join(" ", Arrays.copyOfRange(words, 1, words.length));
    return rest.isEmpty() ? otherwise : rest;
  }

  private void vector(String[] words, Growing into) throws FormatException {
    if (words.length < 4) {
      throw refusal(words.length - 1 + " numbers", "3 numbers");
    }
    budget.take(ReadBudget.Thing.NUMBERS, 3, "line " + line);
    for (int i = 1; i <= 3; i++) {
      into.add(number(words[i]));
    }
  }

  private double number(String word) throws FormatException {
    byte[] octets = word.getBytes(StandardCharsets.UTF_8);
    NumberScan scan = new NumberScan(octets, octets.length);
    double value = scan.read(0);
    if (scan.at() != octets.length || !(Math.abs(value) <= Float.MAX_VALUE)) {
      throw refusal("'" + shown(word) + "'", "a number");
    }
    return value;
  }

  private void face(String[] words) throws FormatException {
    int count = words.length - 1;
    if (count < 3 || count > MOST_CORNERS) {
      throw refusal(count + " corners", "3 to " + MOST_CORNERS + " corners");
    }
    budget.take(ReadBudget.Thing.TRIANGLES, count, "line " + line);
    counts.add(count);
    for (int i = 1; i <= count; i++) {
      String[] parts = words[i].split("/", -1);
      corners.add(index(parts[0], positions.count() / 3));
      boolean normal = parts.length > 2 && !parts[2].isEmpty();
      cornerNormals.add(normal ? index(parts[2], normals.count() / 3) : -1);
    }
  }

  /** From 1 on; below 0 from the last one back. */
  private int index(String word, int there) throws FormatException {
    int value;
    try {
      value = Integer.parseInt(word);
    } catch (NumberFormatException e) {
      throw refusal("'" + shown(word) + "'", "the number of a vertex");
    }
    int index = value < 0 ? there + value : value - 1;
    if (value == 0 || index < 0 || index >= there) {
      throw refusal("vertex " + value, "1 to " + there + ", or -1 to -" + there);
    }
    return index;
  }

  /** Makes a node of the faces since the last one. */
  private void close() throws FormatException {
    if (counts.count() == 0) {
      return;
    }
    Used used = new Used(corners.toArray());
    Corners all =
        Corners.of("line " + line, counts.toArray(), used.renumbered(), used.vertices().length);
    double[] own = used.pick(positions);
    double[] normalOf = cornerNormals.toArray();
    boolean smooth = Arrays.stream(normalOf).allMatch(n -> n >= 0);
    Corners.Flat flat =
        smooth ? all.apart(own, spread(normalOf)) : new Corners.Flat(own, null, all.triangles());
    float[] shades = new float[flat.positions().length / 3];
    Arrays.fill(shades, 1);
    String where = name + ", to line " + line;
    Content.Part part =
        new Content.Part(where, flat.positions(), flat.normals(), shades, flat.indices(), finish);
    Content piece =
        new Content.Piece(where, new Content.FileMesh(where, List.of(part)), Optional.empty());
    nodes.add(
        new FileNode(
            String.valueOf(nodes.size()), name, where, -1, List.of(), false, List.of(piece)));
    corners = new Growing();
    cornerNormals = new Growing();
    counts = new Growing();
  }

  /** The vertices that some faces use, numbered anew. */
  private record Used(int[] vertices, double[] renumbered) {
    Used(double[] corners) {
      this(
          Arrays.stream(corners).mapToInt(c -> (int) c).distinct().sorted().toArray(),
          new double[corners.length]);
      for (int i = 0; i < corners.length; i++) {
        renumbered[i] = Arrays.binarySearch(vertices, (int) corners[i]);
      }
    }

    double[] pick(Growing positions) {
      double[] own = new double[vertices.length * 3];
      for (int i = 0; i < own.length; i++) {
        own[i] = positions.get(vertices[i / 3] * 3 + i % 3);
      }
      return own;
    }
  }

  private double[] spread(double[] indices) {
    double[] out = new double[indices.length * 3];
    for (int i = 0; i < out.length; i++) {
      out[i] = normals.get((int) indices[i / 3] * 3 + i % 3);
    }
    return out;
  }

  /** Colours of a library that was sent along; one that was not is said. */
  private void materials(String file) throws FormatException {
    byte[] octets = upload.beside().get(file);
    if (octets == null) {
      notes.add("'" + shown(file) + "' was not sent along: pieces have no colour of their own");
      return;
    }
    int own = line;
    String[] current = {""};
    lines(
        octets,
        words -> {
          if (words[0].equals("newmtl")) {
            current[0] = rest(words, "");
          } else if (words[0].equals("Kd") && words.length >= 4) {
            double[] c = {number(words[1]), number(words[2]), number(words[3])};
            colours.put(current[0], Finish.matt(Finish.hex(c[0], c[1], c[2])));
          }
        });
    line = own;
  }
}
