package idlelens.exchange.gltf;

import idlelens.core.set.Finish;
import idlelens.exchange.scenefile.Content;
import java.util.HashMap;
import java.util.IdentityHashMap;
import java.util.Map;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** Writes meshes and materials, each once. */
final class MeshWriter {
  private final GlbBuilder glb;
  private final Map<Content.FileMesh, Integer> meshIndex = new IdentityHashMap<>();
  private final Map<Finish, Integer> materialIndex = new HashMap<>();

  MeshWriter(GlbBuilder glb) {
    this.glb = glb;
  }

  /** The index of a mesh that has triangles. */
  int index(Content.FileMesh mesh, String name) {
    return meshIndex.computeIfAbsent(mesh, m -> write(m, name));
  }

  private int write(Content.FileMesh mesh, String name) {
    ObjectNode out = glb.list("meshes").addObject();
    int index = glb.list("meshes").size() - 1;
    out.put("name", name);
    ArrayNode primitives = out.putArray("primitives");
    mesh.parts().forEach(part -> writePart(part, primitives.addObject()));
    return index;
  }

  private void writePart(Content.Part part, ObjectNode primitive) {
    ObjectNode attributes = primitive.putObject("attributes");
    attributes.put("POSITION", glb.vertexNumbers(floats(part.positions()), "VEC3", true));
    if (part.normals() != null) {
      attributes.put("NORMAL", glb.vertexNumbers(floats(part.normals()), "VEC3", false));
    }
    if (isShaded(part)) {
      attributes.put("COLOR_0", glb.vertexNumbers(grey(part.shades()), "VEC3", false));
    }
    primitive.put("indices", glb.indices(part.indices()));
    primitive.put("material", materialIndex.computeIfAbsent(part.finish(), this::writeMaterial));
  }

  private static float[] floats(double[] values) {
    float[] out = new float[values.length];
    for (int i = 0; i < out.length; i++) {
      out[i] = (float) values[i];
    }
    return out;
  }

  private static boolean isShaded(Content.Part part) {
    for (float shade : part.shades()) {
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
