package idlelens.exchange.gltf;

import static org.assertj.core.api.Assertions.assertThat;

import idlelens.core.curve.Tangent;
import idlelens.core.geometry.RigidPose;
import idlelens.core.motion.Evaluation;
import idlelens.core.scene.Node;
import idlelens.core.scene.Shot;
import idlelens.core.scene.ShotHeader;
import idlelens.core.time.FrameRate;
import idlelens.exchange.incoming.ReadSettings;
import idlelens.exchange.incoming.SceneImport;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Base64;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.Random;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.LongRange;
import org.joml.Matrix4d;
import org.joml.Quaterniond;
import org.joml.Vector3d;
import org.junit.jupiter.api.Test;

/** Sizes of every kind above a camera, held against the product of the file's matrices. */
class SizesTest {
  private static final int RATE = 24;
  private static final int FRAMES = 25;

  /** One node on the way to the camera, each of its properties with a key on both ends. */
  private static final class Link {
    final Vector3d[] place = new Vector3d[2];
    final Quaterniond[] turn = new Quaterniond[2];
    final Vector3d[] size = new Vector3d[2];
    boolean moves;
    boolean turns;
    boolean changes;

    static Link random(Random r) {
      Link link = new Link();
      link.moves = r.nextBoolean();
      link.turns = r.nextInt(3) == 0;
      link.changes = r.nextInt(3) == 0;
      for (int i = 0; i < 2; i++) {
        boolean same = i == 1;
        link.place[i] = same && !link.moves ? link.place[0] : vector(r, 3);
        link.turn[i] = same && !link.turns ? link.turn[0] : turn(r);
        link.size[i] = same && !link.changes ? link.size[0] : size(r);
      }
      return link;
    }

    private static Vector3d vector(Random r, double most) {
      return new Vector3d(r.nextDouble() - 0.5, r.nextDouble() - 0.5, r.nextDouble() - 0.5)
          .mul(2 * most);
    }

    private static Quaterniond turn(Random r) {
      return r.nextInt(3) == 0
          ? new Quaterniond()
          : new Quaterniond().rotateYXZ(r.nextGaussian(), r.nextGaussian(), r.nextGaussian());
    }

    private static Vector3d size(Random r) {
      double even = 0.3 + r.nextDouble() * 2;
      return switch (r.nextInt(4)) {
        case 0 -> new Vector3d(1);
        case 1 -> new Vector3d(even);
        case 2 -> new Vector3d(-even, even, even);
        default -> new Vector3d(even, 0.3 + r.nextDouble() * 2, 0.3 + r.nextDouble());
      };
    }

    Matrix4d at(double p) {
      return new Matrix4d()
          .translation(new Vector3d(place[0]).lerp(place[1], p))
          .rotate(slerp(p))
          .scale(new Vector3d(size[0]).lerp(size[1], p));
    }

    private Quaterniond slerp(double p) {
      Quaterniond to = new Quaterniond(turn[1]);
      return new Quaterniond(turn[0]).slerp(turn[0].dot(to) < 0 ? to.mul(-1) : to, p);
    }
  }

  private static String file(List<Link> links) {
    List<double[]> numbers = new ArrayList<>(List.of(new double[] {0, (FRAMES - 1.0) / RATE}));
    StringBuilder nodes = new StringBuilder();
    StringBuilder samplers = new StringBuilder();
    StringBuilder channels = new StringBuilder();
    for (int i = 0; i < links.size(); i++) {
      Link link = links.get(i);
      boolean last = i == links.size() - 1;
      nodes.append(
          String.format(
              Locale.ROOT,
              "%s{'name':'n%d','translation':%s,'rotation':%s,'scale':%s%s}",
              i == 0 ? "" : ",",
              i,
              text(numbers(link.place[0])),
              text(numbers(link.turn[0])),
              text(numbers(link.size[0])),
              last ? ",'camera':0" : ",'children':[" + (i + 1) + "]"));
      if (link.moves) {
        add(
            numbers,
            samplers,
            channels,
            i,
            "translation",
            numbers(link.place[0]),
            numbers(link.place[1]));
      }
      if (link.turns) {
        add(
            numbers,
            samplers,
            channels,
            i,
            "rotation",
            numbers(link.turn[0]),
            numbers(link.turn[1]));
      }
      if (link.changes) {
        add(numbers, samplers, channels, i, "scale", numbers(link.size[0]), numbers(link.size[1]));
      }
    }
    return ("{'asset':{'version':'2.0'},'nodes':["
            + nodes
            + "],'cameras':[{'type':'perspective','perspective':{'yfov':0.6,'znear':0.1}}]"
            + (channels.isEmpty()
                ? ""
                : ",'animations':[{'samplers':["
                    + samplers
                    + "],'channels':["
                    + channels
                    + "]}]"
                    + buffers(numbers))
            + "}")
        .replace('\'', '"');
  }

