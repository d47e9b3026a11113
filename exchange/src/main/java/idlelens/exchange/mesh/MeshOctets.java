package idlelens.exchange.mesh;

import idlelens.core.rule.RefusedException;
import idlelens.core.set.Mesh;
import idlelens.exchange.format.FormatException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;

/**
 * Little-endian: the letters {@code ILM1}, vertices V and triangles T as uint32, then float32
 * positions (3V), normals (3V), shades (V) and uint32 indices (3T).
 */
public final class MeshOctets {
  private static final int MAGIC = 0x314D4C49;

  /** How many octets tell whether they are triangles, and how many. */
  public static final int HEAD = 12;

  private MeshOctets() {}

  public static byte[] write(Mesh mesh) {
    ByteBuffer out =
        ByteBuffer.allocate(HEAD + mesh.vertices() * 28 + mesh.triangles() * 12)
            .order(ByteOrder.LITTLE_ENDIAN);
    out.putInt(MAGIC).putInt(mesh.vertices()).putInt(mesh.triangles());
    out.asFloatBuffer().put(mesh.positions()).put(mesh.normals()).put(mesh.shades());
    out.position(HEAD + mesh.vertices() * 28);
    out.asIntBuffer().put(mesh.indices());
    return out.array();
  }

  /** Whether octets begin like triangles. */
  public static boolean isMesh(byte[] octets) {
    return octets.length >= HEAD
        && ByteBuffer.wrap(octets).order(ByteOrder.LITTLE_ENDIAN).getInt() == MAGIC;
  }

  /** Reads what {@link #write} wrote. */
  public static Mesh read(byte[] octets) throws FormatException {
    ByteBuffer in = ByteBuffer.wrap(octets).order(ByteOrder.LITTLE_ENDIAN);
    if (octets.length < HEAD || in.getInt() != MAGIC) {
      throw new FormatException("byte 0", "not a mesh", "the letters ILM1");
    }
    long vertices = in.getInt() & 0xFFFFFFFFL;
    long triangles = in.getInt() & 0xFFFFFFFFL;
    long length = HEAD + vertices * 28 + triangles * 12;
    if (length != octets.length) {
      throw new FormatException("length", octets.length, length + " bytes, as its head says");
    }
    float[] positions = new float[(int) vertices * 3];
    float[] normals = new float[positions.length];
    float[] shades = new float[(int) vertices];
    int[] indices = new int[(int) triangles * 3];
    in.asFloatBuffer().get(positions).get(normals).get(shades);
    in.position((int) (HEAD + vertices * 28));
    in.asIntBuffer().get(indices);
    for (float number : positions) {
      if (!Float.isFinite(number)) {
        throw new FormatException("positions", number, "finite numbers");
      }
    }
    try {
      return new Mesh(positions, normals, shades, indices);
    } catch (RefusedException e) {
      throw new FormatException(e.where(), e.found(), e.allowed());
    }
  }
}
