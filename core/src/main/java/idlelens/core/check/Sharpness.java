package idlelens.core.check;

import idlelens.core.lens.DepthOfField;
import idlelens.core.lens.Sight;
import idlelens.core.lens.Stops;
import idlelens.core.motion.Evaluation;
import idlelens.core.motion.Jumps;
import idlelens.core.motion.LensTrack;
import idlelens.core.part.Lens;
import idlelens.core.part.Target;
import java.util.ArrayList;
import java.util.List;
import java.util.NavigableSet;
import java.util.OptionalDouble;
import org.joml.Vector3d;

/**
 * How sharp a subject is in the picture of a camera. Arrays have one number a frame.
 *
 * @param metres how far it is along the axis; 0 or less where it is not before the camera
 * @param nearM nearest sharp distance
 * @param farM farthest one; may be infinite
 * @param blur how wide the disc is that a point of it becomes, in picture widths; NaN where it is
 *     not before the camera
 * @param streak how long a point of it is drawn out while the shutter is open, in picture widths;
 *     NaN where it is not before the camera
 * @param soft where it leaves the sharp zone
 */
public record Sharpness(
    double[] metres,
    double[] nearM,
    double[] farM,
    double[] blur,
    double[] streak,
    List<Soft> soft) {

  /**
   * Frames in which the subject is not sharp, all for the same reason.
   *
   * @param from first frame
   * @param to last frame
   * @param worst the frame at which focus is farthest off
   * @param how why
   * @param focusM at the worst frame, the distance nearest to that of the focus that would hold it
   * @param moreM how much farther than the focus that is; below 0 it is nearer
   * @param fStop the least marked f-stop that would hold it in all of them, where there is one
   */
  public record Soft(
      int from, int to, int worst, How how, double focusM, double moreM, OptionalDouble fStop) {}

  /** Why something is not sharp. */
  public enum How {
    /** It is nearer than the sharp zone. */
    NEARER,
    /** It is farther. */
    FARTHER,
    /** It is not before the camera, or too near for any focus. */
    BEHIND
  }

  /** How far outside the zone, as a part of the distance, counts as on its edge. */
  private static final double ON_EDGE = 1e-9;

  /**
   * @param motion one sample a frame, with one before the first frame and one behind the last
   * @param lookedAt the frames in which it is to be sharp
   */
  public static Sharpness of(
      Evaluation motion, String cameraId, Target subject, LookedAt lookedAt) {
    return new Sampling(motion, cameraId, subject, lookedAt).all();
  }

  /** What is read at the samples. */
  private static final class Sampling {
    private final Evaluation motion;
    private final Views views;
    private final LensTrack lens;
    private final Target subject;
    private final LookedAt lookedAt;
    private final NavigableSet<Double> jumps;
    private final int count;

    Sampling(Evaluation motion, String cameraId, Target subject, LookedAt lookedAt) {
      this.motion = motion;
      this.views = new Views(motion, cameraId);
      this.lens = motion.of(cameraId).lens().orElseThrow();
      this.subject = subject;
      this.lookedAt = lookedAt;
      this.count = motion.grid().count() - 2;
      this.jumps = Jumps.of(motion.shot(), motion.shot().node(cameraId));
      subject
          .nodeId()
          .ifPresent(id -> jumps.addAll(Jumps.of(motion.shot(), motion.shot().node(id))));
    }

    Sharpness all() {
      double[] metres = new double[count];
      double[] near = new double[count];
      double[] far = new double[count];
      double[] blur = new double[count];
      double[] streak = new double[count];
      for (int i = 0; i < count; i++) {
        int sample = i + 1;
        metres[i] = -views.at(sample).seen(place(sample)).z;
        near[i] = lens.nearM()[lens.index(sample)];
        far[i] = lens.farM()[lens.index(sample)];
        blur[i] = metres[i] > 0 ? blur(sample, metres[i]) : Double.NaN;
        streak[i] =
            metres[i] > 0 ? speed(sample) * lens.value(Lens.SHUTTER, sample) / 360 : Double.NaN;
      }
      return new Sharpness(metres, near, far, blur, streak, soft(metres));
    }

    private Vector3d place(int sample) {
      return subject.inWorld(node -> motion.pose(node, sample));
    }

    private double focusM(int sample) {
      return lens.focusM()[lens.index(sample)];
    }

    private double blur(int sample, double metres) {
      double widthMm = lens.gate(sample).widthMm();
      return lens.blurMm(sample, metres) / widthMm;
    }

    /** Picture widths a frame, by central differences; on one side only beside a jump. */
    private double speed(int sample) {
      double frame = motion.grid().frame(sample);
      int from = Jumps.isBetween(jumps, frame - 1, frame) ? sample : sample - 1;
      int to = Jumps.isBetween(jumps, frame, frame + 1) ? sample : sample + 1;
      Sight before = views.at(from);
      Sight after = views.at(to);
      Vector3d a = before.seen(place(from));
      Vector3d b = after.seen(place(to));
      if (a.z >= 0 || b.z >= 0) {
        return Double.NaN;
      }
      double[] one = before.inPicture(a);
      double[] other = after.inPicture(b);
      return Math.hypot(other[0] - one[0], other[1] - one[1]) / Math.max(1, to - from);
    }

    private How how(int sample, double metres) {
      if (!lookedAt.has(motion.grid().frame(sample))) {
        return null;
      }
      double least = lens.isOrthographic() ? 0 : lens.focalMm()[lens.index(sample)] / 1000;
      if (metres <= least) {
        return How.BEHIND;
      }
      if (metres < lens.nearM()[lens.index(sample)] * (1 - ON_EDGE)) {
        return How.NEARER;
      }
      return metres > lens.farM()[lens.index(sample)] * (1 + ON_EDGE) ? How.FARTHER : null;
    }

    private List<Soft> soft(double[] metres) {
      List<Soft> all = new ArrayList<>();
      for (int i = 0; i < count; i++) {
        How how = how(i + 1, metres[i]);
        if (how != null) {
          int from = i;
          while (i + 1 < count && how(i + 2, metres[i + 1]) == how) {
            i++;
          }
          all.add(soft(how, metres, from, i));
        }
      }
      return all;
    }

    private Soft soft(How how, double[] metres, int from, int to) {
      int in = (int) Math.rint(motion.grid().frame(1));
      if (how == How.BEHIND) {
        double none = Double.NaN;
        return new Soft(in + from, in + to, in + from, how, none, none, OptionalDouble.empty());
      }
      int worst = from;
      double most = 0;
      double stop = 0;
      for (int i = from; i <= to; i++) {
        double more = holding(i + 1, metres[i]) - focusM(i + 1);
        if (Math.abs(more) > Math.abs(most)) {
          most = more;
          worst = i;
        }
        stop = Math.max(stop, stopHolding(i + 1, metres[i]));
      }
      double focus = holding(worst + 1, metres[worst]);
      return new Soft(in + from, in + to, in + worst, how, focus, most, Stops.from(stop));
    }

    private double holding(int sample, double metres) {
      return lens.depth(sample).focusHolding(focusM(sample), metres);
    }

    /** With a factor on the blur, the lens has to be stopped down so many times as far. */
    private double stopHolding(int sample, double metres) {
      DepthOfField depth = lens.depth(sample);
      return depth.stopHolding(focusM(sample), metres) * lens.value(Lens.BLUR, sample);
    }
  }
}
