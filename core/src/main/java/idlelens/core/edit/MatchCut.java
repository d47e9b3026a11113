package idlelens.core.edit;

import idlelens.core.check.CutMatch;
import idlelens.core.check.CutMatch.Flow;
import idlelens.core.check.Views;
import idlelens.core.geometry.RigidPose;
import idlelens.core.lens.Sight;
import idlelens.core.motion.Evaluation;
import idlelens.core.part.Path;
import idlelens.core.rule.RefusedException;
import idlelens.core.rule.Require;
import idlelens.core.rule.StoppedException;
import idlelens.core.scene.Node;
import idlelens.core.scene.Shot;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.joml.Quaterniond;

/**
 * Turns one of the cameras of a cut so that its picture passes there as that of the other one does,
 * and blur hides the cut. On the frame of the cut it looks where it did; the more it turns besides,
 * {@code t (1 - t/n)^2} frames after the cut or before it, is gone after n of them.
 *
 * @param frame of the cut
 * @param side which camera is turned
 * @param frames n
 */
public record MatchCut(int frame, Side side, int frames) implements Edit {
  /** Which camera is turned. */
  public enum Side {
    /** The one that is seen until the cut: its end. */
    BEFORE,
    /** The one that is seen from the cut on: its start. */
    AFTER
  }

  private static final int LEAST_FRAMES = 3;
  private static final int MOST_FRAMES = 240;
  private static final int MOST_TRIES = 20;
  private static final double STEP_RAD = 1e-5;

  /** Nearer than this, in picture widths a frame, both go alike. */
  private static final double ALIKE = 1e-5;

  /** The part of a family's tolerance within which the turn is written. */
  private static final double FINER = 1e-3;

  public MatchCut {
    Require.present(side, "side");
    Require.within(frames, LEAST_FRAMES, MOST_FRAMES, "frames");
  }

  @Override
  public Shot apply(Shot shot) {
    CutMatch match = CutMatch.of(shot, frame);
    boolean after = side == Side.AFTER;
    String id = after ? match.to() : match.from();
    Flow wanted = after ? match.before() : match.after();
    Evaluation motion = Evaluation.at(shot, frame);
    double[] angles = new Turning(motion, id).to(wanted);
    Shot turned = written(shot, motion, shot.camera(id), angles);
    CutMatch now = CutMatch.of(turned, frame);
    if (now.mismatch() > ALIKE) {
      throw new RefusedException(
          shot.node(id).name(),
          now.mismatch() + " of the width a frame off, for all that its keys turn",
          "a camera whose turn is not taken over by a card behind them, such as an aim");
    }
    return turned;
  }

  /** Which way time goes from the cut. */
  private int way() {
    return side == Side.AFTER ? 1 : -1;
  }

  /** How much of the turn beside the cut there is so many frames from it. */
  private double share(int t) {
    return bump(t) / bump(1);
  }

  private double bump(int t) {
    double left = 1 - (double) t / frames;
    return t * left * left;
  }

  /** A pose turned about its own up, and then about its right. */
  private static RigidPose turned(RigidPose pose, double pan, double tilt) {
    Quaterniond turn = pose.turn().mul(new Quaterniond().rotateY(pan).rotateX(tilt));
    return RigidPose.of(pose.place(), turn);
  }

  private Shot written(Shot shot, Evaluation motion, Node camera, double[] angles) {
    int from = side == Side.AFTER ? frame : frame - frames;
    Map<Path, double[]> rows = new LinkedHashMap<>();
    for (Path path : Path.TURN) {
      double[] row = new double[frames + 1];
      Arrays.setAll(row, i -> camera.chain().curve(path).at(from + i));
      rows.put(path, row);
    }
    for (int t = 1; t < frames; t++) {
      StoppedException.check();
      int at = frame + way() * t;
      Evaluation now = motion.moment(at);
      RigidPose pose = now.carriedPose(camera.id(), 0);
      RigidPose to = turned(pose, angles[0] * share(t), angles[1] * share(t));
      Map<Path, Double> numbers = OwnNumbers.of(now, camera.id(), at, to, true);
      numbers.forEach(
          (path, value) -> {
            if (rows.containsKey(path)) {
              rows.get(path)[at - from] = value;
            }
          });
    }
    return new FittedStretch(shot, from, from + frames, FINER).write(camera, rows);
  }

  /** Finds by how much the camera has to turn on the frame beside the cut. */
  private final class Turning {
    private final Sight cut;
    private final Sight beside;
    private final double metres;

    Turning(Evaluation motion, String id) {
      Evaluation there = motion.moment(frame + way());
      this.cut = new Views(motion, id).at(0);
      this.beside = new Views(there, id).at(0);
      this.metres = motion.of(id).lens().orElseThrow().focusM()[0];
    }

    private Flow flow(double pan, double tilt) {
      Sight moved = beside.from(turned(beside.pose(), pan, tilt));
      return side == Side.AFTER
          ? CutMatch.flow(cut, moved, metres)
          : CutMatch.flow(moved, cut, metres);
    }

    /** Pan and tilt in radians, by Newton's method. */
    double[] to(Flow wanted) {
      double pan = 0;
      double tilt = 0;
      for (int i = 0; i < MOST_TRIES; i++) {
        Flow here = flow(pan, tilt);
        Flow off = here.minus(wanted);
        Flow byPan = flow(pan + STEP_RAD, tilt).minus(here);
        Flow byTilt = flow(pan, tilt + STEP_RAD).minus(here);
        double area = byPan.right() * byTilt.up() - byPan.up() * byTilt.right();
        if (off.length() < ALIKE / 100 || area == 0) {
          break;
        }
        pan -= STEP_RAD * (off.right() * byTilt.up() - off.up() * byTilt.right()) / area;
        tilt -= STEP_RAD * (byPan.right() * off.up() - byPan.up() * off.right()) / area;
      }
      return new double[] {pan, tilt};
    }
  }

  @Override
  public Footprint footprint(Shot shot) {
    Footprint.Builder places = Footprint.of(shot).reliesOn(Place.PROGRAM);
    List<String> cameras = CutMatch.cameras(shot, frame);
    String turned = cameras.get(side == Side.AFTER ? 1 : 0);
    String other = cameras.get(side == Side.AFTER ? 0 : 1);
    return places.keys(turned, Path.TURN).reliesOnMotion(turned).reliesOnMotion(other).done();
  }

  @Override
  public String summary() {
    return "Match a cut";
  }
}
