package idlelens.core.cut;

import idlelens.core.rule.RefusedException;
import idlelens.core.rule.Require;
import idlelens.core.time.FrameRange;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.DoubleUnaryOperator;
import java.util.function.Predicate;

/**
 * Which camera is seen when: the first cut holds for all frames before it too.
 *
 * @param cuts each later than the one before and to another camera, none while one before fades
 */
public record Program(List<Cut> cuts) {
  /** No program: nobody has said yet what is seen. */
  public static final Program NONE = new Program(List.of());

  private static final int MOST_CUTS = 5000;

  public Program {
    cuts = List.copyOf(cuts);
    Require.within(cuts.size(), 0, MOST_CUTS, "program.cuts.count");
    if (!cuts.isEmpty()) {
      Require.within(cuts.get(0).dissolve(), 0, 0, "program.cuts[0].dissolve");
    }
    for (int i = 1; i < cuts.size(); i++) {
      String where = "program.cuts[" + i + "]";
      Cut before = cuts.get(i - 1);
      if (cuts.get(i).frame() <= before.frame()) {
        throw new RefusedException(
            where + ".frame",
            cuts.get(i).frame(),
            "greater than that of the cut before (" + before.frame() + ")");
      }
      if (cuts.get(i).frame() < before.alone()) {
        throw new RefusedException(
            where + ".frame",
            cuts.get(i).frame(),
            "from " + before.alone() + " on, when the dissolve before it is over");
      }
    }
  }

  /** One camera, always. */
  public static Program only(String camera) {
    return new Program(List.of(new Cut(0, camera)));
  }

  public boolean isEmpty() {
    return cuts.isEmpty();
  }

  /**
   * The camera that is seen at a frame; while one fades in over another, the one that comes.
   *
   * @throws RefusedException if there is no program
   */
  public String cameraAt(double frame) {
    if (isEmpty()) {
      throw new RefusedException("program", "none", "a program with at least one cut");
    }
    return cuts.get(indexAt(frame)).camera();
  }

  /** The cut that is in force at a frame, by its place among all; the first before any. */
  private int indexAt(double frame) {
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
    return first;
  }

  /**
   * What is seen at a frame while one camera fades in over another.
   *
   * @param from the camera that goes
   * @param to the one that comes
   * @param share of it, from 0 to 1: on the k-th of n frames {@code (k + 1/2) / n}
   */
  public record Fade(String from, String to, double share) {}

  /** The fade at a frame, if there is one. */
  public Optional<Fade> fadeAt(double frame) {
    int i = isEmpty() ? 0 : indexAt(frame);
    if (i == 0 || frame >= cuts.get(i).alone()) {
      return Optional.empty();
    }
    Cut cut = cuts.get(i);
    double share = (Math.floor(frame - cut.frame()) + 0.5) / cut.dissolve();
    return Optional.of(new Fade(cuts.get(i - 1).camera(), cut.camera(), share));
  }

  /** The cameras, each once, in the order in which they are first seen. */
  public List<String> cameras() {
    return cuts.stream().map(Cut::camera).distinct().toList();
  }

  /**
   * With another cut, in place of one at the same frame. A dissolve before it ends there.
   *
   * @throws RefusedException if that camera is seen there already, or if its dissolve would last
   *     into the next cut to another one
   */
  public Program with(Cut cut) {
    List<Cut> next = new ArrayList<>(cuts.stream().filter(c -> c.frame() != cut.frame()).toList());
    int at = (int) next.stream().filter(c -> c.frame() < cut.frame()).count();
    if (at > 0 && next.get(at - 1).camera().equals(cut.camera())) {
      throw new RefusedException(
          "camera", "'" + cut.camera() + "'", "another camera than the one that is seen before");
    }
    refuseLonger(cut, next.subList(at, next.size()));
    next.add(at, at == 0 ? cut.lasting(0) : cut);
    return merged(next);
  }

  private static void refuseLonger(Cut cut, List<Cut> later) {
    later.stream()
        .filter(c -> !c.camera().equals(cut.camera()))
        .findFirst()
        .ifPresent(c -> Require.within(cut.dissolve(), 0, c.frame() - cut.frame(), "dissolve"));
  }

  /** Without the cut at a frame: what was seen before it goes on. */
  public Program without(int frame) {
    List<Cut> next = new ArrayList<>(cuts);
    next.remove(indexOf(frame));
    return merged(next);
  }

