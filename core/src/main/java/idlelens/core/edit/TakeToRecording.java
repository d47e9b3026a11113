package idlelens.core.edit;

import idlelens.core.geometry.RigidPose;
import idlelens.core.motion.Evaluation;
import idlelens.core.motion.LensTrack;
import idlelens.core.motion.NodeMotion;
import idlelens.core.motion.OffsetRecorder;
import idlelens.core.part.Recorded;
import idlelens.core.part.Window;
import idlelens.core.rule.RefusedException;
import idlelens.core.rule.Require;
import idlelens.core.scene.Shot;
import idlelens.core.shake.Recording;
import idlelens.core.take.Take;
import idlelens.core.time.SampleGrid;
import java.util.OptionalDouble;

/**
 * Lays a take over a node as a recording, {@code W(t)^-1 * T(t)}: with the card on, over these
 * frames, it does in the world what the take did; the keys stay as they are.
 *
 * @param start the frame of the take's first sample
 * @param punch which frames; the card fades over its blend
 * @param newPart id of the card, which comes last of those that work in the world
 * @param name what the recording is called
 */
public record TakeToRecording(
    String id, Take take, double start, Punch punch, String newPart, String name) implements Edit {
  /** The most samples a frame. */
  static final int FINEST = 8;

  public TakeToRecording {
    Require.present(id, "id");
    Require.present(take, "take");
    Require.present(punch, "punch");
    Require.within(start, -1e7, 1e7, "start");
    Require.present(newPart, "newPart");
    name = Require.name(name, 60, "name");
  }

  @Override
  public Shot apply(Shot shot) {
    TakeToKeys.requireInside(shot, take, start, punch);
    int steps = steps(shot);
    SampleGrid grid = new SampleGrid(punch.from(), (punch.count() - 1) * steps + 1, steps);
    Recorded made = Recorded.of(newPart, name, recording(shot, grid), punch.from());
    double in = punch.isEntered(shot.header()) ? punch.blend() : 0;
    double out = punch.isLeft(shot.header()) ? punch.blend() : 0;
    Window window =
        new Window(OptionalDouble.of(punch.from()), OptionalDouble.of(punch.to()), in, out);
    return new AddPart(id, made.withBody(made.body().withWindow(window))).apply(shot);
  }

  /** So many samples a frame that nothing of the take is lost, and they are not too many. */
  private int steps(Shot shot) {
    double fine = Math.ceil(take.rateHz() / shot.header().rate().framesPerSecond() - 1e-9);
    int room = (Recording.MOST_SAMPLES - 1) / (punch.count() - 1);
    return (int) Math.max(1, Math.min(Math.min(FINEST, room), fine));
  }

  private Recording recording(Shot shot, SampleGrid grid) {
    NodeMotion was = Evaluation.ofSome(shot, grid, shot.reachedFrom(id)).of(id);
    OffsetRecorder recorder = new OffsetRecorder();
    for (int i = 0; i < grid.count(); i++) {
      double seconds = shot.header().rate().seconds(grid.frame(i) - start);
      RigidPose off = was.world().pose(i).inverse().times(take.pose(seconds));
      recorder.add(off, more(was, i, Take.FOCAL, seconds), more(was, i, Take.FOCUS, seconds));
    }
    if (recorder.isEmpty()) {
      throw new RefusedException("take", "where the node is already", "one that differs from it");
    }
    return recorder.done(shot.header().rate().framesPerSecond() * grid.stepsPerFrame());
  }

  private double more(NodeMotion was, int sample, int column, double seconds) {
    OptionalDouble told = take.lens(column, seconds);
    if (told.isEmpty() || was.lens().isEmpty()) {
      return 0;
    }
    LensTrack lens = was.lens().get();
    double[] numbers = column == Take.FOCAL ? lens.focalMm() : lens.focusM();
    return told.getAsDouble() - numbers[lens.index(sample)];
  }

  @Override
  public boolean writesMotion() {
    return true;
  }

  @Override
  public Footprint footprint(Shot shot) {
    return Footprint.of(shot)
        .reliesOnMotion(id)
        .reliesOnLens(id)
        .writesMotion()
        .changes(Place.part(id, newPart), Place.parts(id), Place.leans(id))
        .reliesOn(Place.there(id))
        .done();
  }

  @Override
  public String summary() {
    return "Lay on " + name;
  }
}
