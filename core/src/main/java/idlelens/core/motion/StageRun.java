package idlelens.core.motion;

import idlelens.core.part.Slot;
import idlelens.core.time.SampleGrid;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;

/** The stages that one node's motion passes, each with what it made of the flow before it. */
final class StageRun {
  private final List<Step> steps = new ArrayList<>();
  private final Flow start;
  private final List<Flow> flows = new ArrayList<>();
  private StageRun whole; // of which this is a part

  /** A stage, with the id and the slot of the part it is of. */
  record Step(String part, Slot slot, Stage stage) {}

  private StageRun(Flow start) {
    this.start = start;
  }

  /**
   * Runs the stages in order, taking over what an earlier run made from the same stage and the same
   * flow before it.
   *
   * @param start what the lens is set to before them; it has no pose
   */
  static StageRun of(List<Step> steps, Flow start, StageRun earlier) {
    StageRun run = new StageRun(start);
    Flow flow = start;
    for (Step step : steps) {
      int same = earlier == null ? -1 : earlier.sameAs(step.stage(), flow);
      if (same < 0) {
        flow = step.stage().apply(flow);
        run.steps.add(step);
      } else {
        Flow known = earlier.flows.get(same);
        Stage stage = earlier.steps.get(same).stage();
        flow = stage.touchesLens() ? known : flow.with(known.pose());
        run.steps.add(new Step(step.part(), step.slot(), stage));
      }
      run.flows.add(flow);
    }
    return run;
  }

  /**
   * The samples of a grid that is a part of another run's.
   *
   * @param first the stage of the own pose on that grid
   * @param earlier what was made of it before, to take over what is the same; or null
   */
  static StageRun window(StageRun whole, SampleGrid grid, Step first, StageRun earlier) {
    StageRun run = new StageRun(null);
    run.whole = whole;
    run.steps.addAll(whole.steps);
    run.steps.set(0, first);
    int from = whole.flows.get(0).pose().grid().sampleAt(grid.first());
    for (int i = 0; i < whole.flows.size(); i++) {
      Flow all = whole.flows.get(i);
      Flow before = i == 0 ? null : whole.flows.get(i - 1);
      boolean same = before != null && before.pose() == all.pose();
      PoseTrack known = earlier == null ? null : earlier.windowOf(all.pose(), grid);
      PoseTrack pose =
          same ? run.flows.get(i - 1).pose() : known == null ? all.pose().window(grid) : known;
      run.flows.add(
          new Flow(
              pose,
              numbers(all.focalMm(), from, grid.count()),
              numbers(all.focusM(), from, grid.count())));
    }
    return run;
  }

  private static double[] numbers(double[] all, int from, int count) {
    return all == null || all.length == 1 ? all : Arrays.copyOfRange(all, from, from + count);
  }

  /** What this run made of a track for a part of its grid, or null. */
  private PoseTrack windowOf(PoseTrack of, SampleGrid grid) {
    for (int i = 0; whole != null && i < flows.size(); i++) {
      if (whole.flows.get(i).pose() == of && flows.get(i).pose().grid().equals(grid)) {
        return flows.get(i).pose();
      }
    }
    return null;
  }

  /** Where this run made something of such a flow by such a stage; -1 if nowhere. */
  private int sameAs(Stage stage, Flow before) {
    for (int i = 0; whole == null && i < steps.size(); i++) {
      Flow mine = i == 0 ? start : flows.get(i - 1);
      boolean same = mine.pose() == before.pose() && steps.get(i).stage().sameAs(stage);
      if (same && (!stage.touchesLens() || mine.sameLens(before))) {
        return i;
      }
    }
    return -1;
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

  /** What comes to the stage of a part that is no part of the own pose. */
  Flow before(String part) {
    return flows.get(placeOf(part) - 1);
  }

  /** The stage of a part that is no part of the own pose. */
  Stage stage(String part) {
    return steps.get(placeOf(part)).stage();
  }

  private int placeOf(String part) {
    for (int i = 1; i < steps.size(); i++) {
      if (steps.get(i).part().equals(part)) {
        return i;
      }
    }
    throw new IllegalArgumentException(part);
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
