package idlelens.core.part;

import idlelens.core.rule.Require;
import idlelens.core.shake.Ring;

/**
 * How focus swings about its mark when it has come there: past it, back, and less each time.
 *
 * @param reach how far the first swing would go without damping, as a share of the pull; 0 for none
 * @param ring how fast it swings, and how soon it settles
 */
public record Hunt(double reach, Ring ring) {
  /** Nobody hunts faster, in cycles a second. */
  private static final double MOST_HZ = 20;

  /** It arrives and stays. */
  public static final Hunt NONE = new Hunt(0, new Ring(3, 0.3));

  public Hunt {
    Require.within(reach, 0, 1, "hunt.reach");
    Require.present(ring, "hunt.ring");
    Require.within(ring.hz(), Ring.LEAST_HZ, MOST_HZ, "hunt.hz");
  }

  /** What it adds to the share of the pull so many seconds after its end. */
  double at(double seconds) {
    return reach == 0 ? 0 : reach * ring.at(seconds);
  }

  /** How many seconds it takes until nothing of it can be seen. */
  double seconds() {
    return reach == 0 ? 0 : ring.seconds();
  }
}
