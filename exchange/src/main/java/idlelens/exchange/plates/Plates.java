package idlelens.exchange.plates;

import idlelens.core.check.Views;
import idlelens.core.lens.Sight;
import idlelens.core.motion.Evaluation;
import idlelens.core.motion.LensTrack;
import idlelens.core.render.Plate;
import idlelens.core.render.SetDrawing;
import idlelens.core.rule.Require;
import idlelens.core.rule.StoppedException;
import idlelens.core.set.Mesh;
import idlelens.exchange.json.JsonPlace;
import idlelens.exchange.outgoing.HandOff;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Function;
import javax.imageio.ImageIO;
import org.joml.Vector3d;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/**
 * A picture of each frame as a camera sees it, with three marks at places of the set: who reads the
 * camera and finds the marks where the pictures have them has the same camera.
 */
public final class Plates {
  /** The colours of the marks. */
  private static final int[] COLOURS = {0xFF00FF, 0x00FFFF, 0xFFFF00};

  /** Where they stand in the picture of the middle frame, in picture widths, and how deep. */
  private static final double[][] PLACES = {
    {-0.16, 0.05, 0.8}, {0.14, -0.06, 1}, {0.05, 0.12, 1.6}
  };

  private static final double RADIUS_PX = 4;

  /** Each in a dark ring, so that its edge mixes with one colour only. */
  private static final int RING = 0x101010;

  private static final double RING_PX = 7;
  private static final int MOST_FRAMES = 2000;

  private final HandOff handOff;
  private final int width;
  private final Evaluation motion;
  private final Views views;
  private final SetDrawing drawing;
  private final List<Vector3d> marks = new ArrayList<>();

  private Plates(HandOff handOff, int width, Function<String, Mesh> stored) {
    this.handOff = handOff;
    this.width = width;
    this.motion = Evaluation.of(handOff.shot(), handOff.grid(), null);
    this.views = new Views(motion, camera());
    this.drawing = new SetDrawing(motion, stored);
    int middle = motion.grid().count() / 2;
    LensTrack lens = motion.of(camera()).lens().orElseThrow();
    double focus = lens.focusM()[lens.index(middle)];
    for (double[] place : PLACES) {
      marks.add(views.at(middle).world(place[0], place[1], place[2] * focus));
    }
  }

  private String camera() {
    return handOff.cameras().get(0);
  }

  /**
   * {@code plates/plates.json} and a PNG for each frame of the receiver, by name.
   *
   * @param width of the pictures in pixels, 64 to 4096
   * @param stored finds the triangles of an imported piece by their SHA-256
   */
  public static Map<String, byte[]> of(HandOff handOff, int width, Function<String, Mesh> stored) {
    Require.within(width, 64, 4096, "plates.width");
    Require.within(handOff.grid().count(), 1, MOST_FRAMES, "plates.frames");
    return new Plates(handOff, width, stored).all();
  }

  private Map<String, byte[]> all() {
    Map<String, byte[]> files = new LinkedHashMap<>();
    files.put("plates/plates.json", told());
    for (int i = 0; i < motion.grid().count(); i++) {
      StoppedException.check();
      files.put("plates/" + (handOff.firstFrame() + i) + ".png", picture(i));
    }
    return files;
  }

  private byte[] told() {
    ObjectNode out = JsonNodeFactory.instance.objectNode();
    Sight first = views.at(0);
    out.put("shot", handOff.shot().header().name());
    out.put("camera", handOff.shot().node(camera()).name());
    out.put("width", width).put("height", (int) Math.rint(width * first.height()));
    out.put("rate", handOff.rate().framesPerSecond());
    out.put("first", handOff.firstFrame()).put("count", motion.grid().count());
    ArrayNode all = out.putArray("marks");
    for (int i = 0; i < marks.size(); i++) {
      ObjectNode mark = all.addObject();
      mark.put("colour", String.format("#%06x", COLOURS[i]));
      Vector3d at = marks.get(i);
      mark.putArray("at").add(at.x).add(at.y).add(at.z);
    }
    return JsonPlace.mapper().writerWithDefaultPrettyPrinter().writeValueAsBytes(out);
  }

  private byte[] picture(int sample) {
    Sight sight = views.at(sample);
    Plate plate = drawing.draw(sight, sample, width);
    for (int i = 0; i < marks.size(); i++) {
      Vector3d seen = sight.seen(marks.get(i));
      if (seen.z < 0) {
        double[] at = sight.inPicture(seen);
        double x = (at[0] + 0.5) * plate.width();
        double y = (0.5 - at[1] / sight.height()) * plate.height();
        plate.disc(x, y, RING_PX, RING);
        plate.disc(x, y, RADIUS_PX, COLOURS[i]);
      }
    }
    return png(plate);
  }

  private static byte[] png(Plate plate) {
    BufferedImage image =
        new BufferedImage(plate.width(), plate.height(), BufferedImage.TYPE_INT_RGB);
    image.setRGB(0, 0, plate.width(), plate.height(), plate.pixels(), 0, plate.width());
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    try {
      ImageIO.write(image, "png", out);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
    return out.toByteArray();
  }
}
