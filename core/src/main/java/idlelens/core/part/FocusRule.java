package idlelens.core.part;

import idlelens.core.rule.Require;

/** Where a lens takes its focus distance from. */
public sealed interface FocusRule {
  /** From the curve of focus distances. */
  record Distance() implements FocusRule {}

  /**
   * From a target: its distance along the lens's axis, plus an offset.
   *
   * @param target what is followed
   * @param offsetM metres added; negative is nearer
   */
  record Follow(Target target, double offsetM) implements FocusRule {
    public Follow {
      Require.present(target, "focus.target");
      Require.within(offsetM, -1e4, 1e4, "focus.offsetM");
    }
  }
}
