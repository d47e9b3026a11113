package idlelens.core.motion;

import idlelens.core.part.Slot;
import java.util.ArrayList;
import java.util.List;

/** The stages that one node's motion passes, each with the track it made. */
final class StageRun {
  private final List<Step> steps;
  private final List<PoseTrack> tracks = new ArrayList<>();
  private double[] zoomedMm;

  /** A stage and the slot of the part it is of. */
  record Step(Slot slot, Stage stage) {}

  private StageRun(List<Step> steps) {
    this.steps = new ArrayList<>(steps);
  }

  /**
   * Runs the stages in order, taking over what an earlier run made from the same stage and the same
   * track before it.
   */
  static StageRun of(List<Step> steps, StageRun earlier) {
    StageRun run = new StageRun(steps);
    PoseTrack track = null;
    for (int i = 0; i < steps.size(); i++) {
      Stage stage = run.ready(i, track);
      PoseTrack known = earlier == null ? null : earlier.made(stage, track);
      track = known == null ? stage.apply(track) : known;
      run.tracks.add(track);
    }
    return run;
  }

  /** A stage that frames starts from the focal length that those before it have left. */
  private Stage ready(int i, PoseTrack before) {
    Step step = steps.get(i);
    if (!(step.stage() instanceof Framed framed)) {
      return step.stage();
    }
    Framed ready = framed.behind(before, zoomedMm);
    steps.set(i, new Step(step.slot(), ready));
    zoomedMm = ready.zooms() ? ready.behindMm() : zoomedMm;
    return ready;
  }

  /** The focal length that its stages have left, in millimetres; null where none changes it. */
  double[] zoomedMm() {
    return zoomedMm;
  }

  /** What this run made of a track by such a stage, or null. */
  private PoseTrack made(Stage stage, PoseTrack before) {
    for (int i = 0; i < steps.size(); i++) {
      if ((i == 0 ? null : tracks.get(i - 1)) == before && steps.get(i).stage().sameAs(stage)) {
        return tracks.get(i);
      }
    }
    return null;
  }

  /** The track behind all stages of a slot and those before it. */
  PoseTrack after(Slot slot) {
    PoseTrack track = tracks.get(0);
    for (int i = 1; i < steps.size(); i++) {
      if (steps.get(i).slot().ordinal() <= slot.ordinal()) {
        track = tracks.get(i);
      }
    }
    return track;
  }

  /** The stage of the own pose. */
  Stage first() {
    return steps.get(0).stage();
  }

  PoseTrack result() {
    return tracks.get(tracks.size() - 1);
  }
}
