package idlelens.core.motion;

import idlelens.core.part.Lens;
import idlelens.core.part.RunIn;
import idlelens.core.smooth.Turning;
import idlelens.core.time.FrameRange;
import idlelens.core.time.SampleGrid;
import java.util.function.DoubleFunction;

/**
 * Beyond the range of the shot, the motion is another: it stands, goes on as fast as it was, or is
 * that of a round later or earlier. Speeds are taken from three whole frames inside the shot, by
 * the one-sided difference of second order.
 *
 * @param runIn its settings
 * @param range of the shot
 * @param lens whether it reaches a lens
 * @param elsewhere the flow before this stage at a frame that is not on the grid
 */
record RunningIn(RunIn runIn, FrameRange range, boolean lens, DoubleFunction<Flow> elsewhere)
    implements Stage {
  private static final double[] SLOPE = {-1.5, 2, -0.5};

  @Override
  public Flow apply(Flow before) {
    SampleGrid grid = before.pose().grid();
    boolean inside = grid.first() >= range.in() && grid.last() <= range.out();
    boolean still = before.pose().isStill() && (!lens || isStill(before));
    if (inside || still) {
      return before;
    }
    PoseTrack pose = PoseTrack.empty(grid, false);
    double[] focal = lens ? new double[grid.count()] : null;
    double[] focus = lens ? new double[grid.count()] : null;
    Filled out = new Filled(pose, focal, focus);
    End in = new End(runIn.before(), range.in(), 1, before);
    End end = new End(runIn.after(), range.out(), -1, before);
    for (int i = 0; i < grid.count(); i++) {
      double frame = grid.frame(i);
      if (frame < range.in()) {
        in.fill(frame, i, out);
      } else if (frame > range.out()) {
        end.fill(frame, i, out);
      } else {
        out.take(i, before, i);
      }
      pose.continueSign(i);
    }
    return lens ? new Flow(pose, focal, focus) : before.with(pose);
  }

  private static boolean isStill(Flow flow) {
    return flow.focalMm().length == 1 && flow.focusM().length == 1;
  }

  @Override
  public boolean touchesLens() {
    return lens;
  }

  /** What is being filled. */
  private record Filled(PoseTrack pose, double[] focal, double[] focus) {
    void take(int i, Flow from, int sample) {
      pose.set(i, from.pose().pose(sample));
      if (focal != null) {
        focal[i] = at(from.focalMm(), sample);
        focus[i] = at(from.focusM(), sample);
      }
    }
  }

  private static double at(double[] values, int i) {
    return values[values.length == 1 ? 0 : i];
  }

  /** One end of the shot. */
  private final class End {
    private final RunIn.Edge does;
    private final int edge;
    private final int inwards;
    private final Flow before;
    private double[][] numbers; // at the edge and two frames inside, once they are asked for
    private Turning turns;

    End(RunIn.Edge does, int edge, int inwards, Flow before) {
      this.does = does;
      this.edge = edge;
      this.inwards = inwards;
      this.before = before;
    }

    void fill(double frame, int i, Filled out) {
      switch (does) {
        case OWN -> out.take(i, before, i);
        case HOLD -> take(i, edge, out);
        case CYCLE -> take(i, folded(frame), out);
        case RUN_ON -> runOn(frame - edge, i, out);
      }
    }

    private void take(int i, double frame, Filled out) {
      SampleGrid grid = before.pose().grid();
      int sample = grid.sampleAt(frame);
      boolean here =
          sample >= 0 && sample < grid.count() && Math.abs(grid.frame(sample) - frame) < 1e-9;
      if (here) {
        out.take(i, before, sample);
      } else {
        out.take(i, elsewhere.apply(frame), 0);
      }
    }

    private double folded(double frame) {
      double length = range.length();
      double gone = (frame - range.in()) / length;
      return range.in() + (gone - Math.floor(gone)) * length;
    }

    private void runOn(double frames, int i, Filled out) {
      if (numbers == null) {
        read();
      }
      double[] now = new double[numbers.length];
      for (int c = 0; c < now.length; c++) {
        double slope = 0;
        for (int k = 0; k < SLOPE.length; k++) {
          slope += SLOPE[k] * numbers[c][k];
        }
        now[c] = numbers[c][0] + inwards * slope * frames;
      }
      out.pose().x()[i] = now[0];
      out.pose().y()[i] = now[1];
      out.pose().z()[i] = now[2];
      turnOn(frames, i, out.pose());
      if (lens) {
        out.focal()[i] = Lens.FOCAL.clamp(now[3]);
        out.focus()[i] = now[4];
      }
    }

    private void turnOn(double frames, int i, PoseTrack out) {
      double[] near = new double[3];
      double[] rate = new double[3];
      Turning.way(turns, 0, turns, 1, near);
      System.arraycopy(near, 0, rate, 0, 3);
      double[] far = {2 * near[0], 2 * near[1], 2 * near[2]};
      Turning.way(turns, 0, turns, 2, far);
      double times = inwards * frames;
      Turning to = new Turning(out.qx(), out.qy(), out.qz(), out.qw());
      to.follow(
          i,
          turns,
          0,
          times * (SLOPE[1] * rate[0] + SLOPE[2] * far[0]),
          times * (SLOPE[1] * rate[1] + SLOPE[2] * far[1]),
          times * (SLOPE[1] * rate[2] + SLOPE[2] * far[2]));
    }

    /** The motion at the edge and inside it; a shot of one frame stands there. */
    private void read() {
      int n = SLOPE.length;
      PoseTrack track = PoseTrack.empty(new SampleGrid(0, n, 1), false);
      Filled three = new Filled(track, lens ? new double[n] : null, lens ? new double[n] : null);
      for (int k = 0; k < n; k++) {
        int inside = Math.min(k, range.length() - 1);
        take(k, edge + (double) inwards * inside, three);
        track.continueSign(k);
      }
      turns = new Turning(track.qx(), track.qy(), track.qz(), track.qw());
      numbers =
          lens
              ? new double[][] {track.x(), track.y(), track.z(), three.focal(), three.focus()}
              : new double[][] {track.x(), track.y(), track.z()};
    }
  }

  @Override
  public boolean sameAs(Stage other) {
    return other instanceof RunningIn that
        && lens == that.lens
        && range.equals(that.range)
        && runIn.before() == that.runIn.before()
        && runIn.after() == that.runIn.after();
  }
}
