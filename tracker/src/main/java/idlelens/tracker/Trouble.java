package idlelens.tracker;

import idlelens.core.rule.Require;

/**
 * What goes wrong between a tracker and who listens.
 *
 * @param loss part of the samples that never arrives, 0 to 1
 * @param reorder part that arrives one to five samples late, 0 to 1
 * @param damage part of which an octet is another, 0 to 1
 * @param jitterMs by how many milliseconds at most a sample is late, 0 to 1000
 */
public record Trouble(double loss, double reorder, double damage, double jitterMs) {
  public static final Trouble NONE = new Trouble(0, 0, 0, 0);

  public Trouble {
    Require.within(loss, 0, 1, "trouble.loss");
    Require.within(reorder, 0, 1, "trouble.reorder");
    Require.within(damage, 0, 1, "trouble.damage");
    Require.within(jitterMs, 0, 1000, "trouble.jitter");
  }
}
