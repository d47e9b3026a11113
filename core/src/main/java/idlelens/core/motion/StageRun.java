package idlelens.core.motion;

import idlelens.core.part.Slot;
import java.util.ArrayList;
import java.util.List;

/** The stages that one node's motion passes, each with what it made of the flow before it. */
final class StageRun {
  private final List<Step> steps;
  private final Flow start;
  private final List<Flow> flows = new ArrayList<>();

  /** A stage and the slot of the part it is of. */
  record Step(Slot slot, Stage stage) {}

  private StageRun(List<Step> steps, Flow start) {
    this.steps = List.copyOf(steps);
    this.start = start;
  }

  /**
   * Runs the stages in order, taking over what an earlier run made from the same stage and the same
   * flow before it.
   *
   * @param start what the lens is set to before them; it has no pose
   */
  static StageRun of(List<Step> steps, Flow start, StageRun earlier) {
    StageRun run = new StageRun(steps, start);
    Flow flow = start;
    for (Step step : steps) {
      Flow known = earlier == null ? null : earlier.made(step.stage(), flow);
      flow = known == null ? step.stage().apply(flow) : known;
      run.flows.add(flow);
    }
    return run;
  }

  /** What this run made of a flow by such a stage, or null. */
  private Flow made(Stage stage, Flow before) {
    for (int i = 0; i < steps.size(); i++) {
      Flow mine = i == 0 ? start : flows.get(i - 1);
      if (mine.pose() == before.pose() && steps.get(i).stage().sameAs(stage)) {
        if (mine.sameLens(before)) {
          return flows.get(i);
        }
        if (!stage.touchesLens()) {
          return before.with(flows.get(i).pose());
        }
      }
    }
    return null;
  }

  /** The pose behind all stages of a slot and those before it. */
  PoseTrack after(Slot slot) {
    PoseTrack track = flows.get(0).pose();
    for (int i = 1; i < steps.size(); i++) {
      if (steps.get(i).slot().ordinal() <= slot.ordinal()) {
        track = flows.get(i).pose();
      }
    }
    return track;
  }

  /** The stage of the own pose. */
  Stage first() {
    return steps.get(0).stage();
  }

  /** What comes out behind each stage. */
  List<Flow> flows() {
    return flows;
  }

  /** What comes out behind all stages. */
  Flow result() {
    return flows.get(flows.size() - 1);
  }
}
