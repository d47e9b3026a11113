package idlelens.exchange.collada;

import idlelens.core.set.Finish;
import idlelens.exchange.format.FormatException;
import idlelens.exchange.format.ReadBudget;
import idlelens.exchange.scenefile.Content;
import idlelens.exchange.scenefile.Corners;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.IntStream;

/** The meshes and colours of a document. */
final class DaeMeshes {
  private static final Finish PLAIN = Finish.matt("#c8c4bc");
  private static final Set<String> FACES = Set.of("triangles", "polylist");

  private final Sources sources;
  private final ReadBudget budget;
  private final Set<String> notes;
  private final Map<Element, Content.FileMesh> known = new HashMap<>();

  DaeMeshes(Sources sources, ReadBudget budget, Set<String> notes) {
    this.sources = sources;
    this.budget = budget;
    this.notes = notes;
  }

  Optional<Content.FileMesh> of(Element instance) throws FormatException {
    Element geometry = sources.resolve(instance, "url", "geometry");
    Optional<Element> mesh = geometry.find("mesh");
    if (mesh.isEmpty()) {
      notes.add(geometry.place() + ": geometry other than a mesh is left out");
      return Optional.empty();
    }
    Content.FileMesh found = known.get(geometry);
    if (found == null) {
      found = new Content.FileMesh(geometry.place(), parts(mesh.get(), materials(instance)));
      known.put(geometry, found);
    }
    return Optional.of(found);
  }

  /** Colours by the words that faces call them. */
  private Map<String, Finish> materials(Element instance) throws FormatException {
    Map<String, Finish> all = new HashMap<>();
    Optional<Element> common = instance.find("bind_material", "technique_common");
    if (common.isPresent()) {
      for (Element bound : common.get().all("instance_material")) {
        Element material = sources.resolve(bound, "target", "material");
        all.put(bound.attribute("symbol"), finish(material));
      }
    }
    return all;
  }

  private Finish finish(Element material) throws FormatException {
    Element effect = sources.resolve(material.need("instance_effect"), "url", "effect");
    Optional<Element> technique = effect.find("profile_COMMON", "technique");
    if (technique.isEmpty()) {
      return PLAIN;
    }
    for (Element shading : technique.get().children()) {
      Optional<Element> glow = shading.find("emission", "color");
      Optional<Element> colour = shading.find("diffuse", "color");
      if (glow.isPresent() && brightest(glow.get().numbers(4)) > 0.2) {
        double[] c = glow.get().numbers(4);
        return new Finish(Finish.hex(c[0], c[1], c[2]), Finish.Kind.GLOW);
      }
      if (colour.isPresent()) {
        double[] c = colour.get().numbers(4);
        return Finish.matt(Finish.hex(c[0], c[1], c[2]));
      }
    }
    return PLAIN;
  }

  private static double brightest(double[] colour) {
    return Math.max(colour[0], Math.max(colour[1], colour[2]));
  }

  private List<Content.Part> parts(Element mesh, Map<String, Finish> materials)
      throws FormatException {
    List<Content.Part> parts = new ArrayList<>();
    for (Element faces : mesh.children()) {
      if (FACES.contains(faces.name())) {
        Finish finish = materials.getOrDefault(faces.attribute("material"), PLAIN);
        part(faces, finish).ifPresent(parts::add);
      } else if (faces.find("p").isPresent()) {
        notes.add(faces.place() + ": faces of this kind are left out");
      }
    }
    return parts;
  }

  private Optional<Content.Part> part(Element faces, Finish finish) throws FormatException {
    int width = 1;
    int vertexAt = -1;
    int normalAt = -1;
    Sources.Source positions = null;
    Sources.Source normals = null;
    for (Element input : faces.all("input")) {
      int offset = Sources.whole(input, "offset", 0, 32);
      width = Math.max(width, offset + 1);
      switch (input.attribute("semantic")) {
        case "VERTEX":
          vertexAt = offset;
          Element vertices = sources.resolve(input, "source", "vertices");
          positions = sources.of(semantic(vertices, "POSITION"));
          break;
        case "NORMAL":
          normalAt = offset;
          normals = sources.of(input);
          break;
        default:
      }
    }
    if (positions == null || faces.find("p").isEmpty()) {
      return Optional.empty();
    }
    requireThree(faces, positions);
    double[] p = faces.need("p").numbers();
    budget.take(ReadBudget.Thing.TRIANGLES, p.length / width, faces.place());
    double[] counts = counts(faces, p.length / width);
    Corners corners =
        Corners.of(faces.place(), counts, every(p, width, vertexAt), positions.count());
    double[] own = normals == null ? null : spread(faces, normals, every(p, width, normalAt));
    Corners.Flat flat =
        own == null
            ? new Corners.Flat(positions.numbers(), null, corners.triangles())
            : corners.apart(positions.numbers(), own);
    float[] shades = new float[flat.positions().length / 3];
    Arrays.fill(shades, 1);
    return Optional.of(
        new Content.Part(
            faces.place(), flat.positions(), flat.normals(), shades, flat.indices(), finish));
  }

  private static Element semantic(Element vertices, String semantic) throws FormatException {
    return vertices.all("input").stream()
        .filter(i -> i.attribute("semantic").equals(semantic))
        .findFirst()
        .orElseThrow(() -> vertices.refusal("without " + semantic, "one"));
  }

  private static void requireThree(Element faces, Sources.Source source) throws FormatException {
    if (source.stride() != 3 || source.numbers().length % 3 != 0) {
      throw faces.refusal(source.stride() + " numbers a vertex", "3, in whole vertices");
    }
  }

  private static double[] every(double[] all, int width, int offset) {
    return IntStream.range(0, all.length / width)
        .mapToDouble(i -> all[i * width + offset])
        .toArray();
  }

  private static double[] spread(Element faces, Sources.Source normals, double[] indices)
      throws FormatException {
    requireThree(faces, normals);
    double[] out = new double[indices.length * 3];
    for (int i = 0; i < indices.length; i++) {
      if (!(indices[i] >= 0 && indices[i] < normals.count())) {
        throw faces.refusal("normal " + indices[i], "0 to " + (normals.count() - 1));
      }
      System.arraycopy(normals.numbers(), (int) indices[i] * 3, out, i * 3, 3);
    }
    return out;
  }

  private static double[] counts(Element faces, int corners) throws FormatException {
    if (faces.name().equals("polylist")) {
      return faces.need("vcount").numbers();
    }
    double[] threes = new double[corners / 3];
    Arrays.fill(threes, 3);
    return threes;
  }
}
