package idlelens.exchange.gltf;

import idlelens.core.set.Finish;
import idlelens.core.set.Mesh;
import idlelens.core.set.Mesher;
import idlelens.core.set.Shape;
import idlelens.exchange.json.PieceJson;
import java.util.HashMap;
import java.util.Map;
import java.util.Set;
import java.util.function.Function;
import tools.jackson.databind.node.ObjectNode;

/** Writes the meshes and materials of pieces, each look once. */
final class MeshWriter {
  private final GlbBuilder glb;
  private final Function<String, Mesh> stored;
  private final Set<String> notes;
  private final Map<PieceJson.Look, Integer> meshIndex = new HashMap<>();
  private final Map<Finish, Integer> materialIndex = new HashMap<>();

  /**
   * @param stored finds the triangles of an imported piece by their SHA-256
   */
  MeshWriter(GlbBuilder glb, Function<String, Mesh> stored, Set<String> notes) {
    this.glb = glb;
    this.stored = stored;
    this.notes = notes;
  }

  /** The mesh of a look; -1 if it has no triangles. */
  int index(PieceJson.Look look, String name) {
    return meshIndex.computeIfAbsent(look, l -> write(l, name));
  }

  private int write(PieceJson.Look look, String name) {
    Mesh mesh =
        look.shape() instanceof Shape.Imported imported
            ? stored.apply(imported.asset())
            : Mesher.mesh(look.shape());
    if (mesh.triangles() == 0) {
      notes.add(name + " has no triangles");
      return -1;
    }
    ObjectNode out = glb.list("meshes").addObject();
    out.put("name", name);
    ObjectNode primitive = out.putArray("primitives").addObject();
    ObjectNode attributes = primitive.putObject("attributes");
    attributes.put("POSITION", glb.vertexNumbers(mesh.positions(), "VEC3", true));
    attributes.put("NORMAL", glb.vertexNumbers(mesh.normals(), "VEC3", false));
    if (isShaded(mesh)) {
      attributes.put("COLOR_0", glb.vertexNumbers(grey(mesh.shades()), "VEC3", false));
    }
    primitive.put("indices", glb.indices(mesh.indices()));
    primitive.put("material", materialIndex.computeIfAbsent(look.finish(), this::writeMaterial));
    return glb.list("meshes").size() - 1;
  }

  private static boolean isShaded(Mesh mesh) {
    for (float shade : mesh.shades()) {
      if (shade != 1) {
        return true;
      }
    }
    return false;
  }

  private static float[] grey(float[] shades) {
    float[] out = new float[shades.length * 3];
    for (int i = 0; i < out.length; i++) {
      out[i] = shades[i / 3];
    }
    return out;
  }

  private int writeMaterial(Finish finish) {
    double[] rgb = finish.linear();
    ObjectNode out = glb.list("materials").addObject();
    out.put("name", finish.colour()).put("doubleSided", true);
    ObjectNode pbr = out.putObject("pbrMetallicRoughness");
    pbr.putArray("baseColorFactor").add(rgb[0]).add(rgb[1]).add(rgb[2]).add(1);
    pbr.put("metallicFactor", 0);
    pbr.put("roughnessFactor", finish.kind() == Finish.Kind.WATER ? 0.1 : 0.9);
    if (finish.kind() == Finish.Kind.GLOW) {
      out.putArray("emissiveFactor").add(rgb[0]).add(rgb[1]).add(rgb[2]);
    }
    return glb.list("materials").size() - 1;
  }
}
