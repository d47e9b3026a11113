package idlelens.exchange.ply;

import idlelens.core.set.Finish;
import idlelens.exchange.format.FormatException;
import idlelens.exchange.format.Growing;
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
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;

/**
 * Reads {@code .ply}: a mesh where there are faces, else its points as particles. It says no unit:
 * metres, +Y up.
 */
final class PlyReader {
  private static final int MOST_LIST = 10_000;

  private final Upload upload;
  private final PlyHead head;
  private final PlyNumbers numbers;
  private final ReadBudget budget;
  private final List<String> notes = new ArrayList<>();
  private double[] positions = new double[0];
  private double[] normals;
  private double[] colours;
  private final Growing counts = new Growing();
  private final Growing corners = new Growing();

  private PlyReader(Upload upload) throws FormatException {
    this.upload = upload;
    this.head = PlyHead.read(upload.octets());
    this.numbers = new PlyNumbers(upload.octets(), head);
    this.budget = new ReadBudget(upload.octets().length);
  }

  static SceneFile read(Upload upload) throws FormatException {
    return new PlyReader(upload).read();
  }

  private SceneFile read() throws FormatException {
    for (PlyHead.Kind kind : head.kinds()) {
      requireRoom(kind);
      if (kind.name().equals("vertex")) {
        vertices(kind);
      } else if (kind.name().equals("face")) {
        faces(kind);
      } else {
        pass(kind);
      }
    }
    if (positions.length == 0) {
      throw new FormatException("element vertex", "none", "at least one vertex with x, y and z");
    }
    notes.add("a .ply says neither unit nor axes: metres, +Y up");
    String name = upload.name().replaceAll("\\.[^.]*$", "");
    FileNode node =
        new FileNode("0", name, "vertices", -1, List.of(), false, List.of(content(name)));
    return new SceneFile(
        new Conventions(Axes.Y_UP, 1, Rest.OWN_Z),
        Wording.OURS,
        FileClock.SECONDS,
        List.of(node),
        Optional.empty(),
        budget,
        notes);
  }

  /** Every element takes octets: more than are left are not there. */
  private void requireRoom(PlyHead.Kind kind) throws FormatException {
    long least = Math.max(1, kind.properties().size());
    if (kind.count() * least > numbers.left()) {
      throw new FormatException(
          "element " + kind.name(),
          kind.count(),
          "at most " + numbers.left() / least + ", for which there are bytes");
    }
    budget.take(ReadBudget.Thing.NUMBERS, kind.count() * least, "element " + kind.name());
  }

  private void vertices(PlyHead.Kind kind) throws FormatException {
    int count = (int) kind.count();
    int[] place = places(kind, "x", "y", "z");
    int[] normal = places(kind, "nx", "ny", "nz");
    int[] colour = places(kind, "red", "green", "blue");
    if (place == null) {
      throw new FormatException("element vertex", "without x, y and z", "these three");
    }
    positions = new double[count * 3];
    normals = normal == null ? null : new double[count * 3];
    colours = colour == null ? null : new double[count * 3];
    double[] row = new double[kind.properties().size()];
    for (int i = 0; i < count; i++) {
      row(kind, row);
      copy(row, place, positions, i);
      copy(row, normal, normals, i);
      copy(row, colour, colours, i);
    }
    for (int i = 0; i < positions.length; i++) {
      if (!(Math.abs(positions[i]) <= Float.MAX_VALUE)) {
        throw new FormatException("vertex " + i / 3, positions[i], "finite numbers");
      }
    }
  }

  private static int[] places(PlyHead.Kind kind, String... names) {
    int[] places = Arrays.stream(names).mapToInt(kind::place).toArray();
    return Arrays.stream(places).allMatch(p -> p >= 0) ? places : null;
  }

  private static void copy(double[] row, int[] from, double[] into, int index) {
    for (int c = 0; from != null && c < 3; c++) {
      into[index * 3 + c] = row[from[c]];
    }
  }

