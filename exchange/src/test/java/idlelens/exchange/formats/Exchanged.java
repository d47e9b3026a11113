package idlelens.exchange.formats;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import idlelens.core.curve.Tangent;
import idlelens.core.geometry.Turns;
import idlelens.core.motion.Evaluation;
import idlelens.core.motion.LensTrack;
import idlelens.core.motion.NodeMotion;
import idlelens.core.scene.Node;
import idlelens.core.scene.Shot;
import idlelens.core.scene.ShotHeader;
import idlelens.core.set.Mesh;
import idlelens.core.set.Mesher;
import idlelens.core.set.Shape;
import idlelens.core.time.FrameRate;
import idlelens.core.time.SampleGrid;
import idlelens.exchange.format.FormatException;
import idlelens.exchange.incoming.ReadSettings;
import idlelens.exchange.incoming.SceneImport;
import idlelens.exchange.incoming.SceneReading;
import idlelens.exchange.outgoing.HandOff;
import idlelens.exchange.outgoing.SceneOfShot;
import idlelens.exchange.profile.ReceiverProfile;
import idlelens.exchange.scenefile.SceneFile;
import idlelens.exchange.scenefile.SceneFormat;
import idlelens.exchange.scenefile.Upload;
import java.util.List;
import java.util.OptionalDouble;
import org.joml.Matrix3d;
import org.joml.Quaterniond;
import org.joml.Vector3d;

/** Files written and read, and cameras held against one another. */
final class Exchanged {
  private Exchanged() {}

  static Mesh sphere(String hash) {
    return Mesher.mesh(new Shape.Sphere(1));
  }

  static byte[] write(HandOff handOff, SceneFormat format) {
    return format.write(SceneOfShot.of(handOff, format.holds(), Exchanged::sphere)).octets();
  }

  static HandOff handOff(Shot shot, String camera, ReceiverProfile profile) {
    return new HandOff(
        shot, HandOff.framesOf(shot, profile), List.of(camera), HandOff.Company.SET, profile);
  }

  /** A file as a shot, taken at its word. */
  static Shot read(SceneFormat format, byte[] octets) throws FormatException {
    return read(format.read(Upload.of("file." + format.endings().get(0), octets)));
  }

  static Shot read(SceneFile file) throws FormatException {
    FrameRate rate =
        file.hint().map(h -> h.rate()).or(() -> file.clock().rate()).orElse(FrameRate.of(24));
    int first = file.hint().map(h -> h.first()).or(() -> file.clock().firstFrame()).orElse(0);
    return read(file, rate, first);
  }

  static Shot read(SceneFile file, FrameRate rate, int first) throws FormatException {
    OptionalDouble aspect =
        file.hint().isPresent()
            ? OptionalDouble.of(file.hint().get().aspect())
            : OptionalDouble.empty();
    SceneImport found = SceneReading.read(file, new ReadSettings(rate, first, aspect, "n"));
    ShotHeader header =
        new ShotHeader(
            "Read",
            rate,
            found.range(),
            0,
            aspect.orElse(found.aspect().orElse(16.0 / 9)),
            1,
            Tangent.Kind.SETTLE);
    return new Shot(header, found.nodes());
  }

  static String camera(Shot shot, String name) {
    return shot.cameras().stream()
        .filter(c -> c.name().equals(name))
        .findFirst()
        .map(Node::id)
        .orElseThrow();
  }

  /** How far off a camera may be. */
  record Limits(double placeM, double turnDeg, double focalMm, double focusM) {
    static final Limits SINGLE = new Limits(1e-5, 1e-4, 1e-4, 1e-5);
    static final Limits DOUBLE = new Limits(1e-9, 1e-9, 1e-9, 1e-9);
  }

  /** On every frame of a hand-off the camera is where it was, and sees what it saw. */
  static void assertSame(HandOff handOff, Shot back, String name, Limits limits) {
    SampleGrid theirs = new SampleGrid(handOff.firstFrame(), handOff.grid().count(), 1);
    String camera = handOff.cameras().get(0);
    NodeMotion was = Evaluation.of(handOff.shot(), handOff.grid(), null).of(camera);
    NodeMotion is = Evaluation.of(back, theirs, null).of(camera(back, name));
    LensTrack wasLens = was.lens().orElseThrow();
    LensTrack isLens = is.lens().orElseThrow();
    for (int i = 0; i < theirs.count(); i++) {
      int a = wasLens.index(i);
      int b = isLens.index(i);
      assertThat(is.world().pose(i).place().distance(was.world().pose(i).place()))
          .as("place at sample %d", i)
          .isLessThan(limits.placeM);
      assertThat(Math.toDegrees(Turns.angleBetween(is.world().turn(i), was.world().turn(i))))
          .as("turn at sample %d", i)
          .isLessThan(limits.turnDeg);
      assertThat(isLens.focalMm()[b])
          .as("focal length at sample %d", i)
          .isCloseTo(wasLens.focalMm()[a], within(limits.focalMm));
      assertThat(isLens.horizontalRad()[b]).isCloseTo(wasLens.horizontalRad()[a], within(1e-7));
      assertThat(isLens.focusM()[b])
          .as("focus at sample %d", i)
          .isCloseTo(wasLens.focusM()[a], within(limits.focusM));
      assertThat(isLens.fStop()[b]).isCloseTo(wasLens.fStop()[a], within(1e-6));
    }
  }

  /**
   * A camera follows a truth table: frame, its matrix by rows, vertical degrees.
   *
   * @param matrix how far off its elements may be
   */
  static void assertFollows(Shot shot, String camera, List<double[]> truth, double matrix) {
    NodeMotion motion =
        Evaluation.of(shot, new SampleGrid(truth.get(0)[0], truth.size(), 1), null).of(camera);
    for (int i = 0; i < truth.size(); i++) {
      double[] row = truth.get(i);
      int p = motion.world().index(i);
      assertThat(motion.world().x()[p]).as("x at %s", row[0]).isCloseTo(row[4], within(1e-5));
      assertThat(motion.world().y()[p]).as("y at %s", row[0]).isCloseTo(row[8], within(1e-5));
      assertThat(motion.world().z()[p]).as("z at %s", row[0]).isCloseTo(row[12], within(1e-5));
      Matrix3d turn = turn(row);
      Matrix3d is = new Matrix3d().rotation(new Quaterniond(motion.world().turn(i)));
      for (int column = 0; column < 3; column++) {
        for (int r = 0; r < 3; r++) {
          assertThat(is.get(column, r))
              .as("m%d%d at %s", r, column, row[0])
              .isCloseTo(turn.get(column, r), within(matrix));
        }
      }
      double[] vertical = motion.lens().orElseThrow().verticalRad();
      assertThat(Math.toDegrees(vertical[vertical.length == 1 ? 0 : i]))
          .as("angle up at %s", row[0])
          .isCloseTo(row[17], within(1e-5));
    }
  }

  /** The turn that looks along the -Z of a matrix, with its +Y up: it may not be quite square. */
  private static Matrix3d turn(double[] row) {
    Vector3d z = new Vector3d(row[3], row[7], row[11]).normalize();
    Vector3d y = new Vector3d(row[2], row[6], row[10]);
    y.fma(-y.dot(z), z).normalize();
    return new Matrix3d(new Vector3d(y).cross(z), y, z);
  }
}
