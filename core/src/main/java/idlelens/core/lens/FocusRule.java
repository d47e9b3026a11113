package idlelens.core.lens;

import idlelens.core.rule.Require;

/** Where a lens takes its focus distance from. */
public sealed interface FocusRule {
  /** From the channel of focus distances. */
  record Distance() implements FocusRule {}

  /**
   * From a node: its distance along the lens's axis, plus an offset.
   *
   * @param nodeId the node
   * @param offsetM metres added; negative is nearer
   */
  record Follow(String nodeId, double offsetM) implements FocusRule {
    public Follow {
      Require.name(nodeId, 60, "focus.node");
      Require.within(offsetM, -1e4, 1e4, "focus.offsetM");
    }
  }
}
