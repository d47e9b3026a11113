package idlelens.core.curve;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;

/**
 * Few keys through a smooth piece of motion that is known along a parameter from 0 to 1. One
 * Bezier; where it is too far off, the piece is parted and both halves are fitted (after Schneider,
 * Graphics Gems I, 1990).
 */
public final class ParametricFit {
  private static final int LEAST_SAMPLES = 12;
  private static final int MOST_SAMPLES = 64;
  private static final int SAMPLES_A_FRAME = 3;

  /** A piece no longer than this, in frames, is not parted any more. */
  private static final double SHORTEST = 1e-3;

  /** From this many frames on, a piece is parted at a whole frame. */
  private static final double HAS_WHOLE_FRAMES = 4;

  private static final int HALVINGS = 60;

  private final Motion motion;
  private final double tolerance;
  private final List<Piece> pieces = new ArrayList<>();

  /** What is fitted, by a parameter in [0, 1]. */
  public interface Motion {
    /** The frame, which increases with p. */
    double frame(double p);

    double value(double p);

    /** Value a frame. */
    double slope(double p);

    /** Handles that nearly do for the piece between two parameters. */
    Ends ends(double from, double to);
  }

  /** The handle at the start and the one at the end of a piece. */
  public record Ends(Tangent.Handle out, Tangent.Handle in) {}

  /** A point between two pieces. */
  private record Knot(double p, double frame, double value) {}

  private record Piece(Knot from, Knot to, Ends ends) {
    Segment bezier() {
      return new Segment(
          false,
          from.frame,
          from.value,
          from.frame + ends.out.frames(),
          from.value + ends.out.value(),
          to.frame - ends.in.frames(),
          to.value - ends.in.value(),
          to.frame,
          to.value);
    }
  }

  private ParametricFit(Motion motion, double tolerance) {
    this.motion = motion;
    this.tolerance = tolerance;
  }

  /**
   * @param tolerance greatest deviation in the unit of the values
   * @return keys with free tangents from the start to the end; the in tangent of the first and the
   *     out tangent of the last mirror their other side
   */
  public static List<Key> fit(Motion motion, double tolerance) {
    ParametricFit fit = new ParametricFit(motion, tolerance);
    fit.part(fit.knot(0), fit.knot(1));
    return fit.keys();
  }

  /** Two keys with the handles that nearly do. */
  public static List<Key> whole(Motion motion) {
    ParametricFit fit = new ParametricFit(motion, 0);
    fit.pieces.add(new Piece(fit.knot(0), fit.knot(1), motion.ends(0, 1)));
    return fit.keys();
  }

  private Knot knot(double p) {
    return new Knot(p, motion.frame(p), motion.value(p));
  }

  /** Halves get shorter at every step, down to {@link #SHORTEST}. */
  private void part(Knot from, Knot to) {
    Piece nearly = new Piece(from, to, motion.ends(from.p, to.p));
    if (to.frame - from.frame <= SHORTEST || fits(nearly)) {
      pieces.add(nearly);
      return;
    }
    Piece fitted = new Piece(from, to, fitted(from, to));
    if (fits(fitted)) {
      pieces.add(fitted);
      return;
    }
    Knot middle = middle(from, to);
    part(from, middle);
    part(middle, to);
  }

  private Knot middle(Knot from, Knot to) {
    double half = (from.frame + to.frame) / 2;
    double wanted = to.frame - from.frame >= HAS_WHOLE_FRAMES ? Math.rint(half) : half;
    double low = from.p;
    double high = to.p;
    for (int i = 0; i < HALVINGS; i++) {
      double p = (low + high) / 2;
      if (motion.frame(p) < wanted) {
        low = p;
      } else {
        high = p;
      }
    }
    Knot found = knot((low + high) / 2);
    boolean there = Math.abs(found.frame - wanted) < 1e-8; // a jump in pace may leave it out
    return new Knot(found.p, there ? wanted : found.frame, found.value);
  }

  private static int samples(Knot from, Knot to) {
    double wanted = Math.ceil((to.frame - from.frame) * SAMPLES_A_FRAME);
    return (int) Math.max(LEAST_SAMPLES, Math.min(MOST_SAMPLES, wanted));
  }

  private static double[] parameters(Knot from, Knot to, int count) {
    double[] at = new double[count + 1];
    for (int i = 0; i <= count; i++) {
      at[i] = from.p + (to.p - from.p) * i / count;
    }
    return at;
  }

  private Ends fitted(Knot from, Knot to) {
    double[] at = parameters(from, to, samples(from, to));
    double[] frames = Arrays.stream(at).map(motion::frame).toArray();
    double[] values = Arrays.stream(at).map(motion::value).toArray();
    double out = motion.slope(from.p);
    double in = motion.slope(to.p);
    SpanFit.Run run = new SpanFit.Run(frames, values, 0, at.length - 1);
    SpanFit fit = SpanFit.of(run, out, in, tolerance);
    return new Ends(
        new Tangent.Handle(fit.outFrames(), fit.outFrames() * out),
        new Tangent.Handle(fit.inFrames(), fit.inFrames() * in));
  }

  private boolean fits(Piece piece) {
    Segment bezier = piece.bezier();
    double[] at = parameters(piece.from, piece.to, 2 * samples(piece.from, piece.to));
    return Deviation.highest(at, p -> off(bezier, p)).amount() <= tolerance;
  }

  private double off(Segment bezier, double p) {
    double there = bezier.valueAt(bezier.parameter(motion.frame(p)));
    return Math.abs(there - motion.value(p));
  }

  private List<Key> keys() {
    List<Key> keys = new ArrayList<>();
    for (int i = 0; i <= pieces.size(); i++) {
      Tangent.Handle out = pieces.get(Math.min(i, pieces.size() - 1)).ends.out;
      Tangent.Handle in = pieces.get(Math.max(0, i - 1)).ends.in;
      boolean first = i == 0;
      boolean last = i == pieces.size();
      Knot knot = last ? pieces.get(i - 1).to : pieces.get(i).from;
      Tangent.Handle reached = first ? out : in;
      Tangent.Handle left = last ? in : out;
      boolean joined = reached.isLineWith(left);
      keys.add(new Key(knot.frame, knot.value, new Tangent.Free(reached, left, joined, true)));
    }
    return keys;
  }
}
