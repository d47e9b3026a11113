package idlelens.core.motion;

import java.util.ArrayList;
import java.util.List;

/** The stages that one node's motion passes, each with the track it made. */
final class Chain {
  private final List<Stage> stages = new ArrayList<>();
  private final List<PoseTrack> tracks = new ArrayList<>();

  /**
   * Runs the stages in order, taking over what an earlier chain made from the same stage and the
   * same track before it.
   */
  static Chain run(List<Stage> stages, Chain earlier) {
    Chain chain = new Chain();
    PoseTrack track = null;
    for (int i = 0; i < stages.size(); i++) {
      Stage stage = stages.get(i);
      track =
          earlier != null && earlier.made(i, stage, track)
              ? earlier.tracks.get(i)
              : stage.apply(track);
      chain.stages.add(stage);
      chain.tracks.add(track);
    }
    return chain;
  }

  private boolean made(int i, Stage stage, PoseTrack before) {
    return i < stages.size()
        && (i == 0 || tracks.get(i - 1) == before)
        && stages.get(i).sameAs(stage);
  }

  /** What the first stage made: the node's own pose. */
  PoseTrack own() {
    return tracks.get(0);
  }

  PoseTrack result() {
    return tracks.get(tracks.size() - 1);
  }
}
