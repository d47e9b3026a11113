package idlelens.core.motion;

import idlelens.core.lens.LensBody;
import java.util.Optional;

/** The motion of one node: what it was made from, and the tracks. */
public final class NodeMotion {
  private final ChannelTrack channels;
  private final Chain chain;
  private final LensTrack lens;
  private final LensSource lensSource;

  /** All that a lens track depends on besides the lens channels. */
  record LensSource(LensBody body, double aspect, PoseTrack world, PoseTrack followed) {
    boolean sameAs(LensSource other) {
      boolean poseMatters = followed != null;
      return other != null
          && body.equals(other.body)
          && aspect == other.aspect
          && followed == other.followed
          && (!poseMatters || world == other.world);
    }
  }

  NodeMotion(ChannelTrack channels, Chain chain, LensTrack lens, LensSource lensSource) {
    this.channels = channels;
    this.chain = chain;
    this.lens = lens;
    this.lensSource = lensSource;
  }

  /** The node's own channels. */
  public ChannelTrack channels() {
    return channels;
  }

  /** The pose in the world. */
  public PoseTrack world() {
    return chain.result();
  }

  /** What the lens does, for cameras. */
  public Optional<LensTrack> lens() {
    return Optional.ofNullable(lens);
  }

  Chain chain() {
    return chain;
  }

  LensSource lensSource() {
    return lensSource;
  }
}
