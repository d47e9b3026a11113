package idlelens.exchange.mesh;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import idlelens.core.set.Mesh;
import idlelens.core.set.Mesher;
import idlelens.core.set.Shape;
import idlelens.exchange.format.FormatException;
import java.util.Arrays;
import org.junit.jupiter.api.Test;

class MeshOctetsTest {
  private static final byte[] PERSON = MeshOctets.write(Mesher.mesh(new Shape.Person(1.72)));

  @Test
  void writeAndRead_givesTheSameTriangles() throws Exception {
    Mesh mesh = Mesher.mesh(new Shape.Person(1.72));
    Mesh back = MeshOctets.read(PERSON);
    assertThat(back.positions()).isEqualTo(mesh.positions());
    assertThat(back.normals()).isEqualTo(mesh.normals());
    assertThat(back.shades()).isEqualTo(mesh.shades());
    assertThat(back.indices()).isEqualTo(mesh.indices());
  }

  @Test
  void read_cutOrWrongOctets_isRefused() {
    for (int length : new int[] {0, 3, 11, 12, 100, PERSON.length - 1}) {
      assertThatThrownBy(() -> MeshOctets.read(Arrays.copyOf(PERSON, length)))
          .isInstanceOf(FormatException.class);
    }
    byte[] wild = PERSON.clone();
    wild[wild.length - 1] = 0x7F; // an index far beyond the vertices
    assertThatThrownBy(() -> MeshOctets.read(wild))
        .isInstanceOf(FormatException.class)
        .hasMessageContaining("mesh.indices");
  }
}
