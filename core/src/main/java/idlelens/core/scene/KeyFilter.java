package idlelens.core.scene;

import idlelens.core.rule.Require;
import java.util.Collections;
import java.util.EnumSet;
import java.util.Set;

/**
 * Which channels of a node take keys.
 *
 * @param leftOut channels that keying the whole pose and recording pass over
 * @param locked channels that no edit may change
 */
public record KeyFilter(Set<Channel> leftOut, Set<Channel> locked) {
  /** All channels take keys. */
  public static final KeyFilter OPEN = new KeyFilter(Set.of(), Set.of());

  public KeyFilter {
    leftOut = ordered(Require.present(leftOut, "filter.leftOut"));
    locked = ordered(Require.present(locked, "filter.locked"));
  }

  private static Set<Channel> ordered(Set<Channel> channels) {
    EnumSet<Channel> copy = EnumSet.noneOf(Channel.class);
    copy.addAll(channels);
    return Collections.unmodifiableSet(copy);
  }

  /** Whether a whole-pose key holds this channel. */
  public boolean passes(Channel channel) {
    return !leftOut.contains(channel) && !locked.contains(channel);
  }
}
