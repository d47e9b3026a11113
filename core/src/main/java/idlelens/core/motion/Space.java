package idlelens.core.motion;

import idlelens.core.geometry.RigidPose;
import idlelens.core.time.SampleGrid;
import java.util.List;

/**
 * Where the own space of a node lies in the world, on every sample: {@code S(t) = Q(t) * constant},
 * with another carrier and another constant after each hand-over.
 */
record Space(SampleGrid grid, List<Stretch> stretches) {
  /**
   * Frames that one carrier has the node.
   *
   * @param first its first sample; that of the first stretch is 0
   * @param carrier its pose in the world, or null for the world
   * @param standing pose between carrier and node
   */
  record Stretch(int first, PoseTrack carrier, Standing standing) {
    RigidPose at(int sample, double frame) {
      RigidPose stands = standing.at(frame);
      return carrier == null ? stands : carrier.pose(sample).times(stands);
    }

    boolean isStill() {
      return standing.isStill() && (carrier == null || carrier.isStill());
    }

    private boolean sameAs(Stretch other) {
      return first == other.first && carrier == other.carrier && standing.equals(other.standing);
    }
  }

  Space {
    stretches = List.copyOf(stretches);
  }

  /** One that stands at a pose in the world. */
  static Space still(SampleGrid grid, RigidPose pose) {
    return new Space(grid, List.of(new Stretch(0, null, Standing.still(pose))));
  }

  RigidPose at(int sample) {
    int last = stretches.size() - 1;
    while (last > 0 && stretches.get(last).first() > sample) {
      last--;
    }
    return stretches.get(last).at(sample, grid.frame(sample));
  }

  /** Whether it is the world's at all samples. */
  boolean isWorld() {
    return stretches.stream()
        .allMatch(s -> s.carrier() == null && s.standing().equals(Standing.NOWHERE));
  }

  boolean isStill() {
    return stretches.size() == 1 && stretches.get(0).isStill();
  }

  /** Whether it is the same at all samples, for the same tracks. */
  boolean sameAs(Space other) {
    if (!grid.equals(other.grid) || stretches.size() != other.stretches.size()) {
      return false;
    }
    for (int i = 0; i < stretches.size(); i++) {
      if (!stretches.get(i).sameAs(other.stretches.get(i))) {
        return false;
      }
    }
    return true;
  }
}