  private static void add(
      List<double[]> numbers,
      StringBuilder samplers,
      StringBuilder channels,
      int node,
      String path,
      double[] from,
      double[] to) {
    double[] both = new double[from.length * 2];
    System.arraycopy(from, 0, both, 0, from.length);
    System.arraycopy(to, 0, both, from.length, to.length);
    String comma = channels.isEmpty() ? "" : ",";
    channels.append(
        comma
            + "{'sampler':"
            + (numbers.size() - 1)
            + ",'target':{'node':"
            + node
            + ",'path':'"
            + path
            + "'}}");
    samplers.append(comma + "{'input':0,'output':" + numbers.size() + "}");
    numbers.add(both);
  }

  private static String buffers(List<double[]> numbers) {
    StringBuilder views = new StringBuilder();
    StringBuilder accessors = new StringBuilder();
    ByteBuffer data =
        ByteBuffer.allocate(numbers.stream().mapToInt(n -> 4 * n.length).sum())
            .order(ByteOrder.LITTLE_ENDIAN);
    for (int i = 0; i < numbers.size(); i++) {
      String comma = i == 0 ? "" : ",";
      int length = numbers.get(i).length;
      views.append(
          comma
              + "{'buffer':0,'byteOffset':"
              + data.position()
              + ",'byteLength':"
              + 4 * length
              + "}");
      String type = i == 0 ? "SCALAR" : "VEC" + length / 2;
      accessors.append(
          comma + "{'bufferView':" + i + ",'componentType':5126,'count':2,'type':'" + type + "'}");
      for (double number : numbers.get(i)) {
        data.putFloat((float) number);
      }
    }
    return ",'bufferViews':["
        + views
        + "],'accessors':["
        + accessors
        + "],'buffers':[{'byteLength':"
        + data.capacity()
        + ",'uri':'data:application/octet-stream;base64,"
        + Base64.getEncoder().encodeToString(data.array())
        + "'}]";
  }

  private static double[] numbers(Vector3d v) {
    return new double[] {v.x, v.y, v.z};
  }

  private static double[] numbers(Quaterniond q) {
    return new double[] {q.x, q.y, q.z, q.w};
  }

  private static String text(double[] numbers) {
    return java.util.Arrays.toString(numbers);
  }

  private static SceneImport read(List<Link> links) throws Exception {
    return Gltf.read(
        file(links).getBytes(StandardCharsets.UTF_8),
        Map.of(),
        new ReadSettings(FrameRate.of(RATE), 0, OptionalDouble.empty(), "n"));
  }

  @Property(tries = 600)
  void eyeAndLookingDirection_areThoseOfTheFile_underEverySizeThereIs(
      @ForAll @LongRange(min = 0) long seed) throws Exception {
    Random random = new Random(seed);
    List<Link> links = new ArrayList<>();
    for (int i = 0; i < 2 + random.nextInt(4); i++) {
      links.add(Link.random(random));
    }
    SceneImport found = read(links);
    Shot shot =
        new Shot(
            new ShotHeader("S", FrameRate.of(RATE), found.range(), 0, 1.5, 1, Tangent.Kind.SETTLE),
            found.nodes());
    String camera = shot.cameras().get(0).id();
    Evaluation motion = Evaluation.of(shot);
    for (int frame = 0; frame < found.range().length(); frame++) {
      Matrix4d whole = new Matrix4d();
      double p = frame / (FRAMES - 1.0);
      links.forEach(link -> whole.mul(link.at(p)));
      RigidPose pose = motion.pose(camera, frame);
      assertThat(pose.place().distance(whole.getTranslation(new Vector3d())))
          .as("m at %d", frame)
          .isLessThan(2e-4);
      Vector3d looks = whole.transformDirection(new Vector3d(0, 0, -1));
      boolean any = looks.length() > 1e-3;
      assertThat(any ? Math.toDegrees(pose.forward().angle(looks)) : 0)
          .as("degrees at %d", frame)
          .isLessThan(0.02);
    }
  }

  @Test
  void withoutUnevenSizes_keysStayKeyForKey() throws Exception {
    Random random = new Random(5);
    List<Link> links = new ArrayList<>();
    for (int i = 0; i < 3; i++) {
      Link link = Link.random(random);
      link.moves = true;
      link.turns = false;
      link.changes = false;
      link.place[1] = new Vector3d(1, 2, 3);
      link.size[0] = new Vector3d(i == 0 ? -2 : 2, 2, 2);
      links.add(link);
    }
    SceneImport found = read(links);
    assertThat(found.notes()).isEmpty();
    for (Node node : found.nodes()) {
      node.chain()
          .paths()
          .forEach(p -> assertThat(node.chain().curve(p).keys().size()).isLessThan(3));
    }
  }
}