  /**
   * With a cut slid to another frame.
   *
   * @param ripple whether all later ones go along
   */
  public Program moved(int frame, int to, boolean ripple) {
    int at = indexOf(frame);
    List<Cut> next = new ArrayList<>();
    for (int i = 0; i < cuts.size(); i++) {
      boolean moves = i == at || ripple && i > at;
      next.add(moves ? cuts.get(i).at(cuts.get(i).frame() + to - frame) : cuts.get(i));
    }
    return new Program(next);
  }

  /** With the cameras on both sides of a cut in each other's place. */
  public Program swapped(int frame) {
    int at = indexOf(frame);
    if (at == 0) {
      throw new RefusedException("cut", "the first, at " + frame, "a cut with another before it");
    }
    List<Cut> next = new ArrayList<>(cuts);
    next.set(at - 1, cuts.get(at - 1).to(cuts.get(at).camera()));
    next.set(at, cuts.get(at).to(cuts.get(at - 1).camera()));
    return merged(next);
  }

  /** With the cameras alone that are still there. */
  public Program among(Predicate<String> isThere) {
    return cuts.stream().allMatch(c -> isThere.test(c.camera()))
        ? this
        : merged(cuts.stream().filter(c -> isThere.test(c.camera())).toList());
  }

  /** With its frames moved, to the nearest whole ones; what is left no frame goes. */
  public Program retimed(DoubleUnaryOperator map) {
    List<Cut> next = new ArrayList<>();
    for (Cut cut : cuts) {
      int frame = (int) Math.rint(map.applyAsDouble(cut.frame()));
      int end = (int) Math.rint(map.applyAsDouble(cut.alone()));
      Cut moved = cut.at(frame).lasting(Math.max(0, end - frame));
      if (!next.isEmpty() && frame <= next.get(next.size() - 1).frame()) {
        next.remove(next.size() - 1);
      }
      next.add(moved);
    }
    return merged(next);
  }

  private int indexOf(int frame) {
    for (int i = 0; i < cuts.size(); i++) {
      if (cuts.get(i).frame() == frame) {
        return i;
      }
    }
    throw new RefusedException("cut", "at frame " + frame, "the frame of a cut of the program");
  }

  /** Cuts to what is seen already are none; a dissolve ends where the next cut is. */
  private static Program merged(List<Cut> all) {
    List<Cut> kept = new ArrayList<>();
    for (Cut cut : all) {
      Cut last = kept.isEmpty() ? null : kept.get(kept.size() - 1);
      if (last == null) {
        kept.add(cut.lasting(0));
      } else if (!last.camera().equals(cut.camera())) {
        int room = cut.frame() - last.frame();
        kept.set(kept.size() - 1, last.lasting(Math.min(last.dissolve(), room)));
        kept.add(cut);
      }
    }
    return new Program(kept);
  }

  /** A camera with the frames over which it is seen in one go. */
  public record Stretch(String camera, FrameRange frames) {}

  /** What is seen of a range, in its order; a cut to the camera that is seen already is none. */
  public List<Stretch> stretches(FrameRange range) {
    List<Stretch> all = new ArrayList<>();
    if (isEmpty()) {
      return all;
    }
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

  /**
   * The frames of a range for which a camera is needed: what is seen of it, with the dissolves into
   * the next one and so many frames before and behind; in order, those that meet as one.
   */
  public List<FrameRange> needed(String camera, FrameRange range, int handles) {
    List<FrameRange> all = new ArrayList<>();
    for (int i = 0; i < cuts.size(); i++) {
      if (!cuts.get(i).camera().equals(camera)) {
        continue;
      }
      int from = i == 0 ? range.in() : cuts.get(i).frame();
      int to = i + 1 == cuts.size() ? range.out() : cuts.get(i + 1).alone() - 1;
      if (to < range.in() || from > range.out()) {
        continue;
      }
      int first = Math.max(range.in(), from) - handles;
      int last = Math.min(range.out(), to) + handles;
      FrameRange before = all.isEmpty() ? null : all.get(all.size() - 1);
      if (before != null && first <= before.out() + 1) {
        all.set(all.size() - 1, new FrameRange(before.in(), Math.max(before.out(), last)));
      } else {
        all.add(new FrameRange(first, last));
      }
    }
    return all;
  }
}
