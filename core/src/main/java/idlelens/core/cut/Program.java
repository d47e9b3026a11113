package idlelens.core.cut;

import idlelens.core.rule.RefusedException;
import idlelens.core.rule.Require;
import idlelens.core.time.FrameRange;
import java.util.ArrayList;
import java.util.List;

/**
 * Which camera is seen when: the first cut holds for all frames before it too.
 *
 * @param cuts at least one, each later than the one before
 */
public record Program(List<Cut> cuts) {
  private static final int MOST_CUTS = 5000;

  public Program {
    cuts = List.copyOf(cuts);
    Require.within(cuts.size(), 1, MOST_CUTS, "program.cuts.count");
    for (int i = 1; i < cuts.size(); i++) {
      if (cuts.get(i).frame() <= cuts.get(i - 1).frame()) {
        throw new RefusedException(
            "program.cuts[" + i + "].frame",
            cuts.get(i).frame(),
            "greater than that of the cut before (" + cuts.get(i - 1).frame() + ")");
      }
    }
  }

  /** One camera, always. */
  public static Program only(String camera) {
    return new Program(List.of(new Cut(0, camera)));
  }

  /** The camera that is seen at a frame. */
  public String cameraAt(double frame) {
    int first = 0;
    int later = cuts.size();
    while (later - first > 1) {
      int middle = (first + later) / 2;
      if (cuts.get(middle).frame() <= frame) {
        first = middle;
      } else {
        later = middle;
      }
    }
    return cuts.get(first).camera();
  }

  /** The cameras, each once, in the order in which they are first seen. */
  public List<String> cameras() {
    return cuts.stream().map(Cut::camera).distinct().toList();
  }

  /** A camera with the frames over which it is seen in one go. */
  public record Stretch(String camera, FrameRange frames) {}

  /** What is seen of a range, in its order; a cut to the camera that is seen already is none. */
  public List<Stretch> stretches(FrameRange range) {
    List<Stretch> all = new ArrayList<>();
    int from = range.in();
    String camera = cameraAt(from);
    for (Cut cut : cuts) {
      boolean inside = cut.frame() > from && cut.frame() <= range.out();
      if (inside && !cut.camera().equals(camera)) {
        all.add(new Stretch(camera, new FrameRange(from, cut.frame() - 1)));
        from = cut.frame();
        camera = cut.camera();
      }
    }
    all.add(new Stretch(camera, new FrameRange(from, range.out())));
    return all;
  }
}