  private void row(PlyHead.Kind kind, double[] row) throws FormatException {
    for (int p = 0; p < row.length; p++) {
      PlyHead.Property property = kind.properties().get(p);
      if (property.isList()) {
        passList(property);
      } else {
        row[p] = numbers.next(property.type());
      }
    }
  }

  private int length(PlyHead.Property property) throws FormatException {
    double length = numbers.next(property.length());
    if (!(length >= 0 && length <= MOST_LIST) || length != Math.rint(length)) {
      throw new FormatException(
          "property " + property.name(), "a list of " + length, "0 to " + MOST_LIST);
    }
    return (int) length;
  }

  private void passList(PlyHead.Property property) throws FormatException {
    int length = length(property);
    for (int i = 0; i < length; i++) {
      numbers.next(property.type());
    }
  }

  private void pass(PlyHead.Kind kind) throws FormatException {
    notes.add("element " + kind.name() + " is left out");
    double[] row = new double[kind.properties().size()];
    for (long i = 0; i < kind.count(); i++) {
      row(kind, row);
    }
  }

  private void faces(PlyHead.Kind kind) throws FormatException {
    for (long i = 0; i < kind.count(); i++) {
      for (PlyHead.Property property : kind.properties()) {
        boolean own =
            property.isList()
                && (property.name().equals("vertex_indices")
                    || property.name().equals("vertex_index"));
        if (own) {
          face(property);
        } else if (property.isList()) {
          passList(property);
        } else {
          numbers.next(property.type());
        }
      }
    }
  }

  private void face(PlyHead.Property property) throws FormatException {
    int length = length(property);
    budget.take(ReadBudget.Thing.TRIANGLES, length, "element face");
    counts.add(length);
    for (int i = 0; i < length; i++) {
      corners.add(numbers.next(property.type()));
    }
  }

  private Content content(String name) throws FormatException {
    List<Content.Part> parts = counts.count() == 0 ? particles() : List.of(mesh());
    return new Content.Piece(name, new Content.FileMesh(name, parts), Optional.empty());
  }

  private Content.Part mesh() throws FormatException {
    Corners all =
        Corners.of("element face", counts.toArray(), corners.toArray(), positions.length / 3);
    float[] shades = new float[positions.length / 3];
    Arrays.fill(shades, 1);
    return new Content.Part("element face", positions, normals, shades, all.triangles(), mean());
  }

  private Finish mean() {
    if (colours == null) {
      return Finish.matt("#c8c4bc");
    }
    double[] sum = new double[3];
    for (int i = 0; i < colours.length; i++) {
      sum[i % 3] += colours[i] / (colours.length / 3);
    }
    return Finish.matt(String.format("#%02x%02x%02x", octet(sum[0]), octet(sum[1]), octet(sum[2])));
  }

  private static int octet(double value) {
    return (int) Math.max(0, Math.min(255, Math.rint(value)));
  }

  private List<Content.Part> particles() throws FormatException {
    int points = positions.length / 3;
    notes.add(points + " points become particles: each a small body of four triangles");
    budget.take(ReadBudget.Thing.TRIANGLES, 4L * points, "element vertex");
    return List.of(Particles.of(positions, shades(), mean()));
  }

  /** How bright each point is beside the brightest channel of them all. */
  private float[] shades() {
    float[] shades = new float[positions.length / 3];
    double most = 0;
    for (int i = 0; i < shades.length; i++) {
      shades[i] = colours == null ? 1 : (float) (sumAt(i) / 3);
      most = Math.max(most, shades[i]);
    }
    for (int i = 0; colours != null && i < shades.length; i++) {
      shades[i] = most > 0 ? (float) (shades[i] / most) : 1;
    }
    return shades;
  }

  private double sumAt(int point) {
    return colours[3 * point] + colours[3 * point + 1] + colours[3 * point + 2];
  }
}
