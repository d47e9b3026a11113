package idlelens.core.motion;

import idlelens.core.lens.LensBody;
import idlelens.core.part.FocusRule;
import idlelens.core.part.Keys;
import idlelens.core.part.Path;
import idlelens.core.part.Slot;
import idlelens.core.time.FrameRate;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** The motion of one node: what it was made from, and the tracks. */
public final class NodeMotion {
  private final Map<String, PartTrack> parts;
  private final Space space;
  private final StageRun run;
  private final LensTrack lens;
  private final LensSource lensSource;

  /** All that a lens track depends on besides the curves of the lens. */
  record LensSource(
      LensBody body,
      FocusRule focus,
      double aspect,
      FrameRate rate,
      PoseTrack world,
      List<PoseTrack> followed) {
    boolean sameAs(LensSource other) {
      boolean poseMatters = !focus.targets().isEmpty();
      return other != null
          && body.equals(other.body)
          && focus.equals(other.focus)
          && aspect == other.aspect
          && rate.equals(other.rate)
          && isSame(followed, other.followed)
          && (!poseMatters || world == other.world);
    }

    private static boolean isSame(List<PoseTrack> some, List<PoseTrack> others) {
      boolean same = some.size() == others.size();
      for (int i = 0; same && i < some.size(); i++) {
        same = some.get(i) == others.get(i);
      }
      return same;
    }
  }

  NodeMotion(
      Map<String, PartTrack> parts,
      Space space,
      StageRun run,
      LensTrack lens,
      LensSource lensSource) {
    this.parts = parts;
    this.space = space;
    this.run = run;
    this.lens = lens;
    this.lensSource = lensSource;
  }

  NodeMotion withLens(LensTrack newLens, LensSource source) {
    return new NodeMotion(parts, space, run, newLens, source);
  }

  /** The sampled parameters of its parts, by the ids of these, in the order of the chain. */
  public Map<String, PartTrack> parts() {
    return parts;
  }

  /** The samples at a path that the node has. */
  public double[] values(Path path) {
    PartTrack track = parts.get(path.part());
    return track.values(
        track.parameters().stream()
            .filter(p -> p.id().equals(path.parameter()))
            .findFirst()
            .orElseThrow());
  }

  PartTrack keys() {
    return parts.get(Keys.ID);
  }

  /** The pose in the world. */
  public PoseTrack world() {
    return run.result().pose();
  }

  /** The pose in the world before what is done to it there: what is dragged. */
  public PoseTrack carried() {
    return run.after(Slot.SPACE);
  }

  /** The pose in what carries it. */
  PoseTrack own() {
    return run.after(Slot.OWN);
  }

  /** What the lens does, for cameras. */
  public Optional<LensTrack> lens() {
    return Optional.ofNullable(lens);
  }

  /** Where its own space lies. */
  Space space() {
    return space;
  }

  StageRun run() {
    return run;
  }

  LensSource lensSource() {
    return lensSource;
  }

  /** Whether all samples are those of another motion. */
  boolean shares(NodeMotion other) {
    return world() == other.world()
        && lens == other.lens
        && parts.keySet().equals(other.parts.keySet())
        && parts.entrySet().stream()
            .allMatch(e -> e.getValue().shares(other.parts.get(e.getKey())));
  }
}
